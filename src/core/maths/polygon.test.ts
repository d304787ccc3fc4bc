import { describe, expect, test } from '@jest/globals';
import { isInside, polygonArea, type Point2 } from './polygon';

const CORNER: readonly Point2[] = [
  [0, 0],
  [4, 0],
  [4, 1],
  [1, 1],
  [1, 3],
  [0, 3],
];

describe('polygons', () => {
  test('area: positive counter-clockwise, negative the other way; none of less than three points', () => {
    expect(polygonArea(CORNER)).toBe(6);
    expect(polygonArea([...CORNER].reverse())).toBe(-6);
    expect(polygonArea(CORNER.slice(0, 2))).toBe(0);
    expect(polygonArea([])).toBe(0);
  });

  test('inside: in both arms of a corner, not in its bay and not around it', () => {
    for (const p of [
      [0.5, 0.5],
      [3.5, 0.5],
      [0.5, 2.5],
    ] as const)
      expect(isInside(p, CORNER)).toBe(true);
    for (const p of [
      [2, 2],
      [-1, 0.5],
      [5, 0.5],
      [0.5, 4],
      [0.5, -1],
    ] as const)
      expect(isInside(p, CORNER)).toBe(false);
    expect(isInside([0, 0], [])).toBe(false);
  });
});
