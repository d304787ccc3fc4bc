/**
 * Where hair ends, by the pixel of the whole picture: a guess on a small copy is laid along the edges of the picture. It is the guided filter with the
 * colours of the picture as its guide, whose numbers are worked out on the small copy: around every pixel, hair is what is linear in the colour.
 * He, Sun and Tang, "Guided Image Filtering" (ECCV 2010, colour guides: eq. 19 to 21); He and Sun, "Fast Guided Filter" (2015).
 */
import { smoothstep } from '../../maths/scalar';
import type { SmallPicture } from './hair-guess';

/** Pixels of the small copy around one that say how hair depends on colour there. */
const REACH = 3;
/** Colours that differ by less than the root of this are one: light and grain. */
const EPSILON = 0.0005;
/** Red, green, blue; the guess; their products with it; the products of the colours. */
const SUMS = 13;

/**
 * Where sums over squares of `2 r + 1` pixels are wanted: `add` puts what a pixel has into `into`; `sum` is told the sum around each pixel and of how many
 * pixels it is. Squares are cut at the edges of the area.
 */
const squareSums = (
  [left, low, right, high]: Area,
  count: number,
  r: number,
  add: (x: number, y: number, into: Float64Array, at: number, sign: 1 | -1) => void,
  sum: (x: number, y: number, sums: Float64Array, pixels: number) => void,
): void => {
  const width = right - left;
  const columns = new Float64Array(width * count);
  const sums = new Float64Array(count);
  const row = (y: number, sign: 1 | -1): void => {
    for (let x = 0; x < width; x++) add(left + x, y, columns, x * count, sign);
  };
  const column = (x: number, sign: 1 | -1): void => {
    for (let k = 0; k < count; k++) sums[k]! += sign * columns[x * count + k]!;
  };
  for (let y = low; y < Math.min(low + r, high); y++) row(y, 1);
  for (let y = low; y < high; y++) {
    if (y + r < high) row(y + r, 1);
    if (y - r - 1 >= low) row(y - r - 1, -1);
    const rows = Math.min(high - 1, y + r) - Math.max(low, y - r) + 1;
    sums.fill(0);
    for (let x = 0; x < Math.min(r, width); x++) column(x, 1);
    for (let x = 0; x < width; x++) {
      if (x + r < width) column(x + r, 1);
      if (x - r - 1 >= 0) column(x - r - 1, -1);
      sum(left + x, y, sums, rows * (Math.min(width - 1, x + r) - Math.max(0, x - r) + 1));
    }
  }
};

type Area = readonly [left: number, low: number, right: number, high: number];
/** What holds all of the guess, and a margin; null when there is none. */
const areaOf = (guess: Uint8Array, width: number, height: number, margin: number): Area | null => {
  let [left, low, right, high] = [width, height, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (guess[y * width + x] === 0) continue;
      left = Math.min(left, x);
      right = Math.max(right, x + 1);
      low = Math.min(low, y);
      high = Math.max(high, y + 1);
    }
  if (right <= left) return null;
  return [
    Math.max(0, left - margin),
    Math.max(0, low - margin),
    Math.min(width, right + margin),
    Math.min(height, high + margin),
  ];
};

/**
 * Four numbers a pixel of the small copy: what red, green and blue (0 to 1, as the picture has them) count for hair there, and what is added. Hair at a
 * place of the whole picture is the product of its colour with them, between pixels as it lies; about 0 for none, about 1 for hair. `guess` is 0 to 255 as
 * `guessHair` gives it.
 */
