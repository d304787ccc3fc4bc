/**
 * What the steps of a grade make of one colour. `stage/grade/grade-shader.ts` says the same in GLSL; a test
 * compares the two pixel by pixel.
 *
 * Colours are sRGB values 0..1, as the picture holds them; exposure and white balance work on amounts of light.
 */
import { lookUp, type ColourTable } from '../assets/colour/table';
import type { GradeStep, GradeStepKind, StepOf } from '../schema/grade-schema';
import type { AssetId } from '../schema/asset-schema';
import type { Rgb } from '../maths/blend';
import { clamp, lerp, smoothstep } from '../maths/scalar';
import { linearOf, luminance, srgbOf } from '../maths/srgb';
import { GRAIN_REACH, grainAt, grainCell } from './grain';
import { toneCurve } from './tone-curve';
import { balanceMatrix, multiplyMatrixVector } from './white-balance';

/** Where a colour stands in the picture. */
export interface PicturePlace {
  /** 0..1 from the left, 0..1 from the top. */
  readonly x: number;
  readonly y: number;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  /** Sixtieths of a second since the effect started. */
  readonly frame: number;
}

/** Steps that need to see the pixels around: they are no matter of one colour. */
export type SpatialKind = 'bloom' | 'sharpen';
export type PointKind = Exclude<GradeStepKind, SpatialKind>;
export type PointStep = StepOf<PointKind>;
/** Whether a step needs to see one colour only. */
export const isPointStep = (step: GradeStep): step is PointStep =>
  step.kind !== 'bloom' && step.kind !== 'sharpen';

const each = (c: Rgb, change: (x: number, i: 0 | 1 | 2) => number): Rgb => [
  change(c[0], 0),
  change(c[1], 1),
  change(c[2], 2),
];
/** Light is never less than none. */
const light = (c: Rgb): Rgb => linearOf(each(c, (x) => Math.max(0, x)));

/** Slope of a contrast: -1 a quarter as steep, 1 four times. */
export const contrastSlope = (amount: number): number => 4 ** amount;

/** How much of the vignette there is, 0 in the middle to 1. */
export const vignetteAt = (step: StepOf<'vignette'>, x: number, y: number): number => {
  const far = Math.hypot(x - 0.5, y - 0.5) / Math.SQRT1_2;
  return smoothstep(step.begin, step.begin + Math.max(0.001, step.softness), far);
};

const METHODS: {
  [K in PointKind]: (
    step: StepOf<K>,
    colour: Rgb,
    tableOf: (id: AssetId) => ColourTable | null,
    place: PicturePlace | null,
  ) => Rgb;
} = {
  exposure: ({ stops }, c) => srgbOf(each(light(c), (x) => x * 2 ** stops)),
  whiteBalance: ({ kelvin, tint }, c) =>
    srgbOf(each(multiplyMatrixVector(balanceMatrix(kelvin, tint), light(c)), (x) => Math.max(0, x))),
  contrast: ({ amount }, c) => each(c, (x) => 0.5 + (x - 0.5) * contrastSlope(amount)),
  saturation: ({ amount }, c) => {
    const grey = luminance(c);
    return each(c, (x) => lerp(grey, x, 1 + amount));
  },
  curves: ({ all, red, green, blue }, c) => {
    const first = toneCurve(all);
    const own = [toneCurve(red), toneCurve(green), toneCurve(blue)];
    return each(c, (x, i) => own[i]!(first(x)));
  },
  table: ({ asset, strength }, c, tableOf) => {
    const table = asset ? tableOf(asset) : null;
    if (!table) return c;
    const looked = lookUp(table, c);
    return each(c, (x, i) => lerp(x, looked[i]!, strength));
  },
  vignette: (step, c, _tables, place) => {
    if (!place) return c;
    const k = vignetteAt(step, place.x, place.y);
    return each(c, (x) => (step.amount >= 0 ? x * (1 - step.amount * k) : lerp(x, 1, -step.amount * k)));
  },
  grain: ({ amount, size }, c, _tables, place) => {
    if (!place) return c;
    const { cell, part } = grainCell(size, place.width);
    const n = grainAt(
      Math.floor((place.x * place.width) / cell),
      Math.floor(((1 - place.y) * place.height) / cell),
      place.frame,
    );
    // Film shows it most in the middle tones.
    const l = clamp(luminance(c), 0, 1);
    return each(c, (x) => x + n * part * amount * GRAIN_REACH * (0.35 + 2.6 * l * (1 - l)));
  },
};

/**
 * One colour through the steps that are on; steps that need the pixels around are left out, and with no `place`
 * those that depend on where it is. A table that is missing changes nothing.
 */
export const gradeColour = (
  steps: readonly GradeStep[],
  colour: Rgb,
  tableOf: (id: AssetId) => ColourTable | null = () => null,
  place: PicturePlace | null = null,
): Rgb => {
  let now = colour;
  for (const step of steps) {
    if (!step.on || !isPointStep(step)) continue;
    const method = METHODS[step.kind] as (
      s: PointStep,
      c: Rgb,
      t: typeof tableOf,
      p: PicturePlace | null,
    ) => Rgb;
    now = method(step, now, tableOf, place);
  }
  return each(now, (x) => clamp(x, 0, 1));
};
