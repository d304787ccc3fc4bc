/** A part of a picture that is looked at alone: a face that is too small, or beside others, to be found in the whole. */
import { toOuter } from '../maths/pose';
import { clamp } from '../maths/scalar';
import { pointAt } from '../maths/vec3';
import type { Unit } from '../units';
import { projectPoint } from './project';
import type { CameraState, TrackedFace } from './track-frame';

/** Shares of the picture, from its top left. */
export interface Region {
  readonly x: Unit;
  readonly y: Unit;
  readonly width: Unit;
  readonly height: Unit;
}
/** A point of the picture, from its top left. */
export type PicturePlace = readonly [x: Unit, y: Unit];

/** Landmarks of a region (x, y, z one after the other; z in widths) as those of the whole picture; in place. */
export const fromRegion = (landmarks: Float32Array, { x, y, width, height }: Region): void => {
  for (let i = 0; i < landmarks.length; i += 3) {
    landmarks[i] = x + width * landmarks[i]!;
    landmarks[i + 1] = y + height * landmarks[i + 1]!;
    landmarks[i + 2] = width * landmarks[i + 2]!;
  }
};

/** The region around points of the picture, larger by a margin (in its own sizes) on each side, and within the picture. */
export const regionAround = (points: readonly PicturePlace[], margin: number): Region => {
  const [xs, ys] = [0, 1].map((k) => points.map((p) => p[k]!)) as [number[], number[]];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const [mx, my] = [margin * (right - left), margin * (bottom - top)];
  const [x, y] = [clamp(left - mx, 0, 1), clamp(top - my, 0, 1)];
  return { x, y, width: clamp(right + mx, 0, 1) - x, height: clamp(bottom + my, 0, 1) - y };
};

/** Where a face is seen; null for one that is not wholly before the camera. */
export const faceRegion = (face: TrackedFace, camera: CameraState, margin: number): Region | null => {
  const places: PicturePlace[] = [];
  for (let i = 0; i < 468; i++) {
    const at = projectPoint(
      camera,
      camera.fovY,
      camera.aspect,
      toOuter(face.pose, pointAt(face.landmarks, i)),
    );
    if (!at) return null;
    places.push(at);
  }
  return regionAround(places, margin);
};

/** Share of the smaller of two regions that lies in the other. */
export const regionOverlap = (a: Region, b: Region): Unit => {
  const along = (from: number, size: number, other: number, otherSize: number): number =>
    Math.max(0, Math.min(from + size, other + otherSize) - Math.max(from, other));
  const both = along(a.x, a.width, b.x, b.width) * along(a.y, a.height, b.y, b.height);
  const smaller = Math.min(a.width * a.height, b.width * b.height);
  return smaller > 0 ? both / smaller : 0;
};
