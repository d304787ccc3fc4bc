/** How well each performer is read by what was learnt from the others. */
import { ExpressionFit } from '../../src/core/face/expression-fit';
import { unpackExpressionModel } from '../../src/core/face/expression-model';
import { fromAngles } from '../../src/core/maths/quaternion';
import { FITTED_EXPRESSIONS, type ExpressionName } from '../../src/core/tracking/expression-names';
import type { Expressions } from '../../src/core/tracking/track-frame';
import { learn } from './learn';
import { pack } from './pack';
import type { Sample } from './sample';

/** Above this something is said to be seen. */
const SEEN = 0.3;
/** And above this it has to be. */
const STRONG = 0.5;

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);
const correlation = (a: readonly number[], b: readonly number[]): number => {
  const [ma, mb] = [mean(a), mean(b)];
  const sum = (f: (i: number) => number): number => a.reduce((s, _, i) => s + f(i), 0);
  return (
    sum((i) => (a[i]! - ma) * (b[i]! - mb)) /
    Math.sqrt(sum((i) => (a[i]! - ma) ** 2) * sum((i) => (b[i]! - mb) ** 2))
  );
};

/** Prints a line for each expression that the fit tells, and how often it tells one that is not there. */
export const judge = (samples: readonly Sample[]): void => {
  const told: { readonly truth: Expressions; readonly found: Expressions; readonly sample: Sample }[] = [];
  for (const performer of new Set(samples.map((s) => s.performer))) {
    const model = unpackExpressionModel(pack(learn(samples.filter((s) => s.performer !== performer))));
    const own = samples.filter((s) => s.performer === performer);
    const fit = new ExpressionFit(model);
    // It has seen the face for a while.
    const look = (s: Sample): Expressions => fit.next(s.landmarks, fromAngles(s.angles), s.read);
    for (const s of own) if (Object.keys(s.face).length === 0) look(s);
    if (!fit.isCalibrated) console.log(`${performer} was never seen at rest`);
    for (const sample of own) told.push({ truth: sample.face, found: look(sample), sample });
  }
  for (const [what, of] of [
    ['read from distances', ({ sample }) => sample.read],
    ['fitted', ({ found }) => found],
  ] as readonly (readonly [string, (t: (typeof told)[number]) => Expressions])[]) {
    console.log(what);
    const isSeen = (t: (typeof told)[number]): boolean =>
      FITTED_EXPRESSIONS.some((n) => (of(t)[n] ?? 0) > SEEN);
    const resting = told.filter(({ truth }) => Object.keys(truth).length === 0);
    const turned = resting.filter(({ sample }) => Math.abs(sample.angles[1]) > 15);
    console.log(
      `  something seen on a face at rest: ${(100 * mean(resting.map((t) => Number(isSeen(t))))).toFixed(1)} %`,
      `turned beyond 15 degrees: ${(100 * mean(turned.map((t) => Number(isSeen(t))))).toFixed(1)} % of ${turned.length}`,
    );
    for (const name of FITTED_EXPRESSIONS as readonly ExpressionName[]) {
      const [truth, found] = [told.map((t) => t.truth[name] ?? 0), told.map((t) => of(t)[name] ?? 0)];
      const [shown, strong] = [truth.map((v) => v > 0), truth.map((v) => v > STRONG)];
      const among = (which: readonly boolean[], f: (i: number) => number): number =>
        mean(which.flatMap((is, i) => (is ? [f(i)] : [])));
      console.log(
        `  ${name.padEnd(18)} correlation ${correlation(truth, found).toFixed(2)},`,
        `off where shown ${among(shown, (i) => Math.abs(truth[i]! - found[i]!)).toFixed(2)},`,
        `strong ones seen ${(100 * among(strong, (i) => Number(found[i]! > SEEN))).toFixed(0)} %,`,
        `seen where none is ${(
          100 *
          among(
            truth.map((v) => v === 0),
            (i) => Number(found[i]! > SEEN),
          )
        ).toFixed(1)} %`,
      );
    }
  }
};
