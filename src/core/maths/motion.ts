/**
 * Ways of moving that go on by themselves: circling, following with a lag, on a spring, swaying, shaking, bouncing. Each gives the
 * same whatever the steps it is asked in.
 */
import { pcg3d } from './hash';
import type { Vec3 } from './vec3';
import type { Degrees, Metres, Seconds } from '../units';

/** A point on a circle about the origin in the plane across `axis`; counter-clockwise seen from its tip, from +X, +Z or +X on. */
export const circled = (axis: 'x' | 'y' | 'z', radius: Metres, angle: Degrees): Vec3 => {
  const a = (angle * Math.PI) / 180;
  const [c, s] = [radius * Math.cos(a), radius * Math.sin(a)];
  return axis === 'x' ? [0, c, s] : axis === 'y' ? [c, 0, -s] : [c, s, 0];
};

/** What has `lag` seconds of lag is 63 % nearer to what it follows after as many; exact for a target that rests meanwhile. */
export const followed = (at: number, target: number, lag: Seconds, step: Seconds): number =>
  lag <= 0 ? target : target + (at - target) * Math.exp(-step / lag);

export interface Sprung {
  readonly at: number;
  /** Change of it a second. */
  readonly speed: number;
}

/**
 * On a spring to `target`: `swings` a second, damped by `damping` (1 and above does not swing over). The exact solution of the
 * damped harmonic oscillator over the step, so that ten small steps are one large one (French, "Vibrations and Waves", 1971).
 */
export const onSpring = (
  { at, speed }: Sprung,
  target: number,
  { swings, damping }: { readonly swings: number; readonly damping: number },
  step: Seconds,
): Sprung => {
  const natural = 2 * Math.PI * Math.max(0.01, swings);
  const zeta = Math.max(0, damping);
  const off = at - target;
  if (Math.abs(zeta - 1) < 1e-4) {
    const fade = Math.exp(-natural * step);
    const b = speed + natural * off;
    return { at: target + fade * (off + b * step), speed: fade * (b - natural * (off + b * step)) };
  }
  if (zeta < 1) {
    const swung = natural * Math.sqrt(1 - zeta * zeta);
    const fade = Math.exp(-zeta * natural * step);
    const [c, s] = [Math.cos(swung * step), Math.sin(swung * step)];
    const b = (speed + zeta * natural * off) / swung;
    return {
      at: target + fade * (off * c + b * s),
      speed: fade * ((b * swung - zeta * natural * off) * c - (off * swung + zeta * natural * b) * s),
    };
  }
  const root = natural * Math.sqrt(zeta * zeta - 1);
  const [fast, slow] = [-zeta * natural - root, -zeta * natural + root];
  const a = (speed - slow * off) / (fast - slow);
  const b = off - a;
  const [f, s] = [Math.exp(fast * step), Math.exp(slow * step)];
  return { at: target + a * f + b * s, speed: a * fast * f + b * slow * s };
};

/** To and fro: -1 to 1, `rate` times a second, 0 at the start. */
export const swayed = (time: Seconds, rate: number): number => Math.sin(2 * Math.PI * rate * time);

/** Up and down as a ball bounces: 0 to 1, `rate` bounces a second. */
export const bounced = (time: Seconds, rate: number): number => {
  const t = time * rate - Math.floor(time * rate);
  return 4 * t * (1 - t);
};

/** A number from -1 to 1 for a whole number: the same everywhere. */
const chance = (seed: number, channel: number, n: number): number =>
  pcg3d(seed, channel, n)[0] / 2147483648 - 1;

/** Trembling about the origin, x, y, z each from -1 to 1: `rate` new places a second, smoothly from one to the next. */
export const shaken = (time: Seconds, rate: number, seed: number): Vec3 => {
  const at = Math.max(0, time) * Math.max(0, rate);
  const n = Math.floor(at);
  const t = at - n;
  const k = t * t * (3 - 2 * t);
  return [0, 1, 2].map(
    (channel) => chance(seed, channel, n) * (1 - k) + chance(seed, channel, n + 1) * k,
  ) as unknown as Vec3;
};
