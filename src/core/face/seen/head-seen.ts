/** A tracked head as it is seen in a picture. */
import { toOuter } from '../../maths/pose';
import { pointAt, type Vec3 } from '../../maths/vec3';
import { projectPoint } from '../../tracking/project';
import type { TrackedFace, TrackFrame } from '../../tracking/track-frame';
import type { Degrees } from '../../units';
import { middleOfPoints, outlineFrom } from '../morph/outline';
import type { HeadSeen } from './hair-guess';
import { BROW_LEFT, BROW_RIGHT, OVAL } from '../landmarks';
import { TRIANGLES } from '../neutral';

const DIRECTIONS = 64;

/** The outline of a face in pixels from the lower left; null for one that is not wholly before the camera. */
export const headSeen = (
  face: TrackedFace,
  frame: Pick<TrackFrame, 'camera'>,
  fovY: Degrees,
  aspect: number,
  width: number,
  height: number,
): HeadSeen | null => {
  const landmarks = face.unmorphed ?? face.landmarks;
  const seenAt = (p: Vec3): [number, number] | null => {
    const at = projectPoint(frame.camera, fovY, aspect, toOuter(face.pose, p));
    return at && [at[0] * width, (1 - at[1]) * height];
  };
  const points: number[] = [];
  for (let i = 0; i < 468; i++) {
    const at = seenAt(pointAt(landmarks, i));
    if (!at) return null;
    points.push(...at);
  }
  const [top, chin] = [OVAL[0], 152].map((i) => [points[2 * i]!, points[2 * i + 1]!]) as [number[], number[]];
  const up = [top[0]! - chin[0]!, top[1]! - chin[1]!] as const;
  const long = Math.hypot(...up) || 1;
  return {
    outline: outlineFrom(middleOfPoints(points), points, TRIANGLES, DIRECTIONS),
    up: [up[0] / long, up[1] / long],
    brows: [BROW_RIGHT, BROW_LEFT].map((brow) =>
      brow.map((i) => [points[2 * i]!, points[2 * i + 1]!] as const),
    ),
  };
};
