/** From samples to a model: how landmarks move with each expression and with turns of the head, and what is left as noise. */
import { solveLinear } from '../../src/core/maths/linear';
import { Random } from '../../src/core/maths/random';
import { displacementOf, MOVABLE, type MovableExpression } from '../../src/core/face/expressions';
import { turnNoise, turnTerms, TURN_TERMS, type ExpressionModel } from '../../src/core/face/expression-model';
import { FACE_LANDMARKS } from '../../src/core/face/landmarks';
import { OTHER_SIDE } from '../../src/core/face/regions';
import { otherSide, type Sample } from './sample';

const WEIGHTS = 3 * FACE_LANDMARKS;
/** The tracker's mesh does not follow these, or not so that they could be told from others: they are no part of the fit. */
const UNSEEN = /^(cheek|noseSneer|mouthDimple|mouthClose|mouthPress|mouthShrug|jawForward|tongueOut|eyeLook)/;
/** Directions in which landmarks go astray together. */
const DIRECTIONS = 60;
/** The landmarks move by about half of what the face does; what is learnt is drawn towards that. */
const PRIOR_GAIN = 0.5;
const PRIOR = { expressions: 30, turns: 0.3 };
/** What no direction explains is worse on faces that were not learnt from. */
const REST = 10;
/** Performers at rest are seen from their front within these degrees. */
const STRAIGHT = 12;

const NAMES = MOVABLE.filter((name) => !name.startsWith('eyeLook'));

interface Row {
  /** How the landmarks differ from the same face at rest. */
  readonly moved: Float64Array;
  readonly terms: readonly number[];
  readonly strengths: readonly number[];
  readonly noise: number;
}
const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** A performer's face at rest, landmark by landmark. */
export const atRest = (samples: readonly Sample[]): Float64Array => {
  const resting = samples.filter(({ face }) => Object.keys(face).length === 0);
  const straight = resting.filter(({ angles: [p, y] }) => Math.abs(p) < STRAIGHT && Math.abs(y) < STRAIGHT);
  const of = straight.length > 2 ? straight : resting;
  return Float64Array.from({ length: WEIGHTS }, (_, i) => median(of.map(({ landmarks }) => landmarks[i]!)));
};
/** All samples of all performers, and their mirror images. */
const rowsFrom = (samples: readonly Sample[]): readonly Row[] => {
  const performers = [...new Set(samples.map((s) => s.performer))];
  return performers.flatMap((performer) => {
    const own = samples.filter((s) => s.performer === performer);
    const rest = atRest(own);
    return own.flatMap(({ face, angles: [pitch, yaw, roll], landmarks }): Row[] => {
      const moved = rest.map((v, i) => landmarks[i]! - v);
      const mirrored = Float64Array.from(
        moved,
        (_, i) => (i % 3 === 0 ? -1 : 1) * moved[3 * OTHER_SIDE[Math.floor(i / 3)]! + (i % 3)]!,
      );
      const noise = turnNoise(yaw);
      return [
        {
          moved,
          terms: turnTerms([pitch, yaw, roll]),
          strengths: NAMES.map((name) => face[name] ?? 0),
          noise,
        },
        {
          moved: mirrored,
          terms: turnTerms([pitch, -yaw, -roll]),
          strengths: NAMES.map((name) => face[otherSide(name)] ?? 0),
          noise,
        },
      ];
    });
  });
};

/** Ridge regression of every coordinate on the terms and the strengths; each answer is a row of `WEIGHTS`. */
const regress = (rows: readonly Row[], prior: (name: MovableExpression) => Float64Array): Float64Array[] => {
  const size = TURN_TERMS + NAMES.length;
  const inputs = rows.map(({ terms, strengths }) => [...terms, ...strengths]);
  const squares = new Float64Array(size * size);
  for (const input of inputs)
    for (let i = 0; i < size; i++)
      for (let k = 0; k < size; k++) squares[i * size + k]! += input[i]! * input[k]!;
  for (let i = 0; i < size; i++) squares[i * size + i]! += i < TURN_TERMS ? PRIOR.turns : PRIOR.expressions;
  const priors = NAMES.map(prior);
  const products = Array.from({ length: size }, () => new Float64Array(WEIGHTS));
  for (const [n, { moved, strengths }] of rows.entries()) {
    const left = moved.slice();
    for (const [k, strength] of strengths.entries())
      if (strength !== 0) for (let i = 0; i < WEIGHTS; i++) left[i]! -= strength * priors[k]![i]!;
    for (let j = 0; j < size; j++)
      if (inputs[n]![j] !== 0)
        for (let i = 0; i < WEIGHTS; i++) products[j]![i]! += inputs[n]![j]! * left[i]!;
  }
  const inverse = invert(squares, size);
  return Array.from({ length: size }, (_, j) => {
    const answer = j < TURN_TERMS ? new Float64Array(WEIGHTS) : priors[j - TURN_TERMS]!.slice();
    for (let k = 0; k < size; k++) {
      const factor = inverse[j * size + k]!;
      for (let i = 0; i < WEIGHTS; i++) answer[i]! += factor * products[k]![i]!;
    }
    return answer;
  });
};
const invert = (a: Float64Array, n: number): Float64Array => {
  const out = new Float64Array(n * n);
  for (let c = 0; c < n; c++) {
    const unit = new Float64Array(n);
    unit[c] = 1;
    if (!solveLinear(a.slice(), unit, n)) throw new Error('The samples do not tell the expressions apart.');
    for (let r = 0; r < n; r++) out[r * n + c] = unit[r]!;
  }
  return out;
};

