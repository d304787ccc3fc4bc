/** The effect's own variables, and which of them were changed since the step before. */
import type { VariableId } from '../../document/schema';
import { clamp } from '../../maths/scalar';
import type { Program } from '../../program/program';
import { carriedById, type Part, type Step } from './part';

/** Farther from nothing no variable goes, so that counting up for ever ends somewhere. */
const FARTHEST = 1e9;

export interface VariablesState {
  readonly values: readonly number[];
  readonly changed: readonly VariableId[];
}

export class VariablesPart implements Part<VariablesState> {
  private state: VariablesState;

  constructor(private readonly program: Program) {
    this.state = { values: program.variables.map((v) => v.start), changed: [] };
  }

  /** NaN when there is no such variable. */
  of(id: string | null): number {
    return this.state.values[this.indexOf(id)] ?? NaN;
  }
  private indexOf(id: string | null): number {
    return this.program.variables.findIndex((v) => v.id === id);
  }

  /** Triggers hear of it in the next step. What is no variable is left alone. */
  set(id: VariableId | null, value: number): void {
    const i = this.indexOf(id);
    const bounded = clamp(value, -FARTHEST, FARTHEST);
    if (i < 0 || this.state.values[i] === bounded) return;
    const { values, changed } = this.state;
    this.state = { values: values.with(i, bounded), changed: [...changed, this.program.variables[i]!.id] };
  }

  step(step: Step): void {
    const { changed } = this.state;
    if (changed.length === 0) return;
    step.happened = { ...step.happened, variables: new Set(changed) };
    this.state = { ...this.state, changed: [] };
  }

  save(): VariablesState {
    return this.state;
  }
  restore(state: VariablesState): void {
    this.state = state;
  }
  carry(before: Program, { values, changed }: VariablesState): VariablesState {
    return {
      values: carriedById(before.variables, this.program.variables, values, this.state.values),
      changed,
    };
  }
}
