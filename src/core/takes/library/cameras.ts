/** How the camera is held and moved. All paths close, so that takes loop. */
import type { Pose } from '../../maths/pose';
import { multiplyQuaternions, fromAngles, fromAxisAngle } from '../../maths/quaternion';
import { add, scale, type Vec3 } from '../../maths/vec3';
import type { Degrees, Unit } from '../../units';
import { curve, valueAt } from '../curve';
import { TABLE_AT } from './rooms';

export interface CameraPath {
  readonly id: string;
  readonly name: string;
  /** Of the upright picture, top to bottom. */
  readonly fovY: Degrees;
  /** At a share of the take, 0 to 1. */
  at(share: Unit): Pose;
}

/** A phone's front and rear camera held upright. */
export const FRONT_FOV_Y = 44;
export const REAR_FOV_Y = 60;
const HOME: Pose = { position: [0, 0, 0], rotation: [0, 0, 0, 1] };
const wave = (share: number, rounds: number, phase = 0) => Math.sin(2 * Math.PI * (rounds * share + phase));

/** The small unrest of a hand: turns a few tenths of a degree, moves a few millimetres. */
const held = (pose: Pose, share: Unit, much: number): Pose => ({
  position: add(pose.position, [
    0.002 * much * wave(share, 5),
    0.0025 * much * wave(share, 7, 0.2),
    0.002 * much * wave(share, 3, 0.6),
  ]),
  rotation: multiplyQuaternions(
    pose.rotation,
    fromAngles([
      0.5 * much * wave(share, 6, 0.1),
      0.45 * much * wave(share, 4, 0.4),
      0.4 * much * wave(share, 5, 0.7),
    ]),
  ),
});

/** Camera at `from` that looks at `to`, upright. */
const lookAt = (from: Vec3, to: Vec3): Pose => {
  const [dx, dy, dz] = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const yaw = (Math.atan2(-dx, -dz) * 180) / Math.PI;
  const pitch = (Math.atan2(dy, Math.hypot(dx, dz)) * 180) / Math.PI;
  return {
    position: from,
    rotation: multiplyQuaternions(fromAxisAngle([0, 1, 0], yaw), fromAxisAngle([1, 0, 0], pitch)),
  };
};

const there = curve('0:0 0.08:0 0.5:1 0.58:1 1:0');
/** Steps rock the camera up and down while it moves. */
const step = (share: number): number => 0.012 * Math.abs(wave(share, 8)) * Math.sin(Math.PI * share) ** 2;

export const CAMERAS: readonly CameraPath[] = [
  { id: 'front-still', name: 'Front camera, on a stand', fovY: FRONT_FOV_Y, at: () => HOME },
  {
    id: 'front-held',
    name: 'Front camera, in the hand',
    fovY: FRONT_FOV_Y,
    at: (share) => held(HOME, share, 1.6),
  },
  {
    id: 'rear-held',
    name: 'Rear camera, in the hand',
    fovY: REAR_FOV_Y,
    at: (share) => held(HOME, share, 1),
  },
  {
    id: 'walk-floor',
    name: 'Walks over the floor and back',
    fovY: REAR_FOV_Y,
    at: (share) => {
      const k = valueAt(there, share);
      const pose: Pose = {
        position: [0.25 * wave(share, 1), step(share), -1.5 * k],
        rotation: multiplyQuaternions(
          fromAxisAngle([0, 1, 0], 14 * wave(share, 2)),
          fromAxisAngle([1, 0, 0], -30 - 8 * Math.sin(Math.PI * share)),
        ),
      };
      return held(pose, share, 1.5);
    },
  },
  {
    id: 'round-table',
    name: 'Walks round the table',
    fovY: REAR_FOV_Y,
    at: (share) => {
      const a = 2 * Math.PI * share;
      const from = add(TABLE_AT, [1.3 * Math.sin(a), 0.72 + step(share), 1.3 * Math.cos(a)]);
      return held(lookAt(from, add(TABLE_AT, [0, 0.04, 0])), share, 1);
    },
  },
  {
    id: 'along-wall',
    name: 'Walks along a wall and back',
    fovY: REAR_FOV_Y,
    at: (share) => {
      const x = -0.9 * Math.cos(2 * Math.PI * share);
      return held(
        {
          position: [x, step(share), 0.05 * wave(share, 2)],
          rotation: fromAngles([-3, 12 * wave(share, 2), 0]),
        },
        share,
        1.4,
      );
    },
  },
  {
    id: 'garden-walk',
    name: 'Walks along a path, looks about, and back',
    fovY: REAR_FOV_Y,
    at: (share) => {
      const k = valueAt(there, share);
      const pose: Pose = {
        position: [0.35 * Math.sin(2.4 * k), step(share), -3 * k],
        rotation: multiplyQuaternions(
          fromAxisAngle([0, 1, 0], valueAt(curve('0:0 0.3:20 0.5:-4 0.7:-24 1:0'), share)),
          fromAxisAngle([1, 0, 0], -17),
        ),
      };
      return held(pose, share, 1.8);
    },
  },
  {
    id: 'round-picture',
    name: 'Walks round a picture on the table',
    fovY: REAR_FOV_Y,
    at: (share) => {
      const yaw = (62 * wave(share, 1) * Math.PI) / 180;
      const rise = 0.36 + 0.1 * wave(share, 2, 0.25);
      const out = 0.3 + 0.06 * wave(share, 3);
      const from = add(TABLE_AT, scale([Math.sin(yaw), 0, Math.cos(yaw)], out));
      return held(lookAt([from[0], TABLE_AT[1] + rise, from[2]], TABLE_AT), share, 1);
    },
  },
];

/** A shipped camera path. Throws where there is none of this id. */
export const cameraOf = (id: string): CameraPath => {
  const found = CAMERAS.find((c) => c.id === id);
  if (!found) throw new Error(`There is no camera path ${id}.`);
  return found;
};
