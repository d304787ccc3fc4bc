/** What signals drive, over everything that cues have made of it. Each drive has a value of its own, behind its signal by its lag. */
import type { Drive } from '../../document/schema';
import type { Setter } from '../../kinds/writables/writable-kind';
import type { Writable } from '../../kinds/writables/writables';
import { followed } from '../../maths/motion';
import type { Program } from '../../program/program';
import { STEP } from '../../units';
import { remapped } from '../remap';
import { signalNow, type Instant } from '../signals';
import type { Part, Step } from './part';

/** In the order of the program's drives; NaN for one that never had a value. */
export type DriveValues = Float64Array;

export class DrivesPart implements Part<DriveValues> {
  private values: DriveValues;
  private readonly driven: readonly { readonly drive: Drive; readonly set: Setter }[];

  constructor(
    private readonly program: Program,
    setterOf: (writable: Writable) => Setter,
  ) {
    this.values = new Float64Array(program.drives.length).fill(NaN);
    this.driven = program.drives.map((drive) => ({ drive, set: setterOf(drive.to) }));
  }

  step({ at }: Step): void {
    // A new row a step, and the same one while nothing differs: snapshots hold on to it.
    const before = this.values;
    let now = before;
    for (let i = 0; i < this.driven.length; i++) {
      const { drive, set } = this.driven[i]!;
      const value = next(drive, before[i]!, at);
      if (Number.isNaN(value)) continue;
      if (value !== before[i]) {
        if (now === before) now = before.slice();
        now[i] = value;
      }
      set(value);
    }
    this.values = now;
  }

  save(): DriveValues {
    return this.values;
  }
  restore(state: DriveValues): void {
    this.values = state;
  }
  carry(before: Program, state: DriveValues): DriveValues {
    const had = new Map(before.drives.map(({ id }, i) => [id, state[i]!]));
    return Float64Array.from(this.program.drives, ({ id }) => had.get(id) ?? NaN);
  }
}

/** NaN while it never had a value. Where its signal has none, the last one stays. */
const next = (drive: Drive, before: number, at: Instant): number => {
  const value = signalNow(drive.signal, at);
  if (Number.isNaN(value)) return before;
  const wanted = remapped(value, drive.remap);
  return drive.lag > 0 && !Number.isNaN(before) ? followed(before, wanted, drive.lag, STEP) : wanted;
};
