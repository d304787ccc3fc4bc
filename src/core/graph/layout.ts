/** Where nodes lie on a board: in columns, from what comes first on the left to the ends on the right. Pixels of the board. */
import type { Graph, GraphNode } from './graph';
import type { PlannedNode } from './plan';

/** Between columns, and between what stands below each other. */
const BESIDE = 26;
const GAP = 24;
/** Of a node, unless it is said. */
const WIDTH = 162;

type Place = readonly [number, number];

/** The nearest place to the one wanted where a node of this height lies on no other. */
export const freePlace = <N extends GraphNode>(
  graph: Graph<N>,
  heightOf: (node: N) => number,
  height: number,
  wanted: Place,
  width = WIDTH,
): Place => {
  const isFree = ([x, y]: Place): boolean =>
    Object.values<N>(graph).every(
      (n) =>
        Math.abs(n.at[0] - x) >= width + GAP / 2 ||
        y >= n.at[1] + heightOf(n) + GAP / 2 ||
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

/** Loose nodes lie in rows of so many. */
const A_ROW = 6;

/** Places for all nodes; those that reach no end, and those without any wire, wait in rows below. */
export const tidyPlaces = <N extends GraphNode>(
  graph: Graph<N>,
  order: readonly PlannedNode<N, unknown, unknown, N['id']>[],
  heightOf: (node: N) => number,
  width = WIDTH,
): Map<N['id'], Place> => {
  /** Wires between a node and the ends, the longest way. */
  const depth = new Map<N['id'], number>(order.map(({ node }) => [node.id, 0]));
  for (const { node, inputs } of [...order].reverse())
    for (const { wire } of inputs)
      if (wire) depth.set(wire.node, Math.max(depth.get(wire.node)!, depth.get(node.id)! + 1));
  const deepest = Math.max(0, ...depth.values());
  const below = new Map<number, number>();
  const places = new Map<N['id'], Place>();
  const wired = new Set(
    order.flatMap(({ node, inputs }) =>
      inputs.flatMap(({ wire }) => (wire ? [node.id, wire.node as N['id']] : [])),
    ),
  );
  for (const { node } of order) {
    if (!wired.has(node.id)) continue;
    const column = deepest - depth.get(node.id)!;
    const y = below.get(column) ?? 0;
    places.set(node.id, [column * (width + BESIDE), y]);
    below.set(column, y + heightOf(node) + GAP);
  }
  const loose = Object.values<N>(graph).filter(({ id }) => !places.has(id));
  let floor = Math.max(0, ...below.values()) + (below.size > 0 ? GAP : 0);
  for (let first = 0; first < loose.length; first += A_ROW) {
    const row = loose.slice(first, first + A_ROW);
    for (const [i, node] of row.entries()) places.set(node.id, [i * (width + BESIDE), floor]);
    floor += Math.max(...row.map(heightOf)) + GAP;
  }
  return places;
};
