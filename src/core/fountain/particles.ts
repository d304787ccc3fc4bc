/**
 * The particles of one fountain, stepped without clock and chance: what each does follows from the seed and its number, so the
 * same steps always give the same. Typed arrays, the living ones at the front.
 */
import { pcg3d } from '../maths/hash';
import { column, transformDirection, transformPoint, type Matrix } from '../maths/matrix';
import { dot, length, normalise, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Metres, Seconds } from '../units';
import { bornAt, sprayed, type PointSource } from './area';
import type { Ball } from './face-points';
import type { FountainSettings } from './settings';

const FIELDS = ['x', 'y', 'z', 'vx', 'vy', 'vz', 'age', 'life', 'angle', 'spin'] as const;
type Field = (typeof FIELDS)[number];

export interface Particles extends Readonly<Record<Field, Float32Array>> {
  /** Which particle each is, counted from the first that was born. */
  readonly number: Uint32Array;
  /** How many live. */
  count: number;
  /** How many were born so far. */
  born: number;
  /** What of the next one is there already. */
  carry: number;
}

/** Room for `most` particles; none lives. */
export const newParticles = (most: number): Particles => ({
  ...(Object.fromEntries(FIELDS.map((f) => [f, new Float32Array(most)])) as Record<Field, Float32Array>),
  number: new Uint32Array(most),
  count: 0,
  born: 0,
  carry: 0,
});

/** A copy of what lives, as large as it has to be; `restored` makes room again. */
export const savedParticles = (of: Particles): Particles => ({
  ...(Object.fromEntries(FIELDS.map((f) => [f, of[f].slice(0, of.count)])) as Record<Field, Float32Array>),
  number: of.number.slice(0, of.count),
  count: of.count,
  born: of.born,
  carry: of.carry,
});
/** What `savedParticles` kept, with room for `most`, or for all that lived where those are more. */
export const restoredParticles = (saved: Particles, most: number): Particles => {
  const made = newParticles(Math.max(most, saved.count));
  for (const f of FIELDS) made[f].set(saved[f]);
  made.number.set(saved.number);
  return Object.assign(made, { count: saved.count, born: saved.born, carry: saved.carry });
};

export interface FountainNow {
  /** From the fountain's space to the world. */
  readonly matrix: Matrix;
  /** Factor on the rate: 0 is shut. */
  readonly open: number;
  /** Born at once, beside the rate. */
  readonly burst: number;
  readonly points: PointSource | null;
  /** Height of the floor; null where there is none. */
  readonly floor: Metres | null;
  /** The head they bounce off; null where there is none. */
  readonly head: Ball | null;
}

const share = (n: number): number => n / 4294967296;
const between = ([low, high]: readonly [number, number], t: number): number => low + (high - low) * t;

const bear = (
  p: Particles,
  settings: FountainSettings,
  { matrix, points }: FountainNow,
  factor: number,
): void => {
  const i = p.count++;
  const n = p.born++;
  const [a, b, c] = pcg3d(settings.seed, n, 0).map(share) as [number, number, number];
  const [d, e, f] = pcg3d(settings.seed, n, 1).map(share) as [number, number, number];
  const [g, h, k] = pcg3d(settings.seed, n, 2).map(share) as [number, number, number];
  const at = transformPoint(matrix, bornAt(settings.area, [a, b, c], points));
  const way = transformDirection(matrix, sprayed((settings.spread * Math.PI) / 180, d, e));
  const speed = between(settings.speed, f) / (length(way) || 1);
  p.x[i] = at[0];
  p.y[i] = at[1];
  p.z[i] = at[2];
  p.vx[i] = way[0] * speed * factor;
  p.vy[i] = way[1] * speed * factor;
  p.vz[i] = way[2] * speed * factor;
  p.age[i] = 0;
  p.life[i] = Math.max(0.001, between(settings.life, g));
  p.angle[i] = h;
  p.spin[i] = between(settings.spin, k);
  p.number[i] = n;
};

/** The last one takes the place of one that has died. */
const bury = (p: Particles, i: number): void => {
  const last = --p.count;
  if (i === last) return;
  for (const f of FIELDS) p[f][i] = p[f][last]!;
  p.number[i] = p.number[last]!;
};

/** Sines by a table: swirls need many, and none of them exactly. */
const WAVES = 4096;
const WAVE = Float32Array.from({ length: WAVES }, (_, i) => Math.sin((2 * Math.PI * i) / WAVES));
const wave = (turns: number): number => WAVE[((turns * WAVES) | 0) & (WAVES - 1)]!;

