/** Curves over time: how performances, hands, cameras and lights are written down. */
import { lerp, smoothstep } from '../maths/scalar';
import type { Seconds } from '../units';

/** `[time, value]` keys, smooth between. The last value equals the first, so that it loops. */
export type Curve = readonly (readonly [Seconds, number])[];

/** Reads `'0:0 1.5:31 4:0'`: times and values. Throws on anything else: curves ship with the code. */
export const curve = (text: string): Curve => {
  const keys = text
    .trim()
    .split(/\s+/)
    .map((key) => key.split(':').map(Number) as [number, number]);
  if (keys.some(([t, v], i) => !Number.isFinite(t) || !Number.isFinite(v) || (i > 0 && t < keys[i - 1]![0])))
    throw new Error(`This is not a curve: ${text}`);
  return keys;
};

/** Hermite-stepped between the keys; flat outside. */
export const valueAt = (keys: Curve, t: Seconds): number => {
  const first = keys[0];
  if (!first) return 0;
  if (t <= first[0]) return first[1];
  // Curves are read thousands of times a second: search by halves.
  let [low, high] = [0, keys.length - 1];
  if (t >= keys[high]![0]) return keys[high]![1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (keys[middle]![0] <= t) low = middle;
    else high = middle;
  }
  const [a, b] = [keys[low]!, keys[high]!];
  return lerp(a[1], b[1], smoothstep(0, 1, (t - a[0]) / (b[0] - a[0])));
};

/** The same rise and fall at each of these times: `times` are when it is fully up. */
export const pulses = (
  times: readonly Seconds[],
  {
    rise = 0.09,
    hold = 0,
    fall = 0.14,
    peak = 1,
  }: { rise?: Seconds; hold?: Seconds; fall?: Seconds; peak?: number } = {},
): Curve => [
  [0, 0],
  ...times.flatMap((t): [number, number][] => [
    [t - rise, 0],
    [t, peak],
    [t + hold, peak],
    [t + hold + fall, 0],
  ]),
];
