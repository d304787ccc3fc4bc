/**
 * Expressions from landmarks in head space: distances that an expression changes and a turn of the head
 * does not, laid against tables that were measured with the face tracker on rendered heads.
 */
import { interpolate, clamp } from '../maths/scalar';
import type { Expressions } from '../tracking/track-frame';
import type { Unit } from '../units';
import { gazeExpressions } from './gaze-expressions';
import { ALL_LANDMARKS } from './landmarks';

type Table = readonly (readonly [number, number])[];

/** Inner-lip distance over face height, to jawOpen; closed lips still read .03 with the tracker. */
const JAW: Table = [
  [0.036, 0],
  [0.066, 0.25],
  [0.107, 0.5],
  [0.16, 0.75],
  [0.213, 1],
];
/** Mouth width over the distance of the outer eye corners, to mouthPucker: the narrower the more. */
const PUCKER: Table = [
  [0.26, 1],
  [0.385, 0.5],
  [0.47, 0],
];
/** Height of a mouth corner over the middle of the lips, over face height, to mouthSmile. */
const SMILE: Table = [
  [0.002, 0],
  [0.041, 1],
];
/** Lid opening over eye width, to eyeBlink: with the tracker a shut eye still reads .16 to .26. */
const BLINK: Table = [
  [0.16, 1],
  [0.2, 0.8],
  [0.3, 0],
];
/** Brow over the eye's centre, over face height, to brows up. */
const BROW: Table = [
  [0.162, 0],
  [0.207, 1],
];

/** Face height over the distance from the top of the forehead to the bridge of the nose. */
const HEIGHT_SHARE = 3.45;

/** The outer and the inner corner of each eye, and the middle of its iris. */
const EYES = [
  [263, 362, 473],
  [33, 133, 468],
] as const;
/** How far irises have gone when both eyes look as far as they can, in widths of an eye; and where they are seen when they look ahead. */
const GAZE = { across: 0.18, up: 0.17, ahead: [-0.006, 0.006] } as const;

/**
 * Where both eyes look, from the irises: to the wearer's left and up, -1 to 1. Two eyes look at one thing, and together they tremble less. Null where
 * irises were not tracked.
 */
const gazeOf = (p: ArrayLike<number>): readonly [number, number] | null => {
  if (p.length < 3 * ALL_LANDMARKS) return null;
  const seen = EYES.map(([outer, inner, iris]) => {
    const width = Math.abs(p[3 * outer]! - p[3 * inner]!);
    return [0, 1].map((k) => (p[3 * iris + k]! - (p[3 * outer + k]! + p[3 * inner + k]!) / 2) / width);
  });
  const [x, y] = [0, 1].map((k) => (seen[0]![k]! + seen[1]![k]!) / 2 - GAZE.ahead[k]!) as [number, number];
  const gaze = [x / GAZE.across, y / GAZE.up] as const;
  return gaze.every(Number.isFinite) ? gaze : null;
};

/** Shut eyes look nowhere. */
const whereEyesLook = (p: ArrayLike<number>, open: Unit): Expressions => {
  const gaze = gazeOf(p);
  return gaze ? gazeExpressions(open * clamp(gaze[0], -1, 1), open * clamp(gaze[1], -1, 1)) : {};
};

/** Reads jawOpen, mouthPucker, smiles, blinks and brows from 468 or more landmarks (head space, metres), with irises where the eyes look. */
export const readExpressions = (p: ArrayLike<number>): Expressions => {
  const far = (a: number, b: number) =>
    Math.hypot(p[3 * a]! - p[3 * b]!, p[3 * a + 1]! - p[3 * b + 1]!, p[3 * a + 2]! - p[3 * b + 2]!);
  const y = (i: number) => p[3 * i + 1]!;
  // The nose and eyes stand for the size of the face: the chin moves with the jaw.
  const height = far(10, 168) * HEIGHT_SHARE;
  const eyes = far(33, 263);
  const jaw = interpolate(JAW, far(13, 14) / height);
  const corner = (i: number) => (y(i) - (y(13) + y(14)) / 2 - 0.25 * jaw * 0.04) / height;
  const narrow = interpolate(PUCKER, far(61, 291) / eyes);
  const blink = (top: number, bottom: number, a: number, b: number) =>
    interpolate(BLINK, far(top, bottom) / far(a, b));
  const brow = (brow: number, a: number, b: number) =>
    interpolate(BROW, (y(brow) - (y(a) + y(b)) / 2) / height);
  const [shutLeft, shutRight] = [blink(386, 374, 263, 362), blink(159, 145, 33, 133)];
  const [browLeft, browRight] = [brow(334, 263, 362), brow(105, 33, 133)];
  return {
    jawOpen: jaw,
    // An open mouth is narrower too; that is no pucker.
    mouthPucker: clamp(narrow - 0.6 * jaw, 0, 1),
    mouthSmileLeft: interpolate(SMILE, corner(291)),
    mouthSmileRight: interpolate(SMILE, corner(61)),
    eyeBlinkLeft: shutLeft,
    eyeBlinkRight: shutRight,
    ...whereEyesLook(p, 1 - Math.max(shutLeft, shutRight)),
    browInnerUp: Math.min(browLeft, browRight),
    browOuterUpLeft: browLeft,
    browOuterUpRight: browRight,
  };
};
