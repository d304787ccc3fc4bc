/** What the lips and the corners of the mouth do. */
import { INNER_LIP_LOWER, INNER_LIP_UPPER } from '../landmarks';
import {
  CORNERS,
  displacement,
  isOval,
  lipWeights,
  LIPS,
  LOWER_LIP,
  once,
  onSide,
  spread,
  UPPER_LIP,
  x,
  y,
  type Displacement,
  type Side,
} from './field';

const inner: ReadonlySet<number> = new Set([...INNER_LIP_UPPER, ...INNER_LIP_LOWER]);
const SEAM = (y(13) + y(14)) / 2;
/** 0 in the middle of the mouth, 1 at its corners. */
const outwards = (i: number): number => Math.min(1, Math.abs(x(i)) / 0.025);

const pucker = (): Displacement => {
  const w = spread(
    (i) => !LIPS.has(i) && (isOval(i) || y(i) > -0.005 || Math.abs(x(i)) > 0.05),
    [...LIPS].map((i): [number, number] => [i, 1]),
  );
  return displacement((i) => {
    const [k, corner] = [w[i]!, outwards(i)];
    // Corners come in; the lips push forward and grow fuller, most in the middle.
    return [
      -x(i) * 0.46 * k,
      LIPS.has(i) && !inner.has(i) ? Math.sign(y(i) - SEAM) * 0.0016 * (1 - corner) * k : 0,
      (0.0125 - 0.006 * corner + (inner.has(i) ? -0.0015 : 0)) * k,
    ];
  });
};

const funnel = (): Displacement => {
  const w = lipWeights(() => 1);
  return displacement((i) => {
    const k = w[i]!;
    const middle = 1 - outwards(i);
    const apart = UPPER_LIP.has(i) ? 0.0042 : LOWER_LIP.has(i) ? -0.0056 : 0;
    return [-x(i) * 0.3 * k, apart * (0.35 + 0.65 * middle), (0.009 - 0.004 * outwards(i)) * k];
  });
};

/** Weights for pulling one corner: most at the corner, less towards the middle of the lips. */
const cornerWeights = (side: Side): Float64Array => {
  const mirrored = (right: readonly number[], left: readonly number[]) => (side < 0 ? right : left);
  const values: [number, number][] = [
    ...CORNERS[side].map((i): [number, number] => [i, 1]),
    ...mirrored([185, 191, 146, 95], [409, 415, 375, 324]).map((i): [number, number] => [i, 0.75]),
    ...mirrored([40, 80, 91, 88], [270, 310, 321, 318]).map((i): [number, number] => [i, 0.5]),
    ...mirrored([39, 81, 181, 178], [269, 311, 405, 402]).map((i): [number, number] => [i, 0.2]),
    ...[...CORNERS[side < 0 ? 1 : -1], 0, 13, 14, 17, 4, 152, 199].map((i): [number, number] => [i, 0]),
  ];
  return spread((i) => y(i) > 0.015 || isOval(i), values);
};

const pulls = { [1]: once(() => cornerWeights(1)), [-1]: once(() => cornerWeights(-1)) };
/** A corner of the mouth pulled outwards, up and forward by these metres. */
const pull = (side: Side, out: number, up: number, forward: number) => (): Displacement => {
  const w = pulls[side]();
  return displacement((i) => [side * out * w[i]!, up * w[i]!, forward * w[i]!]);
};
const smile = (side: Side) => pull(side, 0.0085, 0.0095, -0.0045);
const frown = (side: Side) => pull(side, 0.001, -0.008, -0.001);
const dimple = (side: Side) => pull(side, 0.0035, 0.0008, -0.0055);
const stretch = (side: Side) => pull(side, 0.0085, -0.0035, -0.003);

/** Lower lip down, or upper lip up, on one side; the teeth show. */
const bared = (lip: ReadonlySet<number>, side: Side, up: number): Displacement => {
  const w = lipWeights((i) => (lip.has(i) ? onSide(side, i, 0.012) * (1 - 0.6 * outwards(i)) : 0));
  return displacement((i) => [0, up * w[i]!, 0.0006 * w[i]!]);
};

/** The red of both lips pressed thin on one side. */
const press = (side: Side): Displacement =>
  displacement((i) => {
    if (!LIPS.has(i)) return [0, 0, 0];
    const k = onSide(side, i);
    return inner.has(i) ? [0, 0, -0.0012 * k] : [0, Math.sign(SEAM - y(i)) * 0.0024 * k, -0.0008 * k];
  });

const roll = (lip: ReadonlySet<number>, towards: number): Displacement => {
  const w = lipWeights((i) => (lip.has(i) ? 1 - 0.5 * outwards(i) : 0));
  return displacement((i) => {
    const k = w[i]!;
    return inner.has(i) ? [0, 0, -0.0035 * k] : [0, towards * 0.0042 * k, -0.0042 * k];
  });
};

/** Lip pushed up by the chin, or drawn up towards the nose; the other lip gives way, so that they do not cross. */
const shrug = (lower: number, seam: number, upper: number, forward: number): Displacement => {
  const w = lipWeights((i) => {
    const flat = 1 - 0.7 * outwards(i);
    if (inner.has(i)) return seam * flat;
    return (LOWER_LIP.has(i) ? lower : UPPER_LIP.has(i) ? upper : seam) * flat;
  });
  return displacement((i) => [0, w[i]!, forward * (w[i]! / Math.max(lower, upper))]);
};

const shift = (side: Side): Displacement => {
  const w = lipWeights(() => 1);
  return displacement((i) => [side * 0.009 * w[i]!, 0, -0.0015 * w[i]! * onSide(side, i)]);
};

export const MOUTH_EXPRESSIONS = {
  mouthPucker: pucker,
  mouthFunnel: funnel,
  mouthLeft: () => shift(1),
  mouthRight: () => shift(-1),
  mouthSmileLeft: smile(1),
  mouthSmileRight: smile(-1),
  mouthFrownLeft: frown(1),
  mouthFrownRight: frown(-1),
  mouthDimpleLeft: dimple(1),
  mouthDimpleRight: dimple(-1),
  mouthStretchLeft: stretch(1),
  mouthStretchRight: stretch(-1),
  mouthRollLower: () => roll(LOWER_LIP, 1),
  mouthRollUpper: () => roll(UPPER_LIP, -1),
  mouthShrugLower: () => shrug(0.004, 0.0026, 0.0014, 0.0016),
  mouthShrugUpper: () => shrug(0.0008, 0.0016, 0.0036, 0.0008),
  mouthPressLeft: () => press(1),
  mouthPressRight: () => press(-1),
  mouthLowerDownLeft: () => bared(LOWER_LIP, 1, -0.0078),
  mouthLowerDownRight: () => bared(LOWER_LIP, -1, -0.0078),
  mouthUpperUpLeft: () => bared(UPPER_LIP, 1, 0.0066),
  mouthUpperUpRight: () => bared(UPPER_LIP, -1, 0.0066),
  /** The tongue is drawn by whoever draws the mouth; the lower lip makes room for it. */
  tongueOut: () =>
    displacement((i) => (LOWER_LIP.has(i) ? [0, -0.0022 * (1 - 0.7 * outwards(i)), 0.001] : [0, 0, 0])),
};
