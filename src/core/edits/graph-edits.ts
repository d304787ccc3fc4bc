/** What is done to the nodes of any circuit, on a draft of it. Ids that are not there change nothing. */

/** A node as far as wires and the board are concerned, to be changed. */
interface DraftNode {
  at: [number, number];
  inputs: Record<string, { node: string; port: string }>;
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

/** Moves nodes on the board, to whole pixels of it. */
export const moveIn = (graph: DraftGraph, places: ReadonlyMap<string, readonly [number, number]>): void => {
  for (const [id, [x, y]] of places) if (graph[id]) graph[id].at = [Math.round(x), Math.round(y)];
};

/** Runs a wire into an input, instead of the one that ran there; null takes it away. */
export const wireIn = (graph: DraftGraph, to: PortOf, from: PortOf | null): void => {
  const node = graph[to.node];
  if (!node) return;
  if (from) node.inputs[to.port] = { node: from.node, port: from.port };
  else delete node.inputs[to.port];
};
