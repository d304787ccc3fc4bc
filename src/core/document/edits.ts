/**
 * Edits: named changes of the document. Applying one yields the new document and the JSON Patch
 * (RFC 6902) both ways; the old document is never touched.
 *
 *   const { effect, forward, inverse } = applyEdit(before, rename(id, 'Kelp'));
 *   applyPatch(effect, inverse) // equals before
 */
import { produce, type Draft } from 'immer';
import { IconiaError } from '../errors';
import { boundedMove, boundedScale, boundedTurn } from '../placing/limits';
import type { placedSchema } from '../schema/placed-schema';
import type { Patch } from './patch';
import { diff } from './patch';
import { cardAfter } from './replaced-card';
import { picturesOf } from './material-queries';
import { objectsShowing } from './asset-uses';
import { freeName, withDescendants } from './queries';
import { canShow, propertiesOf } from '../kinds/objects/objects';
import { withValueAt } from '../schema/properties';
import {
  MOST_OBJECTS,
  type Asset,
  type AssetId,
  type Card,
  type Effect,
  type EffectObject,
  type Listing,
  type Material,
  type ObjectId,
  type ObjectKind,
} from './schema';
import { cutText } from '../text';

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

export const edit = (label: string, change: Edit['change']): Edit => ({ label, change });

export const renameEffect = (name: string): Edit =>
  edit('Rename the effect', (d) => {
    d.name = name;
  });

export const addAsset = (asset: Asset): Edit =>
  edit(`Bring in ${asset.name}`, (d) => {
    d.assets[asset.id] = asset;
  });

/** Brings in assets and what shows them as one step. */
export const bringIn = (
  label: string,
  assets: readonly Asset[],
  objects: readonly EffectObject[] = [],
): Edit =>
  edit(label, (d) => {
    for (const asset of assets) d.assets[asset.id] = asset as Draft<Asset>;
    for (const object of objects) addObject(object).change(d);
  });

/** Removes assets; objects that show them stay, and the Stack and the checks say so. */
export const removeAssets = (effect: Effect, ids: readonly AssetId[]): Edit =>
  edit(`Delete ${namesOf(effect, ids)}`, (d) => {
    for (const id of ids) {
      delete d.assets[id];
      if (d.listing.icon === id) d.listing.icon = null;
      for (const target of Object.values(d.targets)) if (target.asset === id) target.asset = null;
      for (const control of Object.values(d.controls)) {
        if (control.kind === 'slider') {
          if (control.lowIcon === id) control.lowIcon = null;
          if (control.highIcon === id) control.highIcon = null;
        } else if (control.kind === 'choice')
          for (const option of control.options) if (option.picture === id) option.picture = null;
      }
    }
  });

/** Removes assets together with the objects that show them. */
export const removeAssetsAndObjects = (effect: Effect, ids: readonly AssetId[]): Edit =>
  edit(`Delete ${namesOf(effect, ids)} and what shows it`, (d) => {
    for (const id of ids)
      for (const object of objectsShowing(effect, id)) removeObject(effect, object.id).change(d);
    removeAssets(effect, ids).change(d);
  });

/** Gives assets new names; unknown ids and empty names change nothing. */
export const renameAssets = (names: ReadonlyMap<AssetId, string>): Edit =>
  edit(names.size === 1 ? 'Rename asset' : `Rename ${names.size} assets`, (d) => {
    for (const [id, name] of names) {
      const asset = d.assets[id];
      if (asset && name.trim()) asset.name = cutText(name.trim(), 200);
    }
  });

/**
 * Lets a draft of an object show another asset, or another in the place of `from` alone: it keeps its place and its
 * width.
 */
const putOn = (draft: Draft<EffectObject>, to: Asset, from: AssetId | null = null): void => {
  if (draft.kind === 'text') draft.font = to.id;
  else if (draft.kind === 'grade') {
    for (const step of draft.steps)
      if (step.kind === 'table' && (from === null || step.asset === from)) step.asset = to.id;
  } else if (draft.kind === 'layer' && from !== null && draft.mask === from) {
    if (to.kind === 'picture') draft.mask = to.id;
  } else if ('asset' in draft) draft.asset = to.id;
  // What the creator has put in is no sample any more.
  draft.sample = false;
  if (draft.kind === 'card' && 'width' in to)
    draft.extent = [draft.extent[0], (draft.extent[0] * to.height) / to.width];
  if (draft.kind === 'model' && to.kind === 'model' && !to.clips.some((c) => c.name === draft.clip))
    draft.clip = to.clips[0]?.name ?? null;
};

