/** Which colours the camera picture has: a small picture of it, for whoever asks for the colour at a point. */
import type { Rgb } from '../maths/blend';
import { clamp } from '../maths/scalar';
import { toLinear } from '../maths/srgb';
import type { Degrees, Unit } from '../units';

export interface PictureColours {
  /** Patches across and down; one is about as wide as high. */
  readonly columns: number;
  readonly rows: number;
  /** Width over height of what is seen. It is as high as the whole picture, and its middle is the picture's. */
  readonly aspect: number;
  /** sRGB, 0 to 255: three a patch, row by row from the top left. */
  readonly rgb: Uint8Array | Uint8ClampedArray;
}

/** So many patches high is a picture. */
export const COLOUR_ROWS = 32;
const MOST_COLUMNS = 128;
/** How many patches wide a picture of this shape is. */
export const colourColumns = (aspect: number): number =>
  clamp(Math.round(COLOUR_ROWS * aspect), 1, MOST_COLUMNS);

/** Amounts of light of the 256 values of sRGB. */
const LIGHT = Float64Array.from({ length: 256 }, (_, value) => toLinear(value / 255));

/**
 * The mean colour of a square around a point, as amounts of light; null where the point is beyond the picture. `x` and `y` are shares of
 * it from the top left, `size` is how wide the square is, as a share of its height; it is never smaller than one patch, and what of it is
 * beyond the picture does not count.
 */
export const colourAround = (
  { columns, rows, rgb }: PictureColours,
  x: Unit,
  y: Unit,
  size: number,
): Rgb | null => {
  if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) return null;
  const half = Math.max(1, Number.isFinite(size) ? size * rows : 0) / 2;
  const [left, right] = [Math.max(0, x * columns - half), Math.min(columns, x * columns + half)];
  const [top, bottom] = [Math.max(0, y * rows - half), Math.min(rows, y * rows + half)];
  let [r, g, b] = [0, 0, 0];
  for (let row = Math.floor(top); row < bottom; row++) {
    const high = Math.min(bottom, row + 1) - Math.max(top, row);
    for (let column = Math.floor(left); column < right; column++) {
      const area = high * (Math.min(right, column + 1) - Math.max(left, column));
      const at = 3 * (row * columns + column);
      r += area * LIGHT[rgb[at]!]!;
      g += area * LIGHT[rgb[at + 1]!]!;
      b += area * LIGHT[rgb[at + 2]!]!;
    }
  }
  const whole = (right - left) * (bottom - top);
  return [r / whole, g / whole, b / whole];
};

/** How something opens, top to bottom, and its shape. */
interface Opening {
  readonly fovY: Degrees;
  readonly aspect: number;
}
/**
 * Where a point of what is seen lies in the whole picture of the camera, both in shares from the top left: a view may cut its sides off,
 * or its top and bottom. Both look the same way; the tangent of half the angle is the half of a side at distance 1.
 */
export const pointInPicture = (
  view: Opening,
  whole: Opening,
  x: Unit,
  y: Unit,
): readonly [x: number, y: number] => {
  const share = Math.tan((view.fovY * Math.PI) / 360) / Math.tan((whole.fovY * Math.PI) / 360);
  return [0.5 + ((x - 0.5) * share * view.aspect) / whole.aspect, 0.5 + (y - 0.5) * share];
};
