/** Which part of a face a point of the picture shows, and where in the picture it lies. */
import { EYE_LEFT, EYE_RIGHT, OUTER_LIP_LOWER, OUTER_LIP_UPPER, OVAL } from '../face/landmarks';
import { toOuter } from '../maths/pose';
import { pointAt } from '../maths/vec3';
import type { PicturePoint, View } from '../program/inputs';
import { projectPoint } from '../tracking/project';
import type { TrackedFace, TrackFrame } from '../tracking/track-frame';

/** 0..1 from the top left of the picture. */
export interface PictureBox {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Parts in the order in which they are asked: how far from one a point still means it, and how much around it is shown; of its size. */
const PARTS = [
  { points: EYE_LEFT, near: 0.4, around: 0.9 },
  { points: EYE_RIGHT, near: 0.4, around: 0.9 },
  { points: [...OUTER_LIP_UPPER, ...OUTER_LIP_LOWER], near: 0.2, around: 0.5 },
  { points: OVAL, near: 0.1, around: 0.12 },
] as const;

const boxAround = (
  { camera }: TrackFrame,
  { fovY, aspect }: View,
  face: TrackedFace,
  points: readonly number[],
): PictureBox | null => {
  const seen = points.map((i) =>
    projectPoint(camera, fovY, aspect, toOuter(face.pose, pointAt(face.landmarks, i))),
  );
  if (seen.some((p) => p === null)) return null;
  const [xs, ys] = [0, 1].map((k) => seen.map((p) => p![k]!)) as [number[], number[]];
  return { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
};
/** Grown by a share of its longer side, as it is seen, on all sides. */
const grown = (box: PictureBox, by: number, aspect: number): PictureBox => {
  const longest = Math.max((box.right - box.left) * aspect, box.bottom - box.top);
  const [x, y] = [(longest * by) / aspect, longest * by];
  return { left: box.left - x, top: box.top - y, right: box.right + x, bottom: box.bottom + y };
};
const holds = ({ left, top, right, bottom }: PictureBox, { x, y }: PicturePoint): boolean =>
  x >= left && x <= right && y >= top && y <= bottom;

/** An eye, the mouth or a face that is under a point of the picture, with room around it; null where there is none. */
export const facePartAt = (frame: TrackFrame, view: View, point: PicturePoint): PictureBox | null => {
  for (const { points, near, around } of PARTS)
    for (const face of frame.faces) {
      const box = boxAround(frame, view, face, points);
      if (box && holds(grown(box, near, view.aspect), point)) return grown(box, around, view.aspect);
    }
  return null;
};
