/**
 * Edits: named changes of the document. Applying one yields the new document and the JSON Patch
 * (RFC 6902) both ways; the old document is never touched.
 *
 *   const { effect, forward, inverse } = applyEdit(before, rename(id, 'Kelp'));
 *   applyPatch(effect, inverse) // equals before
 */
import { produce, type Draft } from 'immer';
import type { Patch } from './patch';
import { diff } from './patch';
import { freeName, orderOnTop, stackOrder } from './queries';
import type {
  Action,
  Asset,
  AssetId,
  Card,
  Cue,
  CueId,
  Effect,
  EffectObject,
  Listing,
  ObjectId,
} from './schema';

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

export const applyEdit = (effect: Effect, edit: Edit): Applied => {
  const after = produce(effect, (draft) => edit.change(draft));
  return { effect: after, forward: diff(effect, after), inverse: diff(after, effect) };
};

const edit = (label: string, change: Edit['change']): Edit => ({ label, change });

export const renameEffect = (name: string): Edit =>
  edit('Rename the effect', (d) => {
    d.name = name;
  });

export const addAsset = (asset: Asset): Edit =>
  edit(`Bring in ${asset.name}`, (d) => {
    d.assets[asset.id] = asset;
  });

/** Removes an asset; cards that show it stay and are reported by the checks. */
export const removeAsset = (id: AssetId): Edit =>
  edit('Remove asset', (d) => {
    delete d.assets[id];
    if (d.listing.icon === id) d.listing.icon = null;
  });

export const addObject = (object: EffectObject): Edit =>
  edit(`Add ${object.name}`, (d) => {
    d.objects[object.id] = { ...object, name: freeName(d as Effect, object.name) };
  });

/** Brings in a picture and its card as one step. */
export const addPictureCard = (asset: Asset, card: Card): Edit =>
  edit(`Bring in ${asset.name}`, (d) => {
    addAsset(asset).change(d);
    addObject(card).change(d);
  });

/** Removes an object; actions aimed at it lose their target and say so on their cue. */
export const removeObject = (effect: Effect, id: ObjectId): Edit =>
  edit(`Delete ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    delete d.objects[id];
    for (const cue of Object.values(d.cues))
      for (const beat of cue.beats)
        for (const action of beat.actions) if (action.target === id) action.target = null;
  });

/** Copies an object just above the original. */
export const duplicateObject = (effect: Effect, id: ObjectId, copyId: ObjectId): Edit =>
  edit(`Duplicate ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const original = effect.objects[id];
    if (!original) return;
    const stack = stackOrder(effect);
    const above = stack[stack.findIndex((o) => o.id === id) - 1];
    const order = above ? (above.order + original.order) / 2 : orderOnTop(effect);
    d.objects[copyId] = { ...original, id: copyId, name: freeName(effect, original.name), order };
  });

/** Sets fields that every kind of object has. */
export const changeObject = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Pick<EffectObject, 'name' | 'visible' | 'anchor' | 'move' | 'turn' | 'scale'>>,
  label = 'Change',
): Edit =>
  edit(`${label} ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (object) Object.assign(object, change);
  });

export const styleCard = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Pick<Card, 'opacity' | 'tint' | 'blend' | 'doubleSided' | 'asset' | 'extent'>>,
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'card'}`, (d) => {
    const object = d.objects[id];
    if (object?.kind === 'card') Object.assign(object, change);
  });

/** Puts the Stack into the given order; objects not named keep their place behind. */
export const reorderObjects = (ids: readonly ObjectId[]): Edit =>
  edit('Reorder the Stack', (d) => {
    ids.forEach((id, i) => {
      const object = d.objects[id];
      if (object) object.order = i;
    });
  });

export const putCue = (cue: Cue): Edit =>
  edit('Change cue', (d) => {
    d.cues[cue.id] = cue as Draft<Cue>;
  });

export const removeCue = (id: CueId): Edit =>
  edit('Delete cue', (d) => {
    delete d.cues[id];
  });

/** Replaces one action; an unknown cue, beat or action changes nothing. */
export const changeAction = (cueId: CueId, action: Action): Edit =>
  edit('Change action', (d) => {
    for (const beat of d.cues[cueId]?.beats ?? []) {
      const at = beat.actions.findIndex((a) => a.id === action.id);
      if (at >= 0) beat.actions[at] = action as Draft<Action>;
    }
  });

export const changeListing = (change: Partial<Listing>): Edit =>
  edit('Change the listing', (d) => {
    Object.assign(d.listing, change);
  });
