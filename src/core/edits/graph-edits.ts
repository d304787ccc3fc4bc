/** What is done to the nodes of any circuit, on a draft of it. Ids that are not there change nothing. */

import type { BoardPlace } from '../graph/graph';
import { MOST_BENDS } from '../schema/wire-schema';

/** A node as far as wires and the board are concerned, to be changed. */
interface DraftNode {
  at: [number, number];
  inputs: Record<string, { node: string; port: string; via?: [number, number][] | undefined }>;
}
type DraftGraph = Record<string, DraftNode>;
export interface PortOf {
  readonly node: string;
  readonly port: string;
}

/** Takes nodes away, with the wires that ran to and from them; those that `stay` do. */
export const removeFrom = <N extends DraftNode>(
  graph: Record<string, N>,
  gone: readonly string[],
  stay: (node: N) => boolean = () => false,
): void => {
  for (const id of gone) if (graph[id] && !stay(graph[id])) delete graph[id];
  for (const node of Object.values(graph))
    for (const [port, wire] of Object.entries(node.inputs)) if (!graph[wire.node]) delete node.inputs[port];
};

const whole = ([x, y]: BoardPlace): [number, number] => [Math.round(x), Math.round(y)];

/** Moves nodes on the board, to whole pixels of it. Bends of wires among those that go the same way go along. */
export const moveIn = (graph: DraftGraph, places: ReadonlyMap<string, BoardPlace>): void => {
  const ways = new Map<string, BoardPlace>();
  for (const [id, place] of places) {
    const node = graph[id];
    if (!node) continue;
    const at = whole(place);
    ways.set(id, [at[0] - node.at[0], at[1] - node.at[1]]);
    node.at = at;
  }
  for (const [id, [x, y]] of ways)
    for (const wire of Object.values(graph[id]!.inputs)) {
      const way = ways.get(wire.node);
      if (wire.via && way && way[0] === x && way[1] === y)
        wire.via = wire.via.map(([left, top]) => [left + x, top + y]);
    }
};

/** Leads a wire past these places, from where it comes to where it runs; along none it runs straight. */
export const bendIn = (graph: DraftGraph, to: PortOf, via: readonly BoardPlace[]): void => {
  const wire = graph[to.node]?.inputs[to.port];
  if (!wire) return;
  if (via.length > 0) wire.via = via.slice(0, MOST_BENDS).map(whole);
  else delete wire.via;
};

/** All wires run straight again: when nodes are laid out anew their bends lead nowhere. */
export const straightenIn = (graph: DraftGraph): void => {
  for (const node of Object.values(graph)) for (const wire of Object.values(node.inputs)) delete wire.via;
};

/** Runs a wire into an input, instead of the one that ran there; null takes it away. */
export const wireIn = (graph: DraftGraph, to: PortOf, from: PortOf | null): void => {
  const node = graph[to.node];
  if (!node) return;
  if (from) node.inputs[to.port] = { node: from.node, port: from.port };
  else delete node.inputs[to.port];
};
