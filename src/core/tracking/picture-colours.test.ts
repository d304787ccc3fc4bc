import { describe, expect, test } from '@jest/globals';
import { colourAround, colourColumns, pointInPicture, type PictureColours } from './picture-colours';

/** Patches by their sRGB values, as they are written. */
const picture = (
  columns: number,
  ...patches: readonly (readonly [number, number, number])[]
): PictureColours => ({
  columns,
  rows: patches.length / columns,
  aspect: 1,
  rgb: Uint8Array.from(patches.flat()),
});
const [RED, GREEN, BLUE, WHITE, BLACK] = [
  [255, 0, 0],
  [0, 255, 0],
  [0, 0, 255],
  [255, 255, 255],
  [0, 0, 0],
] as const;
const FOUR = picture(2, RED, GREEN, BLUE, WHITE);

describe('the colour around a point', () => {
  test.each([
    ['left top', 0.25, 0.25, [1, 0, 0]],
    ['right top', 0.75, 0.25, [0, 1, 0]],
    ['left bottom', 0.25, 0.75, [0, 0, 1]],
    ['right bottom', 0.75, 0.75, [1, 1, 1]],
    ['between left and right', 0.5, 0.25, [0.5, 0.5, 0]],
    ['in the middle of all', 0.5, 0.5, [0.5, 0.5, 0.5]],
    ['a quarter over', 0.375, 0.25, [0.75, 0.25, 0]],
    ['at the corner: what is beyond does not count', 0, 0, [1, 0, 0]],
  ] as const)('%s', (_where, x, y, colour) => {
    expect(colourAround(FOUR, x, y, 0)!.map((c) => Number(c.toFixed(9)))).toEqual(colour);
  });
  test('a larger square is the mean of what it covers, in amounts of light', () => {
    expect(colourAround(FOUR, 0.25, 0.25, 2)).toEqual([0.5, 0.5, 0.5]);
    // Half white and half black is half the light, which looks brighter than the middle between them.
    expect(colourAround(picture(2, WHITE, BLACK), 0.5, 0.5, 0.1)).toEqual([0.5, 0.5, 0.5]);
    expect(colourAround(picture(1, [188, 188, 188]), 0.5, 0.5, 1)![0]).toBeCloseTo(0.5, 2);
  });
  test('beyond the picture, and nowhere, there is none; a size that is none is one patch', () => {
    for (const [x, y] of [
      [-0.01, 0.5],
      [0.5, 1.01],
      [NaN, 0.5],
    ] as const)
      expect(colourAround(FOUR, x, y, 0.1)).toBeNull();
    expect(colourAround(FOUR, 0.25, 0.25, NaN)).toEqual([1, 0, 0]);
    expect(colourAround(FOUR, 0.25, 0.25, -3)).toEqual([1, 0, 0]);
  });
});

test('a view that cuts off the sides, or top and bottom, sees the middle of the picture', () => {
  const whole = { fovY: 90, aspect: 1 };
  expect(pointInPicture({ fovY: 90, aspect: 0.5 }, whole, 0, 0)).toEqual([0.25, 0]);
  expect(pointInPicture({ fovY: 90, aspect: 0.5 }, whole, 1, 0.5)).toEqual([0.75, 0.5]);
  // Half as high: a tangent of one half.
  const [x, y] = pointInPicture({ fovY: (2 * Math.atan(0.5) * 180) / Math.PI, aspect: 2 }, whole, 0, 0);
  expect(x).toBeCloseTo(0, 9);
  expect(y).toBeCloseTo(0.25, 9);
});

test('patches are about square, at least one wide', () => {
  expect([1, 9 / 16, 16 / 9, 0.001, 1000].map(colourColumns)).toEqual([32, 18, 57, 1, 128]);
});
