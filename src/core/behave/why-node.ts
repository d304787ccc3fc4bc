/** Why nothing has come of a node on a take: the chain of nodes back to the one that keeps it. */
import type { BehaviourNodes, NodeId } from '../document/schema';
import { isEnd, portsOf, type BehaviourNode } from '../kinds/nodes/nodes';
import { portValue } from '../kinds/nodes/ports';

/** What was at an output over the take. */
export interface PortHistory {
  /** In so many steps it was yes, or passed. */
  readonly times: number;
  /** Least and most; null where it had no value at all. */
  readonly range: readonly [number, number] | null;
}
export type NodeCause =
  | { readonly code: 'off' }
  /** Nothing runs into this input, and without a wire it does nothing. */
  | { readonly code: 'unwired'; readonly port: string }
  /** It did not happen on this take. */
  | { readonly code: 'not-happened' }
  /** It is no all the time, so nothing gets through. */
  | { readonly code: 'shut'; readonly port: string }
  /** What it compares never came there. */
  | { readonly code: 'not-reached'; readonly range: readonly [number, number] | null }
  /** Something runs in; it gave nothing of it. */
  | { readonly code: 'kept' };

export interface NodeWhy {
  /** From the node that was asked about to the one that keeps it. */
  readonly through: readonly NodeId[];
  readonly cause: NodeCause;
}

/**
 * Why an event has not passed at a node, why it has not come true, or why an end did nothing. `history` is of outputs, over the take. Null
 * where something has come of it.
 */
export const whyNode = (
  nodes: BehaviourNodes,
  node: BehaviourNode,
  history: (node: NodeId, port: string) => PortHistory | undefined,
): NodeWhy | null => {
  const hasHappened = (of: BehaviourNode): boolean =>
    portsOf(of).outputs.some(({ name }) => (history(of.id, name)?.times ?? 0) > 0);
  const isAsked = portsOf(node).outputs.some(({ type }) => type === 'event' || type === 'truth');
  if (!isAsked && !isEnd(node.kind)) return null;
  if (isAsked && hasHappened(node)) return null;
  const through: NodeId[] = [];
  let at = node;
  for (;;) {
    const because = (cause: NodeCause): NodeWhy => ({ through, cause });
    if (through.includes(at.id)) return because({ code: 'kept' });
    through.push(at.id);
    if (at.off) return because({ code: 'off' });
    if (at.kind === 'trigger') return because({ code: 'not-happened' });
    const inputs = portsOf(at).inputs.map((port) => {
      const wire = at.inputs[port.name];
      const source = wire && nodes[wire.node as NodeId];
      return { port, source, past: wire && source ? history(source.id, wire.port) : undefined };
    });
    const lost = inputs.find(({ port, source }) => port.needed && !source);
    if (lost) return because({ code: 'unwired', port: lost.port.name });
    const silent = inputs.find(
      ({ port, source, past }) => port.type === 'event' && port.needed && source && past?.times === 0,
    );
    if (silent) {
      at = silent.source!;
      continue;
    }
    const shut = inputs.find(({ port, source, past }) => {
      if (port.type !== 'truth' && port.type !== 'event') return false;
      if (source) return past?.times === 0 && (port.type === 'truth' || !isEnd(at.kind));
      return port.type === 'truth' && portValue(at.values[port.name] ?? port.usual ?? 0, 'truth') === 0;
    });
    if (shut?.source && (at.kind === 'becomesTrue' || shut.port.type === 'truth')) {
      at = shut.source;
      continue;
    }
    if (shut && shut.port.type === 'truth') return because({ code: 'shut', port: shut.port.name });
    const compared = inputs.find(({ port, source }) => port.type === 'number' && source);
    if (compared && !isEnd(at.kind))
      return because({ code: 'not-reached', range: compared.past?.range ?? null });
    // An end with all it needs does what it does.
    return isEnd(at.kind) ? null : because({ code: 'kept' });
  }
};

/** The node, and all that it hears of: from outputs to inputs. */
export const upstream = (nodes: BehaviourNodes, node: NodeId, most: number): readonly NodeId[] => {
  const found = new Set<NodeId>([node]);
  for (const id of found)
    for (const wire of Object.values(nodes[id]?.inputs ?? {}))
      if (found.size < most && nodes[wire.node as NodeId]) found.add(wire.node as NodeId);
  return [...found];
};
