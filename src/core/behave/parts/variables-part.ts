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
  private values: number[];
  private changed: VariableId[] = [];
  /** Handed out: what it holds is not changed any more. */
  private saved: VariablesState | null = null;
  private readonly indexOf: ReadonlyMap<string, number>;

  constructor(private readonly program: Program) {
    this.values = program.variables.map((v) => v.start);
    this.indexOf = new Map(program.variables.map(({ id }, i) => [id, i]));
  }

  /** NaN when there is no such variable. */
  of(id: string | null): number {
    return this.values[this.indexOf.get(id ?? '') ?? -1] ?? NaN;
  }

  /** Triggers hear of it in the next step. What is no variable is left alone. */
  set(id: VariableId | null, value: number): void {
    const i = id === null ? undefined : this.indexOf.get(id);
    const bounded = clamp(value, -FARTHEST, FARTHEST);
    if (i === undefined || this.values[i] === bounded) return;
    this.beforeChange();
    this.values[i] = bounded;
    this.changed.push(this.program.variables[i]!.id);
  }

  step(step: Step): void {
    if (this.changed.length === 0) return;
    step.happened = { ...step.happened, variables: new Set(this.changed) };
    this.beforeChange();
    this.changed = [];
  }

  /** Many may be set in a step: what no one else holds is changed in place. */
  private beforeChange(): void {
    if (this.saved === null) return;
    this.values = [...this.values];
    this.changed = [...this.changed];
    this.saved = null;
  }

  save(): VariablesState {
    return (this.saved ??= { values: this.values, changed: this.changed });
  }
  restore(state: VariablesState): void {
    this.values = [...state.values];
    this.changed = [...state.changed];
    this.saved = state;
  }
  carry(before: Program, { values, changed }: VariablesState): VariablesState {
    return {
      values: carriedById(before.variables, this.program.variables, values, this.values),
      changed,
    };
  }
}
