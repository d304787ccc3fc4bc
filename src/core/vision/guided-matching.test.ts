/** Poses grown from one match over the whole picture. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Random } from '../maths/random';
import { Frame, type FrameFeatures } from './frame-features';
import { pyramidOf } from './grey';
import { FeatureGrid, growPose } from './guided-matching';
import { project } from './homography';
import { makePictureTarget, type PictureTarget } from './picture-target';
import { PictureTracker } from './picture-tracker';
import { posesOfAffine } from './affine-pose';
import { cameraOf, homographyOf, type PlanePose } from './plane-pose';
import { randomPose, simulateFrame } from './simulated-frame';
import { cornersApart, testPoster } from './testing';

const camera = cameraOf(320, 240, 44);
/** Little is on it, so few of its corners stand out from all that is in a frame. */
const poster = testPoster(21, 9);
const levels = pyramidOf(poster);
const frame = new Frame(camera.width, camera.height);
let target: PictureTarget;
beforeAll(() => {
  target = makePictureTarget(poster);
});
const seen = (pose: PlanePose | null, seed = 3): FrameFeatures => {
  frame.load(simulateFrame(levels, camera, pose, { noise: 3 }, new Random(seed)));
  return frame.features();
};
const cornersOff = (a: PlanePose, b: PlanePose): number => cornersApart(a, b, target.aspect, camera);
/** What one place of the picture tells of a pose, wrong by so much: as one match does. */
const guessAt = (pose: PlanePose, x: number, y: number, wrong: number): readonly PlanePose[] => {
  const h = homographyOf(pose, camera);
  const [u, v] = project(h, x, y);
  const e = 1e-4;
  const [ux, vx] = project(h, x + e, y);
  const [uy, vy] = project(h, x, y + e);
  const j = [(ux - u) / e, (uy - u) / e, (vx - v) / e, (vy - v) / e].map((k) => k * wrong);
  return posesOfAffine({ x, y, u, v, j }, camera);
};

describe('the nearest of the features about a place', () => {
  test('is what looking at all of them finds', () => {
    const features = seen(randomPose(camera, 0.6, 0.3, new Random(2)));
    const grid = new FeatureGrid(features, camera);
    const place = fc.record({
      u: fc.double({ min: -5, max: 325, noNaN: true }),
      v: fc.double({ min: -5, max: 245, noNaN: true }),
      radius: fc.double({ min: 1, max: 60, noNaN: true }),
    });
    fc.assert(
      fc.property(place, ({ u, v, radius }) => {
        const fits = (i: number): boolean => i % 3 !== 0;
        const differ = (i: number): number => (i * 37) % 101;
        const all = Array.from({ length: features.count }, (_, i) => i).filter(
          (i) => fits(i) && Math.hypot(features.x[i] - u, features.y[i] - v) <= radius && differ(i) < 60,
        );
        const found = grid.nearest(u, v, radius, fits, differ, 60);
        expect(found < 0 ? Infinity : differ(found)).toBe(Math.min(Infinity, ...all.map(differ)));
      }),
    );
  });
});

describe('grown', () => {
  test('a guess that is good about one place becomes the pose of the whole picture', () => {
    const random = new Random(8);
    let right = 0;
    for (let n = 0; n < 12; n++) {
      const pose = randomPose(camera, random.between(0.5, 0.8), random.between(0, 0.5), random);
      const grid = new FeatureGrid(seen(pose, n), camera);
      // Its scale is a twelfth off: at the far corners that is more than ten pixels.
      const grown = [0, 7, 40, 90].flatMap((k) => {
        const place = [target.described.px[k]!, target.described.py[k]!] as const;
        return guessAt(pose, ...place, 1.08).flatMap(
          (guess) => growPose(guess, place, grid, target, camera) ?? [],
        );
      });
      const best = grown.sort((a, b) => b.agreeing - a.agreeing)[0];
      if (best && cornersOff(best.pose, pose) < 4) right++;
    }
    expect(right).toBeGreaterThanOrEqual(11);
  });
  test('where the picture is not, nothing grows', () => {
    const random = new Random(9);
    let grown = 0;
    for (let n = 0; n < 6; n++) {
      const grid = new FeatureGrid(seen(null, n), camera);
      const pose = randomPose(camera, 0.6, 0.3, random);
      for (const k of [0, 7, 40, 90]) {
        const place = [target.described.px[k]!, target.described.py[k]!] as const;
        for (const guess of guessAt(pose, ...place, 1))
          if (growPose(guess, place, grid, target, camera)) grown++;
      }
    }
    expect(grown).toBeLessThanOrEqual(2);
  });
});

test('a picture with little on it is found: by single matches, where no four of them make a homography', () => {
  const random = new Random(4);
  let [found, wrong] = [0, 0];
  for (let n = 0; n < 24; n++) {
    const pose = randomPose(camera, random.between(0.4, 0.8), random.between(0, 0.9), random);
    const features = seen(pose, n);
    const sight = new PictureTracker(target, camera).find(frame, features);
    if (!sight) continue;
    if (cornersOff(sight.pose, pose) < 4) found++;
    else wrong++;
  }
  expect([found >= 21, wrong]).toEqual([true, 0]);
});
