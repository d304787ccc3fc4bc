/**
 * How much light comes from all around onto a surface that faces somewhere, by spherical harmonics of the second order.
 * Ramamoorthi and Hanrahan 2001, An efficient representation for irradiance environment maps.
 */
import type { Vec3 } from '../maths/vec3';

/** Nine coefficients of three colours: the light onto a white surface, divided by pi, is their sum times `harmonics` of where it faces. */
export type Irradiance = Float32Array;

/** The nine functions in a direction of length one. */
export const harmonics = ([x, y, z]: Vec3): readonly number[] => [
  0.282095,
  0.488603 * y,
  0.488603 * z,
  0.488603 * x,
  1.092548 * x * y,
  1.092548 * y * z,
  0.315392 * (3 * z * z - 1),
  1.092548 * x * z,
  0.546274 * (x * x - y * y),
];
/** What a Lambertian surface makes of each order, divided by pi. */
const ONTO = [1, 2 / 3, 2 / 3, 2 / 3, 1 / 4, 1 / 4, 1 / 4, 1 / 4, 1 / 4];

const ROWS = 32;
const COLUMNS = 64;

/**
 * Of a picture of the whole sphere (equirectangular, its first row straight up, linear colours): `at` gives the colour of a pixel. A few
 * thousand of its pixels are looked at.
 */
export const irradianceOf = (
  width: number,
  height: number,
  at: (x: number, y: number) => Vec3,
): Irradiance => {
  const sum = new Float32Array(27);
  for (let row = 0; row < ROWS; row++) {
    const up = Math.PI / 2 - ((row + 0.5) / ROWS) * Math.PI;
    // What a pixel covers of the sphere: less towards the poles.
    const angle = Math.cos(up) * (Math.PI / ROWS) * ((2 * Math.PI) / COLUMNS);
    for (let column = 0; column < COLUMNS; column++) {
      const round = ((column + 0.5) / COLUMNS - 0.5) * 2 * Math.PI;
      const towards: Vec3 = [Math.cos(up) * Math.cos(round), Math.sin(up), Math.cos(up) * Math.sin(round)];
      const colour = at(
        Math.min(width - 1, Math.floor(((column + 0.5) / COLUMNS) * width)),
        Math.min(height - 1, Math.floor(((row + 0.5) / ROWS) * height)),
      );
      harmonics(towards).forEach((h, k) => {
        for (let c = 0; c < 3; c++) sum[3 * k + c]! += h * ONTO[k]! * colour[c]! * angle;
      });
    }
  }
  return sum;
};

/** The light onto a white surface that faces `towards` (length one), divided by pi: 1 where everything around is 1. */
export const lightOnto = (irradiance: Irradiance, towards: Vec3): Vec3 => {
  const h = harmonics(towards);
  return [0, 1, 2].map((c) =>
    Math.max(
      0,
      h.reduce((sum, value, k) => sum + value * irradiance[3 * k + c]!, 0),
    ),
  ) as unknown as Vec3;
};
