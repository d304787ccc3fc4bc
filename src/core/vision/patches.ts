/**
 * A pose brought onto the frame by patches of the picture: each is drawn as the pose would show it and sought in the frame by correlation,
 * coarsely at first, then to a fraction of a pixel (Lucas and Kanade, inverse compositional, after Baker and Matthews 2004). The picture
 * itself is the pattern, never the frame before: nothing drifts.
 */
import type { Grey } from './grey';
import { sampleAt } from './grey';
import { cornerSigma, fitPose, homographyOf, type Camera, type PlanePose, type Sighting } from './plane-pose';
import type { PictureTarget } from './picture-target';

export interface Aligned {
  readonly pose: PlanePose;
  /** Patches that were seen where the pose says, of those that could be. */
  readonly used: number;
  readonly quality: number;
  /** Mean distance that is left, pixels. */
  readonly error: number;
  /** How far off the worst corner is to be expected, pixels. */
  readonly sigma: number;
  readonly sightings: readonly Sighting[];
}

export interface AlignOptions {
  /** The halving of the frame to begin on. */
  readonly start: number;
  /** How far patches are sought there, pixels of it. */
  readonly radius: number;
  /** How strongly the pose is held where it began; see `fitPose`. */
  readonly hold: number;
}

/** Half the width of a patch that is sought, and of one that is brought to a fraction of a pixel. */
const COARSE_HALF = 4;
const FINE_HALF = 5;
const COARSE_PATCHES = 44;
const FINE_PATCHES = 110;
const FINE_ROUNDS = 2;
/** Correlation from which on a patch is seen. */
const COARSE_LEAST = 0.62;
const FINE_LEAST = 0.6;
/** A patch that varies less, in 256ths, shows nothing. */
const FLAT = 3;

/** What a pose looks like from one stage to the next. */
interface Stage {
  readonly pose: PlanePose;
  readonly seen: number;
  readonly good: number;
  readonly error: number;
  readonly sightings: Sighting[];
}

/** Room for the widest patch with its border, used again and again. */
const side = 2 * FINE_HALF + 3;
const patch = new Float64Array(side * side);
const normal = new Float64Array(side * side);
const slopeX = new Float64Array(side * side);
const slopeY = new Float64Array(side * side);

/** Null where the pose does not hold on this frame. `levels` is the frame and its halves. */
export const alignPose = (
  start: PlanePose,
  target: PictureTarget,
  levels: readonly Grey[],
  camera: Camera,
  options: AlignOptions,
): Aligned | null => {
  const h = homographyOf(start, camera);
  const seenWidth = widthSeen(h);
  if (!(seenWidth > 20) || !(start.position[2] > 0)) return null;
  const top = Math.max(0, Math.min(options.start, Math.floor(Math.log2(seenWidth / 70))));
  let pose = start;
  for (let level = top; level >= Math.min(1, top); level--) {
    const radius = level === top ? options.radius : 3;
    const stage = alignOn(pose, target, levels[level], camera, { level, radius, hold: options.hold });
    if (!stage) return null;
    ({ pose } = stage);
  }
  let fine: Stage | null = null;
  for (let round = 0; round < FINE_ROUNDS; round++) {
    fine = alignOn(pose, target, levels[0], camera, { level: 0, radius: 0, hold: options.hold });
    if (!fine) return null;
    ({ pose } = fine);
  }
  const { seen, good, error, sightings } = fine!;
  return {
    pose,
    used: good,
    quality: good / Math.max(1, seen),
    error,
    sigma: cornerSigma(pose, sightings, camera, target.aspect),
    sightings,
  };
};

/** How many pixels across the picture is seen about its middle: the root of how much its area grows. */
const widthSeen = (h: ArrayLike<number>): number =>
  Math.sqrt(
    Math.abs(
      (h[0] * h[8] - h[6] * h[2]) * (h[4] * h[8] - h[7] * h[5]) -
        (h[1] * h[8] - h[7] * h[2]) * (h[3] * h[8] - h[6] * h[5]),
    ),
  ) /
  (h[8] * h[8]);

