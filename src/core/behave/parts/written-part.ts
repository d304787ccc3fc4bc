/**
 * The one place where numbers are written that lie over the document and over what cues have made of it, whoever works them out. Of two
 * that write the same thing in a step the later one wins: see `writing.ts` for the order.
 */
import type { AssetId, Effect, ObjectId, VariableId } from '../../document/schema';
import { extentFor } from '../../kinds/objects/resting';
import type { ShownPicture } from '../../kinds/values';
import type { InputOfCircuit, Setter, Sinks } from '../../kinds/writables/writable-kind';
import { setterOf, type Writable } from '../../kinds/writables/writables';
import type { Program } from '../../program/program';
import type { Hex, Seconds } from '../../units';
import { isOpenInput, withCircuitInputs } from '../circuit-inputs';
import type { ObjectsPart } from './objects-part';
import type { Part } from './part';
import type { PresencePart } from './presence-part';
import type { VariablesPart } from './variables-part';

export interface WrittenState {
  /** How long one round of an action takes, by its id. */
  readonly durations: Readonly<Record<string, Seconds>>;
  /** Inputs of surface circuits, by material, node and port. */
  readonly inputs: Readonly<Record<string, number>>;
}
const NOTHING: WrittenState = { durations: {}, inputs: {} };
/** The same record as before where nothing of it differs, so that what is made of it stays too. */
const unlessSame = (
  before: Readonly<Record<string, number>>,
  now: Readonly<Record<string, number>>,
): Readonly<Record<string, number>> => {
  const keys = Object.keys(now);
  const isSame = keys.length === Object.keys(before).length && keys.every((key) => before[key] === now[key]);
  return isSame ? before : now;
};

/** What writes when everything else has. */
interface LateWriter {
  writeAll(): void;
}
/** What it writes with; each thing is kept by the part that it belongs to. */
interface Around {
  readonly objects: ObjectsPart;
  readonly variables: VariablesPart;
  readonly presence: PresencePart;
}

export class WrittenPart implements Part<WrittenState>, Sinks {
  /** Of the step before, until this one is over. */
  private state = NOTHING;
  /** Of this step: what nobody writes in it is as it is without. */
  private durationsNow: Record<string, Seconds> = {};
  private inputsNow: Record<string, number> = {};
  private readonly durations = new Set<string>();
  private readonly inputs = new Map<string, InputOfCircuit>();
  /** Circuits, worked out before cues, write after drives. */
  late: LateWriter | null = null;
  private laid: { readonly of: WrittenState['inputs']; readonly effect: Effect } | null = null;

  constructor(
    private readonly program: Program,
    private readonly around: Around,
  ) {}

  /** To be got once by each writer, and called in every step in which it writes. */
  setterOf(writable: Writable): Setter {
    return setterOf(writable, this);
  }

  number(object: ObjectId, property: string): Setter | null {
    const i = this.program.indexOf.get(object);
    return i === undefined ? null : (value) => this.around.objects.setNumber(i, property, value);
  }
  text(object: ObjectId): Setter<string> | null {
    const i = this.program.indexOf.get(object);
    if (i === undefined || this.program.objects[i]!.kind !== 'text') return null;
    return (text) => this.around.objects.lay(i, { text });
  }
  colour(object: ObjectId): Setter<Hex> | null {
    const i = this.program.indexOf.get(object);
    return i === undefined ? null : (colour) => this.around.objects.lay(i, { colour });
  }
  picture(object: ObjectId): Setter<string> | null {
    const i = this.program.indexOf.get(object);
    const card = i === undefined ? null : this.program.objects[i]!;
    if (card?.kind !== 'card') return null;
    // The same record for the same picture, so that whoever draws it can tell by identity.
    const shown = new Map<string, ShownPicture | null>();
    return (id) => {
      if (!shown.has(id)) {
        const asset = this.program.effect.assets[id as AssetId];
        const isSeen = asset?.kind === 'picture' || asset?.kind === 'sequence' || asset?.kind === 'video';
        const extent = isSeen ? extentFor(card, asset.width / asset.height) : null;
        shown.set(id, extent && { asset: asset!.id, extent });
      }
      const picture = shown.get(id);
      if (picture) this.around.objects.lay(i!, { picture });
    };
  }
  variable(id: VariableId): Setter {
    return (value) => this.around.variables.set(id, value);
  }
  duration(action: string): Setter {
    this.durations.add(action);
    return (value) => void (this.durationsNow[action] = value);
  }
  input(of: InputOfCircuit): Setter | null {
    if (!isOpenInput(this.program.effect, of)) return null;
    const key = `${of.material} ${of.node} ${of.port}`;
    this.inputs.set(key, of);
    return (value) => void (this.inputsNow[key] = value);
  }

  /** How long one round of an action takes; undefined where nothing writes that. */
  durationOf(action: string): Seconds | undefined {
    const value = this.state.durations[action];
    return value !== undefined && value > 0 ? value : undefined;
  }

  /** The effect with what is written into its circuits; the same one while nothing of that changes. */
  effectNow(): Effect {
    const { inputs } = this.state;
    if (this.laid?.of !== inputs) {
      const values = Object.entries(inputs).map(([key, value]) => [this.inputs.get(key)!, value] as const);
      this.laid = { of: inputs, effect: withCircuitInputs(this.program.effect, values) };
    }
    return this.laid.effect;
  }

  step(): void {
    this.late?.writeAll();
    this.state = {
      durations: unlessSame(this.state.durations, this.durationsNow),
      inputs: unlessSame(this.state.inputs, this.inputsNow),
    };
    this.durationsNow = {};
    this.inputsNow = {};
    // Everything has moved that moves in this step.
    this.around.presence.forgetPlaces();
  }

  save(): WrittenState {
    return this.state;
  }
  restore(state: WrittenState): void {
    this.state = state;
  }
  /** What nobody writes any more is as it is without. */
  carry(_before: Program, { durations, inputs }: WrittenState): WrittenState {
    return {
      durations: keptOf(durations, (action) => this.durations.has(action)),
      inputs: keptOf(inputs, (key) => this.inputs.has(key)),
    };
  }
}

const keptOf = (
  values: Readonly<Record<string, number>>,
  isKept: (key: string) => boolean,
): Record<string, number> => Object.fromEntries(Object.entries(values).filter(([key]) => isKept(key)));
