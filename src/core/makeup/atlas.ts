/** Packs tiles of different sizes into one picture, so that a face needs few textures however many steps its look takes. */
import type { Pixels } from '../units';

export interface TileSize {
  readonly width: Pixels;
  readonly height: Pixels;
}
export interface Tile extends TileSize {
  readonly left: Pixels;
  readonly top: Pixels;
}
export interface Atlas {
  readonly width: Pixels;
  readonly height: Pixels;
  /** In the order in which the sizes were given. */
  readonly tiles: readonly Tile[];
}

/** Pixels between tiles, so that a smooth look-up never reaches into another. */
export const GUTTER: Pixels = 2;

/**
 * Lays tiles in rows, the highest first (next-fit decreasing height: Coffman, Garey, Johnson and Tarjan, 1980), in a picture
 * about as wide as high. `most` is the longest side it may have; null when the tiles do not fit in.
 */
export const packTiles = (sizes: readonly TileSize[], most: Pixels): Atlas | null => {
  if (sizes.length === 0) return { width: 1, height: 1, tiles: [] };
  const area = sizes.reduce((sum, s) => sum + (s.width + GUTTER) * (s.height + GUTTER), 0);
  const widest = Math.max(...sizes.map((s) => s.width)) + 2 * GUTTER;
  const limit = Math.min(most, Math.max(widest, Math.ceil(Math.sqrt(area * 1.1))));
  if (widest > most) return null;
  const order = sizes.map((_, i) => i).sort((a, b) => sizes[b]!.height - sizes[a]!.height || a - b);
  const tiles: Tile[] = [];
  let [x, y, row, right] = [GUTTER, GUTTER, 0, 0];
  for (const i of order) {
    const { width, height } = sizes[i]!;
    if (x + width + GUTTER > limit) [x, y, row] = [GUTTER, y + row + GUTTER, 0];
    tiles[i] = { left: x, top: y, width, height };
    x += width + GUTTER;
    right = Math.max(right, x);
    row = Math.max(row, height);
  }
  const bottom = y + row + GUTTER;
  return bottom > most ? null : { width: right, height: bottom, tiles };
};
