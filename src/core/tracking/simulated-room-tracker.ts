/**
 * How a phone that measures the room would see a take: the truth, with the errors of visual-inertial tracking. Nothing is found before the phone has moved a little;
 * its scale is off and settles; what it has walked and turned adds up to a drift; everything trembles; a fast turn loses it, then only turns are known, and it comes back with a jump.
 * The sizes are chosen from the worse half of what is published (Delmerico and Scaramuzza, "A Benchmark Comparison of Monocular Visual-Inertial Odometry
 * Algorithms", 2018), not measured on a phone.
 */
import { composePoses, type Pose } from '../maths/pose';
import { Random } from '../maths/random';
import { angleBetween, fromAngles, fromAxisAngle, multiplyQuaternions } from '../maths/quaternion';
import { add, distance, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Degrees, Metres, Seconds } from '../units';
import type { TrackedSurface, TrackFrame } from './track-frame';

/** What is known of a room at a moment: nothing of it while `surfaces` are empty. */
export interface RoomSight {
  readonly camera: Pose;
  readonly surfaces: readonly TrackedSurface[];
}

/** Deviations, and where they settle. */
export const ROOM_ERRORS = {
  /** Of what is walked, and of what is turned about the upright axis. */
  drift: 0.01,
  turn: 0.005,
  /** Of all distances at first; a metre of walking leaves a third of it. */
  scale: 0.03,
  /** Of how high a surface is found to be, and how level; some seconds leave a third of it. */
  height: 0.012 as Metres,
  tilt: 0.8 as Degrees,
  settles: 3 as Seconds,
  /** From picture to picture. */
  tremble: 0.001 as Metres,
  shake: 0.05 as Degrees,
  /** After it was lost. */
  jump: 0.01 as Metres,
} as const;

/** Pictures a second. */
const RATE = 30;
/** What has to be walked or turned until a surface is found; who holds still long enough finds it too, by the unrest of a hand. */
const MOVED: Metres = 0.04;
const TURNED: Degrees = 5;
const AT_FIRST: Seconds = 0.5;
const AT_LAST: Seconds = 2.5;
/** Turned faster than this, pictures are too blurred; it has to be slower for a while. */
const BLURRED: Degrees = 120;
const STEADY: Seconds = 0.5;
/** The way that drift goes stays the same for so long. */
const BIAS: Seconds = 1;

type Truth = Pick<TrackFrame, 'camera' | 'surfaces'>;

export class SimulatedRoomTracker {
  private readonly random: Random;
  private readonly sights: RoomSight[] = [];
  private readonly begin: Truth;
  /** Drawn once. */
  private readonly scaleOff: number;
  private readonly gravityOff: readonly [Degrees, Degrees];
  /** Height, and turns about X and Z, in deviations. */
  private readonly surfacesOff = new Map<number, Vec3>();
  private before: Pose;
  private walked: Metres = 0;
  private turned: Degrees = 0;
  private drift: Vec3 = [0, 0, 0];
  private yaw: Degrees = 0;
  private bias: readonly [Vec3, number] = [[0, 0, 0], 0];
  private foundAt: Seconds | null = null;
  private steadyFor: Seconds = Infinity;
  private wasLost = false;
  /** Where it was last known to be; while it is lost only turns are known. */
  private held: Vec3;

  /** `truthAt` tells where camera and surfaces are, from 0 to `duration`. The same seed makes the same errors. */
  constructor(
    private readonly truthAt: (time: Seconds) => Truth,
    private readonly duration: Seconds,
    seed: number,
  ) {
    this.random = new Random(seed);
    this.begin = truthAt(0);
    this.before = this.begin.camera.pose;
    this.held = this.before.position;
    this.scaleOff = ROOM_ERRORS.scale * this.random.normal();
    this.gravityOff = [0.3 * this.random.normal(), 0.3 * this.random.normal()];
    for (const { id } of this.begin.surfaces) this.surfacesOff.set(id, this.three());
  }

