/**
 * Pictures of performers with random expressions on turning heads, as the shipped face tracker sees them: what `make.ts` learns from.
 * One line of JSON a picture. `node scripts/run-ts.mjs scripts/expression-model/samples.ts FILE [a performer's pictures] [seed]`
 */
import { appendFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { lookAt, startWorker } from '../../bench/worker-page';
import { CHROMIUM, CHROMIUM_ARGS } from '../../e2e/chromium';
import { openBlank } from '../../e2e/harness/blank-page';
import type { ExpressionPage, FaceRequest } from '../../e2e/harness/expression-page';
import { startServer } from '../../e2e/harness/server';
import { readExpressions } from '../../src/core/face/read-expressions';
import { toAngles } from '../../src/core/maths/quaternion';
import { Random } from '../../src/core/maths/random';
import { performanceOf, PERFORMERS, screenTest } from '../../src/core/takes/library';
import { makeTake } from '../../src/core/takes/make-take';
import { EXPRESSION_NAMES, type ExpressionName } from '../../src/core/tracking/expression-names';
import type { Expressions, TrackedFace } from '../../src/core/tracking/track-frame';
import { otherSide, type Sample } from './sample';

const [file, count = 90, seed = 1] = [
  process.argv[2],
  Number(process.argv[3] ?? 90),
  Number(process.argv[4] ?? 1),
];
if (!file) throw new Error('Say into which file.');
const [WIDTH, HEIGHT, LOOKS] = [360, 480, 3];
/** How heads move. */
const MOVES = ['slow-turn', 'nod-and-tilt', 'turn-and-mouth', 'neutral'] as const;
/** Where eyes look is read from the irises, not from the skin. */
const NAMES = EXPRESSION_NAMES.filter((name) => !name.startsWith('eyeLook'));
/** Both at once are neither. */
const EITHER_SIDE = /^(jaw|mouth)(Left|Right)$/;

const random = new Random(seed);
const oneOf = <T>(list: readonly T[]): T => list[Math.floor(random.next() * list.length)]!;
/** A third of all faces rest; the others show one to three expressions, most on both sides. */
const randomFace = (n: number): Expressions => {
  const face: Partial<Record<ExpressionName, number>> = {};
  if (n % 3 === 0) return face;
  for (let k = 1 + Math.floor(random.next() * 3); k > 0; k--) {
    const name = oneOf(NAMES);
    const value = random.between(0.3, 1);
    if (EITHER_SIDE.test(name)) delete face[otherSide(name)];
    else if (random.next() < 0.6) face[otherSide(name)] = value;
    face[name] = value;
  }
  if (face.mouthClose) face.jawOpen = Math.max(face.jawOpen ?? 0, face.mouthClose);
  return face;
};

writeFileSync(file, '');
const server = await startServer();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const drawer = await openBlank(browser, 'e2e/harness/expression-page.ts');
  const page = await browser.newPage();
  await page.goto(`${server.base}/`);
  const first = { kind: 'start', base: '/trackers/face_mesh/', faces: 1 };
  await startWorker(page, '/trackers/face-worker.js', first);
  for (const { id: performer } of PERFORMERS)
    for (let n = 0; n < count; n++) {
      const performance = oneOf(MOVES);
      const { duration } = performanceOf(performance);
      const time = random.next() * duration;
      const face = randomFace(n);
      const truth = makeTake(screenTest(performer, performance, duration)).frameAt(time);
      const request: FaceRequest = { performer, performance, time, face, width: WIDTH, height: HEIGHT };
      const url = await drawer.evaluate(
        (asked) => (window as unknown as { expressionPage: ExpressionPage }).expressionPage.draw(asked),
        request,
      );
      const { seen } = await lookAt<{ faces: TrackedFace[] }>(page, url, truth.camera.fovY, LOOKS);
      const [tracked] = seen.faces;
      if (!tracked) continue;
      const sample: Sample = {
        performer,
        face,
        angles: toAngles(tracked.pose.rotation),
        read: readExpressions(tracked.landmarks),
        // A hundredth of a millimetre is fine enough.
        landmarks: [...tracked.landmarks].map((v) => Math.round(v * 1e5) / 1e5),
      };
      appendFileSync(file, `${JSON.stringify(sample)}\n`);
    }
} finally {
  await browser.close();
  await server.stop();
}
