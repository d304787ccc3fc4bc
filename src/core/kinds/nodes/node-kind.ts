/**
 * What a kind of node of behaviour circuits is. Kinds stand in the files beside this one by what they are about, and are listed in
 * `nodes.ts`; what they are called stands in `words`. From there the schema of the document, the menu, the board, what an effect needs and how it
 * runs follow by themselves.
 */
import type { z } from 'zod';
import type { GraphInput, GraphOutput, Ports } from '../../graph/graph';
import type { Json, ScriptGiven, ScriptTaken } from '../../script/engine';
import type { UnitName } from '../../schema/properties';
import type { Rgb } from '../../maths/blend';
import type { Matrix } from '../../maths/matrix';
import type { Ray } from '../../maths/ray';
import type { Anchor } from '../../schema/anchor-schema';
import type { CameraState, LightEstimate } from '../../tracking/track-frame';
import type { Degrees, Seconds, Unit } from '../../units';
import type { Need } from '../needs';
import type { WholeWrites } from '../actions/action-kind';
import type { Names } from '../names';
import type { Signal } from '../signals/signals';
import type { WatchResult, WatchState } from '../triggers/trigger-kind';
import type { Trigger } from '../triggers/triggers';
import type { Sinks } from '../writables/writable-kind';
import type { Writable } from '../writables/writables';
import type { NodeValue, PortType, PortValue } from './ports';

export interface InputPort extends GraphInput {
  /** As it is shown, where its name says too little. */
  readonly label?: string;
  readonly type: PortType;
  /** What it is while no wire runs in. */
  readonly usual: NodeValue | null;
  readonly unit?: UnitName;
}
export interface OutputPort extends GraphOutput {
  readonly label?: string;
  readonly type: PortType;
  readonly unit?: UnitName;
}

export type NodePorts = Ports<InputPort, OutputPort>;

/** What nodes are told of where things are. World places in metres, picture places in shares from the top left. */
export interface NodeWorld {
  readonly camera: CameraState;
  /** What of the camera is seen. */
  readonly view: { readonly fovY: Degrees; readonly aspect: number };
  /** What the picture says about the light; null where that is not known. */
  readonly light: LightEstimate | null;
  /** The mean colour of the picture around a point of it, as amounts of light; null where that is not known. A kind that asks needs `colours`. */
  colourAround(x: Unit, y: Unit, size: Unit): Rgb | null;
  /** Where the picture was tapped since the last step. */
  readonly taps: readonly { readonly x: Unit; readonly y: Unit }[];
  /** From the space of what things stick to to the world's, with the number of the face or hand from 0; none where it is not seen. */
  anchors(anchor: Anchor): readonly { readonly instance: number; readonly matrix: Matrix }[];
  /** From the space of an object to the world's or the screen's, at each of its places. A kind that asks says `isPlaced`. */
  placesOf(object: string): readonly Matrix[];
  /** How far along a ray it meets an object; null where it misses. The same. */
  meets(object: string, ray: Ray): number | null;
  /** The object that is touched at a point of the picture. The same. */
  touched(x: Unit, y: Unit): string | null;
}

/** What nodes are told of the step that is worked out. */
export interface NodeInstant {
  /** Since the effect started. */
  readonly time: Seconds;
  readonly step: number;
  /** NaN where it has no value. */
  signal(signal: Signal): number;
  watch(trigger: Trigger, state: WatchState): WatchResult;
  readonly world: NodeWorld;
  /** A number of chance from 0 up to 1: of this node, this step and `n`. */
  random(n?: number): Unit;
  /** One step of a script; null while nothing is there that runs scripts. */
  script(
    source: string,
    inputs: ScriptGiven['inputs'],
    reads: Readonly<Record<string, Signal>>,
    state: Json,
  ): ScriptTaken | null;
}

/** How a node works out what comes out of it. */
export type NodeRun<Set, State> =
  /** Numbers in, one number out, nothing kept. */
  | { readonly as: 'numbers'; readonly of: (...numbers: number[]) => number }
  /** A number of the moment. */
  | { readonly as: 'reads'; readonly of: (set: Set, at: NodeInstant) => number }
  /** Numbers to a number, from what it gave in the step before; `fresh` before the first. */
  | {
      readonly as: 'follows';
      readonly fresh: number;
      readonly of: (was: number, ...numbers: number[]) => number;
    }
  /** One value an output, nothing kept. What goes in is not to be kept: it is filled anew. */
  | {
      readonly as: 'values';
      readonly of: (inputs: never, set: Set, at: NodeInstant) => readonly PortValue[];
    }
  /** The same with a state of its own: plain data, never changed, replaced. */
  | {
      readonly as: 'memory';
      readonly fresh: (set: Set) => State;
      readonly next: (
        state: State,
        inputs: never,
        set: Set,
        at: NodeInstant,
      ) => { readonly state: State; readonly out: readonly PortValue[] };
    };

