/** Words about behaviour circuits. */
import type { BehaviourNodes, Effect } from '../core/document/schema';
import { missing } from '../core/behave/explain';
import { NODE_WORDS } from '../core/kinds/nodes/words/node-words';
import type { NodePorts } from '../core/kinds/nodes/node-kind';
import { inputOf, nodeKind, outputOf, portsOf, type BehaviourNode } from '../core/kinds/nodes/nodes';
import { conversion, isMissing, PORT_TYPES, type PortType, type PortValue } from '../core/kinds/nodes/ports';
import type { Rgb } from '../core/maths/blend';
import { hexOfLight } from '../core/maths/srgb';
import { UNITS, type UnitName } from '../core/schema/properties';
import { written } from '../core/kinds/written';
import type { PortPlace } from '../core/behave/port-place';
import type { NodeWhy } from '../core/behave/why-node';
import type { NodeTrouble } from '../core/program/circuits';
import type { Writer } from '../core/document/behaviour-queries';
import { namesIn, signalWords } from './when-words';
import { LACKS } from './why-words';

/** What a node is called: by how it is set where that says more. */
export const nodeName = (effect: Effect, node: BehaviourNode): string => {
  const { title } = nodeKind(node.kind);
  return title?.(node.set as never, namesIn(effect)) ?? NODE_WORDS[node.kind].name;
};
/** What of a node's ports the board shows: within a compound, what runs in only comes out there, and the other way round. */
export const boardPorts = (node: BehaviourNode): NodePorts => {
  const ports = portsOf(node);
  if (node.kind === 'enter') return { ...ports, inputs: [] };
  return node.kind === 'leave' ? { ...ports, outputs: [] } : ports;
};
/** What it does, in a sentence: of a compound as its maker says it. */
export const nodeNote = (effect: Effect, node: BehaviourNode): string =>
  (node.kind === 'compound' && node.set.compound !== null && effect.compounds[node.set.compound]?.note) ||
  NODE_WORDS[node.kind].note;
/** An output of a run: "count of “Counter”", within a compound behind its use. */
export const portPlaceWords = (effect: Effect, { circuit, node, port }: PortPlace): string => {
  let nodes: BehaviourNodes = effect.circuits[circuit]?.nodes ?? {};
  const names: string[] = [];
  let label = port;
  for (const part of node.split('/') as BehaviourNode['id'][]) {
    const at = nodes[part];
    if (!at) return `${port} of a node that is gone`;
    names.push(nodeName(effect, at));
    label = outputOf(at, port)?.label ?? port;
    nodes =
      (at.kind === 'compound' && at.set.compound !== null && effect.compounds[at.set.compound]?.nodes) || {};
  }
  return `${label} of “${names.join('” in “')}”`;
};
/** How a wire is read that brings another type than its input has; null where nothing is converted. */
export const conversionInto = (
  nodes: BehaviourNodes,
  node: BehaviourNode,
  port: string,
): { readonly mark: string; readonly words: string } | null => {
  const wire = node.inputs[port];
  const source = wire && nodes[wire.node as BehaviourNode['id']];
  const from = source && outputOf(source, wire.port)?.type;
  const to = inputOf(node, port)?.type;
  const words = from && to ? conversion(from, to) : null;
  if (!from || !to || !words) return null;
  return {
    mark: `${PORT_TYPES[from].mark} → ${PORT_TYPES[to].mark}`,
    words: `Brings ${PORT_TYPES[from].words}, read as ${PORT_TYPES[to].words}: ${words}.`,
  };
};
const portName = (node: BehaviourNode | undefined, port: string): string =>
  (node && inputOf(node, port)?.label) ?? port;

/** Who writes the same, for a sentence. */
export const writerWords = (effect: Effect, writer: Writer): string =>
  writer.by === 'drive'
    ? signalWords(effect, writer.drive.signal)
    : `“${nodeName(effect, writer.node)}” in ${writer.circuit.name || 'a circuit without a name'}`;
/** That others write the same and count instead; null for none. */
export const overruledWords = (effect: Effect, by: readonly Writer[]): string | null =>
  by.length === 0
    ? null
    : `${by.map((writer) => writerWords(effect, writer)).join(' and ')} writes the same, and comes later: that one counts.`;

