/**
 * The places of a picture that are followed: corners in the sense of Shi and Tomasi ("Good features to track", 1994), then edges, in an
 * order in which any first few are spread over the picture.
 */
import { blur, type Grey } from './grey';

/** Pixels of its level. */
export interface TrackPoint {
  readonly x: number;
  readonly y: number;
}

const BORDER = 4;
/** Half the window that the gradients are summed over. */
const HALF = 3;
/** How much an edge counts beside a corner. */
const EDGE_SHARE = 0.06;
const LEAST = 60;
/** Of one level. */
export const MOST_POINTS = 160;

export const trackPoints = (level: Grey): readonly TrackPoint[] => {
  const { width, height } = level;
  const score = cornerness(level);
  const inset = BORDER + HALF;
  const found: { x: number; y: number; s: number }[] = [];
  for (let y = inset; y < height - inset; y++)
    for (let x = inset; x < width - inset; x++) {
      const s = score[y * width + x];
      if (s >= LEAST && isPeak(score, width, x, y)) found.push({ x, y, s });
    }
  found.sort((a, b) => b.s - a.s);
  const most = Math.min(MOST_POINTS, Math.max(24, ((width * height) / 220) | 0));
  const chosen: TrackPoint[] = [];
  const taken = new Set<number>();
  // Large cells first, each with its best; then smaller ones between.
  for (let cell = Math.max(width, height) / 4; cell > 4 && chosen.length < most; cell /= 1.6) {
    const cellOf = (k: number): number => ((found[k].y / cell) | 0) * 1000 + ((found[k].x / cell) | 0);
    const full = new Set([...taken].map(cellOf));
    for (let k = 0; k < found.length && chosen.length < most; k++) {
      if (taken.has(k) || full.has(cellOf(k))) continue;
      full.add(cellOf(k));
      taken.add(k);
      chosen.push({ x: found[k].x, y: found[k].y });
    }
  }
  return chosen;
};

const isPeak = (score: Float32Array, width: number, x: number, y: number): boolean => {
  const s = score[y * width + x];
  for (let dy = -2; dy <= 2; dy++)
    for (let dx = -2; dx <= 2; dx++) if (score[(y + dy) * width + x + dx] > s) return false;
  return true;
};

/** For each pixel the smaller eigenvalue of the gradients around it, and a little of the larger. */
const cornerness = (level: Grey): Float32Array => {
  const { width, height } = level;
  const { data } = blur(level);
  // Sums over all pixels above and left make any window four look-ups.
  const stride = width + 1;
  const [xx, yy, xy] = [0, 1, 2].map(() => new Float64Array(stride * (height + 1)));
  for (let y = 0; y < height; y++) {
    let [sxx, syy, sxy] = [0, 0, 0];
    for (let x = 0; x < width; x++) {
      if (x > 0 && y > 0 && x < width - 1 && y < height - 1) {
        const i = y * width + x;
        const gx = (data[i + 1] - data[i - 1]) / 2;
        const gy = (data[i + width] - data[i - width]) / 2;
        sxx += gx * gx;
        syy += gy * gy;
        sxy += gx * gy;
      }
      const at = (y + 1) * stride + x + 1;
      xx[at] = xx[at - stride] + sxx;
      yy[at] = yy[at - stride] + syy;
      xy[at] = xy[at - stride] + sxy;
    }
  }
  const score = new Float32Array(width * height);
  const inset = BORDER + HALF;
  for (let y = inset; y < height - inset; y++)
    for (let x = inset; x < width - inset; x++) {
      const low = (y + HALF + 1) * stride;
      const high = (y - HALF) * stride;
      const [l, r] = [x - HALF, x + HALF + 1];
      const sum = (of: Float64Array): number => of[low + r] - of[low + l] - of[high + r] + of[high + l];
      const [a, c, b] = [sum(xx), sum(yy), sum(xy)];
      const mean = (a + c) / 2;
      const spread = Math.sqrt(((a - c) / 2) ** 2 + b * b);
      score[y * width + x] = mean - spread + EDGE_SHARE * (mean + spread);
    }
  return score;
};
