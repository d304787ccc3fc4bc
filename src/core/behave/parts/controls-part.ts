/** What the viewer has set the effect's controls to. */
import type { Program } from '../../program/program';
import { carriedById, type Part, type Step } from './part';

const startOf = (control: Program['controls'][number]): number => {
  if (control.kind === 'slider' || control.kind === 'choice') return control.start;
  return control.kind === 'switch' && control.start ? 1 : 0;
};

export class ControlsPart implements Part<readonly number[]> {
  private values: readonly number[];

  constructor(private readonly program: Program) {
    this.values = program.controls.map(startOf);
  }

  /** NaN when there is no such control. */
  of(id: string): number {
    return this.values[this.program.controls.findIndex((c) => c.id === id)] ?? NaN;
  }

  step(step: Step): void {
    const { controls: set = [] } = step.at.inputs;
    if (set.length === 0) return;
    const values = [...this.values];
    for (const { control, value } of set) {
      const i = this.program.controls.findIndex((c) => c.id === control);
      if (i >= 0 && Number.isFinite(value)) values[i] = value;
    }
    this.values = values;
    step.happened = { ...step.happened, controls: new Set(set.map((c) => c.control)) };
  }

  save(): readonly number[] {
    return this.values;
  }
  restore(state: readonly number[]): void {
    this.values = state;
  }
  carry(before: Program, state: readonly number[]): readonly number[] {
    return carriedById(before.controls, this.program.controls, state, this.values);
  }
}
