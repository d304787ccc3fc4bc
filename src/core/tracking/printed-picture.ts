/** A printed picture as computer vision has seen it, as the effect is told of it. */
import { quaternionFromAxes } from '../maths/matrix';
import type { Vec3 } from '../maths/vec3';
import type { PictureSight } from '../vision/picture-search';
import type { TrackedPicture } from './track-frame';

/**
 * `id` is which of the effect's targets it is, from 1; `aspect` is height over width. How large it is printed nobody sees: its width is
 * 1 metre, and its distance is in its widths. Computer vision looks along +z with y down; the world is seen along -Z with +Y up, and so is
 * the picture's own space.
 */
export const trackedPicture = (
  id: number,
  { pose, quality }: PictureSight,
  aspect: number,
): TrackedPicture => {
  const { rotation: r, position } = pose;
  const column = (j: 0 | 1 | 2): Vec3 => {
    const [x, y, z] = [r[j]!, r[3 + j]!, r[6 + j]!];
    return j === 0 ? [x, -y, -z] : [-x, y, z];
  };
  return {
    id,
    pose: {
      position: [position[0]!, -position[1]!, -position[2]!],
      rotation: quaternionFromAxes(column(0), column(1), column(2)),
    },
    width: 1,
    height: aspect,
    confidence: Math.min(1, quality),
  };
};
