/** Parts of a picture that are looked at alone. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FIRST_TAKE } from '../takes/library';
import { toOuter } from '../maths/pose';
import { pointAt } from '../maths/vec3';
import { projectPoint } from './project';
import { faceRegion, fromRegion, regionAround, regionOverlap } from './region';

const { faces, camera } = FIRST_TAKE.frameAt(0);
const face = faces[0]!;

test('landmarks of a part are where they are in the whole: in the middle of the part, and at its corner', () => {
  const flat = Float32Array.of(0.5, 0.5, 0.1, 0, 0, 0, 1, 1, -0.2);
  fromRegion(flat, { x: 0.25, y: 0.5, width: 0.5, height: 0.25 });
  [0.5, 0.625, 0.05, 0.25, 0.5, 0, 0.75, 0.75, -0.1].forEach((v, i) => expect(flat[i]).toBeCloseTo(v, 6));
});
test('the region of a face holds all of it, and no more than its margin; what is behind the camera has none', () => {
  const tight = faceRegion(face, camera, 0)!;
  const wide = faceRegion(face, camera, 0.5)!;
  const [x, y] = projectPoint(
    camera,
    camera.fovY,
    camera.aspect,
    toOuter(face.pose, pointAt(face.landmarks, 4)),
  )!;
  expect(x > tight.x && x < tight.x + tight.width && y > tight.y && y < tight.y + tight.height).toBe(true);
  expect(regionOverlap(tight, wide)).toBeCloseTo(1, 6);
  expect(wide.width).toBeCloseTo(Math.min(1, 2 * tight.width), 1);
  const behind = { ...face, pose: { ...face.pose, position: [0, 0, 1] as const } };
  expect(faceRegion(behind, camera, 0)).toBe(null);
});
test('regions stay within the picture, and hold the points they were made of', () => {
  const unit = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.array(fc.tuple(unit, unit), { minLength: 1, maxLength: 6 }), unit, (points, margin) => {
      const { x, y, width, height } = regionAround(points, margin);
      expect(x >= 0 && y >= 0 && x + width <= 1 + 1e-9 && y + height <= 1 + 1e-9).toBe(true);
      for (const [px, py] of points)
        expect(px >= x - 1e-9 && px <= x + width + 1e-9 && py >= y - 1e-9 && py <= y + height + 1e-9).toBe(
          true,
        );
    }),
  );
});
test('regions that do not meet have nothing in common', () => {
  const box = { x: 0, y: 0, width: 0.2, height: 0.2 };
  expect(regionOverlap(box, { ...box, x: 0.3 })).toBe(0);
  expect(regionOverlap(box, { ...box, x: 0.1 })).toBeCloseTo(0.5, 6);
});
