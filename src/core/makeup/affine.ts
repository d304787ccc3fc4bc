/**
 * Four blend modes do the same to a channel of the skin b whatever lay on it before: b' = factor b + plus. Layers of these
 * modes one over the other are therefore one such map, however many they are, and it can be worked out without the skin.
 *
 *   normal        factor 1 - a        plus a C
 *   multiply      factor 1 - a + a C  plus 0
 *   screen        factor 1 - a C      plus a C
 *   plus-lighter  factor 1            plus a C    (then cut at 1)
 *
 * Formulas: W3C Compositing and Blending Level 1 over an opaque backdrop, as in `maths/blend.ts`.
 */
import type { BlendMode } from '../maths/blend';
import type { Rgb } from '../maths/blend';
import type { Unit } from '../units';

export type AffineMode = 'normal' | 'multiply' | 'screen' | 'plus-lighter';
const AFFINE: ReadonlySet<BlendMode> = new Set<AffineMode>(['normal', 'multiply', 'screen', 'plus-lighter']);
/** Whether a blend mode takes each channel to a factor of it and something more. */
export const isAffine = (mode: BlendMode): mode is AffineMode => AFFINE.has(mode);

export interface AffineMap {
  readonly factor: Rgb;
  readonly plus: Rgb;
}

export const UNCHANGED: AffineMap = { factor: [1, 1, 1], plus: [0, 0, 0] };

const each = (f: (i: 0 | 1 | 2) => number): Rgb => [f(0), f(1), f(2)];

/** What a colour with an opacity does to what is beneath it. */
export const affineOf = (mode: AffineMode, colour: Rgb, alpha: Unit): AffineMap => {
  switch (mode) {
    case 'normal':
      return { factor: each(() => 1 - alpha), plus: each((i) => alpha * colour[i]) };
    case 'multiply':
      return { factor: each((i) => 1 - alpha + alpha * colour[i]), plus: [0, 0, 0] };
    case 'screen':
      return { factor: each((i) => 1 - alpha * colour[i]), plus: each((i) => alpha * colour[i]) };
    case 'plus-lighter':
      return { factor: [1, 1, 1], plus: each((i) => alpha * colour[i]) };
  }
};

/** `upper` done after `lower`. */
export const after = (lower: AffineMap, upper: AffineMap): AffineMap => ({
  factor: each((i) => upper.factor[i] * lower.factor[i]),
  plus: each((i) => upper.factor[i] * lower.plus[i] + upper.plus[i]),
});

/** What a map makes of a colour, kept between 0 and 1. */
export const applyAffine = ({ factor, plus }: AffineMap, beneath: Rgb): Rgb =>
  each((i) => Math.min(1, Math.max(0, factor[i] * beneath[i] + plus[i])));
