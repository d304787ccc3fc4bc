/**
 * The one runtime for behaviour: a list of parts (`parts/`), each of which takes its share of a step and keeps its own state. It holds no
 * clock and no chance: the same program, frames and inputs give the same values, so a take can be scrubbed both ways. Who wins when
 * several things write one property: `parts/writing.ts`.
 *
 *   const runtime = new Runtime(compile(effect));
 *   runtime.step(frame, inputs);          // one sixtieth of a second
 *   runtime.values(0).visible             // the first object's state now
 *   const saved = runtime.save();         // plain data; restore(saved) goes on exactly from there
 */
import type { CircuitId, CueId, Effect, EffectObject, NodeId, PromptId, SceneId } from '../document/schema';
import type { Particles } from '../fountain/particles';
import type { ByHand } from '../placing/local';
import type { ObjectPlaces, StateNow } from '../placing/places';
import type { Presence } from '../placing/presence';
import type { TrackFrame } from '../tracking/track-frame';
import { NO_INPUTS, type Inputs } from '../program/inputs';
import { ObjectsNow } from '../program/object-now';
import { CircuitsPart } from './parts/circuits-part';
import { ControlsPart } from './parts/controls-part';
import { CuesPart } from './parts/cues-part';
import { DrivesPart } from './parts/drives-part';
import { FountainsPart } from './parts/fountains-part';
import { HandsPart } from './parts/hands-part';
import { HearingPart } from './parts/hearing-part';
import { ObjectsPart } from './parts/objects-part';
import { NOTHING_HAPPENED, type Part, type StateOf, type Step } from './parts/part';
import { PresencePart } from './parts/presence-part';
import { PromptsPart } from './parts/prompts-part';
import { ScenePart } from './parts/scene-part';
import { SpeedsPart } from './parts/speeds-part';
import { VariablesPart } from './parts/variables-part';
import type { WholeWrites } from '../kinds/actions/action-kind';
import type { CueWrites } from './parts/writing';
import { WrittenPart } from './parts/written-part';
import type { Program } from '../program/program';
import type { ScriptEngine } from '../script/engine';
import { signalNow, type Readable, type SpeedMemory } from './signals';
import type { Setter } from '../kinds/writables/writable-kind';
import type { Writable } from '../kinds/writables/writables';
import type { PortValue } from '../kinds/nodes/ports';
import type { Signal } from '../kinds/signals/signals';
import type { Values } from '../kinds/values';
import type { Firing, Witness } from './witness';

export interface RuntimeOptions {
  /** Begins elsewhere than at the opening scene, for working on one. */
  readonly scene?: SceneId | null;
  /** Without particles, for whoever does not draw: they change nothing else. */
  readonly fountains?: boolean;
  /** Only this cue fires, at once: to see it by itself. */
  readonly only?: CueId | null;
  readonly witness?: Witness | null;
  /** Runs scripts; without it they rest. */
  readonly scripts?: ScriptEngine | null;
}

/** The parts, in the order in which they take a step. */
const partsOf = (
  program: Program,
  runtime: StateNow,
  { scene = null, fountains = true, only = null, witness = null, scripts = null }: RuntimeOptions,
) => {
  const presence = new PresencePart(program, runtime);
  const sceneNow = new ScenePart(program, scene);
  const variables = new VariablesPart(program);
  const objects = new ObjectsPart(program);
  const written = new WrittenPart(program, { objects, variables, presence });
  const byWhole: WholeWrites = {
    goTo: (to) => sceneNow.go(to),
    setVariable: (id, value) => variables.set(id, value),
    variable: (id) => variables.of(id),
    bid: (order) => cues.bid(order),
  };
  const byCues: CueWrites = {
    ...byWhole,
    get objects() {
      return objects.left;
    },
    addMotion: (i, motion) => objects.addMotion(i, motion),
  };
  const cues: CuesPart = new CuesPart(program, { write: byCues, presence, written }, { only, witness });
  const setterOf = (writable: Writable): Setter => written.setterOf(writable);
  const circuits = new CircuitsPart(program, {
    setterOf,
    sinks: written,
    // Looked at by itself, a cue is started by nothing else.
    write: only === null ? byWhole : { ...byWhole, bid: () => {} },
    tellCues: (step) => cues.tell(step),
    scripts: { engine: scripts, witness },
  });
  written.late = circuits;
  return {
    presence,
    hands: new HandsPart(program),
    controls: new ControlsPart(program),
    hearing: new HearingPart(program, presence),
    variables,
    scene: sceneNow,
    speeds: new SpeedsPart(),
    circuits,
    cues,
    prompts: new PromptsPart(program),
    objects,
    drives: new DrivesPart(program, setterOf),
    written,
    fountains: new FountainsPart(program, objects, presence, fountains),
  };
};
type Parts = ReturnType<typeof partsOf>;
type PartName = keyof Parts;
type States = { readonly [Name in PartName]: StateOf<Parts[Name]> };

