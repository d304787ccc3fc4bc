/** Colour fields: one colour, or a gradient as CSS Images Level 3 draws it, section 3.1 and 3.2 (farthest corner). */
import type { Fill } from '../document/schema';
import type { Rgb } from '../maths/blend';
import { clamp, lerp } from '../maths/scalar';
import { rgbOf } from '../maths/srgb';
import type { Hex } from '../units';

/** How far along the gradient a point is, 0 to 1. `x` and `y` run 0..1 from the upper left of a field of w by h. */
export const alongGradient = (
  { gradient, angle }: Pick<Fill, 'gradient' | 'angle'>,
  x: number,
  y: number,
  [w, h]: readonly [number, number],
): number => {
  const [dx, dy] = [(x - 0.5) * w, (0.5 - y) * h];
  if (gradient === 'radial') return clamp(Math.hypot(dx / w, dy / h) / Math.SQRT1_2, 0, 1);
  const a = (angle * Math.PI) / 180;
  const length = Math.abs(w * Math.sin(a)) + Math.abs(h * Math.cos(a));
  return clamp(0.5 + (dx * Math.sin(a) + dy * Math.cos(a)) / length, 0, 1);
};

/** The colour of a field at a point, sRGB. */
export const fillAt = (
  fill: Pick<Fill, 'gradient' | 'angle' | 'tint' | 'to' | 'extent'>,
  x: number,
  y: number,
): Rgb => {
  const from = rgbOf(fill.tint as Hex);
  if (fill.to === null) return from;
  const to = rgbOf(fill.to as Hex);
  const t = alongGradient(fill, x, y, fill.extent);
  return [lerp(from[0], to[0], t), lerp(from[1], to[1], t), lerp(from[2], to[2], t)];
};
