/**
 * Where a flat picture lies before a camera, from what is seen of it. Camera space as computer vision has it: x to the right, y down, z
 * forward. The picture's own space: its width is 1, the origin in its middle, x to the right, y down, so z points into the paper.
 */
import type { Homography } from './homography';
import { solveLinear } from '../maths/linear';

export interface Camera {
  readonly width: number;
  readonly height: number;
  /** Focal length, pixels. */
  readonly focal: number;
  /** The principal point, pixels. */
  readonly cx: number;
  readonly cy: number;
}

/** A camera that sees `fovY` degrees from top to bottom, its axis through the middle. */
export const cameraOf = (width: number, height: number, fovY: number): Camera => ({
  width,
  height,
  focal: height / 2 / Math.tan((fovY * Math.PI) / 360),
  cx: (width - 1) / 2,
  cy: (height - 1) / 2,
});

/** How many degrees such a camera sees from top to bottom. */
export const fovYOf = ({ height, focal }: Pick<Camera, 'height' | 'focal'>): number =>
  (2 * Math.atan(height / 2 / focal) * 180) / Math.PI;

/** Picture to camera space: the rotation by rows, and where the middle lies, in widths of the picture. */
export interface PlanePose {
  readonly rotation: readonly number[];
  readonly position: readonly number[];
}

/** A place of the picture (x, y) that is seen at (u, v), and how sure that is: the information [a b; b c], per square pixel. */
export interface Sighting {
  readonly x: number;
  readonly y: number;
  readonly u: number;
  readonly v: number;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  /** How far off it was after the last fit, weighted. */
  residual: number;
}

export type Vec = readonly number[];
export const crossOf = (a: Vec, b: Vec): number[] => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const unit = (a: Vec): number[] => {
  const k = 1 / Math.hypot(a[0], a[1], a[2]);
  return [a[0] * k, a[1] * k, a[2] * k];
};
const dotOf = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** A rotation from its first two columns. */
const fromColumns = (a: Vec, b: Vec): number[] => {
  const c = crossOf(a, b);
  return [a[0], b[0], c[0], a[1], b[1], c[1], a[2], b[2], c[2]];
};
/** The rotation nearest to two columns that have drifted. */
export const orthonormal = (a: Vec, b: Vec): number[] => {
  const first = unit(a);
  const d = dotOf(first, b);
  return fromColumns(first, unit([b[0] - d * first[0], b[1] - d * first[1], b[2] - d * first[2]]));
};

/** How the plane of the picture is seen from a pose. */
export const homographyOf = ({ rotation: r, position: t }: PlanePose, k: Camera): Homography =>
  Float64Array.of(
    k.focal * r[0] + k.cx * r[6],
    k.focal * r[1] + k.cx * r[7],
    k.focal * t[0] + k.cx * t[2],
    k.focal * r[3] + k.cy * r[6],
    k.focal * r[4] + k.cy * r[7],
    k.focal * t[1] + k.cy * t[2],
    r[6],
    r[7],
    t[2],
  );

/** The pose whose homography this is, the columns made orthonormal evenly; null for one that is none. */
export const poseOfHomography = (h: ArrayLike<number>, k: Camera): PlanePose | null => {
  const column = (j: number): number[] => [
    (h[j] - k.cx * h[6 + j]) / k.focal,
    (h[3 + j] - k.cy * h[6 + j]) / k.focal,
    h[6 + j],
  ];
  const [a, b, t] = [column(0), column(1), column(2)];
  const scale = 1 / Math.sqrt(Math.hypot(...a) * Math.hypot(...b));
  if (!Number.isFinite(scale)) return null;
  const sign = t[2] < 0 ? -1 : 1;
  const [ua, ub] = [unit(a), unit(b)];
  // The two columns lie evenly on both sides of the line between them.
  const between = unit(ua.map((x, i) => sign * (x + ub[i])));
  const across = unit(ua.map((x, i) => sign * (x - ub[i])));
  return {
    rotation: fromColumns(
      between.map((x, i) => Math.SQRT1_2 * (x + across[i])),
      between.map((x, i) => Math.SQRT1_2 * (x - across[i])),
    ),
    position: t.map((x) => x * scale * sign),
  };
};

/** The other pose from which a small or far picture looks nearly the same: tilted the other way about the line of sight. */
export const mirroredPose = ({ rotation: r, position }: PlanePose): PlanePose => {
  const sight = unit(position);
  const mirrored = (j: number): number[] => {
    const c = [r[j], r[3 + j], r[6 + j]];
    const d = dotOf(c, sight);
    return c.map((x, i) => x - 2 * d * sight[i]);
  };
  return { rotation: fromColumns(mirrored(0), mirrored(1)), position: [...position] };
};

