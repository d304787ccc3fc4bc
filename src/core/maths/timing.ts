/**
 * Timing functions that a creator shapes: curves drawn by two handles, steps, springs. Progress 0 to 1 in, eased progress out;
 * what is outside of 0 to 1 counts as its end. `easing.ts` has those that only have a name.
 */
import { clamp } from './scalar';
import type { Unit } from '../units';

/** CSS Easing Functions Level 1, the keywords: their cubic-bezier() handles. */
export const CSS_EASINGS = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
} as const satisfies Record<string, Handles>;

/** x1, y1, x2, y2 of the two handles; x from 0 to 1, y anywhere. */
export type Handles = readonly [x1: Unit, y1: number, x2: Unit, y2: number];

/** One coordinate of a cubic Bezier curve from 0 to 1 with the handles at `a` and `b`. */
const along = (a: number, b: number, t: number): number => {
  const s = 1 - t;
  return 3 * s * s * t * a + 3 * s * t * t * b + t * t * t;
};
const slope = (a: number, b: number, t: number): number => {
  const s = 1 - t;
  return 3 * s * s * a + 6 * s * t * (b - a) + 3 * t * t * (1 - b);
};

/**
 * `cubic-bezier(x1, y1, x2, y2)` of CSS Easing Functions Level 1: the curve's y where its x is `progress`. Found by Newton's
 * method, and by halving where the curve is too flat for it.
 */
export const cubicBezier = ([x1, y1, x2, y2]: Handles, progress: number): number => {
  const x = clamp(progress, 0, 1);
  // Handles on the straight line leave it one.
  if (x === 0 || x === 1 || (x1 === y1 && x2 === y2)) return x;
  let t = x;
  for (let n = 0; n < 8; n++) {
    const off = along(x1, x2, t) - x;
    if (Math.abs(off) < 1e-9) return along(y1, y2, t);
    const rise = slope(x1, x2, t);
    if (Math.abs(rise) < 1e-6) break;
    t = clamp(t - off / rise, 0, 1);
  }
  let [low, high] = [0, 1];
  for (let n = 0; n < 60 && high - low > 1e-12; n++) {
    t = (low + high) / 2;
    if (along(x1, x2, t) < x) low = t;
    else high = t;
  }
  return along(y1, y2, t);
};

/** Where the jumps of `steps` lie: at the start, at the end, at neither or at both ends too. */
export const JUMPS = ['start', 'end', 'none', 'both'] as const;
export type Jump = (typeof JUMPS)[number];

/** `steps(count, jump-...)` of CSS Easing Functions Level 1. `jump-none` needs two steps at least. */
export const stepped = (count: number, jump: Jump, progress: number): number => {
  const t = clamp(progress, 0, 1);
  const steps = Math.max(jump === 'none' ? 2 : 1, Math.round(count));
  const jumps = jump === 'none' ? steps - 1 : jump === 'both' ? steps + 1 : steps;
  let step = Math.floor(t * steps + 1e-9);
  if (jump === 'start' || jump === 'both') step++;
  return clamp(step, 0, jumps) / jumps;
};

export interface Spring {
  /** How often it swings over in the time it has. */
  readonly swings: number;
  /** 1 comes to rest without swinging over, near 0 it swings on and on. */
  readonly damping: Unit;
}

/**
 * A damped harmonic oscillator let go at 0 and drawn to 1, scaled so that it rests at the end: what is left of its swing after
 * the time is taken out along the way. French, "Vibrations and Waves" (1971), chapter 3.
 */
export const sprung = ({ swings, damping }: Spring, progress: number): number => {
  const t = clamp(progress, 0, 1);
  if (t === 0 || t === 1) return t;
  const zeta = clamp(damping, 0.02, 1);
  // At critical damping there is no swing: the frequency then only says how fast it comes.
  const natural = (2 * Math.PI * Math.max(0.5, swings)) / Math.sqrt(Math.max(1 - zeta * zeta, 0.19));
  const off = (at: number): number => {
    if (zeta > 0.999) return Math.exp(-natural * at) * (1 + natural * at);
    const swung = natural * Math.sqrt(1 - zeta * zeta);
    return (
      Math.exp(-zeta * natural * at) *
      (Math.cos(swung * at) + ((zeta * natural) / swung) * Math.sin(swung * at))
    );
  };
  return 1 - off(t) + t * off(1);
};
