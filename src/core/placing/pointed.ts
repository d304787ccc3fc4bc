/** What somebody points at in the camera picture, of the things that objects stick to. */
import type { Anchor } from '../document/schema';
import { handAnchor, headAnchor } from '../kinds/objects/placed';
import { fromPose, type Matrix } from '../maths/matrix';
import { intersectEllipsoid, intersectPlane, pointOn, transformRay, type Ray } from '../maths/ray';
import type { Vec3 } from '../maths/vec3';
import type { PicturePoint } from '../program/inputs';
import type { TrackedSurface } from '../tracking/track-frame';
import { handPoint, palmLength } from '../hand/points';
import { surfacePose, type Here } from './anchors';
import { headFactor } from '../face/head-factor';
import { facesBySlot } from './presence';
import { rayFor, viewOf } from './touch';

export interface Pointed {
  readonly anchor: Anchor;
  /** Where on it, in the anchor's space, metres; null where it has a place of its own for things. */
  readonly at: Vec3 | null;
}

/** Around the head of a usual face: centre and half axes, head space, metres. */
const HEAD = { centre: [0, 0.02, 0] as Vec3, half: [0.085, 0.125, 0.1] as Vec3 };

interface Met extends Pointed {
  /** Along the ray. */
  readonly far: number;
}

/** Where the ray meets a plane of the anchor's space, if within `half` of its origin. */
const meetFlat = (
  ray: Ray,
  matrix: Matrix,
  axes: readonly [number, number],
  half: readonly [number, number],
): { readonly at: Vec3; readonly far: number } | null => {
  const local = transformRay(matrix, ray);
  if (!local) return null;
  const normal: Vec3 = axes[1] === 2 ? [0, 1, 0] : [0, 0, 1];
  const far = intersectPlane(local, [0, 0, 0], normal);
  if (far === null) return null;
  const at = pointOn(local, far);
  return axes.every((axis, k) => Math.abs(at[axis]!) <= half[k]!) ? { at, far } : null;
};

const FLOOR = [0, 2] as const;
const UPRIGHT = [0, 1] as const;

const meetSurface = (ray: Ray, { presence }: Here, { kind, pose, extent }: TrackedSurface): Met | null => {
  const axes = kind === 'wall' ? UPRIGHT : FLOOR;
  // Where things stand on it is counted from where it was found first.
  const matrix = fromPose(surfacePose(kind, presence.surfaces[kind] ?? pose));
  const met = meetFlat(ray, matrix, axes, [extent[0] / 2, extent[1] / 2]);
  return met && { ...met, anchor: { kind: 'world', surface: kind } };
};

/** As far to each side as things are looked for on a ground without an edge. */
const FAR = 20;
/**
 * Where a ray meets the ground that things stand or lie on, in the anchor's space; `matrix` is where the anchor is. Null for anchors that are
 * no ground (heads, the screen), and where the ray misses it.
 */
export const spotOn = (ray: Ray, matrix: Matrix, anchor: Anchor): Vec3 | null => {
  if (anchor.kind !== 'world' && anchor.kind !== 'picture') return null;
  const axes = anchor.kind === 'world' && anchor.surface !== 'wall' ? FLOOR : UPRIGHT;
  return meetFlat(ray, matrix, axes, [FAR, FAR])?.at ?? null;
};

/**
 * What a point of the picture (0..1 from the top left) shows: a face, a hand, a printed picture of the effect that is seen, a floor, table or
 * wall; of several the nearest. Null where it is none of them.
 */
export const pointedAt = (here: Here, point: PicturePoint): Pointed | null => {
  const { frame, presence, targets } = here;
  const ray = rayFor('space', frame, viewOf(frame), point);
  const met: Met[] = frame.surfaces.flatMap((surface) => meetSurface(ray, here, surface) ?? []);
  for (const { id, width } of targets) {
    const found = presence.pictures[id];
    if (!found?.seen) continue;
    const flat = meetFlat(ray, fromPose(found.pose), UPRIGHT, [width / 2, found.height / 2]);
    if (flat) met.push({ ...flat, anchor: { kind: 'picture', target: id } });
  }
  facesBySlot(presence, frame).forEach((face, slot) => {
    const local = face && transformRay(fromPose(face.pose), ray);
    if (!face || !local) return;
    const k = headFactor(face.landmarks);
    const half: Vec3 = [HEAD.half[0] * k, HEAD.half[1] * k, HEAD.half[2] * k];
    const far = intersectEllipsoid(local, HEAD.centre, half);
    if (far !== null) met.push({ far, anchor: headAnchor('forehead', slot + 1), at: null });
  });
  for (const { landmarks, pose } of frame.hands) {
    const local = transformRay(fromPose(pose), ray);
    const size = palmLength(landmarks);
    // A hand that is turned sideways is as thick as its palm is.
    const far =
      local &&
      intersectEllipsoid(local, handPoint(landmarks, 'palm').position, [0.55 * size, 1.1 * size, 0.3 * size]);
    if (far !== null) met.push({ far, anchor: handAnchor('palm'), at: null });
  }
  const [nearest] = met.sort((a, b) => a.far - b.far);
  return nearest ? { anchor: nearest.anchor, at: nearest.at } : null;
};
