/** Where an object lies on the screen at an instant: the smallest upright rectangle around its box. */
import type { Program } from '../program/program';
import type { View } from '../program/inputs';
import { corners } from '../maths/box';
import { transformPoint } from '../maths/matrix';
import { projectPoint } from '../tracking/project';
import type { TrackFrame } from '../tracking/track-frame';
import { SCREEN_HEIGHT } from './anchors';
import { boxOf } from './bounds';
import type { ObjectPlaces } from './places';

/** In shares of the picture, from its top left. */
export interface ScreenRect {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Around object `i` at all of its places; null where it is nowhere, has no box, or is behind the camera. */
export const screenRect = (
  program: Program,
  i: number,
  { places, layering }: ObjectPlaces,
  frame: TrackFrame,
  { fovY, aspect }: View,
): ScreenRect | null => {
  const box = boxOf(program.effect, program.objects[i]!);
  if (!box) return null;
  const points = places.flatMap(({ matrix }) =>
    corners(box).map((corner) => {
      const at = transformPoint(matrix, corner);
      return layering === 'space'
        ? projectPoint(frame.camera, fovY, aspect, at)
        : ([0.5 + at[0] / (SCREEN_HEIGHT * aspect), 0.5 - at[1] / SCREEN_HEIGHT] as const);
    }),
  );
  if (points.length === 0 || points.some((p) => p === null)) return null;
  const xs = points.map((p) => p![0]);
  const ys = points.map((p) => p![1]);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
};
