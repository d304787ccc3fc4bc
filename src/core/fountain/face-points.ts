/** Where on a face particles are born, and what they bounce off. */
import type { FaceArea } from '../document/schema';
import { INNER_LIP_LOWER, INNER_LIP_UPPER } from '../face/landmarks';
import { regionWeights } from '../face/morph/moves';
import { NEUTRAL_FACE, OPEN_TRIANGLES, OPENING_TRIANGLES } from '../face/neutral';
import type { FaceRegion } from '../face/region-names';
import { pcg3d } from '../maths/hash';
import { invertMatrix, composeMatrix, fromPose, multiplyMatrices, type Matrix } from '../maths/matrix';
import { IDENTITY } from '../maths/quaternion';
import { cross, length, pointAt, subtract, type Vec3 } from '../maths/vec3';
import { headFactor } from '../face/head-factor';
import type { TrackedFace } from '../tracking/track-frame';

const REGIONS: Readonly<Record<Exclude<FaceArea, 'mouth'>, readonly FaceRegion[] | null>> = {
  face: null,
  lips: ['lips'],
  eyes: ['lids'],
  cheeks: ['cheeks'],
  brow: ['forehead'],
};
const SAMPLES = 256;

/** Corners of a triangle of the face and the shares of each: a point that moves with it. */
interface Sample {
  readonly corners: readonly [number, number, number];
  readonly shares: Vec3;
}

const MOUTH: ReadonlySet<number> = new Set([...INNER_LIP_UPPER, ...INNER_LIP_LOWER]);

const trianglesOf = (part: FaceArea): readonly number[] => {
  if (part === 'mouth') {
    const kept: number[] = [];
    for (let t = 0; t < OPENING_TRIANGLES.length; t += 3) {
      const corners = OPENING_TRIANGLES.slice(t, t + 3);
      if (corners.every((c) => MOUTH.has(c))) kept.push(...corners);
    }
    return kept;
  }
  const regions = REGIONS[part];
  if (!regions) return OPEN_TRIANGLES;
  const weights = regionWeights(regions, 0.01);
  const kept: number[] = [];
  for (let t = 0; t < OPEN_TRIANGLES.length; t += 3) {
    const corners = OPEN_TRIANGLES.slice(t, t + 3);
    // Some regions are hardly larger than the triangles: what touches them belongs to them.
    if (corners.some((c) => weights[c]! > 0.4)) kept.push(...corners);
  }
  return kept;
};

const samplesOf = (part: FaceArea): readonly Sample[] => {
  const triangles = trianglesOf(part);
  const sums: number[] = [];
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => pointAt(NEUTRAL_FACE, triangles[t + k]!)) as [Vec3, Vec3, Vec3];
    // The closed mouth has no area of its own to speak of: each of its triangles counts the same.
    sum += part === 'mouth' ? 1 : length(cross(subtract(b, a), subtract(c, a)));
    sums.push(sum);
  }
  return Array.from({ length: triangles.length > 0 ? SAMPLES : 0 }, (_, n): Sample => {
    const [r, s, t] = pcg3d(n, 0xface, 3).map((x) => x / 4294967296) as [number, number, number];
    const at =
      3 *
      Math.max(
        0,
        sums.findIndex((x) => x >= r * sum),
      );
    const root = Math.sqrt(s);
    return {
      corners: [triangles[at]!, triangles[at + 1]!, triangles[at + 2]!],
      shares: [1 - root, root * (1 - t), root * t],
    };
  });
};

const KEPT = new Map<FaceArea, readonly Sample[]>();

/** Points all over a part of the face as it is now, x, y, z one after the other, in head space. */
export const facePoints = (landmarks: ArrayLike<number>, part: FaceArea): Float32Array => {
  let samples = KEPT.get(part);
  if (!samples) KEPT.set(part, (samples = samplesOf(part)));
  const out = new Float32Array(3 * samples.length);
  samples.forEach(({ corners, shares }, n) => {
    for (let axis = 0; axis < 3; axis++)
      out[3 * n + axis] =
        shares[0] * landmarks[3 * corners[0] + axis]! +
        shares[1] * landmarks[3 * corners[1] + axis]! +
        shares[2] * landmarks[3 * corners[2] + axis]!;
  });
  return out;
};

/** Half the width, height and depth of a usual head, and its middle from the origin between the ears, metres. */
const HALF: Vec3 = [0.078, 0.108, 0.09];
const MIDDLE: Vec3 = [0, 0.012, -0.02];

/** What particles bounce off: a ball of radius 1 in its own space. */
export interface Ball {
  readonly matrix: Matrix;
  readonly into: Matrix;
}

/** The head as an ellipsoid. */
export const headBall = (face: TrackedFace): Ball | null => {
  const k = headFactor(face.landmarks);
  const matrix = multiplyMatrices(
    fromPose(face.pose),
    composeMatrix([MIDDLE[0] * k, MIDDLE[1] * k, MIDDLE[2] * k], IDENTITY, [
      HALF[0] * k,
      HALF[1] * k,
      HALF[2] * k,
    ]),
  );
  const into = invertMatrix(matrix);
  return into && { matrix, into };
};
