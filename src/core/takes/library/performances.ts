/** What performers do in the takes that ship. Times are seconds, angles degrees, places metres. */
import { curve, pulses, type Curve } from '../curve';
import type { Performance } from '../performance';
import type { ExpressionName } from '../../tracking/expression-names';

type Face = Partial<Record<ExpressionName, Curve>>;
const both = (name: string, keys: Curve): Face => ({ [`${name}Left`]: keys, [`${name}Right`]: keys });
const blinks = (...times: number[]): Face => both('eyeBlink', pulses(times));
const smile = (keys: string): Face => both('mouthSmile', curve(keys));

const turnAndMouthLids = curve('0:0 1.31:0 1.4:1 1.54:0 6.81:0 6.9:1 7.04:0 9.1:0 9.25:1 9.8:1 9.98:0 12:0');
const turnAndMouthBrows = curve('0:0 10.3:0 10.7:0.9 11.3:0.9 11.7:0 12:0');

/** Syllables: the mouth opens, rounds, spreads. */
const talk = (duration: number): Face => {
  const open: [number, number][] = [[0, 0]];
  const round: [number, number][] = [[0, 0]];
  const wide: [number, number][] = [[0, 0]];
  const phrases = [
    [0.6, 3.4],
    [4.3, 7.2],
    [8.2, 11.2],
  ] as const;
  let n = 0;
  for (const [from, to] of phrases)
    for (let t = from; t < to; t += 0.24) {
      // A fixed pattern of vowels; consonants close the mouth between.
      const vowel = [0.5, 0.22, 0.6, 0.34, 0.15, 0.42, 0.7][n % 7]!;
      const rounding = [0, 0.5, 0, 0.15, 0.6, 0.1, 0][n % 7]!;
      const spreading = [0.1, 0, 0.05, 0.5, 0, 0.3, 0.1][n % 7]!;
      open.push([t, 0.04], [t + 0.11, vowel]);
      round.push([t, rounding * 0.4], [t + 0.12, rounding]);
      wide.push([t, spreading * 0.3], [t + 0.12, spreading]);
      n++;
      if (t + 0.24 >= to) for (const keys of [open, round, wide]) keys.push([t + 0.3, 0]);
    }
  for (const keys of [open, round, wide]) keys.push([duration, 0]);
  return { jawOpen: open, mouthFunnel: round, ...both('mouthStretch', wide), ...both('mouthUpperUp', wide) };
};

