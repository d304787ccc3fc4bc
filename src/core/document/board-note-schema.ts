/** What is written on the board of a circuit beside its nodes. It changes nothing that the circuit does. */
import { z } from 'zod';
import { idText, text } from '../schema/values-schema';
import { boardPlaceSchema } from '../schema/wire-schema';

export const NOTE_COLOURS = ['sand', 'tide', 'kelp', 'coral', 'dusk'] as const;
export type NoteColour = (typeof NOTE_COLOURS)[number];
/** Smaller than this nothing could be read on it; pixels of the board. */
export const LEAST_NOTE = [80, 40] as const;
export const MOST_NOTES = 500;

export const boardNoteIdSchema = idText.brand<'BoardNoteId'>();
export type BoardNoteId = z.infer<typeof boardNoteIdSchema>;
export const boardNoteSchema = z.strictObject({
  id: boardNoteIdSchema,
  /** A note is read; an area lies behind nodes, with its name at its top, and takes them along. */
  kind: z.enum(['note', 'area']),
  at: boardPlaceSchema,
  /** Width and height. */
  size: z.tuple([z.number().min(LEAST_NOTE[0]).max(20_000), z.number().min(LEAST_NOTE[1]).max(20_000)]),
  text: text(1000),
  colour: z.enum(NOTE_COLOURS),
});
export type BoardNote = z.infer<typeof boardNoteSchema>;
export type BoardNoteKind = BoardNote['kind'];
export const boardNotesSchema = z
  .record(boardNoteIdSchema as unknown as z.ZodString, boardNoteSchema)
  .refine((notes) => Object.keys(notes).length <= MOST_NOTES, `A board has at most ${MOST_NOTES} notes.`)
  .refine(
    (notes) => Object.entries(notes).every(([id, note]) => note.id === id),
    'The id of a note differs from its key.',
  );
export type BoardNotes = Record<BoardNoteId, BoardNote>;

/** A note as it is first put on a board. */
export const newBoardNote = (
  id: BoardNoteId,
  kind: BoardNoteKind,
  at: readonly [number, number],
  size: readonly [number, number] = kind === 'note' ? [200, 90] : [460, 280],
): BoardNote => ({
  id,
  kind,
  at: [Math.round(at[0]), Math.round(at[1])],
  size: [Math.round(size[0]), Math.round(size[1])],
  text: '',
  colour: kind === 'note' ? 'sand' : 'tide',
});
