/** Edits of notes and areas on the boards of circuits. Unknown ids change nothing. */
import type { Edit } from '../document/edit';
import { MOST_NOTES, type BoardNote, type BoardNoteId, type Effect } from '../document/schema';
import { IconiaError } from '../errors';
import { notesOn, onBoard, type BoardId } from './board-nodes';

const words = ({ kind }: Pick<BoardNote, 'kind'>): string => (kind === 'area' ? 'an area' : 'a note');

/** Adds notes. Throws `IconiaError` `board.full` when that many do not fit. */
export const addNotes = (effect: Effect, board: BoardId, made: readonly BoardNote[]): Edit => {
  if (Object.keys(notesOn(effect, board)).length + made.length > MOST_NOTES)
    throw new IconiaError(
      'board.full',
      `A board holds ${MOST_NOTES} notes and areas, so ${made.length} more do not fit. Nothing was added.`,
    );
  const label = made.length === 1 ? `Add ${words(made[0]!)} to` : 'Add notes to';
  return onBoard(effect, board, label, ({ notes }) => {
    for (const note of made) notes[note.id] = note;
  });
};

export const changeNote = (
  effect: Effect,
  board: BoardId,
  id: BoardNoteId,
  change: Partial<Pick<BoardNote, 'text' | 'colour' | 'size'>>,
): Edit => {
  const was = notesOn(effect, board)[id];
  return onBoard(effect, board, `Change ${was ? words(was) : 'a note'} of`, ({ notes }) => {
    const note = notes[id];
    if (note) Object.assign(note, change);
  });
};

/** Takes notes away; what lies on an area stays. */
export const removeNotes = (effect: Effect, board: BoardId, gone: readonly BoardNoteId[]): Edit =>
  onBoard(effect, board, gone.length === 1 ? 'Delete a note of' : 'Delete notes of', ({ notes }) => {
    for (const id of gone) delete notes[id];
  });

/** Copies of notes beside them. */
export const copiedNotes = (
  notes: readonly BoardNote[],
  newId: (note: BoardNote) => BoardNoteId,
  aside: readonly [number, number] = [28, 28],
): BoardNote[] =>
  notes.map((note) => ({
    ...note,
    id: newId(note),
    at: [note.at[0] + aside[0], note.at[1] + aside[1]],
    size: [...note.size],
  }));
