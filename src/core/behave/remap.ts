/** A value carried from one range to another: what a control or a signal does to a property. */
import { cubicBezier, type Handles } from '../maths/timing';

export interface Remap {
  readonly from: readonly [number, number];
  /** May run backwards. */
  readonly to: readonly [number, number];
  /** How it gets from one end to the other. */
  readonly curve: Handles;
  /** Beyond its ends it stays there; else it goes on in a straight line. */
  readonly bounded: boolean;
}

/** A range without width gives the middle of what it is carried to; what is no number gives its beginning. */
export const remapped = (value: number, { from, to, curve, bounded }: Remap): number => {
  if (!Number.isFinite(value)) return to[0];
  const width = from[1] - from[0];
  const t = width === 0 ? 0.5 : (value - from[0]) / width;
  if (t < 0 || t > 1) {
    if (bounded) return t < 0 ? to[0] : to[1];
    return to[0] + t * (to[1] - to[0]);
  }
  return to[0] + cubicBezier(curve, t) * (to[1] - to[0]);
};