/** Why nothing has come of a node on the take, with the mend. */
export const whyNodeWords = (effect: Effect, nodes: BehaviourNodes, { through, cause }: NodeWhy): string => {
  const name = (id: BehaviourNode['id']): string =>
    nodes[id] ? `“${nodeName(effect, nodes[id])}”` : 'a deleted node';
  const last = through.at(-1)!;
  const node = nodes[last];
  const way =
    through.length > 2
      ? ` It waits for it through ${through.slice(1, -1).reverse().map(name).join(', ')}.`
      : '';
  const port = 'port' in cause ? portName(node, cause.port) : '';
  const of = through.length > 1 ? name(last) : 'It';
  const what = ((): string => {
    switch (cause.code) {
      case 'off':
        return `${of} is switched off. Switch it on.`;
      case 'unwired':
        return `Nothing runs into ${port}${through.length > 1 ? ` of ${name(last)}` : ''}. Run a wire there.`;
      case 'not-happened':
        return `${of} did not happen on this take. Do it in the Viewfinder, or choose another take.`;
      case 'shut':
        return `${port} of ${name(last)} is no all the time, so nothing gets through.`;
      case 'not-reached':
        return cause.range === null
          ? `What ${name(last)} looks at has no value on this take.`
          : `${of} never came true: what it looks at went from ${short(cause.range[0])} to ${short(cause.range[1])}.`;
      case 'kept':
        return `Something runs into ${name(last)}, but nothing came out of it on this take.`;
    }
  })();
  return `Nothing has come of it. ${what}${way}`;
};

/** What is wrong with a node, and what to do. */
export const troubleWords = (effect: Effect, nodes: BehaviourNodes, trouble: NodeTrouble): string => {
  const name = (id: BehaviourNode['id']): string =>
    nodes[id] ? nodeName(effect, nodes[id]) : 'a deleted node';
  const port = 'port' in trouble ? portName(nodes[trouble.node], trouble.port) : '';
  switch (trouble.code) {
    case 'loop':
      return `The wires run in a circle through ${[...new Set(trouble.through.map(name))].join(', ')}. Put “A step before” into it; until then the wire into ${port} is not followed.`;
    case 'unwired':
      return `Nothing runs into ${port}, so it does nothing. Run a wire there.`;
    case 'lost-wire':
      return `The wire into ${port} comes from something that is gone. Take it off, or run another there.`;
    case 'idle':
      return 'Nothing comes of it: run a wire from it to a node that writes or does something.';
    case 'mismatch':
      return `The wire into ${port} brings ${PORT_TYPES[trouble.from].words} where ${PORT_TYPES[trouble.to].words} is wanted. It is not followed.`;
    case 'problem':
      return trouble.why;
    case 'lacks':
      return trouble.what === null
        ? 'Choose what it writes.'
        : `It needs ${LACKS[missing(trouble.what) ?? 'object']}: choose one.`;
  }
};
/** A value at a port, short enough to stand beside it, in the unit in which it is typed into fields. */
export const valueWords = (
  value: PortValue,
  type: PortType,
  unit: UnitName = 'plain',
  nameOf: (id: string) => string | undefined = () => undefined,
): string => {
  const { factor, mark } = UNITS[unit];
  if (type === 'object' || type === 'picture')
    return value === '' ? 'none' : cut(nameOf(String(value)) ?? 'one that is gone');
  if (typeof value === 'string') return cut(value);
  if (type === 'list') return `${(value as readonly number[]).length} numbers`;
  if (isMissing(value)) return '–';
  if (type === 'colour') return hexOfLight(value as unknown as Rgb);
  if (typeof value !== 'number') return `${value.map((n) => short(n * factor)).join(' ')}${mark}`;
  if (type === 'truth') return value ? 'yes' : 'no';
  if (type === 'event') return value ? 'now' : '';
  return `${short(value * factor)}${mark}`;
};
const cut = (words: string): string => (words.length > 12 ? `${words.slice(0, 11)}…` : words);
const short = (n: number): string => (Math.abs(n) >= 1000 ? String(Math.round(n)) : written(n));
