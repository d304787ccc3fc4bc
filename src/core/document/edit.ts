/**
 * Edits: named changes of the document. Applying one yields the new document and the JSON Patch
 * (RFC 6902) both ways; the old document is never touched.
 *
 *   const { effect, forward, inverse } = applyEdit(before, renameEffect('Kelp'));
 *   applyPatch(effect, inverse) // equals before
 */
import { isDraft, produce, type Draft } from 'immer';
import { tellDrafts } from '../memo';
import { diff, type Patch } from './patch';
import type { Effect } from './schema';

tellDrafts(isDraft);

export interface Edit {
  /** What the undo button says, in the creator's words: "Move Kelp". */
  readonly label: string;
  readonly change: (draft: Draft<Effect>) => void;
}

export interface Applied {
  readonly effect: Effect;
  readonly forward: Patch;
  readonly inverse: Patch;
}

/** The document after an edit; what the edit leaves alone is shared with the one before. */
export const changed = (effect: Effect, edit: Edit): Effect => produce(effect, (draft) => edit.change(draft));

/** The document after an edit, with the patches both ways. The one before is not touched. */
export const applyEdit = (effect: Effect, edit: Edit): Applied => {
  const after = changed(effect, edit);
  return { effect: after, forward: diff(effect, after), inverse: diff(after, effect) };
};

/** An edit by its name and what it changes in a draft. */
export const edit = (label: string, change: Edit['change']): Edit => ({ label, change });
