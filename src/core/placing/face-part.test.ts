/** Eyes, mouths and faces under a point of the picture. */
import { expect, test } from '@jest/globals';
import { facePartAt } from './face-part';
import { USUAL_ASPECT } from './touch';
import { faceAt, frameOf, poseAt } from './testing';

const VIEW = { fovY: 60, aspect: USUAL_ASPECT };
const frame = frameOf({ faces: [faceAt(1, poseAt([0, 0, -0.6]))] });
const wide = (box: ReturnType<typeof facePartAt>): number => (box ? box.right - box.left : 0);

test('an eye is small, the mouth larger, the face largest; beside it there is nothing', () => {
  // Sought where they are: an eye a little above the middle, to the side; the mouth below.
  const eye = facePartAt(frame, VIEW, { x: 0.585, y: 0.46 })!;
  const mouth = facePartAt(frame, VIEW, { x: 0.5, y: 0.555 })!;
  const face = facePartAt(frame, VIEW, { x: 0.5, y: 0.41 })!;
  expect(wide(eye)).toBeGreaterThan(0.05);
  expect(wide(mouth)).toBeGreaterThan(wide(eye) * 0.8);
  expect(wide(face)).toBeGreaterThan(wide(mouth) * 1.3);
  // Each with what was pointed at in it, and on its own side.
  expect(eye.left).toBeLessThan(0.585);
  expect(eye.right).toBeGreaterThan(0.585);
  expect((eye.left + eye.right) / 2).toBeGreaterThan(0.52);
  expect(facePartAt(frame, VIEW, { x: 0.02, y: 0.02 })).toBeNull();
  expect(facePartAt(frameOf(), VIEW, { x: 0.5, y: 0.5 })).toBeNull();
});
test('a face behind the camera is no face of the picture', () =>
  expect(
    facePartAt(frameOf({ faces: [faceAt(1, poseAt([0, 0, 0.6]))] }), VIEW, { x: 0.5, y: 0.5 }),
  ).toBeNull());
