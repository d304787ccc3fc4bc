/** A spot of the skin: a place on the face layout, found again on any face in any expression. */
import { clamp } from '../maths/scalar';
import { nearestBarycentric } from '../maths/triangle';
import type { Pose } from '../maths/pose';
import { quaternionFromAxes } from '../maths/matrix';
import { add, cross, dot, length, normalise, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import { TRIANGLES, UV } from './neutral';

/** A place on the face layout: from 0 to 1, from its top left. */
export type Spot = readonly [number, number];

interface OnTriangle {
  readonly corners: readonly [number, number, number];
  /** Shares of the three corners; they add up to 1. */
  readonly shares: Vec3;
}

/** Shares of the corners for a point of the plane; null for a triangle without area. */
const sharesAt = (p: Spot, a: Spot, b: Spot, c: Spot): Vec3 | null => {
  const area = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
  if (Math.abs(area) < 1e-12) return null;
  const u = ((b[0] - p[0]) * (c[1] - p[1]) - (c[0] - p[0]) * (b[1] - p[1])) / area;
  const v = ((c[0] - p[0]) * (a[1] - p[1]) - (a[0] - p[0]) * (c[1] - p[1])) / area;
  return [u, v, 1 - u - v];
};

const uvAt = (i: number): Spot => [UV[2 * i]!, UV[2 * i + 1]!];

const known = new Map<string, OnTriangle>();

/** The triangle of the face that a spot lies on; beside the face the nearest one. */
export const triangleAt = (spot: Spot): OnTriangle => {
  const key = `${spot[0]} ${spot[1]}`;
  const kept = known.get(key);
  if (kept) return kept;
  let best: OnTriangle | null = null;
  let least = Infinity;
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const corners = [TRIANGLES[t]!, TRIANGLES[t + 1]!, TRIANGLES[t + 2]!] as const;
    const [a, b, c] = corners.map(uvAt) as [Spot, Spot, Spot];
    const raw = sharesAt(spot, a, b, c);
    if (!raw) continue;
    const inside = raw.map((s) => clamp(s, 0, 1));
    const sum = inside[0]! + inside[1]! + inside[2]!;
    const shares = inside.map((s) => s / sum) as unknown as Vec3;
    const x = shares[0] * a[0] + shares[1] * b[0] + shares[2] * c[0] - spot[0];
    const y = shares[0] * a[1] + shares[1] * b[1] + shares[2] * c[1] - spot[1];
    const off = x * x + y * y;
    if (off < least) [best, least] = [{ corners, shares }, off];
    if (least < 1e-12) break;
  }
  // Dragging a spot over the face asks for many; what is asked for again is few.
  if (known.size > 2000) known.clear();
  known.set(key, best!);
  return best!;
};

/**
 * Where a spot is on a face, in head space: +Z out of the skin, +Y towards the crown. It goes with the skin as
 * mouth and cheeks move.
 */
export const spotOnFace = (landmarks: ArrayLike<number>, spot: Spot): Pose => {
  const { corners, shares } = triangleAt(spot);
  const [a, b, c] = corners.map((i) => pointAt(landmarks, i)) as [Vec3, Vec3, Vec3];
  const position = add(add(scale(a, shares[0]), scale(b, shares[1])), scale(c, shares[2]));
  let out = normalise(cross(subtract(b, a), subtract(c, a)));
  // The triangles of the face all look outwards, whichever way their corners run.
  if (dot(out, subtract(position, [0, 0, -0.02])) < 0) out = scale(out, -1);
  const up: Vec3 = Math.abs(out[1]) > 0.99 ? [0, 0, -1] : [0, 1, 0];
  const right = normalise(cross(up, out));
  if (length(right) === 0) return { position, rotation: [0, 0, 0, 1] };
  return { position, rotation: quaternionFromAxes(right, cross(out, right), out) };
};

/** The spot of the face layout at a point of the face in head space: of the corner points the nearest triangle. */
export const spotNear = (landmarks: ArrayLike<number>, point: Vec3): Spot => {
  let best: Spot = [0.5, 0.5];
  let least = Infinity;
  for (let t = 0; t < TRIANGLES.length; t += 3) {
    const corners = [TRIANGLES[t]!, TRIANGLES[t + 1]!, TRIANGLES[t + 2]!] as const;
    const [a, b, c] = corners.map((i) => pointAt(landmarks, i)) as [Vec3, Vec3, Vec3];
    const shares = nearestBarycentric(point, a, b, c);
    const on = add(add(scale(a, shares[0]), scale(b, shares[1])), scale(c, shares[2]));
    const off = length(subtract(on, point));
    if (off >= least) continue;
    least = off;
    const uv = corners.map(uvAt) as [Spot, Spot, Spot];
    best = [0, 1].map((k) => shares[0] * uv[0][k]! + shares[1] * uv[1][k]! + shares[2] * uv[2][k]!) as [
      number,
      number,
    ];
  }
  return best;
};