/** Sane bounds for what a document or a circuit may ask for. */
const finite = (x: number, low: number, high: number): number =>
  Number.isFinite(x) ? Math.min(high, Math.max(low, x)) : low;

/** A particle that is inside the head is set on its surface, and what of its speed goes inwards is turned round. */
const bounceOff = (p: Particles, i: number, { matrix, into }: Ball, bounce: number): void => {
  const at = transformPoint(into, [p.x[i]!, p.y[i]!, p.z[i]!]);
  const far = length(at);
  if (far >= 1 || far < 1e-6) return;
  const out = transformPoint(matrix, scale(at, 1 / far));
  p.x[i] = out[0];
  p.y[i] = out[1];
  p.z[i] = out[2];
  // The normal of an ellipsoid: the gradient of its equation, which the transposed inverse carries over.
  const n = normalise([
    into[0]! * at[0] + into[1]! * at[1] + into[2]! * at[2],
    into[4]! * at[0] + into[5]! * at[1] + into[6]! * at[2],
    into[8]! * at[0] + into[9]! * at[1] + into[10]! * at[2],
  ]);
  const speed: Vec3 = [p.vx[i]!, p.vy[i]!, p.vz[i]!];
  const inwards = dot(speed, n);
  if (inwards >= 0) return;
  const away = subtract(speed, scale(n, (1 + bounce) * inwards));
  p.vx[i] = away[0];
  p.vy[i] = away[1];
  p.vz[i] = away[2];
};

/** One step of `step` seconds. */
export const stepParticles = (
  p: Particles,
  settings: FountainSettings,
  now: FountainNow,
  step: Seconds,
): void => {
  const most = Math.min(settings.most, p.x.length);
  const { floor, head } = now;
  const { bounce, faceBounce } = settings;
  // What the fountain's own size does to speeds: a fountain twice as large sprays twice as fast.
  const factor = length(column(now.matrix, 1));
  const kept = Math.exp(-finite(settings.drag, 0, 100) * step);
  const [wx, wy, wz] = settings.wind;
  const fall = finite(settings.gravity, -1000, 1000) * step;
  const swirl = finite(settings.turbulence.strength, -1000, 1000) * step;
  const turns = 1 / Math.max(0.001, finite(settings.turbulence.size, 0.001, 1000));
  const { x, y, z, vx, vy, vz, age, life, angle, spin } = p;
  for (let i = p.count - 1; i >= 0; i--) {
    age[i]! += step;
    if (age[i]! >= life[i]!) {
      bury(p, i);
      continue;
    }
    let [ax, ay, az] = [vx[i]!, vy[i]!, vz[i]!];
    if (swirl !== 0) {
      // Arnold, Beltrami and Childress: a flow of three waves that neither gathers nor scatters what it carries.
      const [a, b, c] = [x[i]! * turns, y[i]! * turns, z[i]! * turns];
      ax += swirl * (wave(c) + wave(b + 0.25));
      ay += swirl * (wave(a) + wave(c + 0.25));
      az += swirl * (wave(b) + wave(a + 0.25));
    }
    ax = wx + (ax - wx) * kept;
    ay = wy + (ay - wy) * kept - fall;
    az = wz + (az - wz) * kept;
    x[i]! += ax * step;
    y[i]! += ay * step;
    z[i]! += az * step;
    if (floor !== null && bounce !== null && y[i]! < floor && ay < 0) {
      y[i] = floor + (floor - y[i]!) * bounce;
      ay = -ay * bounce;
      ax *= bounce;
      az *= bounce;
    }
    vx[i] = ax;
    vy[i] = ay;
    vz[i] = az;
    angle[i]! += spin[i]! * step;
    if (head !== null && faceBounce !== null) bounceOff(p, i, head, faceBounce);
  }
  p.carry += finite(settings.rate, 0, 1e6) * finite(now.open, 0, 1000) * step;
  let wanted = Math.floor(p.carry + 1e-9);
  p.carry = Math.max(0, p.carry - wanted);
  wanted += Math.floor(finite(now.burst, 0, 1e6));
  while (wanted > 0 && p.count < most) {
    bear(p, settings, now, factor);
    wanted--;
  }
  // Those there is no room for count as born: which ones live later does not hang on it.
  p.born = (p.born + wanted) >>> 0;
};
