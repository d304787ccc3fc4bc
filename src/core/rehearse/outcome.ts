/** What came of rehearsals: one outcome for each rehearsal and take. */
import type { Seconds } from '../units';
import type { Verdict } from './judge';

export interface Outcome {
  /** What the rehearsal and the take are called. */
  readonly rehearsal: string;
  readonly take: string;
  readonly verdicts: readonly Verdict[];
  /** Why it could not be played; null when it was. */
  readonly trouble: string | null;
  /** How long it took. */
  readonly took: Seconds;
}

export const hasPassed = ({ verdicts, trouble }: Outcome): boolean =>
  trouble === null && verdicts.every((v) => v.passed);

/** "2 of 3 passed", in words. */
export const tallyOf = (
  outcomes: readonly Outcome[],
): { readonly passed: number; readonly failed: number } => {
  const passed = outcomes.filter(hasPassed).length;
  return { passed, failed: outcomes.length - passed };
};