export const hairMatte = ({ data, width, height }: SmallPicture, guess: Uint8Array): Float32Array => {
  const out = new Float32Array(4 * width * height);
  const area = areaOf(guess, width, height, 2 * REACH);
  if (!area) return out;
  const slopes = new Float32Array(4 * width * height);
  const colourAndGuess = (x: number, y: number, into: Float64Array, at: number, sign: 1 | -1): void => {
    const i = y * width + x;
    const [r, g, b] = [data[4 * i]! / 255, data[4 * i + 1]! / 255, data[4 * i + 2]! / 255];
    const p = (sign * guess[i]!) / 255;
    into[at]! += sign * r;
    into[at + 1]! += sign * g;
    into[at + 2]! += sign * b;
    into[at + 3]! += p;
    into[at + 4]! += p * r;
    into[at + 5]! += p * g;
    into[at + 6]! += p * b;
    into[at + 7]! += sign * r * r;
    into[at + 8]! += sign * r * g;
    into[at + 9]! += sign * r * b;
    into[at + 10]! += sign * g * g;
    into[at + 11]! += sign * g * b;
    into[at + 12]! += sign * b * b;
  };
  squareSums(area, SUMS, REACH, colourAndGuess, (x, y, s, n) => {
    const at = 4 * (y * width + x);
    const p = s[3]! / n;
    // All hair, or none: what colour it is does not matter.
    if (p < 1e-6 || p > 1 - 1e-6) {
      slopes[at + 3] = Math.round(p);
      return;
    }
    const [r, g, b] = [s[0]! / n, s[1]! / n, s[2]! / n];
    // How colour varies with hair, and with itself.
    const [pr, pg, pb] = [s[4]! / n - p * r, s[5]! / n - p * g, s[6]! / n - p * b];
    const rr = s[7]! / n - r * r + EPSILON;
    const rg = s[8]! / n - r * g;
    const rb = s[9]! / n - r * b;
    const gg = s[10]! / n - g * g + EPSILON;
    const gb = s[11]! / n - g * b;
    const bb = s[12]! / n - b * b + EPSILON;
    // The inverse of a symmetric matrix, by its cofactors.
    const [c00, c01, c02] = [gg * bb - gb * gb, gb * rb - rg * bb, rg * gb - gg * rb];
    const [c11, c12, c22] = [rr * bb - rb * rb, rb * rg - rr * gb, rr * gg - rg * rg];
    const det = rr * c00 + rg * c01 + rb * c02;
    const red = (c00 * pr + c01 * pg + c02 * pb) / det;
    const green = (c01 * pr + c11 * pg + c12 * pb) / det;
    const blue = (c02 * pr + c12 * pg + c22 * pb) / det;
    slopes[at] = red;
    slopes[at + 1] = green;
    slopes[at + 2] = blue;
    slopes[at + 3] = p - red * r - green * g - blue * b;
  });
  const slope = (x: number, y: number, into: Float64Array, at: number, sign: 1 | -1): void => {
    const i = 4 * (y * width + x);
    for (let k = 0; k < 4; k++) into[at + k]! += sign * slopes[i + k]!;
  };
  squareSums(area, 4, REACH, slope, (x, y, s, n) => {
    for (let k = 0; k < 4; k++) out[4 * (y * width + x) + k] = s[k]! / n;
  });
  return out;
};

/** What is a little hair is none, and what is nearly all is: light and grain. */
export const MATTE_EDGE = [0.3, 0.7] as const;

/**
 * Hair in the whole picture, 0 to 1, from `hairMatte` of a small copy of it, `small` pixels in size; lowest rows first in both.
 * `stage/face/hair-guess-view.ts` says the same in GLSL.
 */
export const hairInWhole = (
  matte: Float32Array,
  small: { readonly width: number; readonly height: number },
  { data, width, height }: SmallPicture,
): Float32Array => {
  const out = new Float32Array(width * height);
  /** Where a pixel lies between those of the small copy. */
  const between = (at: number, size: number, most: number): [low: number, share: number] => {
    const place = Math.min(most - 1, Math.max(0, ((at + 0.5) / size) * most - 0.5));
    const low = Math.min(Math.max(0, most - 2), Math.floor(place));
    return [low, place - low];
  };
  const columns = Array.from({ length: width }, (_, x) => between(x, width, small.width));
  for (let y = 0; y < height; y++) {
    const [low, up] = between(y, height, small.height);
    columns.forEach(([left, across], x) => {
      const i = y * width + x;
      const [a, b] = [
        4 * (low * small.width + left),
        4 * (Math.min(small.height - 1, low + 1) * small.width + left),
      ];
      const counts = (k: number): number =>
        (matte[a + k]! * (1 - across) + matte[a + 4 + k]! * across) * (1 - up) +
        (matte[b + k]! * (1 - across) + matte[b + 4 + k]! * across) * up;
      const hair = [0, 1, 2].reduce((sum, k) => sum + (counts(k) * data[4 * i + k]!) / 255, counts(3));
      out[i] = smoothstep(...MATTE_EDGE, hair);
    });
  }
  return out;
};
