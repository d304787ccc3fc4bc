/** What signals drive, over everything that cues have made of it. */
import type { Effect } from '../../document/schema';
import { Driving, type DriveValues } from '../driving';
import type { Program } from '../../program/program';
import type { Part, Step } from './part';
import type { PresencePart } from './presence-part';
import type { DriveWrites } from './writing';

export class DrivesPart implements Part<DriveValues> {
  private readonly driving: Driving;

  constructor(
    private readonly program: Program,
    private readonly write: DriveWrites,
    private readonly presence: PresencePart,
  ) {
    this.driving = new Driving(program);
  }

  /** How long one round of an action is driven to take; undefined where nothing drives it. */
  durationOf(action: string): number | undefined {
    return this.driving.durationOf(action);
  }
  /** The effect with what drives its circuits; the same one while nothing of that changes. */
  effectNow(): Effect {
    return this.driving.effectNow();
  }

  step({ at }: Step): void {
    for (const drive of this.program.drives) {
      const value = this.driving.step(drive, at);
      if (value === undefined) continue;
      const { to } = drive;
      if (to.kind === 'variable') this.write.setVariable(to.variable, value);
      else if (to.kind === 'number')
        for (const object of to.objects) {
          const i = this.program.indexOf.get(object);
          if (i !== undefined) this.write.setNumber(i, to.property, value);
        }
    }
    // Everything has moved that moves in this step.
    this.presence.forgetPlaces();
  }

  save(): DriveValues {
    return this.driving.values;
  }
  restore(state: DriveValues): void {
    this.driving.values = state;
  }
  carry(_before: Program, state: DriveValues): DriveValues {
    return state;
  }
}
