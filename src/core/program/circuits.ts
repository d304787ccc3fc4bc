/** Plans behaviour circuits: their nodes in the order in which they are worked out, and what is wrong with them. */
import { isCircular } from '../document/expand';
import type { BehaviourNodes, CircuitId, Compounds, Effect, NodeId } from '../document/schema';
import { circuitsOn } from '../document/behaviour-queries';
import { planGraph, type GraphTrouble, type PlannedNode } from '../graph/plan';
import type { InputPort, OutputPort } from '../kinds/nodes/node-kind';
import {
  isEnd,
  keysOfNode,
  nodeKind,
  outputOf,
  portsOf,
  setSchema,
  type BehaviourNode,
} from '../kinds/nodes/nodes';
import { conversion, type PortType } from '../kinds/nodes/ports';
import { perDocument } from '../memo';
import { lackingIn } from '../schema/references';
import type { Referred } from '../schema/referred';

export type NodeTrouble =
  | GraphTrouble<NodeId>
  /** A wire carries what is not read there; it is not followed. */
  | {
      readonly code: 'mismatch';
      readonly node: NodeId;
      readonly port: string;
      readonly from: PortType;
      readonly to: PortType;
    }
  /** How it is set cannot be worked out; why, in a sentence. */
  | { readonly code: 'problem'; readonly node: NodeId; readonly why: string }
  /** Something that it needs is not chosen, or not there any more. */
  | { readonly code: 'lacks'; readonly node: NodeId; readonly what: Referred | null };
/** Whether it leaves something out; the others are worth a look. */
export const isSeriousTrouble = ({ code }: NodeTrouble): boolean => code !== 'idle';

export type PlannedBehaviour = PlannedNode<BehaviourNode, InputPort, OutputPort, NodeId>;
export interface CircuitPlan {
  /** Each after all that it reads, but for late inputs; those that reach no end stand at the end. */
  readonly order: readonly PlannedBehaviour[];
  readonly troubles: readonly NodeTrouble[];
}

/** The plan of one circuit. `has` says whether something that nodes name is there. */
export const planNodes = (
  nodes: BehaviourNodes,
  has: (to: Referred, id: string) => boolean = () => true,
  compounds: Compounds = {},
): CircuitPlan => {
  const all: readonly BehaviourNode[] = Object.values(nodes);
  // What comes out of a compound goes on outside; whether a use is for something is seen within.
  const ends = all.filter(
    ({ kind, off }) => !off && (isEnd(kind) || kind === 'leave' || kind === 'compound'),
  );
  const graph = withoutMismatches(nodes);
  const towards = planGraph(
    graph.nodes,
    ends.map(({ id }) => graph.nodes[id]!),
    portsOf,
  );
  // What reaches no end is worked out too: whoever builds wants to see what comes out of it.
  const planned = planGraph(
    graph.nodes,
    [...ends.map(({ id }) => graph.nodes[id]!), ...Object.values(graph.nodes)],
    portsOf,
  );
  const idle = towards.troubles.filter((t) => t.code === 'idle' && !nodes[t.node]!.off);
  return {
    order: planned.order,
    troubles: [
      ...graph.mismatches,
      ...planned.troubles,
      ...idle,
      ...ends.flatMap((node) => lacksOf(node, has)),
      ...all.filter((node) => !ends.includes(node)).flatMap((node) => lacksOf(node, has)),
      ...all.flatMap((node) => circleOf(node, compounds)),
    ],
  };
};

const circleOf = (node: BehaviourNode, compounds: Compounds): NodeTrouble[] => {
  const used = node.kind === 'compound' && node.set.compound !== null ? compounds[node.set.compound] : null;
  if (!used || !isCircular(used, compounds)) return [];
  const why = `“${used.name}” contains itself, so it gives nothing. Take it out of itself.`;
  return [{ code: 'problem', node: node.id, why }];
};

const lacksOf = (node: BehaviourNode, has: (to: Referred, id: string) => boolean): NodeTrouble[] => {
  const why = nodeKind(node.kind).problem?.(node.set as never);
  if (why) return [{ code: 'problem', node: node.id, why }];
  const what = lackingIn(setSchema(node.kind), node.set, has);
  if (what) return [{ code: 'lacks', node: node.id, what }];
  const isNowhere = nodeKind(node.kind).writes !== undefined && keysOfNode(node, {}).length === 0;
  return isNowhere ? [{ code: 'lacks', node: node.id, what: null }] : [];
};

/** Wires that carry what is not read where they end are left out. */
const withoutMismatches = (
  nodes: BehaviourNodes,
): { readonly nodes: BehaviourNodes; readonly mismatches: readonly NodeTrouble[] } => {
  const mismatches: NodeTrouble[] = [];
  const kept: Record<NodeId, BehaviourNode> = {};
  for (const node of Object.values<BehaviourNode>(nodes)) {
    let { inputs } = node;
    for (const port of portsOf(node).inputs) {
      const wire = inputs[port.name];
      const source = wire && nodes[wire.node];
      const from = source && outputOf(source, wire.port)?.type;
      if (!from || conversion(from, port.type) !== undefined) continue;
      mismatches.push({ code: 'mismatch', node: node.id, port: port.name, from, to: port.type });
      const { [port.name]: _refused, ...rest } = inputs;
      inputs = rest;
    }
    kept[node.id] = inputs === node.inputs ? node : { ...node, inputs };
  }
  return { nodes: kept, mismatches };
};

export interface PlannedCircuit extends CircuitPlan {
  readonly id: CircuitId;
}
/** All of them, planned. */
export const planCircuits = perDocument((effect: Effect): readonly PlannedCircuit[] =>
  circuitsOn(effect).map(({ id, nodes }) => ({ id, ...planNodes(nodes) })),
);
