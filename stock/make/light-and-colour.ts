/** Light surroundings and colour tables, computed. */
import { lookUp, tableOf, type ColourTable } from '../../src/core/assets/colour/table';
import type { FloatRaster } from '../../src/core/assets/surroundings/float-raster';
import type { Rgb } from '../../src/core/maths/blend';
import { clamp, lerp, smoothstep } from '../../src/core/maths/scalar';
import { dot, normalise, type Vec3 } from '../../src/core/maths/vec3';

type Light = readonly [number, number, number];
const plus = (a: Light, b: Light, k = 1): Light => [a[0] + b[0] * k, a[1] + b[1] * k, a[2] + b[2] * k];
const mix = (a: Light, b: Light, t: number): Light => [
  lerp(a[0], b[0], t),
  lerp(a[1], b[1], t),
  lerp(a[2], b[2], t),
];

const [WIDTH, HEIGHT] = [256, 128];
/** Every direction of an equirectangular picture. */
const around = (light: (d: Vec3) => Light): FloatRaster => {
  const data = new Float32Array(WIDTH * HEIGHT * 3);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const [a, b] = [((x + 0.5) / WIDTH) * 2 * Math.PI, ((y + 0.5) / HEIGHT) * Math.PI];
      const d: Vec3 = [Math.sin(b) * Math.sin(a), Math.cos(b), Math.sin(b) * Math.cos(a)];
      data.set(light(d), (y * WIDTH + x) * 3);
    }
  return { width: WIDTH, height: HEIGHT, data };
};
/** A lamp seen in a direction: bright within `size`, soft beyond. */
const lamp = (d: Vec3, at: Vec3, size: number): number =>
  smoothstep(Math.cos(size * 1.6), Math.cos(size), dot(d, normalise(at)));

export const surroundings = (): { name: string; about: string; light: FloatRaster }[] => [
  {
    name: 'Studio',
    about: 'Two soft boxes and a rim light',
    light: around((d) => {
      let c: Light = mix([0.08, 0.08, 0.085], [0.4, 0.4, 0.41], smoothstep(-0.4, 0.9, d[1]));
      c = plus(c, [1, 0.98, 0.95], 9 * lamp(d, [-0.8, 0.5, 0.6], 0.32));
      c = plus(c, [0.9, 0.95, 1], 4 * lamp(d, [0.9, 0.3, 0.4], 0.4));
      return plus(c, [1, 1, 1], 12 * lamp(d, [0.2, 0.6, -1], 0.16));
    }),
  },
  {
    name: 'Evening beach',
    about: 'Low sun over wet sand',
    light: around((d) => {
      const up = d[1];
      const sky = mix([1.5, 0.72, 0.34], [0.16, 0.24, 0.5], smoothstep(0, 0.7, up));
      const sand = mix([0.35, 0.24, 0.17], [0.9, 0.5, 0.28], smoothstep(-0.25, 0, up));
      let c: Light = up > 0 ? sky : sand;
      const sun: Vec3 = [-0.75, 0.12, -0.6];
      c = plus(c, [1, 0.72, 0.4], 160 * lamp(d, sun, 0.05) + 1.6 * lamp(d, sun, 0.5));
      return up < 0 ? plus(c, [1, 0.6, 0.32], 5 * lamp([d[0], -d[1], d[2]], sun, 0.14)) : c;
    }),
  },
  {
    name: 'Under water',
    about: 'Light from above, blue all around',
    light: around((d) => {
      const up = d[1];
      let c: Light = mix([0.005, 0.03, 0.07], [0.05, 0.34, 0.46], smoothstep(-0.8, 0.7, up));
      const net =
        Math.max(0, Math.sin(d[0] * 21 + Math.sin(d[2] * 17)) * Math.sin(d[2] * 19 + Math.sin(d[0] * 23))) **
        2;
      c = plus(c, [0.6, 1, 0.95], smoothstep(0.55, 0.95, up) * (1.4 + 7 * net));
      return plus(c, [0.5, 0.9, 0.9], 14 * lamp(d, [0.15, 1, 0.1], 0.12));
    }),
  },
  {
    name: 'Night pier',
    about: 'Lamps in the dark, two colours',
    light: around((d) => {
      let c: Light = mix([0.012, 0.014, 0.02], [0.02, 0.028, 0.06], smoothstep(-0.2, 0.8, d[1]));
      for (let i = 0; i < 6; i++) {
        const a = (i / 6) * 2 * Math.PI + 0.3;
        c = plus(
          c,
          i % 2 === 0 ? [1, 0.62, 0.28] : [0.35, 0.75, 1],
          18 * lamp(d, [Math.sin(a), 0.25, Math.cos(a)], 0.07),
        );
      }
      return c;
    }),
  },
];

const luma = ([r, g, b]: Rgb): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
const each = (c: Rgb, f: (x: number, i: number) => number): Rgb => [
  clamp(f(c[0], 0), 0, 1),
  clamp(f(c[1], 1), 0, 1),
  clamp(f(c[2], 2), 0, 1),
];
const saturated = (c: Rgb, k: number): Rgb => each(c, (x) => lerp(luma(c), x, k));
const SIZE = 13;

export const tables = (): { name: string; about: string; table: ColourTable }[] =>
  (
    [
      [
        'Deep',
        'Under water: reds go, blues stay',
        (c) =>
          each(
            saturated(c, 0.85),
            (x, i) => x ** [1.35, 1.0, 0.86][i]! * [0.72, 0.98, 1.0][i]! + [0, 0.02, 0.06][i]!,
          ),
      ],
      [
        'Moonlit',
        'Night: cool and pale, shadows closed',
        (c) =>
          each(
            saturated(c, 0.45),
            (x, i) => x ** 1.25 * [0.72, 0.82, 1.05][i]! * 0.92 + [0.0, 0.01, 0.035][i]!,
          ),
      ],
      [
        'Lantern',
        'Warm lamp light, soft shoulders',
        (c) => each(c, (x, i) => (1 - (1 - x) ** [1.18, 1.02, 0.82][i]!) * [1.02, 0.96, 0.82][i]!),
      ],
      [
        'Silver print',
        'Black and white with a firm curve',
        (c) => {
          const l = smoothstep(-0.05, 1.05, luma(c));
          return each([l, l, l], (x, i) => x * [1, 0.99, 0.965][i]!);
        },
      ],
      [
        'Old postcard',
        'Faded, with lifted shadows',
        (c) =>
          each(saturated(c, 0.7), (x, i) => lerp([0.16, 0.13, 0.14][i]!, [0.98, 0.93, 0.82][i]!, x ** 0.92)),
      ],
    ] as const satisfies readonly (readonly [string, string, (c: Rgb) => Rgb])[]
  ).map(([name, about, change]) => ({ name, about, table: tableOf(name, SIZE, change) }));

/** A small picture of what a table does: a strip of skin, sky and sea before and after. */
export const swatch = (table: ColourTable, x: number, y: number): Rgb => {
  const base: Rgb = [0.95 - 0.8 * x, 0.72 - 0.3 * Math.abs(x - 0.5), 0.4 + 0.55 * x];
  const lit = each(base, (v) => v * (1.12 - 0.9 * y));
  return x + y * 0.4 > 0.7 ? lookUp(table, lit) : lit;
};
