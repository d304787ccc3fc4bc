/** Before the tests on a camera: clips for the fake camera, a tone for the fake microphone. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { test } from '@playwright/test';
import { CLIP_FILE, HAND_CLIP_FILE, PICTURE_CLIP_FILE, TONE_FILE } from '../playwright.config';
import { writeWav } from '../src/core/assets/sounds/wav';
import { HAND_MOMENTS, PICTURE_MOMENTS, writeClip } from './harness/clip';

const RATE = 48_000;

test('clips and a tone are made', async () => {
  mkdirSync(dirname(CLIP_FILE), { recursive: true });
  // Two seconds of silence, two of a tone.
  const tone = Float32Array.from({ length: 4 * RATE }, (_, i) =>
    i < 2 * RATE ? 0 : 0.5 * Math.sin((2 * Math.PI * 440 * i) / RATE),
  );
  writeFileSync(TONE_FILE, writeWav({ rate: RATE, channels: [tone] }));
  await writeClip(CLIP_FILE);
  await writeClip(HAND_CLIP_FILE, HAND_MOMENTS);
  await writeClip(PICTURE_CLIP_FILE, PICTURE_MOMENTS, readFileSync('stock/pictures/tide-card.webp'));
});
