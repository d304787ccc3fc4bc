/** The particles of fountains, borne from where everything is at the end of the step. */
import type { Fountain } from '../../document/schema';
import type { Particles } from '../../fountain/particles';
import { facesBySlot } from '../../placing/presence';
import { Fountains, type FountainsState } from '../fountains';
import { objectAs } from '../../program/object-now';
import type { Program } from '../../program/program';
import type { ObjectsPart } from './objects-part';
import { carriedByObject, type Part } from './part';
import type { PresencePart } from './presence-part';

export class FountainsPart implements Part<FountainsState> {
  private readonly fountains: Fountains | null;

  /** Without particles it costs nothing: they change nothing else. */
  constructor(
    private readonly program: Program,
    private readonly objects: ObjectsPart,
    private readonly presence: PresencePart,
    isOn: boolean,
  ) {
    this.fountains = isOn && program.fountains.length > 0 ? new Fountains() : null;
  }

  /** Of object `i`; null when it has none. */
  of(i: number): Particles | null {
    return this.fountains?.of(i) ?? null;
  }

  step(): void {
    const { fountains, presence } = this;
    if (fountains) {
      const faces = facesBySlot(presence.now, presence.here!.frame);
      const places = presence.places();
      for (const i of this.program.fountains) {
        const place = places[i]!.places[0] ?? null;
        const values = this.objects.of(i);
        const fountain = objectAs(this.program.objects[i]!, values) as Fountain;
        const face = place?.face ?? faces.find((f) => f !== undefined) ?? null;
        fountains.step(i, fountain, values, place, presence.now, face);
      }
    }
    this.objects.endBursts();
  }

  save(): FountainsState {
    return this.fountains?.save() ?? {};
  }
  restore(state: FountainsState): void {
    this.fountains?.restore(state, (i) => this.program.objects[i] as Fountain);
  }
  carry(before: Program, state: FountainsState): FountainsState {
    return carriedByObject(before, this.program, state);
  }
}
