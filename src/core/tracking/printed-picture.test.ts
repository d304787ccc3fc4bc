/** What computer vision sees of a picture is where the take says it is. */
import { expect, test } from '@jest/globals';
import { toOuter } from '../maths/pose';
import { Random } from '../maths/random';
import { project as projectPlane } from '../vision/homography';
import { PictureSearch } from '../vision/picture-search';
import { makePictureTarget } from '../vision/picture-target';
import { cameraOf, cornersOf, homographyOf } from '../vision/plane-pose';
import { pyramidOf } from '../vision/grey';
import { randomPose, simulateFrame } from '../vision/simulated-frame';
import { testPoster } from '../vision/testing';
import { trackedPicture } from './printed-picture';

const camera = cameraOf(320, 240, 44);

test('its corners in the world are seen where they are in the frame', () => {
  for (let seed = 1; seed < 30; seed++) {
    const pose = randomPose(camera, 0.5, 0.9, new Random(seed));
    const picture = trackedPicture(
      2,
      { target: 1, pose, how: 'found', quality: 1, sigma: 0, sightings: [] },
      1.5,
    );
    expect([picture.id, picture.width, picture.height]).toEqual([2, 1, 1.5]);
    for (const [x, y] of cornersOf(1.5)) {
      const [wx, wy, wz] = toOuter(picture.pose, [x, -y, 0]);
      // A camera at rest at the origin, looking along -Z, its picture's y down.
      const seen = [camera.cx + (camera.focal * wx) / -wz, camera.cy - (camera.focal * wy) / -wz];
      const [u, v] = projectPlane(homographyOf(pose, camera), x, y);
      expect(seen[0]).toBeCloseTo(u, 6);
      expect(seen[1]).toBeCloseTo(v, 6);
    }
  }
});

test('two posters and their twin: each is found as itself, one a frame, and followed from then on', () => {
  const posters = [testPoster(21), testPoster(22)];
  const [first, second] = posters.map((p) => makePictureTarget(p));
  const search = new PictureSearch([first!, second!, first!], camera);
  const pose = randomPose(camera, 0.6, 0.3, new Random(4));
  const frame = (of: number, seed: number) =>
    simulateFrame(pyramidOf(posters[of]!), camera, pose, {}, new Random(seed));
  const seen = (of: number, frames: number) =>
    Array.from({ length: frames }, (_, i) => search.look(frame(of, i)).map((s) => s.target));
  // The second is shown: the first and its twin are sought in vain.
  expect(seen(1, 5)).toEqual([[], [1], [1], [1], [1]]);
  // It is taken away, and the first is shown: found once, never as its twin on top of itself.
  const after = seen(0, 8);
  expect(after.flat().every((target) => target === 0 || target === 2)).toBe(true);
  expect(after.every((sights) => sights.length <= 1)).toBe(true);
  expect(after.at(-1)).toHaveLength(1);
});
