/** The takes that ship with Iconia. */
import { makeTake, type Curve, type Performance } from './performance';
import type { Performer } from './performer';
import type { Take } from './take';

const marin: Performer = {
  name: 'Marin',
  about: 'skin tone III · soft window light',
  seed: 11,
  look: {
    skin: '#d8a283',
    lips: '#b3605c',
    hair: '#43291c',
    brows: '#3a2419',
    iris: '#4f7358',
    clothes: '#31586a',
  },
  shape: { width: 0.985, jaw: 0.93, eyes: 1.19 },
};

const blinkAt = (...times: number[]): Curve => [
  [0, 0],
  ...times.flatMap((t): [number, number][] => [
    [t - 0.09, 0],
    [t, 1],
    [t + 0.14, 0],
  ]),
  [12, 0],
];

/** Blinks at 1.4 and 6.9 s, and eyes shut from 9.2 to 9.9 s. */
const lids: Curve = [...blinkAt(1.4, 6.9).slice(0, -1), [9.1, 0], [9.25, 1], [9.8, 1], [9.98, 0], [12, 0]];
const brows: Curve = [
  [0, 0],
  [10.3, 0],
  [10.7, 0.9],
  [11.3, 0.9],
  [11.7, 0],
  [12, 0],
];
const smile: Curve = [
  [0, 0.35],
  [0.8, 0.45],
  [4.8, 0.35],
  [5.2, 0],
  [8.8, 0],
  [9.6, 0.3],
  [11.2, 0.5],
  [12, 0.35],
];

const turnAndMouth: Performance = {
  duration: 12,
  yaw: [
    [0, 0],
    [0.5, 0],
    [1.7, 31],
    [2.1, 31],
    [3.9, -31],
    [4.3, -31],
    [5.1, 0],
    [12, 0],
  ],
  pitch: [
    [0, 0],
    [5.2, 0],
    [6.0, -3],
    [7.2, 0],
    [9.9, 0],
    [10.8, -4],
    [11.8, 0],
    [12, 0],
  ],
  roll: [
    [0, 0],
    [7.3, 0],
    [8.0, 3.5],
    [9, 0],
    [12, 0],
  ],
  gazeX: [
    [0, 0],
    [1.6, -12],
    [2.2, -12],
    [3.8, 12],
    [4.4, 12],
    [5.1, 0],
    [12, 0],
  ],
  gazeY: [
    [0, 0],
    [12, 0],
  ],
  expressions: {
    jawOpen: [
      [0, 0],
      [5.4, 0],
      [5.75, 0.9],
      [6.5, 0.9],
      [6.85, 0],
      [12, 0],
    ],
    mouthPucker: [
      [0, 0],
      [7.3, 0],
      [7.65, 0.95],
      [8.5, 0.95],
      [8.85, 0],
      [12, 0],
    ],
    mouthSmileLeft: smile,
    mouthSmileRight: smile,
    eyeBlinkLeft: lids,
    eyeBlinkRight: lids,
    browInnerUp: brows,
    browOuterUpLeft: brows,
    browOuterUpRight: brows,
  },
};

export const SHIPPED_TAKES: readonly Take[] = [
  makeTake(
    {
      id: 'solo-turn-and-mouth',
      name: 'Solo · turn and mouth',
      about: 'Slow turn, mouth opens, lips pucker, blinks',
    },
    marin,
    turnAndMouth,
  ),
];

/** The take a new effect is seen on. */
export const FIRST_TAKE: Take = SHIPPED_TAKES[0]!;
