/**
 * The room around a viewer: what of it an effect stands on, whether it is measured by the device or assumed. Things follow what the camera points at until the
 * viewer taps; then they stay.
 */
import { SURFACE_KINDS, type SurfaceKind } from '../document/schema';
import { groundDepth } from '../kinds/objects/resting';
import { fromAxisAngle, multiplyQuaternions, rotate } from '../maths/quaternion';
import { add, type Vec3 } from '../maths/vec3';
import type { PicturePoint, View } from '../program/inputs';
import type { TrackedSurface } from '../tracking/track-frame';
import type { Metres } from '../units';

/** Nothing of it in sight yet; it follows the camera; it stays. */
export type RoomState = 'seeking' | 'placing' | 'placed';

/** What a viewer does with it. */
export interface Room {
  readonly state: RoomState;
  /** The device knows how far things are; else the viewer says so, by the reach. */
  readonly isMeasured: boolean;
  /** How high or how far surfaces are, over the usual; always 1 where that is measured. */
  readonly reach: number;
  /** Another height, or distance; what was placed follows the camera again. */
  setReach(reach: number): void;
  /** What was placed follows the camera again. */
  placeAgain(): void;
  /** Puts it down where the viewer taps; false when it lies already, or there is nothing to put it on there. */
  tap(point: PicturePoint, view: View): boolean;
}

/** What surfaces are as large as. */
const EXTENT: readonly [Metres, Metres] = [6, 6];
const UPRIGHT = fromAxisAngle([1, 0, 0], 90);

/**
 * A surface on which things stand, or hang, at a point of the world, and look a way (its part along the level counts): to the viewer from a floor or a table, out of
 * a wall.
 */
export const surfaceAt = (kind: SurfaceKind, at: Vec3, towards: Vec3): TrackedSurface => {
  const heading = fromAxisAngle([0, 1, 0], (Math.atan2(towards[0], towards[2]) * 180) / Math.PI);
  const id = 1 + SURFACE_KINDS.indexOf(kind);
  if (kind === 'wall')
    return {
      id,
      kind,
      pose: { position: at, rotation: multiplyQuaternions(heading, UPRIGHT) },
      extent: EXTENT,
    };
  // Things rest before the origin of a floor: the origin goes back by as much, so that they stand at the point.
  const back = rotate(heading, [0, 0, -groundDepth({ kind: 'world', surface: kind })]);
  return { id, kind, pose: { position: add(at, back), rotation: heading }, extent: EXTENT };
};
