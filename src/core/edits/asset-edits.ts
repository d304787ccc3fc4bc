/** Edits of assets: bringing in, renaming, replacing, deleting, and what they do to the objects that show them. */
import type { Draft } from 'immer';
import { objectsShowing } from '../document/asset-uses';
import { edit, type Edit } from '../document/edit';
import { picturesOf } from '../document/material-queries';
import type { Asset, AssetId, Card, Effect, EffectObject, Material, ObjectId } from '../document/schema';
import { anchorOf, parentOf } from '../document/queries';
import { canShow, restingPlace } from '../kinds/objects/objects';
import { cutText } from '../text';
import { addObject, removeObject } from './object-edits';
import { followModel } from './part-edits';
import { extentFor } from '../kinds/objects/resting';
import { cardAfter } from './replaced-card';

/** Brings in an asset that nothing shows yet. */
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
 * Lets an object show another asset, or another in the place of `from` alone: it keeps its place and its
 * width.
 */
export const putOn = (
  d: Draft<Effect>,
  effect: Effect,
  id: ObjectId,
  to: Asset,
  from: AssetId | null = null,
): void => {
  const draft = d.objects[id];
  if (!draft) return;
  if (draft.kind === 'text') draft.font = to.id;
  else if (draft.kind === 'grade') {
    for (const step of draft.steps)
      if (step.kind === 'table' && (from === null || step.asset === from)) step.asset = to.id;
  } else if ((draft.kind === 'layer' || draft.kind === 'hair') && from !== null && draft.mask === from) {
    if (to.kind === 'picture') draft.mask = to.id;
  } else if ('asset' in draft) draft.asset = to.id;
  // What the creator has put in is no sample any more.
  draft.sample = false;
  if (draft.kind === 'card' && 'width' in to) draft.extent = extentFor(draft as Card, to.width / to.height);
  if (to.kind === 'model') followModel(d, effect, id, to);
};

/** Everything that is shown of one asset shows another one. */
export const showInstead = (effect: Effect, from: AssetId, to: Asset): Edit =>
  edit(`Show ${to.name} instead`, (d) => {
    for (const object of objectsShowing(effect, from))
      if (canShow(object, to)) putOn(d, effect, object.id, to, from);
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

/** Two pictures became one sequence: what showed the first shows it, and what showed the second, another frame of it, goes. */
export const asOneSequence = (effect: Effect, [first, ...others]: readonly AssetId[], to: Asset): Edit =>
  edit(`Show ${to.name} instead`, (d) => {
    for (const id of others)
      for (const object of objectsShowing(effect, id))
        if (object.kind === 'card') removeObject(effect, object.id).change(d);
    for (const object of objectsShowing(effect, first!))
      if (canShow(object, to) && d.objects[object.id]) putOn(d, effect, object.id, to, first);
  });

const isAt = ({ move }: Pick<EffectObject, 'move'>, place: readonly number[]): boolean =>
  move.every((x, i) => Math.abs(x - place[i]!) < 1e-9);

/** Puts other content into an asset: all that shows it follows, and keeps its place. */
export const replaceAsset = (effect: Effect, next: Asset, label = 'Replace'): Edit =>
  edit(`${label} ${effect.assets[next.id]?.name ?? next.name}`, (d) => {
    const old = effect.assets[next.id];
    d.assets[next.id] = next as Draft<Asset>;
    for (const object of objectsShowing(effect, next.id)) {
      const draft = d.objects[object.id]!;
      if (draft.kind === 'card' && old && 'width' in old && 'width' in next)
        Object.assign(draft, cardAfter(draft as Card, old, next));
      if (next.kind === 'model') {
        followModel(d, effect, object.id, next);
        // What nobody has moved from where it came to rest rests anew, with its new size.
        const anchor = anchorOf(effect, object);
        const rest = restingPlace(object, anchor, effect.assets);
        if (parentOf(effect, object) === null && isAt(object, rest.move))
          draft.move = restingPlace(object, anchor, { ...effect.assets, [next.id]: next }).move;
      }
    }
  });

/** Sets how fast a sequence runs: pictures a second, 0.1 to 120. */
export const setSequenceRate = (id: AssetId, rate: number): Edit =>
  edit('Change the speed of the sequence', (d) => {
    const asset = d.assets[id];
    if (asset?.kind === 'sequence') asset.rate = Math.min(120, Math.max(0.1, rate));
  });

const namesOf = (effect: Effect, ids: readonly AssetId[]): string =>
  ids.length === 1 ? (effect.assets[ids[0]!]?.name ?? 'asset') : `${ids.length} assets`;
