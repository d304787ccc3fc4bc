import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './e2e/chromium';

export const CLIP_FILE = join(tmpdir(), 'iconia-e2e-clip', 'take.mjpeg');
/** A printed picture before the camera. */
export const PICTURE_CLIP_FILE = join(tmpdir(), 'iconia-e2e-clip', 'picture.mjpeg');
/** A hand that shows signs. */
export const HAND_CLIP_FILE = join(tmpdir(), 'iconia-e2e-clip', 'hand.mjpeg');
/** What the fake microphone hears: a tone and silence by turns. */
export const TONE_FILE = join(tmpdir(), 'iconia-e2e-clip', 'tone.wav');

const launch = (...more: string[]) => ({
  launchOptions: { executablePath: CHROMIUM, args: [...CHROMIUM_ARGS, ...more] },
});

/** A browser whose camera shows a clip; its microphone hears the tone. */
export const cameraOn = (clip: string) =>
  launch(
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-video-capture=${clip}`,
    `--use-file-for-fake-audio-capture=${TONE_FILE}`,
  );

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'logs/e2e',
  // WebGL runs in software here, on as many cores as there are: waiting is cheap, failing for slowness is not.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  // A second go for what a busy machine broke; the report names it as flaky.
  retries: 1,
  // One a core, each with a server of its own (`e2e/harness/test.ts`).
  workers: 2,
  reporter: [['list'], ['json', { outputFile: 'logs/e2e.json' }]],
  use: {
    viewport: { width: 1180, height: 660 },
    actionTimeout: 60_000,
  },
  projects: [
    {
      name: 'interface',
      // Tests of one file may go to both workers, so that none is left alone with a long file at the end.
      fullyParallel: true,
      testMatch: '**/*.spec.ts',
      testIgnore: ['**/camera-*.spec.ts', '**/*-pixels.spec.ts', '**/take-masks.spec.ts'],
      // What pages compute here is short: code that is made quicker still costs more than it gives.
      use: launch('--js-flags=--no-opt'),
    },
    // Pictures that the stage draws in a blank page, against what core computes.
    { name: 'pixels', testMatch: ['**/*-pixels.spec.ts', '**/take-masks.spec.ts'], use: launch() },
    // What the fake camera shows and the fake microphone hears.
    { name: 'clip', testMatch: 'clip.setup.ts' },
    {
      // The real path: getUserMedia gives the clip, the real tracker looks at it.
      name: 'camera',
      testMatch: '**/camera-*.spec.ts',
      dependencies: ['clip', 'interface', 'pixels'],
      use: cameraOn(CLIP_FILE),
    },
  ],
});
