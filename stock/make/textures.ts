/** Textures that repeat without a seam, as functions of u and v. */
import { painted, type Rgba } from '../../src/core/assets/testing';
import type { Raster } from '../../src/core/assets/raster';
import { Random } from '../../src/core/maths/random';
import { clamp, lerp, smoothstep } from '../../src/core/maths/scalar';

const TAU = 2 * Math.PI;
export const TEXTURE = 512;

/** Smooth noise that repeats every `cells`. */
const noise = (seed: number, cells: number): ((u: number, v: number) => number) => {
  const random = new Random(seed);
  const lattice = Array.from({ length: cells * cells }, () => random.next());
  const at = (i: number, j: number): number =>
    lattice[((j + cells) % cells) * cells + ((i + cells) % cells)]!;
  return (u, v) => {
    const [x, y] = [u * cells, v * cells];
    const [i, j] = [Math.floor(x), Math.floor(y)];
    const [s, t] = [smoothstep(0, 1, x - i), smoothstep(0, 1, y - j)];
    return lerp(lerp(at(i, j), at(i + 1, j), s), lerp(at(i, j + 1), at(i + 1, j + 1), s), t);
  };
};
/** Several noises on top of each other. */
const cloud = (seed: number, cells: number, octaves = 4): ((u: number, v: number) => number) => {
  const layers = Array.from({ length: octaves }, (_, o) => noise(seed + o, cells * 2 ** o));
  return (u, v) => layers.reduce((sum, n, o) => sum + n(u, v) / 2 ** (o + 1), 0) / (1 - 1 / 2 ** octaves);
};

const mixColours = (stops: readonly (readonly [number, number, number])[], t: number): Rgba => {
  const x = clamp(t, 0, 0.9999) * (stops.length - 1);
  const [a, b] = [stops[Math.floor(x)]!, stops[Math.floor(x) + 1]!];
  const k = x - Math.floor(x);
  return [0, 1, 2].map((c) => Math.round(lerp(a[c]!, b[c]!, k))).concat(255) as unknown as Rgba;
};
const texture = (colour: (u: number, v: number) => Rgba): Raster =>
  painted(TEXTURE, TEXTURE, (x, y) => colour((x + 0.5) / TEXTURE, (y + 0.5) / TEXTURE));

/** Overlapping scales in rows: how far into a scale a point lies, and which one. */
const scaleAt = (u: number, v: number, count: number): { edge: number; id: number } => {
  let best = { edge: 2, id: 0 };
  for (const row of [0, 1]) {
    const y = v * count * 2;
    const j = Math.floor(y) - row;
    const x = u * count + (Math.abs(j) % 2) * 0.5;
    const [dx, dy] = [x - Math.floor(x) - 0.5, (y - j) * 0.5 - 0.1];
    const d = Math.hypot(dx * 1.05, dy * 0.95);
    if (d < 0.52 && row >= 0 && d < best.edge)
      best = { edge: d / 0.52, id: ((j + 64) * 31 + Math.floor(x) * 17) % 97 };
  }
  return best.edge > 1 ? { edge: 1, id: 0 } : best;
};

export const textures = (): { name: string; about: string; raster: Raster }[] => {
  const sand = cloud(3, 8, 5);
  const grain = noise(11, 128);
  const kelp = cloud(21, 3, 4);
  const pearl = cloud(31, 4, 3);
  const foam = cloud(43, 5, 4);
  const ripple = (u: number, v: number): number =>
    [
      [1, 2, 0],
      [-2, 1, 1.2],
      [3, 1, 2.1],
      [1, -3, 4],
      [4, 3, 0.7],
    ].reduce((s, [a, b, p], i) => s + Math.sin((a! * u + b! * v) * TAU + p!) / (i + 2), 0);
  const caustic = (u: number, v: number): number => {
    let [x, y] = [u, v];
    for (let i = 1; i < 4; i++) {
      const nx = x + (0.09 / i) * Math.sin(TAU * (i * y + 0.13 * i));
      y += (0.09 / i) * Math.sin(TAU * (i * x + 0.37 * i));
      x = nx;
    }
    return Math.abs(Math.sin(TAU * (x + y))) * Math.abs(Math.cos(TAU * (x - y)));
  };
  return [
    {
      name: 'Fish scales',
      about: 'Colour, repeats',
      raster: texture((u, v) => {
        const { edge, id } = scaleAt(u, v, 8);
        const shade = 0.25 + 0.6 * (1 - edge ** 3) + ((id % 7) - 3) * 0.02;
        return mixColours(
          [
            [12, 60, 66],
            [40, 140, 138],
            [150, 214, 196],
            [232, 250, 238],
          ],
          shade,
        );
      }),
    },
    {
      name: 'Wet sand',
      about: 'Colour, repeats',
      raster: texture((u, v) =>
        mixColours(
          [
            [112, 92, 66],
            [176, 150, 112],
            [220, 200, 160],
          ],
          0.2 + 0.55 * sand(u, v) + 0.25 * grain(u, v),
        ),
      ),
    },
    {
      name: 'Kelp skin',
      about: 'Colour, repeats',
      raster: texture((u, v) =>
        mixColours(
          [
            [10, 40, 20],
            [28, 92, 40],
            [96, 150, 60],
          ],
          kelp(u, v) * 0.8 + 0.12 * Math.abs(Math.sin(TAU * (6 * u + 0.6 * kelp(u, v)))),
        ),
      ),
    },
    {
      name: 'Mother of pearl',
      about: 'Colour, repeats',
      raster: texture((u, v) => {
        const h = pearl(u, v) * 2.2;
        return [0, 1, 2]
          .map((c) => Math.round(224 + 28 * Math.sin(TAU * (h + c / 3))))
          .concat(255) as unknown as Rgba;
      }),
    },
    {
      name: 'Foam',
      about: 'White with transparency, repeats',
      raster: texture((u, v) => [255, 255, 255, Math.round(255 * smoothstep(0.5, 0.72, foam(u, v)))]),
    },
    {
      name: 'Water light',
      about: 'Net of light under water, for Screen, repeats',
      raster: texture((u, v) => {
        const k = clamp(1 - caustic(u, v) * 1.6, 0, 1) ** 3;
        return [Math.round(200 + 55 * k), 255, Math.round(240 + 15 * k), Math.round(255 * k)];
      }),
    },
    {
      name: 'Ripples (normals)',
      about: 'Normal map, repeats',
      raster: texture((u, v) => {
        const e = 1 / TEXTURE;
        const [dx, dy] = [
          (ripple(u + e, v) - ripple(u - e, v)) / (2 * e),
          (ripple(u, v + e) - ripple(u, v - e)) / (2 * e),
        ];
        const k = 0.03;
        const l = Math.hypot(dx * k, dy * k, 1);
        return [
          Math.round(127.5 + (127.5 * -dx * k) / l),
          Math.round(127.5 + (127.5 * dy * k) / l),
          Math.round(127.5 + 127.5 / l),
          255,
        ];
      }),
    },
  ];
};
