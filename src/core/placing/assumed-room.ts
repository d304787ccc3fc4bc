/**
 * A room around a viewer whose device says how it is held, but not where it is: a floor at the height it is held over it, a table, a wall an arm's reach and
 * more away. What stands there follows what the camera points at until the viewer taps; then it stays.
 */
import type { SurfaceKind } from '../document/schema';
import { IDENTITY, type Quaternion } from '../maths/quaternion';
import type { Pose } from '../maths/pose';
import { add, normalise, scale, type Vec3 } from '../maths/vec3';
import { rayThrough } from '../maths/ray';
import type { PicturePoint, View } from '../program/inputs';
import { seenThrough } from '../tracking/through-camera';
import type { TrackFrame, TrackedSurface } from '../tracking/track-frame';
import type { Metres } from '../units';
import { surfaceAt, type Room, type RoomState } from './room';

/** How high a device is held over a floor or a table, how far from a wall; the viewer can change it. */
export const USUAL_REACH: Readonly<Record<SurfaceKind, Metres>> = { floor: 1.4, table: 0.45, wall: 1.5 };
export const LEAST_REACH = 0.5;
export const MOST_REACH = 2;

/** Things are put down no farther than this on the level, in reaches; a floor that is nearly seen from its edge ends there. */
const FARTHEST = 3.2;
/** And no nearer: straight below nobody sees what they put down. */
const NEAREST = 0.15;

/** The middle of a view is the same in every view. */
const MIDDLE: PicturePoint = { x: 0.5, y: 0.5 };
const NARROW: View = { fovY: 1, aspect: 1 };

export class AssumedRoom implements Room {
  readonly isMeasured = false;
  private rotation: Quaternion = IDENTITY;
  private held = true;
  private surfaces: readonly TrackedSurface[] = [];
  private reaches = 1;

  /** `kinds` are the surfaces that the effect needs. */
  constructor(private readonly kinds: readonly SurfaceKind[]) {}

  /** How the camera is turned now; the world's up is +Y. */
  turn(rotation: Quaternion): void {
    this.rotation = rotation;
    if (this.held && !this.follow(MIDDLE, NARROW)) this.surfaces = [];
  }

  get state(): RoomState {
    return this.surfaces.length === 0 ? 'seeking' : this.held ? 'placing' : 'placed';
  }

  /** How high or how far, over the usual. */
  get reach(): number {
    return this.reaches;
  }
  /** Another height, or distance: what was placed is placed anew. */
  setReach(reach: number): void {
    this.reaches = Math.min(MOST_REACH, Math.max(LEAST_REACH, reach));
    this.placeAgain();
  }

  /** What was placed follows the camera again. */
  placeAgain(): void {
    this.held = true;
    this.surfaces = [];
    this.turn(this.rotation);
  }

  /** Puts it down where the viewer taps; false when it lies already, or there is nothing to put it on there. */
  tap(point: PicturePoint, view: View): boolean {
    if (!this.held) return false;
    if (!this.follow(point, view)) return false;
    this.held = false;
    return true;
  }

  /** What a camera in this room sees: all that trackers found of its picture, where the device is, and the room. */
  frame(seen: TrackFrame): TrackFrame {
    const pose: Pose = { position: [0, 0, 0], rotation: this.rotation };
    return {
      ...seen,
      ...seenThrough(seen, pose),
      camera: { ...seen.camera, pose },
      surfaces: this.surfaces,
    };
  }

  /** Lets the room begin where a point of the picture shows it; nothing changes where it shows none. */
  private follow(point: PicturePoint, { fovY, aspect }: View): boolean {
    const camera = { pose: { position: [0, 0, 0] as Vec3, rotation: this.rotation } };
    const { along } = rayThrough(camera, fovY, aspect, point.x, point.y);
    const found = this.kinds.flatMap((kind) => this.surfaceAlong(kind, along) ?? []);
    if (found.length < this.kinds.length) return false;
    this.surfaces = found;
    return true;
  }

  private surfaceAlong(kind: SurfaceKind, along: Vec3): TrackedSurface | null {
    const reach = USUAL_REACH[kind] * this.reaches;
    const level = Math.hypot(along[0], along[2]);
    if (level < 1e-6) return null;
    if (kind === 'wall') {
      // Things hang at the height that is pointed at, if that is nearly before the viewer.
      if (Math.abs(along[1]) > level) return null;
      return surfaceAt(kind, scale(along, reach / level), scale(along, -1));
    }
    if (along[1] >= 0) return null;
    const far = (reach * level) / -along[1];
    if (far > FARTHEST * reach || far < NEAREST * reach) return null;
    const at = add(scale(normalise([along[0], 0, along[2]]), far), [0, -reach, 0]);
    return surfaceAt(kind, at, scale(along, -1));
  }
}
