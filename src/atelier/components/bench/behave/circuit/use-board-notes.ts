/** Notes and areas on the board that is open, and the edits of them. */
import { computed } from 'vue';
import {
  newBoardNote,
  type BoardNote,
  type BoardNoteId,
  type BoardNoteKind,
  type BoardNotes,
} from '../../../../../core/document/board-note-schema';
import { notesOn, type BoardId } from '../../../../../core/edits/board-nodes';
import { addNotes, changeNote, copiedNotes, removeNotes } from '../../../../../core/edits/board-note-edits';
import type { Edit } from '../../../../../core/document/edit';
import type { Laid } from '../../../../../core/graph/align';
import { newId } from '../../../../api/ids';
import { useEffectStore } from '../../../../stores/effect';

/** An area is so much wider than what it lies behind, and higher by its name. */
const RIM = 24;
const NAME = 32;

/** `edited` does an edit, and says why where that cannot be. */
export const useBoardNotes = (board: () => BoardId | null, edited: (make: () => Edit) => boolean) => {
  const effectStore = useEffectStore();
  const notes = computed<Readonly<BoardNotes>>(() =>
    board() === null ? {} : notesOn(effectStore.effect, board()!),
  );
  const among = (ids: readonly string[]): BoardNote[] =>
    ids.flatMap((id) => notes.value[id as BoardNoteId] ?? []);
  const put = (made: readonly BoardNote[]): boolean =>
    edited(() => addNotes(effectStore.effect, board()!, made));

  /** A note at a place; an area there, or behind what is chosen. */
  const make = (
    kind: BoardNoteKind,
    at: readonly [number, number],
    chosen: readonly Laid[],
  ): BoardNoteId | null => {
    if (!board()) return null;
    const id = newId('note') as BoardNoteId;
    if (kind === 'note' || chosen.length === 0) return put([newBoardNote(id, kind, at)]) ? id : null;
    const left = Math.min(...chosen.map((one) => one.at[0])) - RIM;
    const top = Math.min(...chosen.map((one) => one.at[1])) - RIM - NAME;
    const right = Math.max(...chosen.map((one) => one.at[0] + one.size[0])) + RIM;
    const bottom = Math.max(...chosen.map((one) => one.at[1] + one.size[1])) + RIM;
    return put([newBoardNote(id, kind, [left, top], [right - left, bottom - top])]) ? id : null;
  };
  const change = (
    id: string,
    to: Partial<Pick<BoardNote, 'text' | 'colour' | 'size'>>,
    gesture: string | null,
  ): void => {
    if (board())
      effectStore.edit(
        changeNote(effectStore.effect, board()!, id as BoardNoteId, to),
        gesture && `${id} ${gesture}`,
      );
  };
  const remove = (ids: readonly string[]): void => {
    const gone = among(ids).map(({ id }) => id);
    if (board() && gone.length > 0) effectStore.edit(removeNotes(effectStore.effect, board()!, gone));
  };
  const duplicate = (ids: readonly string[]): string[] => {
    const copies = copiedNotes(among(ids), () => newId('note') as BoardNoteId);
    return copies.length > 0 && put(copies) ? copies.map(({ id }) => id) : [];
  };
  return { notes, among, put, make, change, remove, duplicate };
};
