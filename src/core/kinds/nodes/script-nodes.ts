/** A node whose ports and sums its maker writes: a small module in a sandbox. */
import { z } from 'zod';
import type { Json, ScriptProblem } from '../../script/engine';
import { label, text } from '../../schema/values-schema';
import { perObject } from '../../memo';
import { linearOf, rgbOf } from '../../maths/srgb';
import { plainSignalSchema, type PlainSignal } from '../signals/plain-signals';
import { bounded, declaredPorts, inputPort, newPort, outputPort, type DeclaredPort } from './declared-ports';
import { defineNode, type NodePorts } from './node-kind';
import { isHex, NOTHING, PORT_TYPES, type PortType, type PortValue } from './ports';

/** A longer script nobody oversees, and each step reads it. */
export const MOST_SOURCE = 20_000;
const fields = {
  name: label,
  source: text(MOST_SOURCE),
  takes: declaredPorts,
  gives: declaredPorts,
  /** Signals of the effect that it names, by their names. */
  reads: z.record(text(60), plainSignalSchema),
};
export interface Script {
  readonly name: string;
  readonly source: string;
  readonly takes: readonly DeclaredPort[];
  readonly gives: readonly DeclaredPort[];
  readonly reads: Readonly<Record<string, PlainSignal>>;
}

const portsOfScript = perObject(({ takes, gives }: Script): NodePorts => ({
  inputs: takes.map(inputPort),
  outputs: gives.map(outputPort),
}));

/** What a script keeps: its state, what it gave last, and why it was stopped, with the source of which that is true. */
export interface ScriptMemory {
  readonly state: Json;
  readonly out: readonly PortValue[];
  readonly problem: ScriptProblem | null;
  readonly source: string;
}

const START_SOURCE = `export const state = { count: 0 };

export function step({ inputs, state }) {
  if (inputs.event) state.count += 1;
  return { count: state.count };
}
`;

export const SCRIPT_NODES = {
  script: defineNode({
    inputs: [inputPort(newPort('event', 'event'))],
    outputs: [outputPort(newPort('count'))],
    ports: portsOfScript,
    fields,
    fresh: {
      name: '',
      source: START_SOURCE,
      takes: [newPort('event', 'event')],
      gives: [newPort('count')],
      reads: {},
    },
    title: ({ name }) => name || null,
    signals: ({ reads }) => Object.values(reads),
    run: {
      as: 'memory',
      fresh: ({ gives }): ScriptMemory => ({
        state: null,
        out: gives.map(({ type }) => NOTHING[type]),
        problem: null,
        source: '',
      }),
      next: (kept, given: readonly PortValue[], set, at) => {
        const before = kept as ScriptMemory;
        const was = before.source === set.source ? before : renewed(before, set.source);
        if (was.problem) return resting(was, set);
        const inputs = Object.fromEntries(
          set.takes.map((port, i) => [port.name, jsonOf(bounded(given[i]!, port), port.type)]),
        );
        const taken = at.script(set.source, inputs, set.reads, was.state);
        if (!taken) return resting(was, set);
        const held = heldOut(was, set);
        if (taken.problem) return resting({ ...was, problem: taken.problem }, set);
        const out: PortValue[] = [];
        for (const [i, port] of set.gives.entries()) {
          const json = taken.out[port.name];
          const value = json === undefined ? held[i]! : portValueOf(json, port.type);
          if (value === null)
            return resting({ ...was, problem: { message: wrongOutput(port, json!), line: null } }, set);
          out.push(bounded(value, port));
        }
        return { state: { ...was, state: taken.state, out }, out };
      },
    },
  }),
} as const;

/** Written anew it goes on from its state, unless it was stopped: then it begins anew. */
const renewed = (was: ScriptMemory, source: string): ScriptMemory => ({
  ...was,
  source,
  state: was.problem ? null : was.state,
  problem: null,
});
/** What it gave last; events pass once. */
const heldOut = ({ out }: ScriptMemory, { gives }: Script): PortValue[] =>
  gives.map(({ type }, i) => (type === 'event' ? 0 : (out[i] ?? NOTHING[type])));
const resting = (state: ScriptMemory, set: Script) => {
  const out = heldOut(state, set);
  return { state: { ...state, out }, out };
};

const LONGEST_ID = 80;
/** What is at a port, as scripts see it. */
const jsonOf = (value: PortValue, type: PortType): Json =>
  type === 'truth' || type === 'event'
    ? value === 1
    : typeof value === 'number' && Number.isNaN(value)
      ? null
      : (value as Json);
/** What a script gave for a port; null where that is none. A number that is missing is NaN. */
const portValueOf = (json: Json, type: PortType): PortValue | null => {
  const { width } = PORT_TYPES[type];
  // An id as it came in, and no more.
  if (type === 'object' || type === 'picture')
    return typeof json === 'string' && json.length <= LONGEST_ID ? json : null;
  if (type === 'text')
    return typeof json === 'string' ? json : typeof json === 'number' ? String(json) : null;
  if (type === 'truth' || type === 'event')
    return typeof json === 'boolean' || typeof json === 'number' ? (json ? 1 : 0) : null;
  if (type === 'number')
    return typeof json === 'number'
      ? json
      : typeof json === 'boolean'
        ? Number(json)
        : json === null
          ? NaN
          : null;
  if (type === 'colour' && isHex(json)) return linearOf(rgbOf(json));
  if (!Array.isArray(json) || (width > 0 && json.length !== width)) return null;
  const numbers = json.map((n: unknown) => (n === null ? NaN : n));
  return numbers.every((n) => typeof n === 'number') ? numbers : null;
};
const wrongOutput = ({ name, type }: DeclaredPort, json: Json): string =>
  `It gave ${shortly(json)} for “${name}”, where ${PORT_TYPES[type].words} is wanted.`;
const shortly = (json: Json): string => {
  const words = JSON.stringify(json);
  return words.length > 40 ? `${words.slice(0, 39)}…` : words;
};
