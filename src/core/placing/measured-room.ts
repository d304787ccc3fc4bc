/**
 * A room that the device measures itself: it says where it is, and where what the middle of its picture points at lies and which way that faces. Things stand there until
 * the viewer taps, and stay where the device holds them for good.
 */
import type { SurfaceKind } from '../document/schema';
import { ORIGIN, type Pose } from '../maths/pose';
import { rotate } from '../maths/quaternion';
import { intersectPlane, pointOn, rayThrough } from '../maths/ray';
import { subtract, type Vec3 } from '../maths/vec3';
import type { PicturePoint, View } from '../program/inputs';
import type { TrackedSurface } from '../tracking/track-frame';
import type { Metres } from '../units';
import { surfaceAt, type Room, type RoomState } from './room';

/** How far upward what is level faces, and how little of that a wall does: within 25 degrees of either. */
const LEVEL = Math.cos((25 * Math.PI) / 180);
const UPRIGHT = Math.sin((25 * Math.PI) / 180);
/** What is level and as much higher than the lowest that was seen is a table, where an effect has both. */
const TABLE: Metres = 0.3;

/** Where a ray meets something, and which way that faces there. */
interface Spot {
  readonly at: Vec3;
  readonly normal: Vec3;
}

export class MeasuredRoom implements Room {
  readonly isMeasured = true;
  readonly reach = 1;
  private held = true;
  private camera: Pose = ORIGIN;
  private lowest: Metres = Infinity;
  /** The newest spot of each kind. */
  private readonly spots = new Map<SurfaceKind, Spot>();
  private surfaces: readonly TrackedSurface[] = [];

  /** `kinds` are the surfaces that the effect needs. */
  constructor(private readonly kinds: readonly SurfaceKind[]) {}

  get state(): RoomState {
    return this.surfaces.length === 0 ? 'seeking' : this.held ? 'placing' : 'placed';
  }
  /** Where things are now. */
  get seen(): readonly TrackedSurface[] {
    return this.surfaces;
  }

  /**
   * Where the camera is, and what the middle of its picture points at: a pose whose +Y faces away from the surface, null where the device finds none. Once things are
   * placed nothing of that moves them.
   */
  look(camera: Pose, hit: Pose | null): void {
    this.camera = camera;
    if (!this.held) return;
    if (hit) this.keep({ at: hit.position, normal: rotate(hit.rotation, [0, 1, 0]) });
    // Of one surface there has to be a hit now; of several the viewer looks from one to the other.
    else if (this.kinds.length === 1) this.spots.clear();
    this.lay();
  }

  /** A placed surface was moved by the device, which knows better now where it is. */
  move(id: number, pose: Pose): void {
    this.surfaces = this.surfaces.map((surface) => (surface.id === id ? { ...surface, pose } : surface));
  }

  /** There is nothing to say: it is measured. */
  setReach(): void {}

  placeAgain(): void {
    this.held = true;
    this.spots.clear();
    this.surfaces = [];
  }

  tap({ x, y }: PicturePoint, { fovY, aspect }: View): boolean {
    if (!this.held || this.surfaces.length === 0) return false;
    const ray = rayThrough({ pose: this.camera }, fovY, aspect, x, y);
    // On one surface it goes where the tap is; several stay where the viewer has seen them stand.
    const [kind] = this.kinds;
    const spot = this.kinds.length === 1 ? this.spots.get(kind!) : undefined;
    if (spot) {
      const t = intersectPlane(ray, spot.at, spot.normal);
      if (t === null) return false;
      this.spots.set(kind!, { ...spot, at: pointOn(ray, t) });
      this.lay();
    }
    this.held = false;
    return true;
  }

  private keep(spot: Spot): void {
    const up = spot.normal[1];
    if (up > LEVEL) this.lowest = Math.min(this.lowest, spot.at[1]);
    for (const kind of this.kinds) if (this.fits(kind, spot.at, up)) this.spots.set(kind, spot);
  }

  private fits(kind: SurfaceKind, at: Vec3, up: number): boolean {
    if (kind === 'wall') return Math.abs(up) < UPRIGHT;
    if (up < LEVEL) return false;
    const both = this.kinds.includes('floor') && this.kinds.includes('table');
    return !both || (kind === 'table') === at[1] - this.lowest > TABLE;
  }

  private lay(): void {
    const found = this.kinds.flatMap((kind) => {
      const spot = this.spots.get(kind);
      if (!spot) return [];
      const towards = kind === 'wall' ? spot.normal : subtract(this.camera.position, spot.at);
      return [surfaceAt(kind, spot.at, towards)];
    });
    this.surfaces = found.length < this.kinds.length ? [] : found;
  }
}
