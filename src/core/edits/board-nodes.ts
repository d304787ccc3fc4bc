/** A board, of a circuit or of a compound: what is on it, and edits of it. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import type {
  BehaviourNodes,
  BoardNotes,
  Circuit,
  CircuitId,
  Compound,
  CompoundId,
  Effect,
} from '../document/schema';

export type BoardId = CircuitId | CompoundId;
const NO_NODES: BehaviourNodes = {};
const NO_NOTES: Readonly<BoardNotes> = {};

const boardOf = (effect: Effect, board: BoardId): Circuit | Compound | undefined =>
  effect.circuits[board as CircuitId] ?? effect.compounds[board as CompoundId];
export const nodesOn = (effect: Effect, board: BoardId): BehaviourNodes =>
  boardOf(effect, board)?.nodes ?? NO_NODES;
export const notesOn = (effect: Effect, board: BoardId): Readonly<BoardNotes> =>
  boardOf(effect, board)?.notes ?? NO_NOTES;
export const boardName = (effect: Effect, board: BoardId): string =>
  boardOf(effect, board)?.name || 'circuit';

/** An edit of one board; one that is not there stays as it is. */
export const onBoard = (
  effect: Effect,
  id: BoardId,
  label: string,
  change: (board: Draft<Circuit> | Draft<Compound>, d: Draft<Effect>) => void,
): Edit =>
  edit(`${label} ${boardName(effect, id)}`, (d) => {
    const board = d.circuits[id as CircuitId] ?? d.compounds[id as CompoundId];
    if (board) change(board, d);
  });
