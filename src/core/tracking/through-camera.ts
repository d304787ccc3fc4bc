/** Trackers see a picture from a camera at rest; where the camera is, is known from elsewhere. */
import { composePoses, type Pose } from '../maths/pose';
import type { TrackFrame } from './track-frame';

/** All that a tracker found, in the world that the camera is in. */
export const seenThrough = (
  { faces, hands, pictures }: Pick<TrackFrame, 'faces' | 'hands' | 'pictures'>,
  camera: Pose,
): Pick<TrackFrame, 'faces' | 'hands' | 'pictures'> => {
  const placed = <Thing extends { readonly pose: Pose }>(things: readonly Thing[]): Thing[] =>
    things.map((thing) => ({ ...thing, pose: composePoses(camera, thing.pose) }));
  return { faces: placed(faces), hands: placed(hands), pictures: placed(pictures) };
};
