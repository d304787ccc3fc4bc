/**
 * Edge-preserving smoothing of skin: the guided filter with the picture as its own guide, worked out on a smaller copy.
 * He, Sun and Tang, "Guided Image Filtering" (ECCV 2010); He and Sun, "Fast Guided Filter" (2015).
 * `stage/face/retouch-shader.ts` says the same in GLSL.
 */
import type { Unit } from '../units';

/** Planes are rows of values 0..1. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/** Reach of the smoothing as a share of the face's width in the picture. */
export const SMOOTH_REACH = 0.028;
/** Differences smaller than the root of this are smoothed away, larger ones are edges: at full strength. */
export const MOST_EPSILON = 0.006;

/** How much contrast counts as skin texture, by the strength that was set. */
export const epsilonOf = (strength: Unit): number => MOST_EPSILON * (0.15 + 0.85 * strength);

/** Mean over a square of `2 r + 1`, cut at the edges. */
export const boxMean = ({ width, height, data }: Plane, r: number): Plane => {
  const pass = (from: Float32Array, across: boolean): Float32Array => {
    const to = new Float32Array(from.length);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        let [sum, count] = [0, 0];
        for (let k = -r; k <= r; k++) {
          const [px, py] = across ? [x + k, y] : [x, y + k];
          if (px < 0 || py < 0 || px >= width || py >= height) continue;
          sum += from[py * width + px]!;
          count++;
        }
        to[y * width + x] = sum / count;
      }
    return to;
  };
  return { width, height, data: pass(pass(data, true), false) };
};

/** The picture smoothed: flat where it varies by less than the root of `epsilon`, as it was at edges. */
export const guidedSmooth = (plane: Plane, r: number, epsilon: number): Plane => {
  const { width, height, data } = plane;
  const squares: Plane = { width, height, data: data.map((v) => v * v) };
  const mean = boxMean(plane, r).data;
  const meanSquare = boxMean(squares, r).data;
  const a = new Float32Array(data.length);
  const b = new Float32Array(data.length);
  for (let i = 0; i < data.length; i++) {
    const variance = Math.max(0, meanSquare[i]! - mean[i]! ** 2);
    a[i] = variance / (variance + epsilon);
    b[i] = mean[i]! * (1 - a[i]!);
  }
  const [slope, offset] = [
    boxMean({ width, height, data: a }, r).data,
    boxMean({ width, height, data: b }, r).data,
  ];
  return { width, height, data: data.map((v, i) => slope[i]! * v + offset[i]!) };
};
