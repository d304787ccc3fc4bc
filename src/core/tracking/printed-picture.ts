/** A printed picture as computer vision has seen it, as the effect is told of it. */
import { normaliseQuaternion, type Quaternion } from '../maths/quaternion';
import type { PictureSight } from '../vision/picture-search';
import type { TrackedPicture } from './track-frame';

/** The quaternion of a rotation by rows (Shepperd 1978: by the largest of its terms). */
const quaternionOf = (m: readonly number[]): Quaternion => {
  const [m00, m01, m02, m10, m11, m12, m20, m21, m22] = m as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const trace = m00 + m11 + m22;
  if (trace > 0) return normaliseQuaternion([m21 - m12, m02 - m20, m10 - m01, 1 + trace]);
  if (m00 > m11 && m00 > m22)
    return normaliseQuaternion([1 + m00 - m11 - m22, m01 + m10, m02 + m20, m21 - m12]);
  if (m11 > m22) return normaliseQuaternion([m01 + m10, 1 + m11 - m00 - m22, m12 + m21, m02 - m20]);
  return normaliseQuaternion([m02 + m20, m12 + m21, 1 + m22 - m00 - m11, m10 - m01]);
};

/** Computer vision looks along +z with y down; the world is seen along -Z with +Y up. The same turn on both sides of a rotation. */
const FLIP = [1, -1, -1] as const;

/**
 * `aspect` is height over width. How large it is printed nobody sees: its width is 1 metre, and its distance is in its widths. `id` is
 * which of the effect's targets it is, from 1.
 */
export const trackedPicture = (
  id: number,
  { pose, quality }: PictureSight,
  aspect: number,
): TrackedPicture => ({
  id,
  pose: {
    position: [pose.position[0]!, -pose.position[1]!, -pose.position[2]!],
    rotation: quaternionOf(pose.rotation.map((x, i) => x * FLIP[Math.floor(i / 3)]! * FLIP[i % 3]!)),
  },
  width: 1,
  height: aspect,
  confidence: Math.min(1, quality),
});
