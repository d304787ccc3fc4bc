import { expect, test } from '@jest/globals';
import { poreHeights } from './pores';

const SIDE = 256;
const heights = poreHeights(5);
const at = (x: number, y: number): number => heights[((y + SIDE) % SIDE) * SIDE + ((x + SIDE) % SIDE)]!;
/** The mean step from one pixel to the next across a column. */
const step = (x: number): number => {
  let sum = 0;
  for (let y = 0; y < SIDE; y++) sum += Math.abs(at(x, y) - at(x + 1, y));
  return sum / SIDE;
};

test('pores are holes in skin that is even between them', () => {
  const mean = heights.reduce((a, b) => a + b, 0) / heights.length;
  expect(mean).toBeGreaterThan(150);
  expect(Math.min(...heights)).toBeLessThan(70);
  // Lowest of all that is near: about one in each of 24 x 24 cells.
  let holes = 0;
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) {
      if (at(x, y) > mean - 40) continue;
      let lowest = true;
      for (let j = -2; j <= 2; j++)
        for (let i = -2; i <= 2; i++) if (at(x + i, y + j) < at(x, y)) lowest = false;
      if (lowest) holes++;
    }
  expect(holes).toBeGreaterThan(350);
  expect(holes).toBeLessThan(800);
});
test('it repeats without a seam, and is the same for the same seed', () => {
  const inside = Array.from({ length: 20 }, (_, i) => step(20 + 9 * i));
  expect(step(SIDE - 1)).toBeLessThan(2 * Math.max(...inside));
  expect(poreHeights(5)).toEqual(heights);
  expect(poreHeights(6)).not.toEqual(heights);
});
