/** The effect that is open: edits, undo, autosave. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, Stale, Unreachable } from '../api/client';
import { mergeOnto } from '../api/merge';
import { IconiaError, sentence } from '../../core/errors';
import type { Edit } from '../../core/document/edits';
import { History } from '../../core/document/history';
import { readEffect } from '../../core/document/migrations';
import { diff } from '../../core/document/patch';
import { blankEffect } from '../../core/document/defaults';
import type { Effect } from '../../core/document/schema';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'refused';

/** Quiet time after an edit before it is sent, and before a failed save is tried again. */
const SAVE_AFTER = 350;
const RETRY_AFTER = 3000;

interface Kept {
  readonly revision: number;
  readonly base: Effect;
  readonly mine: Effect;
}
const keptKey = (id: string) => `iconia.unsaved.${id}`;

export const useEffectStore = defineStore('effect', () => {
  const id = ref<string | null>(null);
  const effect = shallowRef<Effect>(blankEffect(''));
  const saveState = ref<SaveState>('saved');
  /** A sentence about the last thing that went wrong while saving, or what was merged. */
  const notice = ref<string | null>(null);
  const undoLabel = ref<string | null>(null);
  const redoLabel = ref<string | null>(null);

  let history = new History(effect.value);
  let revision = 0;
  let saved: Effect = effect.value;
  let timer: ReturnType<typeof setTimeout> | null = null;
  let saving: Promise<void> | null = null;

  const show = (): void => {
    effect.value = history.effect;
    undoLabel.value = history.undoLabel;
    redoLabel.value = history.redoLabel;
  };

  const keepLocally = (): void => {
    if (!id.value) return;
    try {
      const kept: Kept = { revision, base: saved, mine: effect.value };
      localStorage.setItem(keptKey(id.value), JSON.stringify(kept));
    } catch {
      // No room in this browser: the server still gets it.
    }
  };

  const schedule = (after: number): void => {
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void save(), after);
  };

  const touched = (): void => {
    show();
    if (effect.value === saved) return;
    if (saveState.value !== 'offline') saveState.value = 'unsaved';
    keepLocally();
    schedule(SAVE_AFTER);
  };

  const takeTheirs = async (stale: Stale): Promise<void> => {
    const mine = effect.value;
    const merged = mergeOnto(saved, mine, stale.effect);
    if (merged) {
      notice.value = 'This effect was also changed in another window. Both changes are in it now.';
      history.replace(merged);
    } else {
      const copy = await api.create({ ...mine, name: `${mine.name} (kept copy)`.slice(0, 80) });
      notice.value = `This effect was changed in another window in a way that does not fit yours. Yours is kept as “${copy.effect.name}” on Home; here you see theirs.`;
      history.replace(stale.effect);
    }
    saved = stale.effect;
    revision = stale.revision;
    show();
  };

  const saveOnce = async (): Promise<void> => {
    if (!id.value) return;
    const sent = effect.value;
    const patch = diff(saved, sent);
    if (patch.length === 0) {
      saved = sent;
      saveState.value = 'saved';
      localStorage.removeItem(keptKey(id.value));
      return;
    }
    saveState.value = 'saving';
    try {
      revision = await api.save(id.value, revision, patch);
      saved = sent;
      if (effect.value === sent) {
        saveState.value = 'saved';
        localStorage.removeItem(keptKey(id.value));
      } else schedule(0);
    } catch (error) {
      if (error instanceof Stale) {
        await takeTheirs(error);
        return saveOnce();
      }
      saveState.value = error instanceof Unreachable ? 'offline' : 'refused';
      notice.value = error instanceof Unreachable ? null : sentence(error);
      if (error instanceof Unreachable) schedule(RETRY_AFTER);
    }
  };

  const save = (): Promise<void> => {
    saving ??= saveOnce().finally(() => {
      saving = null;
    });
    return saving;
  };

  /** Resolves with the revision once everything done so far is on the server's disk. */
  const flush = async (): Promise<number> => {
    history.endGesture();
    while (effect.value !== saved) {
      await save();
      if (saveState.value === 'offline' || saveState.value === 'refused')
        throw new Unreachable(saveState.value);
    }
    return revision;
  };

  const open = async (effectId: string): Promise<void> => {
    const record = await api.get(effectId);
    id.value = record.id;
    revision = record.revision;
    saved = record.effect;
    history = new History(record.effect);
    saveState.value = 'saved';
    notice.value = null;
    show();
    const raw = localStorage.getItem(keptKey(effectId));
    if (!raw) return;
    try {
      // Work that had not reached the server when this browser was closed.
      const kept = JSON.parse(raw) as Kept;
      const merged = mergeOnto(readEffect(kept.base), readEffect(kept.mine), record.effect);
      if (!merged) return;
      history.edit({ label: 'Recover unsaved work', change: (draft) => Object.assign(draft, merged) });
      touched();
    } catch {
      localStorage.removeItem(keptKey(effectId));
    }
  };

  const close = (): void => {
    if (effect.value !== saved) void save();
    id.value = null;
  };

  /** Makes a change. One that cannot be made says why, and changes nothing: then this is false. */
  const edit = (change: Edit, gesture: string | null = null): boolean => {
    try {
      history.edit(change, gesture);
    } catch (error) {
      if (!(error instanceof IconiaError)) throw error;
      notice.value = error.message;
      return false;
    }
    touched();
    return true;
  };
  const endGesture = (): void => history.endGesture();
  const undo = (): void => {
    history.undo();
    touched();
  };
  const redo = (): void => {
    history.redo();
    touched();
  };

  /** Work that is done but not yet in the document: a painting that is being written to its file. */
  const onTheWay = ref(0);
  const during = async <T>(work: Promise<T>): Promise<T> => {
    onTheWay.value++;
    try {
      return await work;
    } finally {
      onTheWay.value--;
    }
  };

  const saveWords = computed(
    () =>
      ({
        saved: 'all saved',
        unsaved: 'saving soon',
        saving: 'saving',
        offline: 'server away, kept in this browser',
        refused: 'not saved',
      })[onTheWay.value > 0 && saveState.value === 'saved' ? 'saving' : saveState.value],
  );

  return {
    id,
    effect,
    saveState,
    saveWords,
    onTheWay,
    during,
    notice,
    undoLabel,
    redoLabel,
    open,
    close,
    edit,
    endGesture,
    undo,
    redo,
    flush,
  };
});
