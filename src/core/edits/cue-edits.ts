/** Edits of cues, beats and actions. Unknown ids change nothing. */
import type { Draft } from 'immer';
import { IconiaError } from '../errors';
import { edit, type Edit } from '../document/edit';
import { forget } from './forget';
import { cueOrder, orderBetween } from '../document/queries';
import { mapReferences } from '../schema/references';
import type { Referred } from '../schema/referred';
import {
  cueSchema,
  MOST_CUES,
  type Action,
  type Beat,
  type Cue,
  type CueId,
  type Effect,
  type ObjectId,
} from '../document/schema';

export type NewId = (prefix: string) => string;

/** Adds a cue, or puts it in the place of the one of its id. */
export const putCue = (cue: Cue, label = 'Change cue'): Edit =>
  edit(label, (d) => {
    d.cues[cue.id] = cue as Draft<Cue>;
  });

/** Deletes a cue; nothing names it any more. */
export const removeCue = (effect: Effect, id: CueId): Edit =>
  edit('Delete cue', (d) => {
    delete d.cues[id];
    forget(d, effect, 'cues', new Set([id]));
  });

/** Replaces one action. */
export const changeAction = (cueId: CueId, action: Action): Edit =>
  edit('Change action', (d) => {
    for (const beat of d.cues[cueId]?.beats ?? []) {
      const at = beat.actions.findIndex((a) => a.id === action.id);
      if (at >= 0) beat.actions[at] = action as Draft<Action>;
    }
  });

const withNewParts = (beat: Beat, newId: NewId): Beat => ({
  ...beat,
  id: newId('beat'),
  actions: beat.actions.map((action) => ({ ...action, id: newId('act') })),
});

/** A copy with new ids for itself, its beats and actions; it names itself where the original did, and others by `ids`. */
export const copiedCue = (
  cue: Cue,
  id: CueId,
  order: number,
  newId: NewId,
  ids: ReadonlyMap<string, string> = new Map(),
): Cue => {
  const copy = mapReferences(cueSchema, cue, (_, old) => (old === cue.id ? id : (ids.get(old) ?? old)));
  return { ...copy, order, beats: copy.beats.map((beat) => withNewParts(beat, newId)) };
};

/** A copy of a beat with new ids for itself and its actions. */
export const copiedBeat = withNewParts;

/** Puts a beat in behind another of the cue; null is the beginning. Targets that are not there are left out. */
export const pasteBeat = (
  effect: Effect,
  cueId: CueId,
  beat: Beat,
  after: string | null,
  newId: NewId,
): Edit =>
  edit('Paste beat', (d) => {
    const beats = d.cues[cueId]?.beats;
    if (!beats) return;
    const at = after === null ? 0 : beats.findIndex((b) => b.id === after) + 1;
    const copy = copiedBeat(beat, newId);
    for (const action of copy.actions) action.targets = action.targets.filter((t) => effect.objects[t]);
    beats.splice(at, 0, copy as Draft<Beat>);
  });

/** Cues as they are carried from one effect to another. */
export interface CuePiece {
  readonly cues: readonly Cue[];
}

/** What of a cue is not there in the effect is left open, to be chosen again: targets, other cues, controls, scenes. */
const fitted = (cue: Cue, effect: Effect, also: ReadonlySet<string>): Cue => {
  const maps: Partial<Record<Referred, object>> = effect;
  return mapReferences(cueSchema, cue, (to, id) => {
    const there = also.has(id) || id in (maps[to] ?? {});
    return there ? id : null;
  });
};

/**
 * Puts cues in at the end of the sheet, with all their values. With `target`, whatever they acted on they act on that object;
 * without, they keep the objects that this effect has. `made` tells their ids.
 */
export const pasteCues = (
  effect: Effect,
  { cues }: CuePiece,
  newId: NewId,
  target: ObjectId | null = null,
  made: CueId[] = [],
): Edit =>
  edit(cues.length === 1 ? 'Paste cue' : `Paste ${cues.length} cues`, (d) => {
    if (Object.keys(effect.cues).length + cues.length > MOST_CUES)
      throw new IconiaError(
        'effect.too-many-cues',
        `An effect holds ${MOST_CUES} cues. Delete some first; nothing was pasted.`,
      );
    let order = cueOrder(effect).at(-1)?.order ?? 0;
    const ids = new Map<string, string>(cues.map((cue) => [cue.id, newId('cue')]));
    const news = new Set(ids.values());
    for (const cue of cues) {
      order += 1;
      const id = ids.get(cue.id) as CueId;
      const objects = new Map(ids);
      if (target !== null)
        for (const beat of cue.beats)
          for (const action of beat.actions) for (const t of action.targets) objects.set(t, target);
      const copy = fitted(copiedCue(cue, id, order, newId, objects), effect, news);
      // Several objects that became one are named once.
      for (const beat of copy.beats)
        for (const action of beat.actions) action.targets = [...new Set(action.targets)];
      d.cues[id] = copy as Draft<Cue>;
      made.push(id);
    }
  });

/** Moves a cue so that it stands before another; null is the end of the sheet. */
export const moveCue = (effect: Effect, id: CueId, before: CueId | null): Edit =>
  edit('Move cue', (d) => {
    const others = cueOrder(effect).filter((c) => c.id !== id);
    const at = before === null ? others.length : others.findIndex((c) => c.id === before);
    const cue = d.cues[id];
    if (!cue || at < 0) return;
    const [left, right] = [others[at - 1]?.order, others[at]?.order];
    if (left === undefined && right === undefined) return;
    cue.order = left === undefined ? right! - 1 : right === undefined ? left + 1 : orderBetween(left, right);
  });

/** Moves a beat to another place of its cue, counted without it. */
export const moveBeat = (cueId: CueId, beatId: string, to: number): Edit =>
  edit('Move beat', (d) => {
    const beats = d.cues[cueId]?.beats;
    const at = beats?.findIndex((b) => b.id === beatId) ?? -1;
    if (!beats || at < 0) return;
    const [beat] = beats.splice(at, 1);
    beats.splice(Math.max(0, Math.min(beats.length, to)), 0, beat!);
  });
