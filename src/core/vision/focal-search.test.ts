/** The focal length is found from a printed picture that is seen tilted, and not said where nothing tells it. */
import { describe, expect, test } from '@jest/globals';
import { Random } from '../maths/random';
import { FocalSearch } from './focal-search';
import { Frame } from './frame-features';
import { pyramidOf } from './grey';
import { makePictureTarget } from './picture-target';
import { PictureTracker } from './picture-tracker';
import type { Sight } from './sight';
import { cameraOf } from './plane-pose';
import { randomPose, simulateFrame } from './simulated-frame';
import { testPoster } from './testing';

const poster = testPoster(11);
const levels = pyramidOf(poster);
const target = makePictureTarget(poster);
const SIZE = [320, 240] as const;
const assumed = cameraOf(...SIZE, 48);

/** What is found where a camera opens by `fovY` and 48 degrees are assumed. */
const searchedBy = (
  fovY: number,
  tilt: number,
  frames: number,
): { search: FocalSearch; last: Sight | null } => {
  const camera = cameraOf(...SIZE, fovY);
  const search = new FocalSearch(assumed);
  const tracker = new PictureTracker(target, assumed);
  const frame = new Frame(...SIZE);
  let last: Sight | null = null;
  for (let seed = 1; seed <= frames; seed++) {
    const pose = randomPose(camera, 0.5, (tilt * Math.PI) / 180, new Random(seed));
    frame.load(simulateFrame(levels, camera, pose, { noise: 4 }, new Random(100 + seed)));
    const sight = tracker.find(frame, frame.features());
    if (!sight) continue;
    last = sight;
    search.add(sight.pose, sight.sightings);
  }
  return { search, last };
};
const searched = (fovY: number, tilt: number, frames = 12): FocalSearch =>
  searchedBy(fovY, tilt, frames).search;

describe('a picture that is tilted by 40 degrees', () => {
  test.each([38, 56])('before a camera of %d degrees: to within 3 %', (fovY) => {
    const { focal } = searched(fovY, 40);
    expect(focal! / cameraOf(...SIZE, fovY).focal).toBeGreaterThan(0.97);
    expect(focal! / cameraOf(...SIZE, fovY).focal).toBeLessThan(1.03);
  });
});
test('seen from its front, or hardly seen, it says nothing', () => {
  expect(searched(40, 5).focal).toBe(null);
  expect(searched(40, 40, 4).focal).toBe(null);
});
test('beyond what is tried it says nothing rather than something wrong', () => {
  const { focal } = searched(26, 40);
  expect(focal === null || Math.abs(focal / cameraOf(...SIZE, 26).focal - 1) < 0.05).toBe(true);
});
test('it is over when it has seen enough', () => {
  const { last, search } = searchedBy(44, 40, 1);
  for (let i = 0; i < 40; i++) search.add(last!.pose, last!.sightings);
  expect(search.isOver).toBe(true);
});
