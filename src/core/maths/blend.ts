/**
 * Blend modes over an opaque backdrop, sRGB values 0..1 as the specification asks.
 * W3C Compositing and Blending Level 1, sections 10.1 and 10.2: Co = (1 - as) Cb + as B(Cb, Cs);
 * `plus-lighter` is the compositing operator min(1, as Cs + ab Cb).
 * `stage/effect/blend-shader.ts` says the same in GLSL; a test compares the two pixel by pixel.
 */
import type { Unit } from '../units';

/** W3C Compositing and Blending Level 1, and its operator plus-lighter. */
export const BLEND_MODES = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
  'plus-lighter',
] as const;
export type BlendMode = (typeof BLEND_MODES)[number];

export type Rgb = readonly [Unit, Unit, Unit];
type Separable = Exclude<BlendMode, 'hue' | 'saturation' | 'color' | 'luminosity' | 'plus-lighter'>;

const hardLight = (b: Unit, s: Unit): Unit => (s <= 0.5 ? b * 2 * s : b + (2 * s - 1) - b * (2 * s - 1));

const softLight = (b: Unit, s: Unit): Unit => {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
};

/** B(Cb, Cs) of one channel. */
const SEPARABLE: Record<Separable, (b: Unit, s: Unit) => Unit> = {
  normal: (_b, s) => s,
  multiply: (b, s) => b * s,
  screen: (b, s) => b + s - b * s,
  overlay: (b, s) => hardLight(s, b),
  darken: Math.min,
  lighten: Math.max,
  'color-dodge': (b, s) => (b === 0 ? 0 : s === 1 ? 1 : Math.min(1, b / (1 - s))),
  'color-burn': (b, s) => (b === 1 ? 1 : s === 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
  'hard-light': hardLight,
  'soft-light': softLight,
  difference: (b, s) => Math.abs(b - s),
  exclusion: (b, s) => b + s - 2 * b * s,
};

const lum = ([r, g, b]: Rgb): number => 0.3 * r + 0.59 * g + 0.11 * b;
const sat = (c: Rgb): number => Math.max(...c) - Math.min(...c);

const clipColour = (c: Rgb): Rgb => {
  const l = lum(c);
  const least = Math.min(...c);
  const most = Math.max(...c);
  const clip = (x: number): number => {
    if (least < 0) x = l + ((x - l) * l) / (l - least);
    if (most > 1) x = l + ((x - l) * (1 - l)) / (most - l);
    return x;
  };
  return [clip(c[0]), clip(c[1]), clip(c[2])];
};
const setLum = (c: Rgb, l: number): Rgb => {
  const d = l - lum(c);
  return clipColour([c[0] + d, c[1] + d, c[2] + d]);
};
const setSat = (c: Rgb, s: number): Rgb => {
  const least = Math.min(...c);
  const range = sat(c);
  const stretch = (x: number): number => (range === 0 ? 0 : ((x - least) * s) / range);
  return [stretch(c[0]), stretch(c[1]), stretch(c[2])];
};

const blend = (mode: Exclude<BlendMode, 'plus-lighter'>, b: Rgb, s: Rgb): Rgb => {
  switch (mode) {
    case 'hue':
      return setLum(setSat(s, sat(b)), lum(b));
    case 'saturation':
      return setLum(setSat(b, sat(s)), lum(b));
    case 'color':
      return setLum(s, lum(b));
    case 'luminosity':
      return setLum(b, lum(s));
    default: {
      const channel = SEPARABLE[mode];
      return [channel(b[0], s[0]), channel(b[1], s[1]), channel(b[2], s[2])];
    }
  }
};

/** The colour that results when `source` with opacity `alpha` lies on an opaque `backdrop`. */
export const blendOver = (mode: BlendMode, backdrop: Rgb, source: Rgb, alpha: Unit): Rgb => {
  const over = (i: 0 | 1 | 2, blended: Unit): Unit => (1 - alpha) * backdrop[i] + alpha * blended;
  if (mode === 'plus-lighter') {
    const lighter = (i: 0 | 1 | 2): Unit => Math.min(1, backdrop[i] + alpha * source[i]);
    return [lighter(0), lighter(1), lighter(2)];
  }
  const mixed = blend(mode, backdrop, source);
  return [over(0, mixed[0]), over(1, mixed[1]), over(2, mixed[2])];
};