/** The rotation about `w`, as far as it is long, in radians (Rodrigues). */
const rotationAbout = (w: Vec): number[] => {
  const angle = Math.hypot(w[0], w[1], w[2]);
  if (angle < 1e-12) return [1, -w[2], w[1], w[2], 1, -w[0], -w[1], w[0], 1];
  const [x, y, z] = [w[0] / angle, w[1] / angle, w[2] / angle];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const C = 1 - c;
  return [
    c + x * x * C,
    x * y * C - z * s,
    x * z * C + y * s,
    y * x * C + z * s,
    c + y * y * C,
    y * z * C - x * s,
    z * x * C - y * s,
    z * y * C + x * s,
    c + z * z * C,
  ];
};
/** Turned about its own middle by the first three numbers and moved by the last three. */
const moved = ({ rotation: r, position: t }: PlanePose, by: ArrayLike<number>): PlanePose => {
  const e = rotationAbout([by[0], by[1], by[2]]);
  const column = (j: number): number[] =>
    [0, 3, 6].map((i) => e[i] * r[j] + e[i + 1] * r[3 + j] + e[i + 2] * r[6 + j]);
  return {
    rotation: orthonormal(column(0), column(1)),
    position: [t[0] + by[3], t[1] + by[4], t[2] + by[5]],
  };
};

/** The pose that follows when what led from the one to the other goes on. */
export const onwards = (before: PlanePose, now: PlanePose): PlanePose => {
  const [a, b] = [before.rotation, now.rotation];
  const turn = (i: number, j: number): number =>
    b[3 * i] * a[3 * j] + b[3 * i + 1] * a[3 * j + 1] + b[3 * i + 2] * a[3 * j + 2];
  const column = (j: number): number[] =>
    [0, 1, 2].map((i) => turn(i, 0) * b[j] + turn(i, 1) * b[3 + j] + turn(i, 2) * b[6 + j]);
  return {
    // Made a rotation again: errors would grow from frame to frame.
    rotation: orthonormal(column(0), column(1)),
    position: now.position.map((x, i) => 2 * x - before.position[i]),
  };
};

/** How the place where (x, y) is seen moves with the six numbers of `moved`: two rows. */
const slopesAt = ({ rotation: r, position: t }: PlanePose, x: number, y: number, focal: number) => {
  const rx = r[0] * x + r[1] * y;
  const ry = r[3] * x + r[4] * y;
  const rz = r[6] * x + r[7] * y;
  const iz = 1 / (rz + t[2]);
  const u = (rx + t[0]) * iz;
  const v = (ry + t[1]) * iz;
  const f = focal * iz;
  return {
    u: focal * u,
    v: focal * v,
    alongU: [-f * u * ry, f * (rz + u * rx), -f * ry, f, 0, -f * u],
    alongV: [f * (-rz - v * ry), f * v * rx, f * rx, 0, f, -f * v],
  };
};

export interface FitOptions {
  /** No residual counts as less off than this, pixels. */
  readonly floor: number;
  readonly rounds?: number;
  /** How strongly the pose is held where it began: what nothing is seen of stays. 0 is not at all. */
  readonly hold?: number;
}
export interface Fitted {
  readonly pose: PlanePose;
  /** Mean of what is left at the sightings that count, pixels. */
  readonly error: number;
}

/** Beyond so many standard deviations a sighting does not count. */
const TUKEY = 4.2;

/**
 * The pose from which the sightings are seen best: Levenberg and Marquardt on the weighted reprojection error, with Tukey's weights on the
 * scale of the median residual. Residuals are left in the sightings.
 */