  /** What is seen at a moment; loops past the end. Moments before it are worked out first, so the order of asking does not matter. */
  at(time: Seconds): RoomSight {
    const t = ((time % this.duration) + this.duration) % this.duration;
    const wanted = Math.floor(t * RATE + 1e-6);
    while (this.sights.length <= wanted) this.sights.push(this.step(this.sights.length / RATE));
    return this.sights[wanted]!;
  }

  private three(): Vec3 {
    return [this.random.normal(), this.random.normal(), this.random.normal()];
  }

  private step(time: Seconds): RoomSight {
    const { camera, surfaces } = this.truthAt(time);
    const { pose } = camera;
    const way = distance(pose.position, this.before.position);
    const turn = angleBetween(pose.rotation, this.before.rotation);
    this.before = pose;
    this.walked += way;
    this.turned += turn;
    if (Math.round(time * RATE) % Math.round(BIAS * RATE) === 0)
      this.bias = [scale(this.three(), 1 / Math.sqrt(3)), this.random.normal()];
    this.drift = add(this.drift, scale(this.bias[0], ROOM_ERRORS.drift * way));
    this.yaw += this.bias[1] * ROOM_ERRORS.turn * turn;
    this.steadyFor = turn * RATE > BLURRED ? 0 : this.steadyFor + 1 / RATE;
    const isLost = this.steadyFor < STEADY;
    if (this.wasLost && !isLost) this.drift = add(this.drift, scale(this.three(), ROOM_ERRORS.jump));
    this.wasLost = isLost;
    if (this.foundAt === null && !isLost && this.hasSeenEnough(time)) this.foundAt = time;

    const found = this.foundAt !== null && !isLost;
    return {
      camera: this.cameraAt(pose, isLost),
      surfaces: found ? surfaces.map((surface) => this.surfaceOff(surface, time - this.foundAt!)) : [],
    };
  }

  private hasSeenEnough(time: Seconds): boolean {
    const moved = this.walked >= MOVED || this.turned >= TURNED;
    return time >= AT_LAST || (time >= AT_FIRST && moved);
  }

  /** All distances are as much too long, from where it began. */
  private scaled(point: Vec3): Vec3 {
    const from = this.begin.camera.pose.position;
    const by = 1 + this.scaleOff * Math.exp(-this.walked);
    return add(from, scale(subtract(point, from), by));
  }

  private cameraAt({ position, rotation }: Pose, isLost: boolean): Pose {
    const [pitch, roll] = this.gravityOff;
    const shake = scale(this.three(), ROOM_ERRORS.shake);
    const off = multiplyQuaternions(
      fromAxisAngle([0, 1, 0], this.yaw),
      fromAngles([pitch + shake[0], shake[1], roll + shake[2]]),
    );
    const tremble = scale(this.three(), ROOM_ERRORS.tremble);
    if (!isLost) this.held = add(add(this.scaled(position), this.drift), tremble);
    return {
      position: this.held,
      rotation: multiplyQuaternions(off, rotation),
    };
  }

  /** Higher or lower than it is, and not quite level, the less so the longer it is seen. */
  private surfaceOff(surface: TrackedSurface, seen: Seconds): TrackedSurface {
    const errors = this.surfacesOff.get(surface.id);
    if (!errors) return surface;
    const left = 0.2 + 0.8 * Math.exp(-seen / ROOM_ERRORS.settles);
    const [height, aboutX, aboutZ] = errors;
    const at: Pose = { ...surface.pose, position: this.scaled(surface.pose.position) };
    const off: Pose = {
      position: [0, height * ROOM_ERRORS.height * left, 0],
      rotation: fromAngles([aboutX * ROOM_ERRORS.tilt * left, 0, aboutZ * ROOM_ERRORS.tilt * left]),
    };
    return { ...surface, pose: composePoses(at, off) };
  }
}