/** One object shows another asset; one that it cannot show changes nothing. */
export const showOn = (effect: Effect, id: ObjectId, to: Asset): Edit =>
  edit(`Show ${to.name} on ${effect.objects[id]?.name ?? 'an object'}`, (d) => {
    const draft = d.objects[id];
    if (draft && canShow(effect.objects[id]!, to)) putOn(draft, to);
  });

/** Everything that is shown of one asset shows another one. */
export const showInstead = (effect: Effect, from: AssetId, to: Asset): Edit =>
  edit(`Show ${to.name} instead`, (d) => {
    for (const object of objectsShowing(effect, from))
      if (canShow(object, to)) putOn(d.objects[object.id]!, to, from);
    for (const target of Object.values(d.targets))
      if (target.asset === from && to.kind === 'picture') target.asset = to.id;
    if (d.listing.icon === from && to.kind === 'picture') d.listing.icon = to.id;
    if (to.kind === 'picture')
      for (const material of Object.values(d.materials))
        for (const picture of picturesOf(material as Material))
          if (picture.from === 'asset' && picture.asset === from)
            (picture as { asset: AssetId }).asset = to.id;
  });

/** A sheet was cut into frames: what showed the whole sheet shows the sequence. The sheet itself stays. */
export const cutSheet = (effect: Effect, sheet: AssetId, sequence: Asset): Edit =>
  edit(`Cut ${effect.assets[sheet]?.name ?? 'a sheet'} into frames`, (d) => {
    d.assets[sequence.id] = sequence as Draft<Asset>;
    showInstead(effect, sheet, sequence).change(d);
  });

/** Puts other content into an asset: all that shows it follows, and keeps its place. */
export const replaceAsset = (effect: Effect, next: Asset, label = 'Replace'): Edit =>
  edit(`${label} ${effect.assets[next.id]?.name ?? next.name}`, (d) => {
    const old = effect.assets[next.id];
    d.assets[next.id] = next as Draft<Asset>;
    for (const object of objectsShowing(effect, next.id)) {
      const draft = d.objects[object.id]!;
      if (draft.kind === 'card' && old && 'width' in old && 'width' in next)
        Object.assign(draft, cardAfter(draft as Card, old, next));
      if (draft.kind === 'model' && next.kind === 'model' && !next.clips.some((c) => c.name === draft.clip))
        draft.clip = next.clips[0]?.name ?? null;
    }
  });

export const setSequenceRate = (id: AssetId, rate: number): Edit =>
  edit('Change the speed of the sequence', (d) => {
    const asset = d.assets[id];
    if (asset?.kind === 'sequence') asset.rate = Math.min(120, Math.max(0.1, rate));
  });

const namesOf = (effect: Effect, ids: readonly AssetId[]): string =>
  ids.length === 1 ? (effect.assets[ids[0]!]?.name ?? 'asset') : `${ids.length} assets`;

/** Throws `IconiaError` `effect.too-many-objects` when that many more do not fit into the effect. */
export const makeRoom = (effect: Pick<Effect, 'objects'>, more: number): void => {
  const there = Object.keys(effect.objects).length;
  if (there + more > MOST_OBJECTS)
    throw new IconiaError(
      'effect.too-many-objects',
      `An effect holds ${MOST_OBJECTS} objects; this one has ${there}, so ${more} more do not fit. Nothing was added.`,
    );
};

export const addObject = (object: EffectObject): Edit =>
  edit(`Add ${object.name}`, (d) => {
    makeRoom(d as Effect, 1);
    d.objects[object.id] = { ...object, name: freeName(d as Effect, object.name) } as Draft<EffectObject>;
  });

/** Removes objects with all that hangs in them; actions aimed at them lose their target and say so on their cue. */
export const removeObjects = (effect: Effect, ids: readonly ObjectId[]): Edit =>
  edit(`Delete ${objectWords(effect, ids)}`, (d) => {
    const gone = new Set(ids.flatMap((id) => withDescendants(effect, id).map((o) => o.id)));
    for (const one of gone) delete d.objects[one];
    for (const object of Object.values(d.objects))
      if (object.kind === 'layer' && object.maskedBy !== null && gone.has(object.maskedBy as ObjectId))
        object.maskedBy = null;
    for (const cue of Object.values(d.cues))
      for (const beat of cue.beats)
        for (const action of beat.actions)
          if (action.targets.some((t) => gone.has(t as ObjectId)))
            action.targets = action.targets.filter((t) => !gone.has(t as ObjectId));
  });
