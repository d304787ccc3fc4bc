/** What signals drive, step by step: each drive has a value of its own, behind its signal by its lag. */
import type { Drive, Effect } from '../document/schema';
import { STEP } from '../units';
import { withCircuitInputs } from './circuit-inputs';
import { followed } from '../maths/motion';
import type { Program } from '../program/program';
import { remapped } from './remap';
import { signalNow, type Instant } from './signals';

/** By the id of the drive. */
export type DriveValues = Readonly<Record<string, number>>;

export class Driving {
  values: DriveValues = {};
  private circuits: { readonly key: string; readonly effect: Effect } | null = null;

  constructor(private readonly program: Program) {}

  /** One step of one drive: its value, undefined while it never had one. What has no value drives nothing: the last one stays. */
  step(drive: Drive, at: Instant): number | undefined {
    const value = signalNow(drive.signal, at);
    const before = this.values[drive.id];
    if (Number.isNaN(value)) return before;
    const wanted = remapped(value, drive.remap);
    const now = drive.lag > 0 && before !== undefined ? followed(before, wanted, drive.lag, STEP) : wanted;
    if (now !== before) this.values = { ...this.values, [drive.id]: now };
    return now;
  }

  /** How long one round of an action is driven to take; undefined where nothing drives it. */
  durationOf(action: string): number | undefined {
    const drive = this.program.durations.get(action);
    const value = drive && this.values[drive.id];
    return value !== undefined && value > 0 ? value : undefined;
  }

  /** The effect with what drives its circuits; the same one while nothing of that changes. */
  effectNow(): Effect {
    const driven = this.program.drives.flatMap((drive) => {
      const value = this.values[drive.id];
      return drive.to.kind === 'circuit' && value !== undefined ? [[drive.to, value] as const] : [];
    });
    if (driven.length === 0) return this.program.effect;
    const key = driven.map(([, value]) => value).join();
    if (this.circuits?.key !== key)
      this.circuits = { key, effect: withCircuitInputs(this.program.effect, driven) };
    return this.circuits.effect;
  }
}
