import { describe, expect, test } from '@jest/globals';
import { backfill, backfillTriangles } from './backfill';
import type { FaceOutline } from './outline';

const COUNT = 32;
const round = (at: (i: number) => number): FaceOutline => ({
  centre: [0.3, -0.2],
  radii: Float32Array.from({ length: COUNT }, (_, i) => at(i)),
});
const reach = (xy: Float32Array, corner: number): number =>
  Math.hypot(xy[2 * corner]! - 0.3, xy[2 * corner + 1]! + 0.2);

describe('what is filled behind a face that shrinks', () => {
  test('nothing where it stays or grows', () => {
    expect(
      backfill(
        round(() => 1),
        round(() => 1),
      ).any,
    ).toBe(false);
    const grown = backfill(
      round(() => 1),
      round(() => 1.3),
    );
    expect(grown.any).toBe(false);
    for (let i = 0; i < COUNT; i++)
      expect(reach(grown.corners, 2 * i)).toBeCloseTo(reach(grown.corners, 2 * i + 1), 6);
  });

  test('from beyond the old outline to under the new one, with what lies outside, mirrored', () => {
    const { corners, from, any } = backfill(
      round(() => 1),
      round(() => 0.7),
    );
    expect(any).toBe(true);
    for (let i = 0; i < COUNT; i++) {
      const [outer, inner] = [reach(corners, 2 * i), reach(corners, 2 * i + 1)];
      expect(outer).toBeGreaterThan(1.03);
      expect(inner).toBeLessThan(0.7);
      // No pixel of the old face is shown.
      expect(reach(from, 2 * i)).toBeCloseTo(outer, 6);
      expect(reach(from, 2 * i + 1)).toBeCloseTo(outer + 0.6 * (outer - inner), 6);
    }
  });

  test('only the side that shrinks', () => {
    const { corners } = backfill(
      round(() => 1),
      round((i) => (i < COUNT / 4 ? 0.6 : 1)),
    );
    expect(reach(corners, 2 * 4 + 1)).toBeLessThan(0.6);
    expect(reach(corners, 2 * 20 + 1)).toBeCloseTo(reach(corners, 2 * 20), 6);
  });

  test('the strip closes around', () => {
    const triangles = backfillTriangles(4);
    expect(triangles).toHaveLength(24);
    expect(Math.max(...triangles)).toBe(7);
    expect(triangles.slice(-6)).toEqual([6, 7, 0, 0, 7, 1]);
  });
});
