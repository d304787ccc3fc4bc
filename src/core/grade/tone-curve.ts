/**
 * Tone curves: smooth through their points and never turning back between two of them.
 * Fritsch and Carlson, "Monotone Piecewise Cubic Interpolation", SIAM J. Numer. Anal. 17 (1980).
 */
import { clamp } from '../maths/scalar';
import type { Unit } from '../units';

/** What goes in, what comes out. */
export type CurvePoint = readonly [Unit, Unit];

/** The curve that changes nothing. */
export const STRAIGHT: readonly CurvePoint[] = [
  [0, 0],
  [1, 1],
];

/** Whether a curve changes nothing. */
export const isStraight = (points: readonly CurvePoint[]): boolean => points.every(([x, y]) => x === y);

/** A function from points of ascending x, two at least; flat outside of them. */
export const toneCurve = (points: readonly CurvePoint[]): ((x: number) => Unit) => {
  const n = points.length;
  const slopes = points.slice(1).map(([x, y], i) => (y - points[i]![1]) / (x - points[i]![0]));
  const tangents = points.map((_, i) => {
    if (i === 0) return slopes[0]!;
    if (i === n - 1) return slopes[n - 2]!;
    const [a, b] = [slopes[i - 1]!, slopes[i]!];
    return a * b <= 0 ? 0 : (a + b) / 2;
  });
  slopes.forEach((slope, i) => {
    // Nearly flat counts as flat: what follows divides by it.
    if (Math.abs(slope) < 1e-9) {
      tangents[i] = tangents[i + 1] = 0;
      return;
    }
    const [a, b] = [tangents[i]! / slope, tangents[i + 1]! / slope];
    const far = Math.hypot(a, b);
    if (far <= 3) return;
    tangents[i] = (3 * a * slope) / far;
    tangents[i + 1] = (3 * b * slope) / far;
  });
  return (x) => {
    if (x <= points[0]![0]) return points[0]![1];
    if (x >= points[n - 1]![0]) return points[n - 1]![1];
    const i = points.findIndex(([px]) => px > x) - 1;
    const [x0, y0] = points[i]!;
    const [x1, y1] = points[i + 1]!;
    const h = x1 - x0;
    const t = (x - x0) / h;
    const y =
      y0 * (1 + 2 * t) * (1 - t) ** 2 +
      tangents[i]! * h * t * (1 - t) ** 2 +
      y1 * t * t * (3 - 2 * t) +
      tangents[i + 1]! * h * t * t * (t - 1);
    return clamp(y, 0, 1);
  };
};
