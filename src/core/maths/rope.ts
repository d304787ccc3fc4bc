/** A string that hangs from a point and swings. Metres, seconds. */
import { add, length, scale, subtract, type Vec3 } from './vec3';
import type { Metres, Seconds } from '../units';

/** Its points from where it is held on, and where they were a step before. */
export interface Rope {
  readonly points: readonly Vec3[];
  readonly before: readonly Vec3[];
}
/** So often in a step its pieces are brought back to their length. */
const ROUNDS = 12;

/** At rest: straight down. */
export const hangingRope = (from: Vec3, long: Metres, pieces: number): Rope => {
  const points = Array.from({ length: pieces + 1 }, (_, i): Vec3 => add(from, [0, (-long * i) / pieces, 0]));
  return { points, before: points };
};

/**
 * The string one step later, held at `from`. Verlet integration with constraints by relaxation (Jakobsen, "Advanced Character Physics", 2001);
 * `damping` is the share of its movement that is lost in a second.
 */
export const swungRope = (
  { points, before }: Rope,
  from: Vec3,
  long: Metres,
  { gravity, damping }: { readonly gravity: number; readonly damping: number },
  step: Seconds,
): Rope => {
  const piece = long / (points.length - 1);
  const kept = (1 - Math.min(1, Math.max(0, damping))) ** step;
  const fall: Vec3 = [0, -gravity * step * step, 0];
  const next = points.map((at, i) =>
    i === 0 ? from : add(add(at, scale(subtract(at, before[i]!), kept)), fall),
  );
  for (let round = 0; round < ROUNDS; round++)
    for (let i = 1; i < next.length; i++) {
      const [a, b] = [next[i - 1]!, next[i]!];
      const between = subtract(b, a);
      const far = length(between);
      const off = far < 1e-9 ? ([0, -piece, 0] as const) : scale(between, (far - piece) / far);
      // Where it is held does not give way.
      if (i === 1) next[i] = subtract(b, off);
      else {
        next[i - 1] = add(a, scale(off, 0.5));
        next[i] = subtract(b, scale(off, 0.5));
      }
    }
  return { points: next, before: points };
};
