/** The nodes of a board: of a circuit, or of a compound. */
import type { BehaviourNodes, CircuitId, CompoundId, Effect } from '../document/schema';

export type BoardId = CircuitId | CompoundId;
const NONE: BehaviourNodes = {};

export const nodesOn = (effect: Effect, board: BoardId): BehaviourNodes =>
  effect.circuits[board as CircuitId]?.nodes ?? effect.compounds[board as CompoundId]?.nodes ?? NONE;
export const boardName = (effect: Effect, board: BoardId): string =>
  (effect.circuits[board as CircuitId] ?? effect.compounds[board as CompoundId])?.name || 'circuit';
