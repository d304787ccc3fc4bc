/** The relief of skin: pores, and the fine lines from pore to pore, as heights that repeat over the face. */
import { DataTexture, LinearFilter, LinearMipmapLinearFilter, RedFormat, RepeatWrapping } from 'three';
import { Random } from '../../core/maths/random';

const SIDE = 256;
/** Along a side of what repeats; skin has about twenty in two centimetres. */
const CELLS = 24;
const CELL = SIDE / CELLS;
/** How often it repeats over the face layout, which is some twenty centimetres of skin: pores stand a good millimetre apart. */
export const PORES_REPEAT = 6;

const wrapped = (i: number): number => ((i % CELLS) + CELLS) % CELLS;

/** Heights, 0 to 255, a row after the other; the right side goes on at the left, the bottom at the top. */
export const poreHeights = (seed: number): Uint8Array<ArrayBuffer> => {
  const random = new Random(seed);
  const pores = Array.from({ length: CELLS * CELLS }, () => ({
    x: random.next(),
    y: random.next(),
    radius: CELL * random.between(0.12, 0.24),
    deep: random.next() ** 0.6,
  }));
  const heights = new Uint8Array(SIDE * SIDE);
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) {
      const [cx, cy] = [Math.floor(x / CELL), Math.floor(y / CELL)];
      let [nearest, second, hole] = [Infinity, Infinity, 0];
      for (let j = cy - 1; j <= cy + 1; j++)
        for (let i = cx - 1; i <= cx + 1; i++) {
          const pore = pores[wrapped(j) * CELLS + wrapped(i)]!;
          const away = Math.hypot(x - (i + pore.x) * CELL, y - (j + pore.y) * CELL);
          if (away < nearest) [nearest, second] = [away, nearest];
          else if (away < second) second = away;
          hole = Math.max(hole, pore.deep * Math.exp(-((away / pore.radius) ** 2)));
        }
      // Half-way between two pores runs a line.
      const line = Math.exp(-(((second - nearest) / (0.16 * CELL)) ** 2));
      heights[y * SIDE + x] = Math.round(255 * (0.85 - 0.65 * hole - 0.2 * line));
    }
  return heights;
};

let heights: Uint8Array<ArrayBuffer> | null = null;
/** Of all people; each has a texture of its own, to let go of. */
export const poreTexture = (): DataTexture => {
  heights ??= poreHeights(5);
  const texture = new DataTexture(heights, SIDE, SIDE, RedFormat);
  texture.wrapS = texture.wrapT = RepeatWrapping;
  texture.magFilter = LinearFilter;
  texture.minFilter = LinearMipmapLinearFilter;
  texture.generateMipmaps = true;
  texture.needsUpdate = true;
  return texture;
};
