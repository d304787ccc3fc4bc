import { describe, expect, test } from '@jest/globals';
import { Random } from '../maths/random';
import { boxMean, epsilonOf, guidedSmooth, type Plane } from './guided';

const SIZE = 64;
const plane = (at: (x: number, y: number) => number): Plane => ({
  width: SIZE,
  height: SIZE,
  data: Float32Array.from({ length: SIZE * SIZE }, (_, i) => at(i % SIZE, Math.floor(i / SIZE))),
});
const deviation = ({ data }: Plane, left: number, right: number): number => {
  const values: number[] = [];
  for (let y = 8; y < SIZE - 8; y++) for (let x = left; x < right; x++) values.push(data[y * SIZE + x]!);
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
};

describe('edge-preserving smoothing', () => {
  test('a box mean of something even is that; a point spreads over the box', () => {
    const even = boxMean(
      plane(() => 0.4),
      3,
    );
    for (const v of even.data) expect(v).toBeCloseTo(0.4, 5);
    const point = boxMean(
      plane((x, y) => (x === 32 && y === 32 ? 1 : 0)),
      2,
    );
    expect(point.data[32 * SIZE + 32]).toBeCloseTo(1 / 25, 6);
    expect(point.data[32 * SIZE + 35]).toBe(0);
  });

  test('blotches on skin go, the edge of a brow stays', () => {
    const random = new Random(3);
    // Skin at 0.6 with blotches of 0.03, beside a brow at 0.15.
    const noisy = plane((x) => (x < 32 ? 0.6 : 0.15) + 0.03 * (2 * random.next() - 1));
    const smooth = guidedSmooth(noisy, 5, epsilonOf(0.7));
    expect(deviation(smooth, 8, 24)).toBeLessThan(0.35 * deviation(noisy, 8, 24));
    // From one pixel to the next at the edge nearly all of the step is left.
    const row = 30 * SIZE;
    expect(smooth.data[row + 30]! - smooth.data[row + 33]!).toBeGreaterThan(0.92 * 0.45);
    // A plain mean of the same reach would have left a fifth of it.
    const blurred = boxMean(noisy, 5);
    expect(blurred.data[row + 30]! - blurred.data[row + 33]!).toBeLessThan(0.2);
  });

  test('more strength smooths more', () => {
    const random = new Random(5);
    const noisy = plane(() => 0.5 + 0.08 * (2 * random.next() - 1));
    const [weak, strong] = [0, 1].map((s) => deviation(guidedSmooth(noisy, 5, epsilonOf(s)), 8, 56));
    expect(strong).toBeLessThan(0.75 * weak!);
    expect(weak).toBeLessThan(deviation(noisy, 8, 56));
  });
});
