/** Lays the nodes of a circuit out in columns, from what comes first on the left to the surface on the right. */
import type { Circuit, NodeId } from '../document/schema';
import { CATALOGUE } from './catalogue';
import { planCircuit } from './plan';

const COLUMN = 216;
const GAP = 24;
/** Height of a node on the board, from its ports. */
const heightOf = (circuit: Circuit, id: NodeId): number => {
  const { inputs, outputs, settings } = CATALOGUE[circuit[id]!.type];
  return (
    44 + 28 * (inputs.length + outputs.length + settings.length + (circuit[id]!.type === 'picture' ? 1 : 0))
  );
};

export const tidyPlaces = (circuit: Circuit): Map<NodeId, readonly [number, number]> => {
  const { order } = planCircuit(circuit);
  /** Wires between a node and the surface, the longest way. */
  const depth = new Map<NodeId, number>(order.map(({ node }) => [node.id, 0]));
  for (const { node, inputs } of [...order].reverse())
    for (const input of inputs)
      if (input.from === 'wire')
        depth.set(input.node, Math.max(depth.get(input.node)!, depth.get(node.id)! + 1));
  const deepest = Math.max(0, ...depth.values());
  const below = new Map<number, number>();
  const places = new Map<NodeId, readonly [number, number]>();
  const put = (id: NodeId, column: number): void => {
    const y = below.get(column) ?? 0;
    places.set(id, [column * COLUMN, y]);
    below.set(column, y + heightOf(circuit, id) + GAP);
  };
  for (const { node } of order) put(node.id, deepest - depth.get(node.id)!);
  // What reaches nothing waits below.
  const floor = Math.max(0, ...below.values());
  let x = 0;
  for (const node of Object.values(circuit))
    if (!places.has(node.id)) {
      places.set(node.id, [x, floor + GAP]);
      x += COLUMN;
    }
  return places;
};
