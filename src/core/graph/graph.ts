/**
 * Nodes joined by wires, whatever they work out: a wire runs from an output of one node into an input of another. Surface and
 * behaviour circuits stand on this; what a node does is theirs.
 */

/** Where a wire begins. */
export interface Wire<Id extends string = string> {
  readonly node: Id;
  readonly port: string;
  /** Where it is led past on the board, from where it comes to where it runs. */
  readonly via?: readonly BoardPlace[] | undefined;
}
/** Pixels of the board, down from the top. */
export type BoardPlace = readonly [x: number, y: number];

/** A node, as far as wires and the board are concerned. */
export interface GraphNode<Id extends string = string> {
  readonly id: Id;
  /** Where it lies on the board. */
  readonly at: readonly [number, number];
  /** What runs into each of its inputs. */
  readonly inputs: Readonly<Record<string, Wire<Id>>>;
}
export type Graph<N extends GraphNode> = Readonly<Record<N['id'], N>>;

export interface GraphInput {
  readonly name: string;
  /** Without a wire the node makes no sense, and says so. */
  readonly needed?: true;
  /** It is read when all else of a step is worked out, for the next step: a wire into it closes no circle. */
  readonly late?: true;
}
export interface GraphOutput {
  readonly name: string;
}

/** What can run in and out of a node. */
export interface Ports<I extends GraphInput = GraphInput, O extends GraphOutput = GraphOutput> {
  readonly inputs: readonly I[];
  readonly outputs: readonly O[];
}

/** Whether a wire from one node into another would run in a circle. Wires into what is `isLate` close none. */
export const wouldLoop = <N extends GraphNode>(
  graph: Graph<N>,
  from: N['id'],
  to: N['id'],
  isLate: (node: N, port: string) => boolean = () => false,
): boolean => {
  const seen = new Set<string>();
  const ahead: string[] = [from];
  while (ahead.length > 0) {
    const next = ahead.pop()!;
    if (next === to) return true;
    if (seen.has(next)) continue;
    seen.add(next);
    const node = graph[next as N['id']] as N | undefined;
    for (const [port, wire] of Object.entries(node?.inputs ?? {}))
      if (!isLate(node!, port)) ahead.push(wire.node);
  }
  return false;
};

/** Copies of nodes beside them: wired among each other as they are, and to what they were wired to before. */
export const copiedNodes = <N extends GraphNode>(
  nodes: readonly N[],
  newId: () => N['id'],
  aside: readonly [number, number] = [28, 28],
): N[] => {
  const names = new Map<string, string>(nodes.map((n) => [n.id, newId()]));
  return nodes.map((n) => ({
    ...n,
    id: names.get(n.id)!,
    at: [n.at[0] + aside[0], n.at[1] + aside[1]],
    inputs: Object.fromEntries(
      Object.entries(n.inputs).map(([port, { node, port: from, via }]) => {
        const copy = names.get(node);
        // A wire from what was not copied runs straight.
        if (copy === undefined || !via) return [port, { node: copy ?? node, port: from }];
        return [port, { node: copy, port: from, via: via.map(([x, y]) => [x + aside[0], y + aside[1]]) }];
      }),
    ),
  }));
};