/** One round on one halving of the frame; a radius of 0 is the fine search. Null when too few patches are seen. */
const alignOn = (
  pose: PlanePose,
  target: PictureTarget,
  image: Grey,
  camera: Camera,
  { level, radius, hold }: { level: number; radius: number; hold: number },
): Stage | null => {
  const isFine = radius === 0;
  const h = homographyOf(pose, camera);
  const scale = 1 / 2 ** level;
  const half = isFine ? FINE_HALF : COARSE_HALF;
  const margin = half + 2 + radius;
  // The level of the picture that is about as fine as the frame shows it.
  const across = widthSeen(h) * scale;
  let source = 0;
  while (source + 1 < target.levels.length && target.levels[source + 1].width >= across * 0.72) source++;
  const pattern = target.levels[source];
  const pointsOf = source > 0 && target.points[source].length < 90 ? source - 1 : source;
  const pointsWidth = target.levels[pointsOf].width;
  const sightings: Sighting[] = [];
  let seen = 0;
  for (const point of target.points[pointsOf]) {
    if (seen >= (isFine ? FINE_PATCHES : COARSE_PATCHES)) break;
    const x = (point.x + 0.5) / pointsWidth - 0.5;
    const y = (point.y + 0.5) / pointsWidth - target.aspect / 2;
    const w = 1 / (h[6] * x + h[7] * y + h[8]);
    if (w <= 0) continue;
    const fullU = (h[0] * x + h[1] * y + h[2]) * w;
    const fullV = (h[3] * x + h[4] * y + h[5]) * w;
    const u = (fullU + 0.5) * scale - 0.5;
    const v = (fullV + 0.5) * scale - 0.5;
    if (u < margin || v < margin || u > image.width - 1 - margin || v > image.height - 1 - margin) continue;
    // How the frame's pixels lie on the pattern about this point.
    const c = (scale * w) / pattern.width;
    const a0 = (h[0] - h[6] * fullU) * c;
    const a1 = (h[1] - h[7] * fullU) * c;
    const a2 = (h[3] - h[6] * fullV) * c;
    const a3 = (h[4] - h[7] * fullV) * c;
    const det = a0 * a3 - a1 * a2;
    if (Math.abs(det) < 0.02) continue;
    const inverse = [a3 / det, -a1 / det, -a2 / det, a0 / det] as const;
    const at = isFine ? ([u, v] as const) : ([Math.round(u), Math.round(v)] as const);
    const px = (x + 0.5) * pattern.width - 0.5;
    const py = (y + target.aspect / 2) * pattern.width - 0.5;
    const deviation = drawPatch(pattern, px, py, inverse, half, at[0] - u, at[1] - v);
    if (deviation < FLAT) continue;
    seen++;
    const found = isFine ? findFinely(image, u, v, deviation) : findCoarsely(image, at[0], at[1], radius);
    if (!found) continue;
    const weight = found.weight;
    sightings.push({
      x,
      y,
      u: (found.u + 0.5) / scale - 0.5,
      v: (found.v + 0.5) / scale - 0.5,
      a: found.xx * weight,
      b: found.xy * weight,
      c: found.yy * weight,
      residual: 0,
    });
  }
  if (sightings.length < 6) return null;
  const fitted = fitPose(pose, sightings, camera, {
    floor: (isFine ? 0.25 : 0.5) / scale,
    rounds: isFine ? 8 : 6,
    hold,
  });
  if (!fitted.pose.position.every(Number.isFinite)) return null;
  const limit = (isFine ? 1.6 : 2.5) / scale;
  let good = 0;
  for (const s of sightings) if (s.residual < limit) good++;
  return { pose: fitted.pose, seen, good, error: fitted.error, sightings };
};

/**
 * Draws the patch of the pattern about (px, py) as the frame shows it, with a border of one pixel, into `patch`, and evened out to mean 0
 * and deviation 1 without it into `normal`. Gives its deviation.
 */
const drawPatch = (
  pattern: Grey,
  px: number,
  py: number,
  [b0, b1, b2, b3]: readonly [number, number, number, number],
  half: number,
  shiftU: number,
  shiftV: number,
): number => {
  const width = 2 * half + 1;
  const wide = width + 2;
  for (let y = 0; y < wide; y++)
    for (let x = 0; x < wide; x++) {
      const dx = x - half - 1 + shiftU;
      const dy = y - half - 1 + shiftV;
      patch[y * wide + x] = sampleAt(pattern, px + b0 * dx + b1 * dy, py + b2 * dx + b3 * dy);
    }
  let [sum, squares] = [0, 0];
  for (let y = 0; y < width; y++)
    for (let x = 0; x < width; x++) {
      const t = patch[(y + 1) * wide + x + 1];
      normal[y * width + x] = t;
      sum += t;
      squares += t * t;
    }
  const count = width * width;
  const mean = sum / count;
  const deviation = Math.sqrt(Math.max(0, squares / count - mean * mean));
  for (let i = 0; i < count; i++) normal[i] = (normal[i] - mean) / deviation;
  return deviation;
};

