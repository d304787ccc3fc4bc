/**
 * The shipped hand tracker on drawn hands of several skin tones: palm, fist, thumb, pointing, pinch, two fingers. Pictures are drawn as a camera
 * would see them, 480 x 640. Points are measured where they are seen in the picture, in lengths of the palm; how far away a hand is thought to be,
 * and how it is turned, by themselves.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import { startServer } from '../e2e/harness/server';
import type { TakePage } from '../e2e/harness/take-page';
import { HAND_LANDMARKS } from '../src/core/hand/skeleton';
import { toOuter } from '../src/core/maths/pose';
import { pointAt } from '../src/core/maths/vec3';
import { performanceOf, PERFORMERS, screenTest } from '../src/core/takes/library';
import { makeTake } from '../src/core/takes/make-take';
import { handError, matchNearest } from '../src/core/tracking/compare';
import { projectPoint } from '../src/core/tracking/project';
import type { CameraState, TrackedHand } from '../src/core/tracking/track-frame';
import { median, report } from './report';
import { lookAt, startWorker } from './worker-page';

const PERFORMANCE = 'gestures';
const FRAMES = 32;
const LOOKS = 3;
const only = process.argv.slice(2);

/** How far off the points are in the picture, the median, in lengths of the palm as it is seen. */
const seenOff = (camera: CameraState, truth: TrackedHand, tracked: TrackedHand): number => {
  const [true_, seen] = [truth, tracked].map(({ pose, landmarks }) =>
    Array.from({ length: HAND_LANDMARKS }, (_, i) => {
      const [x, y] = projectPoint(camera, camera.fovY, 0.75, toOuter(pose, pointAt(landmarks, i)))!;
      return [0.75 * x, y] as const;
    }),
  );
  const far = (a: readonly [number, number], b: readonly [number, number]) =>
    Math.hypot(a[0] - b[0], a[1] - b[1]);
  return median(true_!.map((p, i) => far(p, seen![i]!))) / far(true_![0]!, true_![9]!);
};

const data = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const all = { points: [] as number[], angle: [] as number[], away: [] as number[], took: [] as number[] };
let [inSight, found, signs, right] = [0, 0, 0, 0];
try {
  const drawer = await openBlank(browser, 'e2e/harness/take-page.ts');
  const page = await browser.newPage();
  await page.goto(`${server.base}/`);
  await startWorker(page, '/trackers/hand-worker.js', { kind: 'start', base: '/trackers/hands/', hands: 2 });
  for (const { id } of PERFORMERS) {
    if (only.length > 0 && !only.includes(id)) continue;
    const { duration } = performanceOf(PERFORMANCE);
    const take = makeTake(screenTest(id, PERFORMANCE, duration));
    for (let i = 0; i < FRAMES; i++) {
      const time = (i / FRAMES) * duration;
      const truth = take.frameAt(time);
      if (truth.hands.length === 0) continue;
      const url = await drawer.evaluate(
        (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
        { take: `screen-test-${id}/${PERFORMANCE}`, time, width: 480, height: 640, mime: 'image/jpeg' },
      );
      const { seen, milliseconds } = await lookAt<{ hands: TrackedHand[] }>(
        page,
        url,
        truth.camera.fovY,
        LOOKS,
      );
      all.took.push(milliseconds);
      const hands = seen.hands.map((hand) => ({ ...hand, landmarks: Float32Array.from(hand.landmarks) }));
      inSight += truth.hands.length;
      const [pair] = matchNearest(truth.hands, hands);
      const sign = truth.hands[0]!.gesture;
      if (sign) signs++;
      if (process.env.ICONIA_BENCH_PRINT)
        console.log(
          id,
          time.toFixed(1),
          sign,
          pair
            ? `${pair[1].gesture} ${pair[1].side === pair[0].side} ${JSON.stringify(handError(...pair))}`
            : `none of ${hands.length}`,
        );
      if (!pair) continue;
      found++;
      const [true_, tracked] = pair;
      const error = handError(true_, tracked);
      all.points.push(100 * seenOff(truth.camera, true_, tracked));
      all.angle.push(error.angle);
      all.away.push((100 * error.position) / -true_.pose.position[2]);
      if (sign && error.isSignRight) right++;
    }
  }
  report({ name: 'hands.found', value: (100 * found) / inSight, unit: '%' });
  report({ name: 'hands.points', value: median(all.points), unit: '% of the palm, as seen' });
  report({ name: 'hands.angle', value: median(all.angle), unit: 'degrees' });
  report({ name: 'hands.distance', value: median(all.away), unit: '% off' });
  report({ name: 'hands.signs', value: (100 * right) / signs, unit: '% read right' });
  report({ name: 'hands.ms', value: median(all.took), unit: 'ms' });
} finally {
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
