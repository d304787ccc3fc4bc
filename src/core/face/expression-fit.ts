/**
 * Expressions of one face by a bounded fit: which of them, each between 0 and 1, explain best how its landmarks differ from the same face at rest? What the tracker
 * gets wrong on turned heads is known and counts for little (generalised least squares), and expressions are taken to be few and weak unless the picture says more.
 */
import { clamp } from '../maths/scalar';
import { toAngles, type Quaternion } from '../maths/quaternion';
import { FITTED_EXPRESSIONS, type ExpressionName } from '../tracking/expression-names';
import type { Expressions } from '../tracking/track-frame';
import { rowsOf, TURN_TERMS, turnNoise, turnTerms, type ExpressionModel } from './expression-model';

const NOTHING: Expressions = Object.fromEntries(FITTED_EXPRESSIONS.map((name) => [name, 0]));

/** The least noise of the landmarks, in the model's own measure: what it does not know of other faces. */
const NOISE = 4;
/** Expressions are weak: what one of full strength has to gain in fit. */
const WEAK = 8;
/** They are few: what the first bit of one has to gain. */
const FEW = 6;
/** Both draw what is found towards nothing; this gives it back. */
const GAIN = 1.6;
/** Rounds of the fit; it hardly moves after half of them. */
const ROUNDS = 40;

/** So many restful pictures tell what a face is like at rest. */
const LEAST_AT_REST = 10;
/** And so many are remembered: who sits down anew, or is seen another way, is known again after some seconds. */
const MOST_AT_REST = 600;
/** A face is at rest where it is seen from its front and these are below. */
const STRAIGHT = 12;
const AT_REST: Readonly<Partial<Record<ExpressionName, number>>> = {
  jawOpen: 0.1,
  mouthPucker: 0.15,
  mouthSmileLeft: 0.25,
  mouthSmileRight: 0.25,
  eyeBlinkLeft: 0.4,
  eyeBlinkRight: 0.4,
};

const isAtRest = (read: Expressions): boolean =>
  (Object.entries(AT_REST) as [ExpressionName, number][]).every(([name, most]) => (read[name] ?? 0) < most);

/** Minimises w'(G/s)w / 2 - w'(b/s) + WEAK w'w / 2 + FEW sum(w) over 0 <= w <= 1, one coordinate after the other. */
const boundedFit = (gram: Float64Array, seen: ArrayLike<number>, noise: number): Float64Array => {
  const n = seen.length;
  const w = new Float64Array(n);
  for (let round = 0; round < ROUNDS; round++)
    for (let j = 0; j < n; j++) {
      let others = 0;
      for (let k = 0; k < n; k++) if (k !== j) others += gram[j * n + k]! * w[k]!;
      const pull = (seen[j]! - others) / noise - FEW;
      w[j] = clamp(pull / (gram[j * n + j]! / noise + WEAK), 0, 1);
    }
  return w;
};

/** One face from picture to picture: it learns what the face is like at rest. */
export class ExpressionFit {
  private atRest: Float64Array | null = null;
  private pictures = 0;

  constructor(private readonly model: ExpressionModel) {}

  /** Whether it knows the face at rest. */
  get isCalibrated(): boolean {
    return this.pictures >= LEAST_AT_REST;
  }

  /**
   * The expressions of a picture: `landmarks` in head space, metres, how the head is turned, and what was read from distances alone (`readExpressions`). Before the face
   * is known at rest it is what was read, and nothing where distances tell nothing.
   */
  next(landmarks: ArrayLike<number>, rotation: Quaternion, read: Expressions): Expressions {
    const [pitch, yaw, roll] = toAngles(rotation);
    const now = this.withoutTurn(rowsOf(this.model, landmarks), [pitch, yaw, roll]);
    if (Math.abs(pitch) < STRAIGHT && Math.abs(yaw) < STRAIGHT && isAtRest(read)) this.learn(now);
    if (!this.isCalibrated) return { ...NOTHING, ...read };
    const differs = now.map((v, k) => v - this.atRest![k]!);
    const found = boundedFit(this.model.gram, differs, NOISE * turnNoise(yaw) ** 2);
    const told = FITTED_EXPRESSIONS.map((name) => {
      const value = found[this.model.names.indexOf(name)]!;
      return [name, Math.min(1, GAIN * value)] as const;
    });
    return { ...read, ...Object.fromEntries(told) };
  }

  private withoutTurn(rows: Float64Array, angles: readonly [number, number, number]): Float64Array {
    const terms = turnTerms(angles);
    const { turned } = this.model;
    return rows.map((v, k) => {
      let sum = v;
      for (let t = 0; t < TURN_TERMS; t++) sum -= terms[t]! * turned[t * rows.length + k]!;
      return sum;
    });
  }

  private learn(rows: Float64Array): void {
    this.pictures = Math.min(MOST_AT_REST, this.pictures + 1);
    const before = this.atRest ?? rows;
    this.atRest = rows.map((v, k) => before[k]! + (v - before[k]!) / this.pictures);
  }
}
