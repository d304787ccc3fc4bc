/** Contact shadows follow what is above them, and fade and widen as it rises. */
import { expect, test } from '@jest/globals';
import { boxAbout } from '../maths/box';
import { composeMatrix } from '../maths/matrix';
import { fromAngles, IDENTITY } from '../maths/quaternion';
import type { Vec3 } from '../maths/vec3';
import { contactOf } from './contact';

const at = (position: Vec3, angles: Vec3 = [0, 0, 0], size = 1) =>
  composeMatrix(position, angles.every((a) => a === 0) ? IDENTITY : fromAngles(angles), [size, size, size]);
const BOX = boxAbout(0.2, 0.4, 0.2);
const GROUND = at([0, 0, -1]);

test('below a thing that stands on the ground lies all of it', () => {
  const { shift, strength, spread } = contactOf(GROUND, at([0.3, 0.2, -1.5]), BOX, 1)!;
  expect(shift[0]).toBeCloseTo(0.3, 9);
  expect(shift[1]).toBeCloseTo(-0.5, 9);
  expect([strength, spread]).toEqual([1, 1]);
});
test('half as high as where it is gone half of it is left, and it is wider', () => {
  const { strength, spread } = contactOf(GROUND, at([0, 0.7, -1]), BOX, 1)!;
  expect(strength).toBeCloseTo(0.5, 9);
  expect(spread).toBeCloseTo(1.4, 9);
});
test('as high as that, and higher, nothing; sunk into the ground all', () => {
  expect(contactOf(GROUND, at([0, 5, -1]), BOX, 1)!.strength).toBe(0);
  expect(contactOf(GROUND, at([0, -5, -1]), BOX, 1)!.strength).toBe(1);
});
test('height is that of the lowest point, however the thing is turned', () => {
  // On its side the box is 0.2 high: its middle 0.1 above the ground is all the way down.
  expect(contactOf(GROUND, at([0, 0.1, -1], [0, 0, 90]), BOX, 1)!.strength).toBeCloseTo(1, 9);
  expect(contactOf(GROUND, at([0, 0.2, -1], [0, 0, 90]), BOX, 1)!.strength).toBeCloseTo(0.9, 9);
});
test('on a plane that is flattened there is none', () =>
  expect(contactOf(at([0, 0, 0], [0, 0, 0], 0), at([0, 1, 0]), BOX, 1)).toBeNull());
