/** Where faces are in the picture. */
import { Vector3, Vector4, type PerspectiveCamera } from 'three';
import { toOuter } from '../../core/maths/pose';
import { pointAt } from '../../core/maths/vec3';
import type { TrackedFace } from '../../core/tracking/track-frame';

/** Around a face, in shares of its own size: lashes, what is painted past the hairline, what a face grows while it is drawn. */
const MARGIN = 0.25;

/**
 * What holds all faces with what they wear, in pixels of a picture of `width` x `height` from the lower left: x, y, width, height. Faces count as they are and as
 * they are drawn out. The whole picture when a part of a face is not before the camera; null when there are no faces.
 */
export const facesArea = (
  faces: readonly TrackedFace[],
  camera: PerspectiveCamera,
  width: number,
  height: number,
): Vector4 | null => {
  if (faces.length === 0) return null;
  const point = new Vector3();
  let [left, low, right, high] = [1, 1, -1, -1];
  for (const { pose, landmarks, unmorphed } of faces) {
    let [l, b, r, t] = [Infinity, Infinity, -Infinity, -Infinity];
    for (const points of unmorphed ? [landmarks, unmorphed] : [landmarks])
      for (let i = 0; 3 * i < points.length; i++) {
        point.set(...toOuter(pose, pointAt(points, i))).applyMatrix4(camera.matrixWorldInverse);
        if (point.z > -camera.near) return new Vector4(0, 0, width, height);
        point.applyMatrix4(camera.projectionMatrix);
        [l, b, r, t] = [
          Math.min(l, point.x),
          Math.min(b, point.y),
          Math.max(r, point.x),
          Math.max(t, point.y),
        ];
      }
    const [across, up] = [MARGIN * (r - l), MARGIN * (t - b)];
    [left, low] = [Math.min(left, l - across), Math.min(low, b - up)];
    [right, high] = [Math.max(right, r + across), Math.max(high, t + up)];
  }
  const pixel = (at: number, size: number): number => ((Math.min(1, Math.max(-1, at)) + 1) / 2) * size;
  const [x, y] = [Math.floor(pixel(left, width)), Math.floor(pixel(low, height))];
  return new Vector4(
    x,
    y,
    Math.max(0, Math.ceil(pixel(right, width)) - x),
    Math.max(0, Math.ceil(pixel(high, height)) - y),
  );
};
