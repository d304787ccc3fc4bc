/** Recorded settings of controls as runs: a slider that is dragged is set in every step, and is one thing that the viewer did. */
import type { Seconds } from '../units';
import type { RecordedOf } from './recorded';

/** Settings of one control that are no farther apart belong together. */
const APART: Seconds = 0.15;

/** `controls` are in order of time. Runs are in order of their ends; each holds at least one record, the last one it ended with. */
export const controlRuns = (
  controls: readonly RecordedOf<'control'>[],
): readonly (readonly RecordedOf<'control'>[])[] => {
  const runs: RecordedOf<'control'>[][] = [];
  const open = new Map<string, RecordedOf<'control'>[]>();
  for (const record of controls) {
    const run = open.get(record.input.control);
    if (run && record.time - run.at(-1)!.time <= APART) run.push(record);
    else {
      const begun = [record];
      open.set(record.input.control, begun);
      runs.push(begun);
    }
  }
  return runs.sort((a, b) => a.at(-1)!.time - b.at(-1)!.time);
};