/** What a kind says; `Set` is what can be set of a node of it beside its inputs. */
export interface NodeSpec<Set> {
  /** Its ports, where they go by how it is set; `inputs` and `outputs` are those of a new one. */
  readonly ports?: (set: Set) => NodePorts;
  readonly inputs: readonly InputPort[];
  readonly outputs: readonly OutputPort[];
  readonly run: NodeRun<Set, unknown>;
  /** What it is called on the board, where that goes by how it is set: "yaw of the head". */
  readonly title?: (set: Set, names: Names) => string | null;
  /** What is wrong with how it is set, in a sentence; null for nothing. */
  readonly problem?: (set: Set) => string | null;
  /** Signals and triggers that it looks at. */
  readonly signals?: (set: Set) => readonly Signal[];
  readonly triggers?: (set: Set) => readonly Trigger[];
  /** What of the world has to be known for it. */
  readonly needs?: (set: Set) => readonly Need[];
  /** Which of its inputs is the number of a face. */
  readonly faceInput?: string;
  /** It asks where objects are. */
  readonly isPlaced?: true;
  /** It writes its first input there, in each step in which its second is yes. */
  readonly writes?: (set: Set) => Writable;
  /** It lays its first input over an object there, in the same steps: a text, a colour. */
  readonly lays?: {
    /** As of writables: who has the same key lays the same thing. Null while it is to be chosen. */
    readonly key: (set: Set) => string | null;
    readonly setter: (set: Set, of: Sinks) => ((value: PortValue) => void) | null;
  };
  /** It writes by what is at its inputs, the last of which says whether it does. */
  readonly steers?: (set: Set, of: Sinks) => (inputs: readonly PortValue[]) => void;
  /** The key of what it writes then, where the object at its first input is known before anything runs. */
  readonly steersKey?: (set: Set, object: string) => string;
  /** An object that it gives whatever happens; null while it is to be chosen. */
  readonly gives?: (set: Set) => string | null;
  /** It does something in the step in which its first input, an event, passes. */
  readonly does?: (inputs: readonly PortValue[], set: Set, write: WholeWrites) => void;
}

interface Definition<F extends z.core.$ZodLooseShape> extends NodeSpec<SetOf<F>> {
  /** What can be set of it; see `schema/properties.ts` for fields that describe themselves. */
  readonly fields: F;
  readonly fresh: SetOf<F>;
}
export type SetOf<F extends z.core.$ZodLooseShape> = z.infer<z.ZodObject<F, z.core.$strict>>;

export const defineNode = <const F extends z.core.$ZodLooseShape>(definition: Definition<F>) => definition;
/** A kind of which nothing can be set. */
export const plainNode = (spec: NodeSpec<Record<never, never>>) =>
  defineNode({ ...spec, fields: {}, fresh: {} });

/** Inputs and outputs, written down shortly. */
export const input = (
  name: string,
  type: PortType,
  usual: NodeValue | null,
  more: Partial<InputPort> = {},
): InputPort => ({ name, type, usual, ...more });
export const num = (name: string, usual = 0, more: Partial<InputPort> = {}): InputPort =>
  input(name, 'number', usual, more);
export const truth = (name: string, usual: 0 | 1 = 0, more: Partial<InputPort> = {}): InputPort =>
  input(name, 'truth', usual, more);
/** An event has to come from somewhere. */
export const event = (name: string, more: Partial<InputPort> = {}): InputPort =>
  input(name, 'event', 0, { needed: true, ...more });
export const vector = (
  name: string,
  usual: [number, number, number] = [0, 0, 0],
  more: Partial<InputPort> = {},
) => input(name, 'vector', usual, more);
export const output = (name: string, type: PortType, more: Partial<OutputPort> = {}): OutputPort => ({
  name,
  type,
  ...more,
});

/** Numbers in, a number out. */
export const sum = (
  inputs: readonly InputPort[],
  of: (...numbers: number[]) => number,
  out: OutputPort = output('value', 'number'),
) => plainNode({ inputs, outputs: [out], run: { as: 'numbers', of } });

/** Numbers in, a number out, from what it was in the step before. */
export const follows = (
  inputs: readonly InputPort[],
  fresh: number,
  of: (was: number, ...numbers: number[]) => number,
  out: OutputPort = output('value', 'number'),
) => plainNode({ inputs, outputs: [out], run: { as: 'follows', fresh, of } });

/** Values in, values out, nothing kept. */
export const pure = (
  inputs: readonly InputPort[],
  outputs: readonly OutputPort[],
  of: (inputs: never, at: NodeInstant) => readonly PortValue[],
) => plainNode({ inputs, outputs, run: { as: 'values', of: (given, _set, at) => of(given, at) } });

/** The same with a state that is kept from step to step. */
export const keeps = <State>(
  inputs: readonly InputPort[],
  outputs: readonly OutputPort[],
  fresh: State,
  next: (
    state: State,
    inputs: never,
    at: NodeInstant,
  ) => { readonly state: State; readonly out: readonly PortValue[] },
) =>
  plainNode({
    inputs,
    outputs,
    run: {
      as: 'memory',
      fresh: () => fresh,
      next: (state, given, _set, at) => next(state as State, given, at),
    },
  });