export const removeObject = (effect: Effect, id: ObjectId): Edit => removeObjects(effect, [id]);

/** "Kelp", or "3 objects". */
export const objectWords = (effect: Effect, ids: readonly ObjectId[]): string =>
  ids.length === 1 ? (effect.objects[ids[0]!]?.name ?? 'object') : `${ids.length} objects`;

/** Fields that every kind of object has. */
export type Common = Partial<
  Pick<
    EffectObject,
    | 'name'
    | 'visible'
    | 'locked'
    | 'anchor'
    | 'scene'
    | 'parent'
    | 'order'
    | 'move'
    | 'turn'
    | 'scale'
    | 'pivot'
    | 'lookAt'
    | 'depthTest'
    | 'depthWrite'
    | 'touchArea'
    | 'byViewer'
  >
>;

/** Sets fields of several objects, each its own. Places and sizes are kept within sane bounds. */
export const changeObjects = (
  effect: Effect,
  changes: ReadonlyMap<ObjectId, Common>,
  label = 'Change',
): Edit =>
  edit(`${label} ${objectWords(effect, [...changes.keys()])}`, (d) => {
    for (const [id, change] of changes) {
      const object = d.objects[id];
      if (!object) continue;
      const { move, turn, scale, pivot } = change;
      Object.assign(object, change, {
        ...(move ? { move: boundedMove(move) } : {}),
        ...(turn ? { turn: boundedTurn(turn) } : {}),
        ...(scale ? { scale: boundedScale(scale) } : {}),
        ...(pivot ? { pivot: boundedMove(pivot) } : {}),
      });
    }
  });

export const changeObject = (effect: Effect, id: ObjectId, change: Common, label = 'Change'): Edit =>
  changeObjects(effect, new Map([[id, change]]), label);

/** Sets fields that only this kind of object has. */
export const reshape = <K extends ObjectKind>(
  effect: Effect,
  id: ObjectId,
  kind: K,
  change: Partial<Omit<Extract<EffectObject, { kind: K }>, keyof typeof placedSchema | 'kind'>>,
  label = 'Change',
): Edit =>
  edit(`${label} ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (object?.kind === kind) Object.assign(object, change);
  });

/** Sets one described property of an object, by its path in the document: `rate`, `wind.0`, `smooth.strength`. */
export const setProperty = (effect: Effect, id: ObjectId, path: string, to: unknown): Edit => {
  const object = effect.objects[id];
  return edit(`Change ${object?.name ?? 'object'}`, (d) => {
    if (!object || !d.objects[id] || !Object.hasOwn(propertiesOf(object), path)) return;
    const [key] = path.split('.');
    Object.assign(d.objects[id], { [key!]: (withValueAt(object, path, to) as never)[key!] });
  });
};

export const styleCard = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Pick<Card, 'opacity' | 'tint' | 'blend' | 'doubleSided' | 'asset' | 'extent'>>,
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'card'}`, (d) => {
    const object = d.objects[id];
    if (object?.kind === 'card') Object.assign(object, change);
    if (object && change.asset !== undefined) object.sample = false;
  });

/** Sets how cards, face layers and texts look; a text has no tint and no back. */
export const styleFlat = (
  effect: Effect,
  id: ObjectId,
  change: Partial<Pick<Card, 'tint' | 'blend' | 'doubleSided'>>,
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (!object) return;
    if (change.blend !== undefined && 'blend' in object) object.blend = change.blend;
    if (change.tint !== undefined && 'tint' in object) object.tint = change.tint;
    if (change.doubleSided !== undefined && 'doubleSided' in object) object.doubleSided = change.doubleSided;
  });

/** Sets how models and groups look. */
export const styleSolid = (
  effect: Effect,
  id: ObjectId,
  change: { opacity?: number; clip?: string | null },
): Edit =>
  edit(`Style ${effect.objects[id]?.name ?? 'object'}`, (d) => {
    const object = d.objects[id];
    if (change.opacity !== undefined && object && 'opacity' in object) object.opacity = change.opacity;
    if (change.clip !== undefined && object?.kind === 'model') object.clip = change.clip;
  });

export const changeListing = (change: Partial<Listing>): Edit =>
  edit('Change the listing', (d) => {
    Object.assign(d.listing, change);
  });
