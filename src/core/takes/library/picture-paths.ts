/** What printed pictures do in a take. The creator's own target is drawn on them. */
import type { Pose } from '../../maths/pose';
import { multiplyQuaternions, fromAngles, fromAxisAngle } from '../../maths/quaternion';
import type { Vec3 } from '../../maths/vec3';
import type { Metres, Unit } from '../../units';
import { curve, valueAt, type Curve } from '../curve';
import { TABLE_AT } from './rooms';

export interface PictureMoment {
  readonly pose: Pose;
  /** How much of its width is covered by a hand's card. */
  readonly covered: Unit;
}

export interface PicturePath {
  readonly id: string;
  readonly name: string;
  /** Longer edge of each picture. */
  readonly size: Metres;
  /** A hand holds the first picture by its lower edge. */
  readonly held: boolean;
  /** One or two pictures at a share of the take. */
  at(share: Unit): readonly PictureMoment[];
}

const wave = (share: number, rounds: number, phase = 0) => Math.sin(2 * Math.PI * (rounds * share + phase));
const FLAT = fromAxisAngle([1, 0, 0], -90);
const onTable = (at: Vec3, turn: number): PictureMoment => ({
  pose: { position: at, rotation: multiplyQuaternions(fromAxisAngle([0, 1, 0], turn), FLAT) },
  covered: 0,
});
const TOP: Vec3 = [TABLE_AT[0], TABLE_AT[1] + 0.001, TABLE_AT[2]];

const before = (place: Vec3, angles: Vec3, covered = 0): PictureMoment => ({
  pose: { position: place, rotation: fromAngles(angles) },
  covered,
});

const at = (keys: Curve, share: number) => valueAt(keys, share);
const TILT = curve('0:0 0.06:0 0.22:70 0.28:70 0.44:0 0.5:0 1:0');
const LEAN = curve('0:0 0.5:0 0.66:65 0.72:65 0.9:0 1:0');
const COVER = curve('0:0 0.1:0 0.3:0.35 0.45:0.35 0.62:0.6 0.75:0.6 0.92:0 1:0');
const AWAY = curve('0:0 0.25:0 0.4:0.5 0.55:0.5 0.72:0 1:0');

export const PICTURE_PATHS: readonly PicturePath[] = [
  {
    id: 'in-hand',
    name: 'Held in a hand',
    size: 0.2,
    held: true,
    at: (share) => [
      before(
        [0.012 * wave(share, 2), 0.02 + 0.012 * wave(share, 3, 0.2), -0.42 + 0.05 * wave(share, 1)],
        [9 * wave(share, 2, 0.1), 16 * wave(share, 1, 0.3), 7 * wave(share, 3)],
      ),
    ],
  },
  { id: 'on-table', name: 'Lies on the table', size: 0.24, held: false, at: () => [onTable(TOP, 8)] },
  {
    id: 'tilting',
    name: 'Tilts away, to 70 degrees',
    size: 0.2,
    held: true,
    at: (share) => [before([0, 0.02, -0.44], [-at(TILT, share), at(LEAN, share), 0])],
  },
  {
    id: 'covered',
    name: 'Covered in part',
    size: 0.22,
    held: false,
    at: (share) => [
      before(
        [0, 0.01, -0.42],
        [4 * wave(share, 2), 8 * wave(share, 1), 3 * wave(share, 1, 0.4)],
        at(COVER, share),
      ),
    ],
  },
  {
    id: 'leaving',
    name: 'Leaves the picture and comes back',
    size: 0.2,
    held: true,
    at: (share) => [
      before(
        [at(AWAY, share), 0.015 + 0.01 * wave(share, 2), -0.43],
        [6 * wave(share, 1), 10 * wave(share, 2), 0],
      ),
    ],
  },
  {
    id: 'two',
    name: 'Two pictures side by side',
    size: 0.18,
    held: false,
    at: () => [
      onTable([TOP[0] - 0.1, TOP[1], TOP[2] + 0.01], 9),
      onTable([TOP[0] + 0.11, TOP[1], TOP[2] - 0.02], -14),
    ],
  },
];

/** What a printed picture does. Throws where there is none of this id. */
export const picturePathOf = (id: string): PicturePath => {
  const found = PICTURE_PATHS.find((p) => p.id === id);
  if (!found) throw new Error(`There is nothing called ${id} that pictures do.`);
  return found;
};