/** Where a patch is seen, the structure of its gradients, and how much it counts. */
interface Found {
  readonly u: number;
  readonly v: number;
  readonly xx: number;
  readonly xy: number;
  readonly yy: number;
  readonly weight: number;
}
/** The larger eigenvalue of a structure tensor. */
const larger = (xx: number, xy: number, yy: number): number =>
  (xx + yy) / 2 + Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);

const MOST_RADIUS = 8;
const WIDE = 2 * (COARSE_HALF + MOST_RADIUS) + 1;
const windowBytes = new Float64Array(WIDE * WIDE);
const rowSums = new Float64Array(WIDE * WIDE);
const rowSquares = new Float64Array(WIDE * WIDE);
const correlation = new Float64Array((2 * MOST_RADIUS + 1) ** 2);

/** The best of all whole shifts within the radius by normalised correlation, then between pixels by a parabola. */
const findCoarsely = (image: Grey, u: number, v: number, radius: number): Found | null => {
  const half = COARSE_HALF;
  const width = 2 * half + 1;
  const count = width * width;
  const shifts = 2 * radius + 1;
  const span = shifts + 2 * half;
  const { data, width: stride } = image;
  // The window once, with running sums along its rows: the inner loop is one multiplication a pixel.
  for (let y = 0; y < span; y++) {
    let at = (v - radius - half + y) * stride + u - radius - half;
    let [sum, squares] = [0, 0];
    for (let x = 0; x < span; x++, at++) {
      const z = data[at];
      windowBytes[y * span + x] = z;
      sum += z;
      squares += z * z;
      if (x >= width) {
        const gone = windowBytes[y * span + x - width];
        sum -= gone;
        squares -= gone * gone;
      }
      if (x >= width - 1) {
        rowSums[y * shifts + x - width + 1] = sum;
        rowSquares[y * shifts + x - width + 1] = squares;
      }
    }
  }
  let [best, bestX, bestY] = [-1, 0, 0];
  for (let dx = 0; dx < shifts; dx++) {
    let [sum, squares] = [0, 0];
    for (let y = 0; y < width - 1; y++) {
      sum += rowSums[y * shifts + dx];
      squares += rowSquares[y * shifts + dx];
    }
    for (let dy = 0; dy < shifts; dy++) {
      sum += rowSums[(dy + width - 1) * shifts + dx];
      squares += rowSquares[(dy + width - 1) * shifts + dx];
      const variance = squares - (sum * sum) / count;
      let alike = 0;
      if (variance > 4 * count) {
        for (let y = 0, i = 0; y < 9; y++, i += 9) {
          const o = (dy + y) * span + dx;
          alike +=
            windowBytes[o] * normal[i] +
            windowBytes[o + 1] * normal[i + 1] +
            windowBytes[o + 2] * normal[i + 2] +
            (windowBytes[o + 3] * normal[i + 3] +
              windowBytes[o + 4] * normal[i + 4] +
              windowBytes[o + 5] * normal[i + 5]) +
            (windowBytes[o + 6] * normal[i + 6] +
              windowBytes[o + 7] * normal[i + 7] +
              windowBytes[o + 8] * normal[i + 8]);
        }
        alike /= Math.sqrt(variance * count);
      }
      correlation[dy * shifts + dx] = alike;
      if (alike > best) [best, bestX, bestY] = [alike, dx, dy];
      sum -= rowSums[dy * shifts + dx];
      squares -= rowSquares[dy * shifts + dx];
    }
  }
  if (best < COARSE_LEAST) return null;
  let [ox, oy] = [bestX - radius, bestY - radius];
  if (bestX > 0 && bestY > 0 && bestX < shifts - 1 && bestY < shifts - 1) {
    const i = bestY * shifts + bestX;
    ox += peak(correlation[i - 1], best, correlation[i + 1]);
    oy += peak(correlation[i - shifts], best, correlation[i + shifts]);
  }
  const wide = width + 2;
  let [xx, xy, yy] = [0, 0, 0];
  for (let y = 1; y <= width; y++)
    for (let x = 1; x <= width; x++) {
      const gx = patch[y * wide + x + 1] - patch[y * wide + x - 1];
      const gy = patch[(y + 1) * wide + x] - patch[(y - 1) * wide + x];
      xx += gx * gx;
      xy += gx * gy;
      yy += gy * gy;
    }
  return { u: u + ox, v: v + oy, xx, xy, yy, weight: (best * best) / larger(xx, xy, yy) };
};

