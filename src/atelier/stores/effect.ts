/** The effect that is open: edits, undo, autosave. All that can go wrong on the way is in `saving/effect-session.ts`. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, type EffectRecord } from '../api/client';
import { IconiaError } from '../../core/errors';
import { changed, type Edit } from '../../core/document/edit';
import { blankEffect } from '../../core/document/defaults';
import type { Effect, ObjectId } from '../../core/document/schema';
import { EffectSession, type SaveState } from '../saving/effect-session';
import { browserWork } from '../saving/unsaved-work';
import { useDeskStore, type Whereabouts } from './desk';

const work = browserWork();

export const useEffectStore = defineStore('effect', () => {
  const desk = useDeskStore();
  const id = ref<string | null>(null);
  const effect = shallowRef<Effect>(blankEffect(''));
  /** What an edit would make of it, looked at before it is made. */
  const trial = shallowRef<Effect | null>(null);
  /** The effect as it is seen: with what is tried out. */
  const shown = computed(() => trial.value ?? effect.value);
  /** Lets an edit be seen without making it; null ends that, as every edit does. One that cannot be made is not seen. */
  const tryOut = (change: Edit | null): void => {
    try {
      trial.value = change && changed(effect.value, change);
    } catch {
      trial.value = null;
    }
  };
  const saveState = ref<SaveState>('saved');
  /** A sentence about the last thing that went wrong while saving, or what was merged. */
  const notice = ref<string | null>(null);
  const undoLabel = ref<string | null>(null);
  const redoLabel = ref<string | null>(null);
  /** False when the browser keeps no unsaved work: then the server has to be reached before the window is closed. */
  const keepsHere = ref(true);
  /** What is unsaved is in the browser now, all of it. */
  const isKept = ref(false);

  let session: EffectSession | null = null;

  const show = (): void => {
    if (!session) return;
    if (effect.value !== session.effect) trial.value = null;
    effect.value = session.effect;
    undoLabel.value = session.history.undoLabel;
    redoLabel.value = session.history.redoLabel;
    saveState.value = session.state;
    keepsHere.value = session.keepsHere;
    isKept.value = session.isKept;
    if (notice.value !== session.notice) notice.value = session.notice;
  };

  const leave = (): void => {
    void session?.close();
    session = null;
  };

  /** Counts up when another effect, or none, is wanted: what was on its way for the one before is let be. */
  let wanted = 0;

  /** Works on an effect as the server gave it. */
  const begin = (record: EffectRecord): EffectSession => {
    leave();
    const opened: EffectSession = new EffectSession(record, {
      server: api,
      work,
      now: () => Date.now(),
      later: (call, after) => {
        const timer = setTimeout(call, after);
        return () => clearTimeout(timer);
      },
      // A session that is over may still be sending; it has nothing to show.
      onChange: () => {
        if (session === opened) show();
      },
    });
    session = opened;
    show();
    id.value = record.id;
    return opened;
  };

  const open = async (effectId: string): Promise<void> => {
    leave();
    const mine = ++wanted;
    const record = await api.get(effectId);
    if (mine === wanted) await begin(record).recover();
  };

  const close = (): void => {
    wanted++;
    leave();
    id.value = null;
  };

  const said = (text: string | null): void => {
    notice.value = text;
    if (session) session.notice = text;
  };

  /** Makes a change. One that cannot be made says why, and changes nothing: then this is false. */
  const edit = (change: Edit, gesture: string | null = null): boolean =>
    session?.edit(change, step ?? gesture, desk.whereabouts()) ?? false;
  /** All edits that `work` makes at once are one step of this name, together with what else bears that name just before and after. */
  let step: string | null = null;
  const asOneStep = <T>(name: string, work: () => T): T => {
    const before = step;
    step = name;
    try {
      return work();
    } finally {
      step = before;
    }
  };
  const endGesture = (): void => session?.history.endGesture();
  /** Back to where the step was made, as far as what was selected then is there; what comes back or anew is selected. */
  const stepThen = (move: (of: EffectSession) => void): void => {
    if (!session) return;
    const before = effect.value.objects;
    move(session);
    const now = session.effect.objects;
    const context = session.history.context as Whereabouts | null;
    if (!context) return;
    const fresh = (Object.keys(now) as ObjectId[]).filter((id) => !before[id] && now[id]!.parent === null);
    // What was done with nothing selected takes nothing out of the hand.
    const [then, still] = [context.selection, desk.selection].map((ids) => ids.filter((id) => now[id]));
    const selection = then!.length > 0 ? then! : fresh.length > 0 ? fresh : still!;
    desk.goBackTo({ ...context, selection });
  };
  const undo = (): void => stepThen((of) => of.undo());
  const redo = (): void => stepThen((of) => of.redo());

  /** Resolves with the revision once everything done so far is on the server's disk. */
  const flush = async (): Promise<number> => {
    if (!session) throw new IconiaError('effect.none', 'No effect is open, so there is nothing to save.');
    return session.flush();
  };
  /** The page may go: what is unsaved is written into the browser at once. */
  const keepNow = (): void => void session?.keepNow();

  /** Work that is done but not yet in the document: a painting that is being written to its file. */
  const onTheWay = ref(0);
  const during = async <T>(task: Promise<T>): Promise<T> => {
    onTheWay.value++;
    try {
      return await task;
    } finally {
      onTheWay.value--;
    }
  };

  const saveWords = computed(() => {
    const state = onTheWay.value > 0 && saveState.value === 'saved' ? 'saving' : saveState.value;
    const words: Record<SaveState, string> = {
      saved: 'all saved',
      unsaved: 'saving soon',
      saving: 'saving',
      offline: !keepsHere.value
        ? 'server away, kept in this window only'
        : isKept.value
          ? 'server away, kept in this browser'
          : 'server away, being kept',
      refused: 'not saved',
      apart: 'not saved yet',
    };
    return words[state];
  });

  return {
    id,
    effect,
    shown,
    tryOut,
    saveState,
    saveWords,
    keepsHere,
    onTheWay,
    during,
    notice: computed({ get: () => notice.value, set: said }),
    undoLabel,
    redoLabel,
    begin,
    open,
    close,
    edit,
    asOneStep,
    endGesture,
    undo,
    redo,
    flush,
    keepNow,
  };
});
