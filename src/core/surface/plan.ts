/** Puts the nodes of a circuit in the order in which they have to be worked out, and says what is wrong with it. */
import type { Circuit, CircuitNode, NodeId } from '../document/schema';
import { CATALOGUE } from './catalogue';
import { readsPlace, settingOf, type InputPort } from './node-kind';
import { converted, numbersOf, type PortType } from './ports';

export type CircuitProblem =
  | { readonly code: 'no-surface' }
  /** Wires run in a circle through these nodes; the one into `port` of `node` is not followed. */
  | {
      readonly code: 'loop';
      readonly node: NodeId;
      readonly port: string;
      readonly through: readonly NodeId[];
    }
  /** The node makes no sense without a wire into this input. */
  | { readonly code: 'unwired'; readonly node: NodeId; readonly port: string }
  /** A wire comes from a node or an output that is not there. */
  | { readonly code: 'lost-wire'; readonly node: NodeId; readonly port: string }
  | { readonly code: 'no-picture'; readonly node: NodeId }
  | { readonly code: 'lost-picture'; readonly node: NodeId }
  /** Nothing of it reaches the surface. */
  | { readonly code: 'idle'; readonly node: NodeId };

export type PlannedInput = { readonly port: InputPort } & (
  | { readonly from: 'wire'; readonly node: NodeId; readonly output: string; readonly type: PortType }
  | { readonly from: 'value'; readonly value: readonly number[] }
  /** The place of the point. */
  | { readonly from: 'place' }
  /** Left to whoever uses it. */
  | { readonly from: 'nothing' }
);

export interface PlannedNode {
  readonly node: CircuitNode;
  readonly inputs: readonly PlannedInput[];
  readonly settings: Readonly<Record<string, string>>;
}

export interface Plan {
  /** Each after all that it needs; the surface is the last. Nodes that do not reach it are left out. */
  readonly order: readonly PlannedNode[];
  readonly problems: readonly CircuitProblem[];
}

export const surfaceNode = (circuit: Circuit): CircuitNode | null =>
  Object.values(circuit).find((n) => n.type === 'surface') ?? null;

const valueOf = (node: CircuitNode, port: InputPort): readonly number[] =>
  numbersOf(node.values[port.name], port.type) ??
  numbersOf(port.usual, port.type) ??
  converted([0], 'n', port.type);

/** `hasAsset` says whether a picture is there. */
export const planCircuit = (circuit: Circuit, hasAsset: (id: string) => boolean = () => true): Plan => {
  const order: PlannedNode[] = [];
  const problems: CircuitProblem[] = [];
  const done = new Set<NodeId>();
  const under: NodeId[] = [];

  const inputOf = (node: CircuitNode, port: InputPort): PlannedInput => {
    const wire = node.inputs[port.name];
    const source = wire ? circuit[wire.node] : undefined;
    const output = source && CATALOGUE[source.type].outputs.find((o) => o.name === wire!.port);
    if (wire && !output) problems.push({ code: 'lost-wire', node: node.id, port: port.name });
    if (output) {
      const at = under.indexOf(source.id);
      if (at < 0) {
        visit(source);
        return { port, from: 'wire', node: source.id, output: output.name, type: output.type };
      }
      problems.push({ code: 'loop', node: node.id, port: port.name, through: under.slice(at) });
    } else if (port.needed && !wire) problems.push({ code: 'unwired', node: node.id, port: port.name });
    if (readsPlace(port)) return { port, from: 'place' };
    if (port.open) return { port, from: 'nothing' };
    return { port, from: 'value', value: valueOf(node, port) };
  };

  const visit = (node: CircuitNode): void => {
    if (done.has(node.id)) return;
    under.push(node.id);
    const kind = CATALOGUE[node.type];
    const inputs = kind.inputs.map((port) => inputOf(node, port));
    under.pop();
    done.add(node.id);
    if (node.type === 'picture') {
      if (!node.picture) problems.push({ code: 'no-picture', node: node.id });
      else if (node.picture.from === 'asset' && !hasAsset(node.picture.asset))
        problems.push({ code: 'lost-picture', node: node.id });
    }
    order.push({
      node,
      inputs,
      settings: Object.fromEntries(kind.settings.map((s) => [s.name, settingOf(s, node.values[s.name])])),
    });
  };

  const surface = surfaceNode(circuit);
  if (surface) visit(surface);
  else problems.push({ code: 'no-surface' });
  for (const node of Object.values(circuit))
    if (!done.has(node.id)) problems.push({ code: 'idle', node: node.id });
  return { order, problems };
};

/** Whether a wire from one node into another would run in a circle. */
export const wouldLoop = (circuit: Circuit, from: NodeId, to: NodeId): boolean => {
  const seen = new Set<NodeId>();
  const ahead: NodeId[] = [from];
  while (ahead.length > 0) {
    const next = ahead.pop()!;
    if (next === to) return true;
    if (seen.has(next)) continue;
    seen.add(next);
    for (const wire of Object.values(circuit[next]?.inputs ?? {})) ahead.push(wire.node);
  }
  return false;
};
