/** The plan of a surface circuit: its nodes in order, what runs into each, and what is wrong with it. */
import type { SurfaceCircuit, SurfaceNode, NodeId } from '../document/schema';
import { planGraph, type GraphPlan, type GraphTrouble } from '../graph/plan';
import { SURFACE_NODES } from './catalogue';
import { readsPlace, settingOf, type InputPort, type SurfaceNodeKind } from './node-kind';
import { converted, numbersOf, type PortType } from './ports';

export type CircuitProblem =
  | GraphTrouble<NodeId>
  | { readonly code: 'no-surface' }
  | { readonly code: 'no-picture'; readonly node: NodeId }
  | { readonly code: 'lost-picture'; readonly node: NodeId };

export type PlannedInput = { readonly port: InputPort } & (
  | { readonly from: 'wire'; readonly node: NodeId; readonly output: string; readonly type: PortType }
  | { readonly from: 'value'; readonly value: readonly number[] }
  /** The place of the point. */
  | { readonly from: 'place' }
  /** Left to whoever uses it. */
  | { readonly from: 'nothing' }
);

export interface PlannedNode {
  readonly node: SurfaceNode;
  readonly inputs: readonly PlannedInput[];
  readonly settings: Readonly<Record<string, string>>;
}

export interface Plan {
  /** Each after all that it needs; the surface is the last. Nodes that do not reach it are left out. */
  readonly order: readonly PlannedNode[];
  readonly problems: readonly CircuitProblem[];
}

/** The node in which the wires end; null where there is none. */
export const surfaceNode = (circuit: SurfaceCircuit): SurfaceNode | null =>
  Object.values(circuit).find((n) => n.type === 'surface') ?? null;

/** The wires alone. */
export const planWires = (
  circuit: SurfaceCircuit,
): GraphPlan<SurfaceNode, InputPort, SurfaceNodeKind['outputs'][number], NodeId> => {
  const surface = surfaceNode(circuit);
  return planGraph(circuit, surface ? [surface] : [], (node) => SURFACE_NODES[node.type]);
};

const valueOf = (node: SurfaceNode, port: InputPort): readonly number[] =>
  numbersOf(node.values[port.name], port.type) ??
  numbersOf(port.usual, port.type) ??
  converted([0], 'n', port.type);

/** What an input without a wire reads. */
const unwired = (node: SurfaceNode, port: InputPort): PlannedInput => {
  if (readsPlace(port)) return { port, from: 'place' };
  if (port.open) return { port, from: 'nothing' };
  return { port, from: 'value', value: valueOf(node, port) };
};

const pictureProblem = (node: SurfaceNode, hasAsset: (id: string) => boolean): CircuitProblem | null => {
  if (node.type !== 'picture') return null;
  if (!node.picture) return { code: 'no-picture', node: node.id };
  const isLost = node.picture.from === 'asset' && !hasAsset(node.picture.asset);
  return isLost ? { code: 'lost-picture', node: node.id } : null;
};

/** `hasAsset` says whether a picture is there. */
export const planCircuit = (
  circuit: SurfaceCircuit,
  hasAsset: (id: string) => boolean = () => true,
): Plan => {
  const { order, troubles } = planWires(circuit);
  return {
    order: order.map(({ node, inputs }) => ({
      node,
      inputs: inputs.map(({ port, wire }): PlannedInput => {
        if (!wire) return unwired(node, port);
        const { name: output, type } = wire.output;
        return { port, from: 'wire', node: wire.node, output, type };
      }),
      settings: Object.fromEntries(
        SURFACE_NODES[node.type].settings.map((s) => [s.name, settingOf(s, node.values[s.name])]),
      ),
    })),
    problems: [
      ...(surfaceNode(circuit) ? [] : [{ code: 'no-surface' } as const]),
      ...order.flatMap(({ node }) => pictureProblem(node, hasAsset) ?? []),
      ...troubles,
    ],
  };
};
