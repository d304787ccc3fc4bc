/** Colours on their way from one to another. */
import { lerp } from './scalar';
import { hexOf, linearOf, rgbOf, srgbOf } from './srgb';
import type { Vec3 } from './vec3';
import type { Hex } from '../units';

/** Mixed as light: `k` from 0 to 1. */
export const mixedColour = (a: Hex, b: Hex, k: number): Hex => {
  const [from, to] = [linearOf(rgbOf(a)), linearOf(rgbOf(b))];
  const t = Math.min(1, Math.max(0, k));
  return hexOf(srgbOf([0, 1, 2].map((i) => lerp(from[i]!, to[i]!, t)) as unknown as Vec3));
};
