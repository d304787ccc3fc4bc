/** `x`, or the bound it lies beyond. */
export const clamp = (x: number, low: number, high: number): number => Math.min(high, Math.max(low, x));
/** Exact at both ends: `lerp(a, b, 1) === b`. */
export const lerp = (a: number, b: number, t: number): number => a * (1 - t) + b * t;
/** Hermite step: 0 below `low`, 1 above `high`, smooth between (GLSL `smoothstep`). */
export const smoothstep = (low: number, high: number, x: number): number => {
  const t = clamp((x - low) / (high - low), 0, 1);
  return t * t * (3 - 2 * t);
};
/** Piecewise linear through ascending `[x, y]` points; flat outside. */
export const interpolate = (points: readonly (readonly [number, number])[], x: number): number => {
  const first = points[0]!;
  if (x <= first[0]) return first[1];
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    if (x <= b[0]) return lerp(a[1], b[1], (x - a[0]) / (b[0] - a[0]));
  }
  return points[points.length - 1]![1];
};
