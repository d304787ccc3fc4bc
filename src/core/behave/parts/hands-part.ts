/** What the viewer does to objects by hand. */
import { Handling, type HandlingState } from '../../placing/handling';
import type { ByHand } from '../../placing/local';
import type { Program } from '../../program/program';
import { carriedByObject, type Part, type Step } from './part';

export class HandsPart implements Part<HandlingState> {
  private readonly handling: Handling;

  constructor(private readonly program: Program) {
    this.handling = new Handling(program);
  }

  /** Of object `i`; null when it was not handled. */
  of(i: number): ByHand | null {
    return this.handling.of(i);
  }

  step(step: Step): void {
    const { frame, inputs, now } = step.at;
    const held = this.handling.holds;
    this.handling.step(frame, inputs, now);
    if (held === null || this.handling.holds !== null) return;
    // Let go in this step.
    const anchor = this.program.anchors[held]!;
    if (anchor.kind === 'world') step.happened = { ...step.happened, placed: anchor.surface };
  }

  save(): HandlingState {
    return this.handling.state;
  }
  restore(state: HandlingState): void {
    this.handling.state = state;
  }
  carry(before: Program, { grip, hands }: HandlingState): HandlingState {
    const object = grip ? this.program.indexOf.get(before.objects[grip.object]!.id) : undefined;
    return {
      hands: carriedByObject(before, this.program, hands),
      grip: grip && object !== undefined ? { ...grip, object } : null,
    };
  }
}
