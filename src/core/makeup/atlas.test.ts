import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { GUTTER, packTiles, type Tile } from './atlas';

const size = fc.record({ width: fc.integer({ min: 1, max: 600 }), height: fc.integer({ min: 1, max: 600 }) });
const apart = (a: Tile, b: Tile): boolean =>
  a.left + a.width + GUTTER <= b.left ||
  b.left + b.width + GUTTER <= a.left ||
  a.top + a.height + GUTTER <= b.top ||
  b.top + b.height + GUTTER <= a.top;

describe('tiles of an atlas', () => {
  test('lie inside, apart from each other, at their size', () => {
    fc.assert(
      fc.property(fc.array(size, { minLength: 1, maxLength: 24 }), (sizes) => {
        const atlas = packTiles(sizes, 8192)!;
        atlas.tiles.forEach((tile, i) => {
          expect(tile).toMatchObject(sizes[i]!);
          expect(tile.left).toBeGreaterThanOrEqual(GUTTER);
          expect(tile.top).toBeGreaterThanOrEqual(GUTTER);
          expect(tile.left + tile.width + GUTTER).toBeLessThanOrEqual(atlas.width);
          expect(tile.top + tile.height + GUTTER).toBeLessThanOrEqual(atlas.height);
          for (const other of atlas.tiles.slice(i + 1)) expect(apart(tile, other)).toBe(true);
        });
      }),
    );
  });

  test('waste little when there are many', () => {
    const sizes = Array.from({ length: 40 }, (_, i) => ({
      width: 60 + ((i * 37) % 90),
      height: 50 + ((i * 53) % 70),
    }));
    const { width, height } = packTiles(sizes, 4096)!;
    const used = sizes.reduce((sum, s) => sum + s.width * s.height, 0);
    expect(used / (width * height)).toBeGreaterThan(0.72);
  });

  test('that do not fit are refused', () => {
    expect(packTiles([{ width: 5000, height: 10 }], 4096)).toBeNull();
    expect(
      packTiles(
        Array.from({ length: 20 }, () => ({ width: 1024, height: 1024 })),
        4096,
      ),
    ).toBeNull();
  });

  test('none need no room', () => expect(packTiles([], 4096)).toEqual({ width: 1, height: 1, tiles: [] }));
});