export const PERFORMANCES: readonly Performance[] = [
  {
    id: 'turn-and-mouth',
    name: 'Turns, opens the mouth, puckers',
    duration: 12,
    yaw: curve('0:0 0.5:0 1.7:31 2.1:31 3.9:-31 4.3:-31 5.1:0 12:0'),
    pitch: curve('0:0 5.2:0 6:-3 7.2:0 9.9:0 10.8:-4 11.8:0 12:0'),
    roll: curve('0:0 7.3:0 8:3.5 9:0 12:0'),
    gazeX: curve('0:0 1.6:-12 2.2:-12 3.8:12 4.4:12 5.1:0 12:0'),
    expressions: {
      jawOpen: curve('0:0 5.4:0 5.75:0.9 6.5:0.9 6.85:0 12:0'),
      mouthPucker: curve('0:0 7.3:0 7.65:0.95 8.5:0.95 8.85:0 12:0'),
      ...smile('0:0.35 0.8:0.45 4.8:0.35 5.2:0 8.8:0 9.6:0.3 11.2:0.5 12:0.35'),
      ...both('eyeBlink', turnAndMouthLids),
      browInnerUp: turnAndMouthBrows,
      ...both('browOuterUp', turnAndMouthBrows),
    },
  },
  {
    id: 'neutral',
    name: 'Looks into the camera',
    duration: 10,
    gazeX: curve('0:0 3.2:0 3.35:-7 4.2:-7 4.35:0 7.4:0 7.55:6 8.4:6 8.55:0 10:0'),
    gazeY: curve('0:0 7.4:0 7.55:-4 8.4:-4 8.55:0 10:0'),
    expressions: { ...blinks(2.1, 5.4, 8.9), ...smile('0:0.12 5:0.2 10:0.12') },
  },
  {
    id: 'slow-turn',
    name: 'Turns slowly to both sides',
    duration: 14,
    yaw: curve('0:0 1:0 4.2:48 5:48 9.4:-48 10.2:-48 13.2:0 14:0'),
    gazeX: curve('0:0 1.5:-10 4.6:-14 7:0 9.6:14 12.6:8 13.4:0 14:0'),
    expressions: { ...blinks(2.6, 7.1, 11.8), ...smile('0:0.1 7:0.25 14:0.1') },
  },
  {
    id: 'nod-and-tilt',
    name: 'Nods, then tilts the head',
    duration: 12,
    pitch: curve('0:0 0.6:0 1.3:19 2:-15 2.8:19 3.6:-15 4.4:0 12:0'),
    roll: curve('0:0 5.2:0 6.4:23 7.2:23 9:-23 9.8:-23 11.2:0 12:0'),
    gazeY: curve('0:0 1.3:10 2:-8 2.8:10 3.6:-8 4.4:0 12:0'),
    expressions: { ...blinks(4.7, 8.1, 11.4), ...smile('0:0.2 6:0.4 12:0.2') },
  },
  {
    id: 'mouth',
    name: 'Opens and closes the mouth',
    duration: 10,
    expressions: {
      jawOpen: curve(
        '0:0 0.8:0 1.3:0.35 1.8:0.35 2.2:0 3.2:0 3.7:0.65 4.4:0.65 4.8:0 6:0 6.6:1 7.6:1 8.2:0 10:0',
      ),
      ...blinks(2.6, 5.4, 8.8),
    },
  },
  {
    id: 'pucker-and-blow',
    name: 'Puckers and blows',
    duration: 10,
    expressions: {
      mouthPucker: curve('0:0 0.8:0 1.2:1 2.2:1 2.7:0 4.6:0 5.2:0.75 7.4:0.75 8:0 10:0'),
      mouthFunnel: curve('0:0 4.9:0 5.4:0.25 7.4:0.25 8:0 10:0'),
      cheekPuff: curve('0:0 4.2:0 5:0.95 6.4:0.8 7.6:0 10:0'),
      ...both('browOuterUp', curve('0:0 4.4:0 5:0.4 7:0.4 7.8:0 10:0')),
      ...blinks(3.4, 8.9),
    },
  },
  {
    id: 'smile-and-wink',
    name: 'Smiles and winks',
    duration: 10,
    roll: curve('0:0 4:0 4.6:-6 5.4:-6 6.2:0 7:0 7.5:6 8.2:6 9:0 10:0'),
    expressions: {
      ...smile('0:0 0.8:0 1.5:0.95 3.4:0.8 4.4:0.7 8.4:0.7 9.4:0 10:0'),
      ...both('cheekSquint', curve('0:0 0.9:0 1.5:0.8 8.4:0.6 9.4:0 10:0')),
      ...both('eyeSquint', curve('0:0 0.9:0 1.5:0.5 8.4:0.4 9.4:0 10:0')),
      ...both('mouthUpperUp', curve('0:0 1:0 1.7:0.35 3:0.3 3.8:0.1 8.4:0.1 9.2:0 10:0')),
      ...both('mouthLowerDown', curve('0:0 1:0 1.7:0.25 3:0.2 3.8:0 10:0')),
      eyeBlinkLeft: curve('0:0 4.4:0 4.55:1 5.3:1 5.5:0 9.3:0 9.4:1 9.55:0 10:0'),
      eyeBlinkRight: curve('0:0 7.2:0 7.35:1 8.1:1 8.3:0 9.3:0 9.4:1 9.55:0 10:0'),
    },
  },
  {
    id: 'talking',
    name: 'Talks',
    duration: 12,
    yaw: curve('0:0 2:7 3.6:-5 5.6:4 7.6:-8 9.8:5 12:0'),
    pitch: curve('0:0 1.4:3 2.6:-2 5:4 6.6:0 8.6:4 10.4:-2 12:0'),
    expressions: {
      ...talk(12),
      ...blinks(1.1, 3.8, 7.5, 10.2),
      ...both('browOuterUp', curve('0:0 1.2:0 1.6:0.5 2.4:0.1 5.4:0 5.8:0.6 6.6:0 12:0')),
      browInnerUp: curve('0:0 9:0 9.4:0.6 10.2:0 12:0'),
    },
  },
  {
    id: 'brows',
    name: 'Raises and knits the brows',
    duration: 9,
    expressions: {
      browInnerUp: curve('0:0 0.8:0 1.3:1 2.2:1 2.7:0 7:0 7.4:0.9 8:0.9 8.4:0 9:0'),
      ...both('browOuterUp', curve('0:0 0.8:0 1.3:1 2.2:1 2.7:0 9:0')),
      ...both('browDown', curve('0:0 3.6:0 4.1:1 5.4:1 5.9:0 9:0')),
      ...both('noseSneer', curve('0:0 4:0 4.5:0.6 5.2:0.6 5.8:0 9:0')),
      ...both('eyeWide', curve('0:0 0.9:0 1.3:0.7 2.1:0.7 2.6:0 9:0')),
      ...both('mouthFrown', curve('0:0 6.8:0 7.4:0.6 8:0.6 8.5:0 9:0')),
      ...blinks(3.1, 6.3),
    },
  },
  {
    id: 'eyes-shut',
    name: 'Shuts the eyes',
    duration: 10,
    yaw: curve('0:0 2:0 3.4:14 5:0 6.6:-14 8:0 10:0'),
    expressions: {
      ...both('eyeBlink', curve('0:0 1.4:0 1.6:1 4:1 4.25:0 5.2:0 5.4:1 7.6:1 7.85:0 10:0')),
      ...both('eyeSquint', curve('0:0 8.2:0 8.6:1 9.2:1 9.6:0 10:0')),
      ...smile('0:0.1 3:0.3 10:0.1'),
    },
  },
  {
    id: 'close-eyes',
    name: 'Looks down and up, blinks slowly',
    duration: 16,
    gazeX: curve('0:0 9:0 9.4:-16 10.2:-16 10.8:16 11.6:16 12:0 16:0'),
    gazeY: curve('0:0 1:0 1.5:-22 2.9:-22 3.5:14 4.9:14 5.4:0 12.9:0 13.3:-18 14.4:-18 14.9:0 16:0'),
    expressions: {
      // A lid follows the gaze; then it shuts and opens so slowly that every place of it is seen.
      ...both(
        'eyeBlink',
        curve(
          '0:0 1:0 1.5:0.38 2.9:0.38 3.5:0 5.6:0 6.6:1 7.4:1 8.4:0 8.7:0 12.2:0 12.32:1 12.5:0 12.9:0 13.3:0.32 14.4:0.32 14.9:0 16:0',
        ),
      ),
      ...both('eyeWide', curve('0:0 3.2:0 3.7:0.5 4.7:0.5 5.2:0 16:0')),
      ...both('eyeSquint', curve('0:0 10:0 10.6:0.6 11.4:0.6 12:0 16:0')),
      browInnerUp: curve('0:0 3.2:0 3.8:0.6 4.7:0.6 5.3:0 16:0'),
      ...smile('0:0.1 8:0.2 16:0.1'),
    },
  },
  {
    id: 'close-lips',
    name: 'Speaks, purses and parts the lips',
    duration: 16,
    expressions: {
      ...talk(12),
      mouthPucker: curve('0:0 12:0 12.5:0.9 13.2:0.9 13.7:0 16:0'),
      ...smile('0:0.05 11.8:0.05 13.7:0.1 14.3:0.8 15.2:0.8 15.8:0.05 16:0.05'),
      mouthRollUpper: curve('0:0 3.6:0 3.8:0.5 4:0.5 4.2:0 16:0'),
      mouthRollLower: curve('0:0 3.6:0 3.8:0.5 4:0.5 4.2:0 16:0'),
      ...blinks(2.2, 6.8, 11, 14.8),
    },
  },
  {
    id: 'close-skin',
    name: 'Turns a little, smiles, raises and knits the brows',
    duration: 16,
    yaw: curve('0:0 1:0 2.6:22 3.4:22 6:-22 6.8:-22 8.4:0 16:0'),
    pitch: curve('0:0 8.6:0 9.6:12 10.4:12 11.6:-10 12.2:-10 13.2:0 16:0'),
    gazeX: curve('0:0 1:0 2.6:-14 3.4:-14 6:14 6.8:14 8.4:0 16:0'),
    gazeY: curve('0:0 8.6:0 9.6:8 10.4:8 11.6:-7 12.2:-7 13.2:0 16:0'),
    expressions: {
      ...smile('0:0.05 4:0.1 4.6:0.9 5.6:0.9 6.2:0.1 16:0.05'),
      ...both('cheekSquint', curve('0:0 4:0 4.6:0.7 5.6:0.7 6.2:0 16:0')),
      browInnerUp: curve('0:0 13:0 13.4:0.9 14:0.9 14.3:0 16:0'),
      ...both('browOuterUp', curve('0:0 13:0 13.4:0.9 14:0.9 14.3:0 16:0')),
      ...both('browDown', curve('0:0 14.4:0 14.8:0.9 15.3:0.9 15.7:0 16:0')),
      ...blinks(2, 7, 12.6),
    },
  },
  {
    id: 'close-and-far',
    name: 'Comes close and steps back',
    duration: 14,
    z: curve('0:0 1:0 3.4:0.24 4.6:0.24 9:-1.05 10.4:-1.05 13.4:0 14:0'),
    y: curve('0:0 3.4:-0.004 4.6:-0.004 9:0.05 10.4:0.05 13.4:0 14:0'),
    expressions: { ...blinks(2, 5.2, 9.7, 12.4), ...smile('0:0.15 4:0.4 10:0.2 14:0.15') },
  },
  {
    id: 'hand-over-face',
    name: 'Passes a hand before the face',
    duration: 12,
    hands: [
      {
        side: 'right',
        keys: [
          { at: 0, place: [-0.24, -0.42, 0.04], angles: [0, 0, 10], shape: 'relaxed' },
          { at: 1.2, place: [-0.24, -0.42, 0.04], angles: [0, 0, 10], shape: 'relaxed' },
          { at: 2.2, place: [-0.12, -0.1, 0.13], angles: [4, 0, 8], shape: 'palm' },
          { at: 3.6, place: [0.09, -0.09, 0.13], angles: [4, 0, -8], shape: 'palm' },
          { at: 4.8, place: [-0.005, -0.1, 0.115], angles: [4, 178, 2], shape: 'palm' },
          { at: 6.4, place: [-0.005, -0.1, 0.115], angles: [4, 178, 2], shape: 'palm' },
          { at: 7.6, place: [-0.02, -0.155, 0.11], angles: [10, 176, 24], shape: 'relaxed' },
          { at: 8.8, place: [-0.02, -0.155, 0.11], angles: [10, 176, 24], shape: 'relaxed' },
          { at: 10.4, place: [-0.24, -0.42, 0.04], angles: [0, 0, 10], shape: 'relaxed' },
          { at: 12, place: [-0.24, -0.42, 0.04], angles: [0, 0, 10], shape: 'relaxed' },
        ],
      },
    ],
    expressions: { ...blinks(1, 4.1, 6.8, 10.9) },
  },
  {
    id: 'gestures',
    name: 'Shows palm, fist and thumb, points, pinches, holds up two fingers',
    duration: 16,
    hands: [
      {
        side: 'left',
        keys: [
          { at: 0, place: [0.24, -0.42, 0.04], angles: [0, 0, -10], shape: 'relaxed' },
          { at: 0.9, place: [0.085, -0.13, 0.11], angles: [0, 0, -6], shape: 'palm' },
          { at: 2.8, place: [0.085, -0.13, 0.11], angles: [0, 0, -6], shape: 'palm' },
          { at: 3.4, place: [0.085, -0.11, 0.11], angles: [0, 0, -6], shape: 'fist' },
          { at: 5, place: [0.085, -0.11, 0.11], angles: [0, 0, -6], shape: 'fist' },
          { at: 5.7, place: [0.02, -0.16, 0.13], angles: [0, 0, -72], shape: 'thumb' },
          { at: 7.4, place: [0.02, -0.16, 0.13], angles: [0, 0, -72], shape: 'thumb' },
          { at: 8.2, place: [0.09, -0.12, 0.11], angles: [0, 150, -8], shape: 'point' },
          { at: 10, place: [0.09, -0.12, 0.11], angles: [0, 150, -8], shape: 'point' },
          { at: 10.7, place: [0.09, -0.11, 0.11], angles: [22, -10, -8], shape: 'pinch' },
          { at: 12.3, place: [0.09, -0.11, 0.11], angles: [22, -10, -8], shape: 'pinch' },
          { at: 12.9, place: [0.09, -0.12, 0.11], angles: [0, 0, -6], shape: 'victory' },
          { at: 14.6, place: [0.09, -0.12, 0.11], angles: [0, 0, -6], shape: 'victory' },
          { at: 15.4, place: [0.24, -0.42, 0.04], angles: [0, 0, -10], shape: 'relaxed' },
          { at: 16, place: [0.24, -0.42, 0.04], angles: [0, 0, -10], shape: 'relaxed' },
        ],
      },
    ],
    gazeX: curve('0:0 1:8 2.6:8 3:0 5.6:0 6:8 7.2:8 7.8:0 16:0'),
    expressions: { ...blinks(3.1, 7.9, 11.3, 14.8), ...smile('0:0.2 1.2:0.5 7:0.6 12:0.2 16:0.2') },
  },
  {
    id: 'drinks',
    name: 'Drinks from a mug',
    duration: 10,
    pitch: curve('0:0 2.4:0 3.4:-9 5.6:-9 6.6:0 10:0'),
    hands: [
      {
        side: 'right',
        mug: true,
        keys: [
          { at: 0, place: [-0.2, -0.4, 0.06], angles: [0, 60, 0], shape: 'relaxed' },
          { at: 0.8, place: [-0.2, -0.4, 0.06], angles: [0, 60, 0], shape: 'relaxed' },
          { at: 2.8, place: [-0.085, -0.115, 0.115], angles: [-8, 72, -8], shape: 'relaxed' },
          { at: 3.6, place: [-0.085, -0.1, 0.118], angles: [-26, 72, -8], shape: 'relaxed' },
          { at: 5.4, place: [-0.085, -0.1, 0.118], angles: [-26, 72, -8], shape: 'relaxed' },
          { at: 6.4, place: [-0.085, -0.115, 0.115], angles: [-8, 72, -8], shape: 'relaxed' },
          { at: 8.6, place: [-0.2, -0.4, 0.06], angles: [0, 60, 0], shape: 'relaxed' },
          { at: 10, place: [-0.2, -0.4, 0.06], angles: [0, 60, 0], shape: 'relaxed' },
        ],
      },
    ],
    expressions: { ...blinks(1.6, 4.4, 8.8), ...smile('0:0.2 2:0 6.8:0 8:0.7 10:0.2') },
  },
  {
    id: 'looks-left',
    name: 'Looks at who is on the left, and laughs',
    duration: 12,
    yaw: curve('0:0 1.4:0 2.4:22 4.6:22 5.6:0 8:0 8.8:14 10.4:14 11.4:0 12:0'),
    expressions: {
      ...blinks(1.8, 5.2, 9.4),
      ...smile('0:0.2 2:0.3 3:0.9 4.8:0.8 6:0.3 8.4:0.3 9:0.8 10.6:0.7 12:0.2'),
      jawOpen: curve('0:0 2.8:0 3.2:0.35 3.5:0.1 3.8:0.4 4.2:0.1 4.6:0 12:0'),
    },
  },
  {
    id: 'looks-right',
    name: 'Looks at who is on the right, and nods',
    duration: 12,
    yaw: curve('0:0 1.8:0 2.8:-22 4.9:-22 5.8:0 12:0'),
    pitch: curve('0:0 6.2:0 6.6:9 7:-2 7.4:9 7.9:0 12:0'),
    expressions: {
      ...blinks(1, 3.9, 6.1, 10.4),
      ...smile('0:0.3 2.6:0.3 3.4:0.8 5:0.7 6:0.2 12:0.3'),
      jawOpen: curve('0:0 8.6:0 9:0.6 9.6:0.6 10:0 12:0'),
    },
  },
  {
    id: 'comes-from-left',
    name: 'Comes in from the left and leaves again',
    duration: 14,
    x: curve('0:-0.75 1:-0.75 2.8:0 10.8:0 12.8:-0.75 14:-0.75'),
    yaw: curve('0:25 1:25 2.8:0 10.6:0 11.6:-30 12.8:-30 13.6:25 14:25'),
    expressions: { ...blinks(3.4, 6.2, 9.6), ...smile('0:0.2 3:0.7 10:0.5 14:0.2') },
  },
  {
    id: 'leaves-and-returns',
    name: 'Goes out to the right, comes back from the left',
    duration: 14,
    x: curve('0:0 3.4:0 5:0.6 6.4:0.6 6.5:-0.6 8:-0.6 9.8:0 14:0'),
    yaw: curve('0:0 3:0 3.8:28 6.4:28 6.5:-22 8.6:-22 9.8:0 14:0'),
    expressions: { ...blinks(1.6, 3, 10.4, 12.6), ...smile('0:0.3 2:0.6 3.4:0.2 9.8:0.2 11:0.7 14:0.3') },
  },
  {
    id: 'comes-from-right',
    name: 'Comes in from the right and leaves again',
    duration: 14,
    x: curve('0:0.75 3.6:0.75 5.4:0 8.6:0 10.6:0.75 14:0.75'),
    yaw: curve('0:-25 3.6:-25 5.4:0 8.4:0 9.4:30 10.6:30 11.6:-25 14:-25'),
    expressions: { ...blinks(5.8, 8.2), ...smile('0:0.2 5:0.2 6:0.8 8.4:0.6 14:0.2') },
  },
];

/** A shipped performance. Throws where there is none of this id. */
export const performanceOf = (id: string): Performance => {
  const found = PERFORMANCES.find((p) => p.id === id);
  if (!found) throw new Error(`There is no performance ${id}.`);
  return found;
};