/** Where between its neighbours a peak is: the top of the parabola through the three, at most half a pixel off. */
const peak = (before: number, top: number, after: number): number => {
  const bend = before + after - 2 * top;
  return bend < -1e-6 ? Math.max(-0.5, Math.min(0.5, (0.5 * (before - after)) / bend)) : 0;
};

const FINE_STEPS = 6;
/** A patch that runs away farther than this was not there. */
const RUN_AWAY = 3.5;

const findFinely = (image: Grey, u: number, v: number, deviation: number): Found | null => {
  const half = FINE_HALF;
  const width = 2 * half + 1;
  const wide = width + 2;
  const count = width * width;
  const margin = half + 2;
  let [xx, xy, yy] = [0, 0, 0];
  for (let y = 0; y < width; y++)
    for (let x = 0; x < width; x++) {
      const o = (y + 1) * wide + x + 1;
      const gx = (patch[o + 1] - patch[o - 1]) / (2 * deviation);
      const gy = (patch[o + wide] - patch[o - wide]) / (2 * deviation);
      slopeX[y * width + x] = gx;
      slopeY[y * width + x] = gy;
      xx += gx * gx;
      xy += gx * gy;
      yy += gy * gy;
    }
  // Along an edge nothing is known: a little damping keeps the patch from sliding.
  const damping = 0.02 * (xx + yy) + 1e-6;
  const det = (xx + damping) * (yy + damping) - xy * xy;
  const { data, width: stride, height } = image;
  let [cu, cv, alike] = [u, v, 0];
  for (let step = 0; step < FINE_STEPS; step++) {
    const xi = Math.floor(cu);
    const yi = Math.floor(cv);
    if (xi < margin || yi < margin || xi > stride - 2 - margin || yi > height - 2 - margin) return null;
    if (Math.abs(cu - u) > RUN_AWAY || Math.abs(cv - v) > RUN_AWAY) return null;
    const fx = cu - xi;
    const fy = cv - yi;
    const w00 = (1 - fx) * (1 - fy);
    const w10 = fx * (1 - fy);
    const w01 = (1 - fx) * fy;
    const w11 = fx * fy;
    let [sum, squares, withNormal, byX, byY] = [0, 0, 0, 0, 0];
    let [normalX, normalY, allX, allY] = [0, 0, 0, 0];
    for (let y = -half, i = 0; y <= half; y++) {
      let o = (yi + y) * stride + xi - half;
      for (let x = 0; x < width; x++, i++, o++) {
        const z = w00 * data[o] + w10 * data[o + 1] + w01 * data[o + stride] + w11 * data[o + stride + 1];
        const t = normal[i];
        const gx = slopeX[i];
        const gy = slopeY[i];
        sum += z;
        squares += z * z;
        withNormal += z * t;
        byX += z * gx;
        byY += z * gy;
        normalX += t * gx;
        normalY += t * gy;
        allX += gx;
        allY += gy;
      }
    }
    const mean = sum / count;
    const spread = Math.sqrt(Math.max(1e-6, squares / count - mean * mean));
    if (spread < 1) return null;
    alike = withNormal / (count * spread);
    const ex = normalX - (byX - mean * allX) / spread;
    const ey = normalY - (byY - mean * allY) / spread;
    const du = ((yy + damping) * ex - xy * ey) / det;
    const dv = ((xx + damping) * ey - xy * ex) / det;
    cu += du;
    cv += dv;
    if (du * du + dv * dv < 4e-4) break;
  }
  if (alike < FINE_LEAST) return null;
  const weight = (alike * alike * Math.min(1, deviation / 12)) / larger(xx, xy, yy);
  return { u: cu, v: cv, xx, xy, yy, weight };
};
