import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { middleOfPoints, outlineFrom } from './outline';

/** A square around the origin of two triangles, side 2. */
const SQUARE = [-1, -1, 1, -1, 1, 1, -1, 1];
const TWO = [0, 1, 2, 0, 2, 3];

describe('the outline of a mesh in the picture', () => {
  test('of a square: its sides and its corners', () => {
    const { radii } = outlineFrom([0, 0], SQUARE, TWO, 8);
    for (const n of [0, 2, 4, 6]) expect(radii[n]).toBeCloseTo(1, 6);
    for (const n of [1, 3, 5, 7]) expect(radii[n]).toBeCloseTo(Math.SQRT2, 6);
  });

  test('goes with its middle wherever it lies', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (x, y) => {
          const points = SQUARE.map((v, i) => v + (i % 2 ? y : x));
          const centre = middleOfPoints(points);
          expect(centre[0]).toBeCloseTo(x, 6);
          const { radii } = outlineFrom(centre, points, TWO, 64);
          const plain = outlineFrom([0, 0], SQUARE, TWO, 64).radii;
          radii.forEach((r, n) => expect(r).toBeCloseTo(plain[n]!, 4));
        },
      ),
      { numRuns: 40 },
    ));

  test('counts what sticks out farthest, and what lies within not at all', () => {
    const spike = [...SQUARE, 0, 3];
    const { radii } = outlineFrom([0, 0], spike, [...TWO, 3, 2, 4], 4);
    expect(radii[1]).toBeCloseTo(3, 6);
    const inner = [...SQUARE, 0.2, 0.1, 0.3, 0.1, 0.2, 0.4];
    expect([...outlineFrom([0, 0], inner, [...TWO, 4, 5, 6], 16).radii]).toEqual([
      ...outlineFrom([0, 0], SQUARE, TWO, 16).radii,
    ]);
  });
});
