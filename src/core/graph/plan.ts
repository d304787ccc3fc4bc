/** Puts nodes in the order in which they have to be worked out, and says what is wrong with their wires. */
import type { Graph, GraphInput, GraphNode, GraphOutput, Ports } from './graph';

export type GraphTrouble<Id extends string = string> =
  /** Wires run in a circle through these nodes; the one into `port` of `node` is not followed. */
  | { readonly code: 'loop'; readonly node: Id; readonly port: string; readonly through: readonly Id[] }
  /** The node makes no sense without a wire into this input. */
  | { readonly code: 'unwired'; readonly node: Id; readonly port: string }
  /** A wire comes from a node or an output that is not there. */
  | { readonly code: 'lost-wire'; readonly node: Id; readonly port: string }
  /** Nothing of it reaches an end. */
  | { readonly code: 'idle'; readonly node: Id };

/** What runs into an input: the output of a node; null where no wire runs in, or none that can be followed. */
export interface PlannedPort<I, O, Id extends string> {
  readonly port: I;
  readonly wire: { readonly node: Id; readonly output: O } | null;
}
export interface PlannedNode<N, I, O, Id extends string> {
  readonly node: N;
  readonly inputs: readonly PlannedPort<I, O, Id>[];
}
export interface GraphPlan<N, I, O, Id extends string> {
  /** Each after all that it needs, the ends among them. Nodes that reach no end are left out. */
  readonly order: readonly PlannedNode<N, I, O, Id>[];
  readonly troubles: readonly GraphTrouble<Id>[];
}

/**
 * The plan of a graph towards its ends, in the order in which those are given.
 *
 * ```ts
 * planGraph({ a, b }, [b], portsOf).order.map((p) => p.node.id); // ['a', 'b'] with a wire from a into b
 * ```
 */
export const planGraph = <N extends GraphNode, I extends GraphInput, O extends GraphOutput>(
  graph: Graph<N>,
  ends: readonly N[],
  portsOf: (node: N) => Ports<I, O>,
): GraphPlan<N, I, O, N['id']> => {
  const order: PlannedNode<N, I, O, N['id']>[] = [];
  const troubles: GraphTrouble<N['id']>[] = [];
  const done = new Set<string>();
  const under: N['id'][] = [];
  /** What late inputs read: it has to be worked out too, but not before. */
  const later: N[] = [];

  const wireInto = (node: N, port: I): PlannedPort<I, O, N['id']>['wire'] => {
    const wire = node.inputs[port.name];
    if (!wire) {
      if (port.needed) troubles.push({ code: 'unwired', node: node.id, port: port.name });
      return null;
    }
    const source = graph[wire.node as N['id']] as N | undefined;
    const output = source && portsOf(source).outputs.find((o) => o.name === wire.port);
    if (!source || !output) {
      troubles.push({ code: 'lost-wire', node: node.id, port: port.name });
      return null;
    }
    if (port.late) {
      later.push(source);
      return { node: source.id, output };
    }
    const at = under.indexOf(source.id);
    if (at >= 0) {
      troubles.push({ code: 'loop', node: node.id, port: port.name, through: under.slice(at) });
      return null;
    }
    visit(source);
    return { node: source.id, output };
  };

  const visit = (node: N): void => {
    if (done.has(node.id)) return;
    under.push(node.id);
    const inputs = portsOf(node).inputs.map((port) => ({ port, wire: wireInto(node, port) }));
    under.pop();
    done.add(node.id);
    order.push({ node, inputs });
  };

  ends.forEach(visit);
  while (later.length > 0) visit(later.shift()!);
  for (const node of Object.values<N>(graph))
    if (!done.has(node.id)) troubles.push({ code: 'idle', node: node.id });
  return { order, troubles };
};
