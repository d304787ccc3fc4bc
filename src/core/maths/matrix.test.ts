import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  determinant,
  transformDirection,
  composeMatrix,
  invertMatrix,
  transformPoint,
  multiplyMatrices,
  decomposeMatrix,
  IDENTITY_MATRIX,
} from './matrix';
import { angleBetween, fromAngles, rotate } from './quaternion';
import { distance, type Vec3 } from './vec3';

const angle = fc.double({ min: -400, max: 400, noNaN: true });
const metres = fc.double({ min: -5, max: 5, noNaN: true });
const factor = fc.double({ min: 0.05, max: 20, noNaN: true });
const triple = (part: fc.Arbitrary<number>): fc.Arbitrary<Vec3> => fc.tuple(part, part, part);
const parts = fc.record({ move: triple(metres), turn: triple(angle), scale: triple(factor) });
const matrixOf = ({ move, turn, scale }: { move: Vec3; turn: Vec3; scale: Vec3 }) =>
  composeMatrix(move, fromAngles(turn), scale);

describe('matrices', () => {
  test('a known one: sized by two, turned a quarter about z, moved', () => {
    const m = composeMatrix([1, 2, 3], fromAngles([0, 0, 90]), [2, 2, 2]);
    expect(distance(transformPoint(m, [1, 0, 0]), [1, 4, 3])).toBeLessThan(1e-12);
    expect(distance(transformDirection(m, [0, 1, 0]), [-2, 0, 0])).toBeLessThan(1e-12);
    expect(determinant(m)).toBeCloseTo(8, 12);
  });
  test('a point goes the way of turn, size and move', () =>
    fc.assert(
      fc.property(parts, triple(metres), (p, point) => {
        const sized: Vec3 = [point[0] * p.scale[0], point[1] * p.scale[1], point[2] * p.scale[2]];
        const turned = rotate(fromAngles(p.turn), sized);
        const wanted: Vec3 = [turned[0] + p.move[0], turned[1] + p.move[1], turned[2] + p.move[2]];
        expect(distance(transformPoint(matrixOf(p), point), wanted)).toBeLessThan(1e-9);
      }),
    ));
  test('the inverse undoes, and products go one after the other', () =>
    fc.assert(
      fc.property(parts, parts, triple(metres), (a, b, point) => {
        const [m, n] = [matrixOf(a), matrixOf(b)];
        const once = transformPoint(m, transformPoint(n, point));
        expect(distance(transformPoint(multiplyMatrices(m, n), point), once)).toBeLessThan(1e-8);
        const back = transformPoint(multiplyMatrices(invertMatrix(m)!, m), point);
        expect(distance(back, point)).toBeLessThan(1e-8);
      }),
    ));
  test('taken apart and put together it is the same', () =>
    fc.assert(
      fc.property(parts, (p) => {
        const found = decomposeMatrix(matrixOf(p));
        expect(distance(found.move, p.move)).toBeLessThan(1e-9);
        expect(distance(found.scale, p.scale)).toBeLessThan(1e-8);
        expect(angleBetween(found.rotation, fromAngles(p.turn))).toBeLessThan(1e-4);
      }),
    ));
  test('a mirrored one keeps its mirroring in x', () => {
    const { scale, rotation } = decomposeMatrix(
      composeMatrix([0, 0, 0], fromAngles([10, 20, 30]), [-1, 2, 3]),
    );
    expect(distance(scale, [-1, 2, 3])).toBeLessThan(1e-12);
    expect(angleBetween(rotation, fromAngles([10, 20, 30]))).toBeLessThan(1e-4);
  });
  test('what is flat has no inverse, and still comes apart without NaN', () => {
    for (const scale of [
      [0, 1, 1],
      [1, 0, 0],
      [0, 0, 0],
    ] as Vec3[]) {
      const m = composeMatrix([1, 1, 1], fromAngles([0, 30, 0]), scale);
      expect(invertMatrix(m)).toBeNull();
      const { rotation, scale: sizes } = decomposeMatrix(m);
      expect([...rotation, ...sizes].every(Number.isFinite)).toBe(true);
    }
    expect(invertMatrix(IDENTITY_MATRIX)).toEqual(
      IDENTITY_MATRIX.map((x) => (x === 0 ? expect.closeTo(0) : x)),
    );
  });
});