/** The strongest directions of some residuals and how far they go, squared, by orthogonal iteration. */
const directionsOf = (
  residuals: readonly Float64Array[],
): { readonly directions: Float64Array[]; readonly variances: readonly number[] } => {
  const random = new Random(7);
  let directions = Array.from({ length: DIRECTIONS }, () =>
    Float64Array.from({ length: WEIGHTS }, () => random.between(-1, 1)),
  );
  const dot = (a: Float64Array, b: Float64Array): number => {
    let sum = 0;
    for (let i = 0; i < WEIGHTS; i++) sum += a[i]! * b[i]!;
    return sum;
  };
  const orthonormal = (list: Float64Array[]): Float64Array[] => {
    const out: Float64Array[] = [];
    for (const v of list) {
      for (const u of out) {
        const along = dot(u, v);
        for (let i = 0; i < WEIGHTS; i++) v[i]! -= along * u[i]!;
      }
      const length = Math.sqrt(dot(v, v)) || 1;
      out.push(v.map((x) => x / length));
    }
    return out;
  };
  directions = orthonormal(directions);
  for (let round = 0; round < 12; round++) {
    const next = directions.map(() => new Float64Array(WEIGHTS));
    for (const r of residuals)
      for (const [k, direction] of directions.entries()) {
        const along = dot(r, direction);
        const into = next[k]!;
        for (let i = 0; i < WEIGHTS; i++) into[i]! += along * r[i]!;
      }
    directions = orthonormal(next);
  }
  const variances = directions.map(
    (direction) => residuals.reduce((sum, r) => sum + dot(r, direction) ** 2, 0) / residuals.length,
  );
  return { directions, variances };
};

/** The model of some samples. */
export const learn = (samples: readonly Sample[]): ExpressionModel => {
  const rows = rowsFrom(samples);
  const answers = regress(rows, (name) =>
    displacementOf(name)
      .slice(0, WEIGHTS)
      .map((v) => PRIOR_GAIN * v),
  );
  const residuals = rows.map(({ moved, terms, strengths, noise }) => {
    const left = moved.slice();
    for (const [j, input] of [...terms, ...strengths].entries())
      if (input !== 0) for (let i = 0; i < WEIGHTS; i++) left[i]! -= input * answers[j]![i]!;
    return left.map((v) => v / noise);
  });
  const { directions, variances } = directionsOf(residuals);
  const all = residuals.reduce((sum, r) => sum + r.reduce((s, v) => s + v * v, 0), 0) / residuals.length;
  const explained = variances.reduce((a, b) => a + b, 0);
  const rest = (REST * Math.max(0, all - explained)) / WEIGHTS;

  const names = NAMES.filter((name) => !UNSEEN.test(name));
  const moves = names.map((name) => answers[TURN_TERMS + NAMES.indexOf(name)]!);
  // A row is the move through the inverse of the noise's covariance.
  const weighted = moves.map((move) => {
    const out = move.map((v) => v / rest);
    for (const [k, direction] of directions.entries()) {
      let along = 0;
      for (let i = 0; i < WEIGHTS; i++) along += move[i]! * direction[i]!;
      const factor = along * (1 / (variances[k]! + rest) - 1 / rest);
      for (let i = 0; i < WEIGHTS; i++) out[i]! += factor * direction[i]!;
    }
    return out;
  });
  const inner = (a: Float64Array, b: Float64Array): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
  return {
    names,
    rows: weighted.map((row) => Float32Array.from(row)),
    gram: Float64Array.from(weighted.flatMap((row) => moves.map((move) => inner(row, move)))),
    turned: Float64Array.from(
      answers.slice(0, TURN_TERMS).flatMap((turn) => weighted.map((row) => inner(row, turn))),
    ),
  };
};
