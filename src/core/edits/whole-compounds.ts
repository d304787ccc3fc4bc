/** No compound contains itself. */
import { usedBy } from '../document/expand';
import type { Effect } from '../document/schema';
import type { BehaviourNode } from '../kinds/nodes/nodes';
import type { BoardId } from './board-nodes';

/** Why a node cannot be put onto a board: a compound would contain itself. Null where it can. */
export const whyNotOn = (effect: Effect, board: BoardId, node: BehaviourNode): string | null => {
  if (node.kind !== 'compound' || node.set.compound === null) return null;
  const used = effect.compounds[node.set.compound];
  const isWithin =
    (node.set.compound as string) === board || (used && usedBy(used, effect.compounds).has(board));
  return isWithin
    ? `“${used?.name ?? 'The compound'}” would contain itself: it can be put into circuits and into other compounds. Nothing was added.`
    : null;
};
