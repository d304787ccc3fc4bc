/**
 * What the shipped face tracker makes of expressions: how its landmarks move with each, how they move when the head turns, and how they tremble. Learnt from drawn
 * performers by `scripts/expression-model`; here it is unpacked, and read against.
 */
import type { ExpressionName } from '../tracking/expression-names';
import type { Degrees } from '../units';
import { FACE_LANDMARKS } from './landmarks';

/** As it is kept in `expression-model.data.ts`. */
export interface PackedExpressionModel {
  readonly names: readonly string[];
  /** For each expression a row of 3 x 468 weights: base64 of 16 bit whole numbers, low byte first. */
  readonly rows: string;
  /** What one of those numbers stands for, by row. */
  readonly scales: readonly number[];
  /** How rows of two expressions agree, names x names. */
  readonly gram: readonly number[];
  /** What each term of a turned head adds to each row, terms x names. */
  readonly turned: readonly number[];
}

export interface ExpressionModel {
  readonly names: readonly ExpressionName[];
  readonly rows: readonly Float32Array[];
  readonly gram: Float64Array;
  readonly turned: Float64Array;
}

/** Terms by which landmarks of a turned head move though no expression does. */
export const TURN_TERMS = 8;

/** The terms of pitch, yaw and roll in degrees; `TURN_TERMS` numbers about 1 at 30 degrees. */
export const turnTerms = ([pitch, yaw, roll]: readonly [Degrees, Degrees, Degrees]): readonly number[] => {
  const [p, y, r] = [pitch / 30, yaw / 30, roll / 30];
  return [y, p, r, y * y, p * p, y * p, Math.abs(y), y ** 3];
};

/** How much more landmarks tremble on a head that is turned sideways: a factor, 1 from the front. */
export const turnNoise = (yaw: Degrees): number => 1 + 2 * Math.abs(yaw / 30);

const WEIGHTS = 3 * FACE_LANDMARKS;

/** Unpacks a model. */
export const unpackExpressionModel = (packed: PackedExpressionModel): ExpressionModel => {
  const bytes = Uint8Array.from(atob(packed.rows), (c) => c.charCodeAt(0));
  const view = new DataView(bytes.buffer);
  return {
    names: packed.names as readonly ExpressionName[],
    rows: packed.scales.map((scale, k) =>
      Float32Array.from({ length: WEIGHTS }, (_, i) => scale * view.getInt16(2 * (k * WEIGHTS + i), true)),
    ),
    gram: Float64Array.from(packed.gram),
    turned: Float64Array.from(packed.turned),
  };
};

/** What a face's landmarks (head space, metres) come to in each row of the model. */
export const rowsOf = (model: ExpressionModel, landmarks: ArrayLike<number>): Float64Array =>
  Float64Array.from(model.rows, (row) => {
    let sum = 0;
    for (let i = 0; i < WEIGHTS; i++) sum += row[i]! * landmarks[i]!;
    return sum;
  });
