/** What the viewer does with fingers, head and camera buttons, told apart as gestures. */
import { Hearing, type HearingState } from '../hearing';
import type { Program } from '../../program/program';
import type { Part, Step } from './part';
import type { PresencePart } from './presence-part';

export class HearingPart implements Part<HearingState> {
  private readonly hearing: Hearing;

  constructor(
    program: Program,
    private readonly presence: PresencePart,
  ) {
    this.hearing = new Hearing(program);
  }

  step(step: Step): void {
    const { events = [] } = step.at.inputs;
    step.happened = { ...step.happened, ...this.hearing.step(step.at, this.presence.here!), events };
  }

  save(): HearingState {
    return this.hearing.state;
  }
  restore(state: HearingState): void {
    this.hearing.state = state;
  }
  carry(_before: Program, state: HearingState): HearingState {
    return state;
  }
}
