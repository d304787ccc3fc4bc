/** What parts of a model are called in lists. */
import { PLACED } from '../../schema/asset-schema';

/** A node of a file as it is named there, and the place in the list of the node that it hangs in. */
export interface NamedNode {
  readonly name: string;
  readonly above: number | null;
}

/**
 * A name for each node, in the order of the part tree; empty for what is no part to a creator. Tools hang the mesh of a node that holds
 * others into it under the same name: alone it is no part of its own, beside others it is the node itself.
 */
export const partNames = (nodes: readonly NamedNode[]): string[] => {
  const children = new Map<number, number>();
  for (const { above } of nodes) if (above !== null) children.set(above, (children.get(above) ?? 0) + 1);
  return nodes.map(({ name, above }, i) => {
    if (name === PLACED) return '';
    const isDouble = above !== null && name !== '' && name === nodes[above]!.name && !children.get(i);
    if (isDouble) return children.get(above) === 1 ? '' : `${name} itself`;
    return name || `Part ${i + 1}`;
  });
};