export const fitPose = (
  start: PlanePose,
  sightings: readonly Sighting[],
  camera: Camera,
  { floor, rounds = 6, hold = 0 }: FitOptions,
): Fitted => {
  const count = sightings.length;
  const residuals = new Float64Array(count);
  const off = (pose: PlanePose): void => {
    const h = homographyOf(pose, camera);
    for (let i = 0; i < count; i++) {
      const { x, y, u, v, a, b, c } = sightings[i];
      const w = 1 / (h[6] * x + h[7] * y + h[8]);
      const ru = u - (h[0] * x + h[1] * y + h[2]) * w;
      const rv = v - (h[3] * x + h[4] * y + h[5]) * w;
      residuals[i] = Math.sqrt(Math.max(0, a * ru * ru + 2 * b * ru * rv + c * rv * rv));
    }
  };
  const costAt = (limit: number): number => {
    let sum = 0;
    for (let i = 0; i < count; i++) {
      const q = Math.min(1, (residuals[i] * residuals[i]) / limit);
      sum += 1 - (1 - q) ** 3;
    }
    return sum / count;
  };
  const turnHold = hold / 0.0036;
  const moveHold = hold / (0.0025 * start.position[2] * start.position[2]);
  const holds = [turnHold, turnHold, turnHold, moveHold, moveHold, moveHold];
  const drifted = new Float64Array(6);
  let [pose, sigma, damping] = [start, floor, 1e-4];
  off(pose);
  for (let round = 0; round < rounds; round++) {
    if (round < 4) sigma = Math.max(floor, 1.4826 * Float64Array.from(residuals).sort()[count >> 1]);
    const limit = (TUKEY * sigma) ** 2;
    const before = costAt(limit);
    const a = new Float64Array(36);
    const g = new Float64Array(6);
    for (let i = 0; i < count; i++) {
      const q = Math.min(1, (residuals[i] * residuals[i]) / limit);
      const weight = (1 - q) * (1 - q);
      if (weight === 0) continue;
      const s = sightings[i];
      const { u, v, alongU, alongV } = slopesAt(pose, s.x, s.y, camera.focal);
      const ru = s.u - u - camera.cx;
      const rv = s.v - v - camera.cy;
      const eu = s.a * ru + s.b * rv;
      const ev = s.b * ru + s.c * rv;
      for (let m = 0; m < 6; m++) {
        g[m] += weight * (alongU[m] * eu + alongV[m] * ev);
        const ga = s.a * alongU[m] + s.b * alongV[m];
        const gb = s.b * alongU[m] + s.c * alongV[m];
        for (let n = 0; n <= m; n++) a[6 * m + n] += weight * (ga * alongU[n] + gb * alongV[n]);
      }
    }
    for (let m = 0; m < 6; m++) {
      for (let n = m + 1; n < 6; n++) a[6 * m + n] = a[6 * n + m];
      a[7 * m] += holds[m];
      g[m] -= holds[m] * drifted[m];
    }
    let done = true;
    for (let attempt = 0; attempt < 4; attempt++) {
      const m = a.slice();
      const step = g.slice();
      for (let i = 0; i < 6; i++) m[7 * i] = m[7 * i] * (1 + damping) + 1e-9;
      if (!solveLinear(m, step, 6)) {
        damping *= 10;
        continue;
      }
      const next = moved(pose, step);
      if (next.position[2] <= 0.01) {
        damping *= 10;
        continue;
      }
      off(next);
      const after = costAt(limit);
      if (after <= before + 1e-12 || (hold > 0 && after < before + 1e-3)) {
        pose = next;
        for (let i = 0; i < 6; i++) drifted[i] += step[i];
        damping = Math.max(1e-7, damping / 10);
        done = before - after < 1e-7 && round >= 4;
        break;
      }
      damping *= 10;
      off(pose);
    }
    if (done) break;
  }
  let [counted, sum] = [0, 0];
  for (let i = 0; i < count; i++) {
    sightings[i].residual = residuals[i];
    if (residuals[i] >= TUKEY * sigma) continue;
    sum += residuals[i];
    counted++;
  }
  return { pose, error: counted > 0 ? sum / counted : Infinity };
};

/** The corners of a picture that is `aspect` times as high as it is wide. */
export const cornersOf = (aspect: number): readonly (readonly [number, number])[] => [
  [-0.5, -aspect / 2],
  [0.5, -aspect / 2],
  [0.5, aspect / 2],
  [-0.5, aspect / 2],
];

/** Sightings that are farther off than this, in pixels, tell nothing of how sure a pose is. */
const COUNTED = 1.6;

/**
 * How far off the worst corner of the picture is to be expected, one standard deviation in pixels, by the information of the sightings.
 * Large where the pose is ill-conditioned: few places, or all on one side.
 */
export const cornerSigma = (
  pose: PlanePose,
  sightings: readonly Sighting[],
  camera: Camera,
  aspect: number,
): number => {
  const information = new Float64Array(36);
  let [squares, counted] = [0, 0];
  for (const s of sightings) {
    if (s.residual > COUNTED) continue;
    const { alongU, alongV } = slopesAt(pose, s.x, s.y, camera.focal);
    squares += s.residual * s.residual;
    counted++;
    for (let m = 0; m < 6; m++) {
      const ga = s.a * alongU[m] + s.b * alongV[m];
      const gb = s.b * alongU[m] + s.c * alongV[m];
      for (let n = 0; n < 6; n++) information[6 * m + n] += ga * alongU[n] + gb * alongV[n];
    }
  }
  if (counted < 6) return Infinity;
  for (let m = 0; m < 6; m++) information[7 * m] *= 1 + 1e-9;
  const sigma = Math.max(0.1, Math.sqrt(squares / counted));
  let worst = 0;
  for (const [x, y] of cornersOf(aspect)) {
    const { alongU, alongV } = slopesAt(pose, x, y, camera.focal);
    let variance = 0;
    for (const along of [alongU, alongV]) {
      const solved = Float64Array.from(along);
      if (!solveLinear(information.slice(), solved, 6)) return Infinity;
      for (let m = 0; m < 6; m++) variance += along[m] * solved[m];
    }
    worst = Math.max(worst, variance);
  }
  return sigma * Math.sqrt(worst);
};
