/**
 * White balance: what light of one colour temperature showed is shown as light of another would show it.
 *
 * Colour of a glowing body by temperature: Kim et al., US patent 7024034 (2002), a cubic for 1667 to 25,000 K.
 * Adaptation: Bradford (Lam 1985), as in ICC.1:2010, annex E. Primaries: sRGB (IEC 61966-2-1).
 */
import type { Rgb } from '../maths/blend';

/** Three by three, row by row. */
export type Matrix3 = readonly [number, number, number, number, number, number, number, number, number];

/** Daylight: the temperature that changes nothing. */
export const DAYLIGHT = 6504;
/** How far the tint at 1 goes from the curve of glowing bodies, in CIE 1960 UCS. */
const TINT_REACH = 0.02;

const RGB_TO_XYZ: Matrix3 = [
  0.4123908, 0.35758434, 0.18048079, 0.21263901, 0.71516868, 0.07219232, 0.01933082, 0.11919478, 0.95053215,
];
const BRADFORD: Matrix3 = [0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296];

/** The product of a matrix (rows) and a colour as a column. */
export const multiplyMatrixVector = (m: Matrix3, [x, y, z]: Rgb): Rgb => [
  m[0] * x + m[1] * y + m[2] * z,
  m[3] * x + m[4] * y + m[5] * z,
  m[6] * x + m[7] * y + m[8] * z,
];

const product = (a: Matrix3, b: Matrix3): Matrix3 => {
  const column = (j: 0 | 1 | 2): Rgb => multiplyMatrixVector(a, [b[j], b[3 + j]!, b[6 + j]!]);
  const [p, q, r] = [column(0), column(1), column(2)];
  return [p[0], q[0], r[0], p[1], q[1], r[1], p[2], q[2], r[2]];
};

const inverse = ([a, b, c, d, e, f, g, h, i]: Matrix3): Matrix3 => {
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    (e * i - f * h) / det,
    (c * h - b * i) / det,
    (b * f - c * e) / det,
    (f * g - d * i) / det,
    (a * i - c * g) / det,
    (c * d - a * f) / det,
    (d * h - e * g) / det,
    (b * g - a * h) / det,
    (a * e - b * d) / det,
  ];
};

/** CIE 1931 chromaticity of a body that glows at `kelvin` (1667 to 25,000). */
export const glowing = (kelvin: number): readonly [number, number] => {
  const t = 1000 / kelvin;
  const x =
    kelvin <= 4000
      ? ((-0.2661239 * t - 0.2343589) * t + 0.8776956) * t + 0.17991
      : ((-3.0258469 * t + 2.1070379) * t + 0.2226347) * t + 0.24039;
  const y =
    kelvin <= 2222
      ? ((-1.1063814 * x - 1.3481102) * x + 2.18555832) * x - 0.20219683
      : kelvin <= 4000
        ? ((-0.9549476 * x - 1.37418593) * x + 2.09137015) * x - 0.16748867
        : ((3.081758 * x - 5.8733867) * x + 3.75112997) * x - 0.37001483;
  return [x, y];
};

/** XYZ of white light, moved towards green (tint above 0) or magenta across the curve of glowing bodies. */
const white = (kelvin: number, tint: number): Rgb => {
  const ucs = (k: number): readonly [number, number] => {
    const [x, y] = glowing(k);
    const d = -2 * x + 12 * y + 3;
    return [(4 * x) / d, (6 * y) / d];
  };
  const [u, v] = ucs(kelvin);
  const [u1, v1] = ucs(kelvin * 1.01);
  const along = Math.hypot(u1 - u, v1 - v);
  // Square to the curve, towards larger v: green.
  const [nu, nv] = [(v1 - v) / along, -(u1 - u) / along];
  const side = nv < 0 ? -1 : 1;
  const [tu, tv] = [u + side * nu * tint * TINT_REACH, v + side * nv * tint * TINT_REACH];
  const d = 2 * tu - 8 * tv + 4;
  const [x, y] = [(3 * tu) / d, (2 * tv) / d];
  return [x / y, 1, (1 - x - y) / y];
};

/**
 * What to multiply linear sRGB by, so that what was white in light of `kelvin` and `tint` (-1 magenta to 1
 * green) becomes white. The brightness of white stays.
 */
export const balanceMatrix = (kelvin: number, tint: number): Matrix3 => {
  const from = multiplyMatrixVector(BRADFORD, white(kelvin, tint));
  const to = multiplyMatrixVector(BRADFORD, white(DAYLIGHT, 0));
  const gains: Matrix3 = [to[0] / from[0], 0, 0, 0, to[1] / from[1], 0, 0, 0, to[2] / from[2]];
  const adapt = product(inverse(BRADFORD), product(gains, BRADFORD));
  return product(inverse(RGB_TO_XYZ), product(adapt, RGB_TO_XYZ));
};