/** All that a runtime keeps, at one moment. */
export interface Snapshot {
  readonly step: number;
  readonly states: States;
}

export class Runtime implements StateNow, Readable {
  private stepCount = 0;
  private readonly parts: Parts;
  private readonly inOrder: readonly (readonly [PartName, Part<unknown>])[];
  private readonly objects = new ObjectsNow();
  private heard: Inputs = NO_INPUTS;

  constructor(
    private readonly program: Program,
    options: RuntimeOptions = {},
  ) {
    this.parts = partsOf(program, this, options);
    this.inOrder = Object.entries(this.parts) as [PartName, Part<unknown>][];
  }

  /** Steps taken so far. */
  get steps(): number {
    return this.stepCount;
  }
  /** The state of object `i` of the program. Do not keep or change it. */
  values(i: number): Readonly<Values> {
    return this.parts.objects.of(i);
  }
  /** Object `i` as it is now: the same as in the document as long as nothing of it has changed. */
  objectNow(i: number): EffectObject {
    return this.objects.at(i, this.program.objects[i]!, this.values(i));
  }
  /** The effect as it is now: with what drives its circuits. The same one while nothing of that changes. */
  effectNow(): Effect {
    return this.parts.written.effectNow();
  }
  /** The particles of object `i`; null when there are none. */
  particlesOf(i: number): Particles | null {
    return this.parts.fountains.of(i);
  }
  /** Faces, pictures and surfaces as the last step left them. */
  get presence(): Presence {
    return this.parts.presence.now;
  }
  get scene(): SceneId | null {
    return this.parts.scene.now;
  }
  /** Whether cue `i` of the program has fired and has not come to its end. */
  isAtWork(i: number): boolean {
    return this.parts.cues.isAtWork(i);
  }
  progress(i: number): number {
    return this.parts.cues.progress(i);
  }
  times(i: number): number {
    return this.parts.cues.times(i);
  }
  control(id: string): number {
    return this.parts.controls.of(id);
  }
  variable(id: string): number {
    return this.parts.variables.of(id);
  }
  /** What is at an output of a node of a circuit; undefined where there is none. */
  nodeValue(circuit: CircuitId, node: NodeId, port: string): PortValue | undefined {
    return this.parts.circuits.valueAt(circuit, node, port);
  }
  /** What a node of a circuit has kept; undefined for one that keeps nothing. */
  nodeMemory(circuit: CircuitId, node: NodeId): unknown {
    return this.parts.circuits.memoryOf(circuit, node);
  }
  /** The prompt that is to be read now: the last one shown; null for none. */
  get prompt(): PromptId | null {
    return this.parts.prompts.now;
  }
  /** What the viewer did to object `i`; null when nothing. */
  byHand(i: number): ByHand | null {
    return this.parts.hands.of(i);
  }
  /** Where everything was before this step; after it, where it is. */
  places(): readonly ObjectPlaces[] {
    return this.parts.presence.places();
  }
  /** A signal as the last step left it. `memory` is of whoever asks again and again. */
  signal(signal: Signal, frame: TrackFrame, memory: SpeedMemory): number {
    const step = this.stepCount - 1;
    return signalNow(signal, { step, program: this.program, now: this, frame, inputs: this.heard, memory });
  }

  /** Runs one step and tells which cues fired in it. */
  step(frame: TrackFrame, inputs: Inputs = NO_INPUTS): Firing[] {
    this.heard = inputs;
    const { program, stepCount } = this;
    const { memory } = this.parts.speeds;
    const step: Step = {
      at: { step: stepCount, program, now: this, frame, inputs, memory },
      happened: NOTHING_HAPPENED,
      orders: [],
      fired: [],
    };
    for (const [, part] of this.inOrder) part.step?.(step);
    this.stepCount++;
    return step.fired;
  }

  save(): Snapshot {
    const states = Object.fromEntries(this.inOrder.map(([name, part]) => [name, part.save()]));
    return { step: this.stepCount, states: states as States };
  }

  restore({ step, states }: Snapshot): void {
    this.stepCount = step;
    for (const [name, part] of this.inOrder) part.restore(states[name]);
  }

  /**
   * Goes on from where a runtime of an earlier program was: on a camera, where nothing can be run again. What behaviour has made of things
   * goes on; what it has not touched is as this program's document says.
   */
  carryOn(before: Program, { step, states }: Snapshot): void {
    const carried = this.inOrder.map(([name, part]) => [name, part.carry(before, states[name])]);
    this.restore({ step, states: Object.fromEntries(carried) as States });
  }
}
