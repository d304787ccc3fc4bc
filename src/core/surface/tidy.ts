/** Lays the nodes of a circuit out in columns, from what comes first on the left to the surface on the right. */
import type { Circuit, NodeId, NodeType } from '../document/schema';
import { CATALOGUE } from './catalogue';
import { planCircuit } from './plan';

const COLUMN = 188;
const GAP = 24;
/** Height of a node on the board, from its ports. */
const nodeHeight = (type: NodeType): number => {
  const { inputs, outputs, settings } = CATALOGUE[type];
  return 44 + 28 * (inputs.length + outputs.length + settings.length + (type === 'picture' ? 1 : 0));
};

const WIDTH = 162;
/** The nearest place to the one wanted where a node of the board lies on no other. */
export const freePlace = (
  circuit: Circuit,
  type: NodeType,
  wanted: readonly [number, number],
): readonly [number, number] => {
  const height = nodeHeight(type);
  const isFree = ([x, y]: readonly [number, number]): boolean =>
    Object.values(circuit).every(
      (n) =>
        Math.abs(n.at[0] - x) >= WIDTH + GAP / 2 ||
        y >= n.at[1] + nodeHeight(n.type) + GAP / 2 ||
        n.at[1] >= y + height + GAP / 2,
    );
  for (let ring = 0; ring <= 60; ring++)
    for (let i = -ring; i <= ring; i++)
      for (let j = -ring; j <= ring; j++) {
        // Only the rim of the ring: what is nearer was tried before.
        if (Math.max(Math.abs(i), Math.abs(j)) !== ring) continue;
        const at = [wanted[0] + i * 40, wanted[1] + j * 40] as const;
        if (isFree(at)) return at;
      }
  return wanted;
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
    below.set(column, y + nodeHeight(circuit[id]!.type) + GAP);
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
