/** The short texts that tell the viewer what to do: which of them is to be read. */
import type { PromptId } from '../../document/schema';
import type { Program } from '../../program/program';
import { nextPrompts, restingPrompts, type PromptState } from '../prompts';
import { carriedById, type Part, type Step } from './part';

export class PromptsPart implements Part<readonly PromptState[]> {
  private states: readonly PromptState[];

  constructor(private readonly program: Program) {
    this.states = restingPrompts(program);
  }

  /** The last one shown that is not hidden again; null for none. */
  get now(): PromptId | null {
    let best: PromptId | null = null;
    let since = -1;
    this.states.forEach(({ shownAt }, i) => {
      if (shownAt === null || shownAt < since) return;
      since = shownAt;
      best = this.program.prompts[i]!.id;
    });
    return best;
  }

  step({ at, happened, orders }: Step): void {
    this.states = nextPrompts(this.program, this.states, at, happened, orders);
  }

  save(): readonly PromptState[] {
    return this.states;
  }
  restore(state: readonly PromptState[]): void {
    this.states = state;
  }
  carry(before: Program, state: readonly PromptState[]): readonly PromptState[] {
    return carriedById(before.prompts, this.program.prompts, state, this.states);
  }
}
