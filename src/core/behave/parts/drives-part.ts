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

/** By the id of the drive. */
export type DriveValues = Readonly<Record<string, number>>;

export class DrivesPart implements Part<DriveValues> {
  private values: DriveValues = {};
  private readonly driven: readonly { readonly drive: Drive; readonly set: Setter }[];

  constructor(program: Program, setterOf: (writable: Writable) => Setter) {
    this.driven = program.drives.map((drive) => ({ drive, set: setterOf(drive.to) }));
  }

  step({ at }: Step): void {
    // One record a step, and the same one while nothing differs: snapshots hold on to it.
    const now: Record<string, number> = { ...this.values };
    let differs = false;
    for (const { drive, set } of this.driven) {
      const value = this.next(drive, at);
      if (value === undefined) continue;
      if (value !== now[drive.id]) differs = true;
      now[drive.id] = value;
      set(value);
    }
    if (differs) this.values = now;
  }

  /** Undefined while it never had a value. Where its signal has none, the last one stays. */
  private next(drive: Drive, at: Instant): number | undefined {
    const value = signalNow(drive.signal, at);
    const before = this.values[drive.id];
    if (Number.isNaN(value)) return before;
    const wanted = remapped(value, drive.remap);
    return drive.lag > 0 && before !== undefined ? followed(before, wanted, drive.lag, STEP) : wanted;
  }

  save(): DriveValues {
    return this.values;
  }
  restore(state: DriveValues): void {
    this.values = state;
  }
  carry(_before: Program, state: DriveValues): DriveValues {
    return state;
  }
}
