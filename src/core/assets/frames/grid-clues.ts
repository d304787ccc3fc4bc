/** What the paint on a sheet tells about where its cells part. */
import type { Unit } from '../../units';
import type { Raster } from '../raster';

/** What is painted: opacity, or on sheets without transparency the distance from the colour of the corners. */
export const paintOf = ({ width, height, data }: Raster): Float32Array => {
  const paint = new Float32Array(width * height);
  let transparent = 0;
  for (let i = 0; i < paint.length; i++) {
    paint[i] = data[i * 4 + 3]! / 255;
    if (paint[i]! < 0.5) transparent++;
  }
  if (transparent > paint.length * 0.02) return paint;
  const corners = [0, width - 1, (height - 1) * width, height * width - 1];
  const ground = [0, 1, 2].map((c) => corners.map((i) => data[i * 4 + c]!).sort((a, b) => a - b)[1]!) as [
    number,
    number,
    number,
  ];
  for (let i = 0; i < paint.length; i++) {
    const far = Math.max(...ground.map((g, c) => Math.abs(data[i * 4 + c]! - g)));
    paint[i] = far < 12 ? 0 : Math.min(1, far / 96);
  }
  return paint;
};

export interface AxisView {
  /** Length along the axis, in looked-at pixels. */
  readonly length: number;
  /** Mean paint of each line across the axis. */
  readonly lines: Float32Array;
  /** How much the paint changes from each line to the next; the last is 0. */
  readonly steps: Float32Array;
  /** Likeness of the sheet with itself moved by `distance` along the axis, 0..1. */
  likeness(distance: number): Unit;
}

/** What is seen of a sheet from one side: how much is painted along each column (`x`) or row (`y`). */
export const viewAlong = (paint: Float32Array, width: number, height: number, axis: 'x' | 'y'): AxisView => {
  const length = axis === 'x' ? width : height;
  const across = axis === 'x' ? height : width;
  const at = (along: number, over: number): number =>
    axis === 'x' ? paint[over * width + along]! : paint[along * width + over]!;
  const lines = new Float32Array(length);
  for (let i = 0; i < length; i++) {
    for (let j = 0; j < across; j++) lines[i] = lines[i]! + at(i, j);
    lines[i] = lines[i]! / across;
  }
  const steps = new Float32Array(length);
  for (let i = 0; i + 1 < length; i++) {
    for (let j = 0; j < across; j++) steps[i] = steps[i]! + Math.abs(at(i + 1, j) - at(i, j));
    steps[i] = steps[i]! / across;
  }
  return {
    length,
    lines,
    steps,
    likeness: (distance) => {
      // Normalised cross-correlation of what is painted on both sides; lines where either is blank do not count.
      let [both, left, right] = [0, 0, 0];
      for (let i = 0; i + distance < length; i++) {
        if (lines[i]! < 1e-4 && lines[Math.round(i + distance)]! < 1e-4) continue;
        const k = Math.round(i + distance);
        if (k >= length) break;
        for (let j = 0; j < across; j++) {
          const [a, b] = [at(i, j), at(k, j)];
          both += a * b;
          left += a * a;
          right += b * b;
        }
      }
      return left === 0 || right === 0 ? 0 : both / Math.sqrt(left * right);
    },
  };
};

/** How much is painted along the lines between `n` cells, against the mean of all lines. */
export const paintBetween = (view: AxisView, n: number): number => {
  const mean = view.lines.reduce((sum, x) => sum + x, 0) / view.length || 1;
  let sum = 0;
  for (let k = 1; k < n; k++) {
    const at = (k * view.length) / n;
    // The line itself lies between two pixels; the emptier neighbour counts, for sheets cut with a small offset.
    const near = [at - 1, at].map((x) => view.lines[Math.min(view.length - 1, Math.max(0, Math.round(x)))]!);
    sum += Math.min(...near);
  }
  return n === 1 ? 0 : sum / (n - 1) / mean;
};

/**
 * How sharply the paint breaks off between `n` cells, at the weakest of the lines, against the lines around it.
 * Cells painted to their edges leave no empty lines, but what crosses the edge does not go on.
 */
export const breakBetween = ({ lines, steps, length }: AxisView, n: number): number => {
  const mean = lines.reduce((sum, x) => sum + x, 0) / length || 1;
  // Where painting only begins or ends nothing breaks off: both sides are painted.
  const stepAt = (i: number): number =>
    Math.min(lines[i] ?? 0, lines[i + 1] ?? 0) > mean / 3 ? (steps[i] ?? 0) : 0;
  let least = Infinity;
  for (let k = 1; k < n; k++) {
    const at = Math.round((k * length) / n) - 1;
    const here = Math.max(stepAt(at - 1), stepAt(at), stepAt(at + 1));
    const around = Math.max(...[-5, -4, -3, 3, 4, 5].map((d) => steps[at + d] ?? 0), 1e-6);
    least = Math.min(least, here / around);
  }
  return n === 1 ? 0 : least;
};
