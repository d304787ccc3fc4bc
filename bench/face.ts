/**
 * The shipped face tracker on every performer: pose against the truth while the head turns to 31 degrees, the
 * mouth opens, lips pucker and eyes shut. Pictures are drawn as a camera would see them, 480 x 640.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import { startServer } from '../e2e/harness/server';
import type { TakePage } from '../e2e/harness/take-page';
import { toAngles } from '../src/core/maths/quaternion';
import { performanceOf, PERFORMERS, screenTest } from '../src/core/takes/library';
import { makeTake } from '../src/core/takes/make-take';
import { faceError } from '../src/core/tracking/compare';
import type { ExpressionName } from '../src/core/tracking/expression-names';
import { expression, type TrackedFace } from '../src/core/tracking/track-frame';
import { median, report } from './report';
import { lookAt, startWorker } from './worker-page';

const PERFORMANCE = 'turn-and-mouth';
const FRAMES = 24;
/** The tracker smooths over time: each picture is shown it this often before its answer counts. */
const LOOKS = 3;
/** A moment in which the face rests, shown so often that it is known. */
const AT_REST = { time: 1, looks: 14 };
const only = process.argv.slice(2);

const percentile = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(share * list.length))]!;

/** How far blinks and gaze are off, by all pictures of all performers. */
const off = { blink: [] as number[], gaze: [] as number[] };
const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
/** The take with most people at once. */
const MANY = { take: 'three-people', time: 3 };

const data = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const drawer = await openBlank(browser, 'e2e/harness/take-page.ts');
  const page = await browser.newPage();
  const draw = (take: string, time: number): Promise<string> =>
    drawer.evaluate((request) => (window as unknown as { takePage: TakePage }).takePage.draw(request), {
      ...{ take, time, width: 480, height: 640, mime: 'image/jpeg' },
    });
  for (const { id } of PERFORMERS) {
    if (only.length > 0 && !only.includes(id)) continue;
    // A worker of their own: what it learns of one face at rest is not true of another.
    await page.goto(`${server.base}/`);
    await startWorker(page, '/trackers/face-worker.js', {
      kind: 'start',
      base: '/trackers/face_mesh/',
      faces: 1,
    });
    const { duration } = performanceOf(PERFORMANCE);
    const take = makeTake(screenTest(id, PERFORMANCE, duration));
    const angles: number[] = [];
    let lost = 0;
    const atRest = await draw(`screen-test-${id}/neutral`, AT_REST.time);
    await lookAt(page, atRest, take.frameAt(0).camera.fovY, AT_REST.looks);
    for (let i = 0; i < FRAMES; i++) {
      const time = (i / FRAMES) * duration;
      const truth = take.frameAt(time);
      const url = await draw(`screen-test-${id}/${PERFORMANCE}`, time);
      const { seen } = await lookAt<{ faces: TrackedFace[] }>(page, url, truth.camera.fovY, LOOKS);
      const [face] = seen.faces;
      if (!face) {
        lost++;
        continue;
      }
      const tracked = { ...face, landmarks: Float32Array.from(face.landmarks) };
      angles.push(faceError(truth.faces[0]!, tracked).angle);
      const offBy = (name: ExpressionName): number =>
        Math.abs(expression(truth.faces[0], name) - expression(tracked, name));
      off.blink.push(offBy('eyeBlinkLeft'), offBy('eyeBlinkRight'));
      off.gaze.push(
        offBy('eyeLookOutLeft'),
        offBy('eyeLookOutRight'),
        offBy('eyeLookUpLeft'),
        offBy('eyeLookDownLeft'),
      );
      if (process.env.ICONIA_BENCH_PRINT) {
        const [t, f] = [truth.faces[0]!, tracked].map((x) =>
          toAngles(x.pose.rotation).map((v) => v.toFixed(1)),
        );
        console.log(id, time.toFixed(1), 'truth', t!.join(' '), 'tracked', f!.join(' '));
      }
    }
    report({ name: `face.pose.${id}.median`, value: median(angles), unit: 'degrees' });
    report({ name: `face.pose.${id}.p95`, value: percentile(angles, 0.95), unit: 'degrees' });
    if (lost > 0) report({ name: `face.pose.${id}.lost`, value: lost, unit: `of ${FRAMES} pictures` });
  }
  report({ name: 'face.blink', value: mean(off.blink), unit: 'off, mean' });
  report({ name: 'face.gaze', value: mean(off.gaze), unit: 'off, mean' });
  await page.reload();
  await startWorker(page, '/trackers/face-worker.js', {
    kind: 'start',
    base: '/trackers/face_mesh/',
    faces: 4,
  });
  const crowd = await drawer.evaluate(
    (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
    { ...MANY, width: 480, height: 640, mime: 'image/jpeg' },
  );
  const { seen, milliseconds } = await lookAt<{ faces: TrackedFace[] }>(page, crowd, 50, 5);
  report({ name: `face.many.${seen.faces.length}`, value: milliseconds, unit: 'ms' });
} finally {
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
