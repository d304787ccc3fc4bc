/** A compound stays whole: it has one node for what runs in and one for what comes out, and never contains itself. */
import { usedBy } from '../document/expand';
import type { Effect } from '../document/schema';
import type { BehaviourNode } from '../kinds/nodes/nodes';
import type { BoardId } from './board-nodes';

/** Nodes that a compound has itself: they are made with it, and go with it. */
export const isPortNode = ({ kind }: Pick<BehaviourNode, 'kind'>): boolean =>
  kind === 'enter' || kind === 'leave';

/** Why a node cannot be put onto a board: a compound would contain itself, or have two of what it has one. Null where it can. */
export const whyNotOn = (effect: Effect, board: BoardId, node: BehaviourNode): string | null => {
  if (isPortNode(node))
    return 'What runs in and comes out of a compound is there once, and belongs to it. Nothing was added.';
  if (node.kind !== 'compound' || node.set.compound === null) return null;
  const used = effect.compounds[node.set.compound];
  const isWithin =
    (node.set.compound as string) === board || (used && usedBy(used, effect.compounds).has(board));
  return isWithin
    ? `“${used?.name ?? 'The compound'}” would contain itself: it can be put into circuits and into other compounds. Nothing was added.`
    : null;
};
