/** Faces, pictures and surfaces as they were seen last, in slots that stay theirs; and from them where everything is. */
import type { Here } from '../../placing/anchors';
import { placesOf, type ObjectPlaces, type StateNow } from '../../placing/places';
import { NOBODY, nextPresence, type Presence } from '../../placing/presence';
import { reshaped } from '../../placing/reshape';
import { viewOf } from '../../placing/touch';
import type { Program } from '../../program/program';
import type { Part, Step } from './part';

export class PresencePart implements Part<Presence> {
  now: Presence = NOBODY;
  /** Of this step; found when they are first asked for. */
  private found: { readonly here: Here; places: readonly ObjectPlaces[] | null } | null = null;

  constructor(
    private readonly program: Program,
    private readonly state: StateNow,
  ) {}

  /** Where faces, pictures and surfaces are in this step. */
  get here(): Here | null {
    return this.found?.here ?? null;
  }
  /** Where everything is: before anything has moved in this step, where the step before left it. */
  places(): readonly ObjectPlaces[] {
    if (!this.found) return [];
    return (this.found.places ??= placesOf(this.program, this.state, this.found.here));
  }
  /** Things have moved: they are placed anew when somebody asks. */
  forgetPlaces(): void {
    if (this.found) this.found.places = null;
  }

  step({ at: { frame, inputs } }: Step): void {
    const { targets } = this.program;
    this.now = nextPresence(this.now, frame, targets);
    const { aspect } = viewOf(frame, inputs.view);
    const here = reshaped(this.program, this.state, { frame, presence: this.now, targets, aspect });
    this.found = { here, places: null };
    // Before anything moves: what asks where things are is told where the step before left them, whatever its place in the sheet.
    if (this.program.wantsPlaces) this.places();
  }

  save(): Presence {
    return this.now;
  }
  restore(state: Presence): void {
    this.now = state;
    this.found = null;
  }
  carry(_before: Program, state: Presence): Presence {
    return state;
  }
}
