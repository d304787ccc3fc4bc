import { expect, test } from '@jest/globals';
import { rotate, conjugate, fromAngles } from '../maths/quaternion';
import { pointAt, type Vec3 } from '../maths/vec3';
import { NECK_POINTS, NECK_TRIANGLES, neckPositions } from './neck';

const DOWN: Vec3 = [0, -1, 0];
const middleOf = (points: Float32Array, ring: 'first' | 'last'): Vec3 => {
  const around = 20;
  const from = ring === 'first' ? 0 : NECK_POINTS - around;
  const sum = [0, 0, 0];
  for (let i = from; i < from + around; i++) pointAt(points, i).forEach((x, k) => (sum[k]! += x / around));
  return sum as unknown as Vec3;
};

test('below an upright head it goes straight down, as wide as a neck, and grows with the head', () => {
  const points = neckPositions(DOWN, 1);
  const [top, foot] = [middleOf(points, 'first'), middleOf(points, 'last')];
  expect([foot[0], foot[2]]).toEqual([expect.closeTo(top[0], 6), expect.closeTo(top[2], 6)]);
  expect(top[1] - foot[1]).toBeCloseTo(0.15, 5);
  const xs = Array.from({ length: NECK_POINTS }, (_, i) => pointAt(points, i)[0]);
  expect(Math.max(...xs)).toBeCloseTo(0.068, 3);
  expect(neckPositions(DOWN, 1.2)[3]).toBeCloseTo(points[3]! * 1.2, 6);
  expect(Math.max(...NECK_TRIANGLES)).toBe(NECK_POINTS - 1);
});

test('a head that turns or nods keeps its neck on the body: its foot goes less than half as far', () => {
  for (const angles of [
    [0, 40, 0],
    [30, 0, 0],
    [0, 0, 25],
  ] as Vec3[]) {
    const turn = fromAngles(angles);
    const points = neckPositions(rotate(conjugate(turn), DOWN), 1);
    const foot = rotate(turn, middleOf(points, 'last'));
    const withHead = rotate(turn, middleOf(neckPositions(DOWN, 1), 'last'));
    const top = rotate(turn, middleOf(points, 'first'));
    const straight: Vec3 = [top[0], top[1] - 0.15, top[2]];
    const far = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
    expect(far(foot, straight)).toBeLessThanOrEqual(0.5 * far(withHead, straight) + 1e-6);
  }
});
