/** Where assets are used: worked out once a document, since every tile of the library asks. */
import { materialAssets } from './material-queries';
import { perDocument } from '../memo';
import { picturesOfControl, stackOrder, targetOrder } from './queries';
import { assetsOf } from '../kinds/objects/objects';
import type { AssetId, Effect, EffectObject, LookId, MaterialId, ObjectId, TargetId } from './schema';

/** Where an asset is used. */
export type Use =
  | { readonly kind: 'object'; readonly id: ObjectId; readonly name: string }
  | { readonly kind: 'material'; readonly id: MaterialId; readonly name: string }
  | { readonly kind: 'look'; readonly id: LookId; readonly name: string }
  | { readonly kind: 'target'; readonly id: TargetId; readonly name: string }
  | { readonly kind: 'control'; readonly id: string; readonly name: string }
  | { readonly kind: 'icon' };

interface Uses {
  readonly uses: Use[];
  readonly objects: EffectObject[];
}

const allUses = perDocument((effect: Effect): ReadonlyMap<AssetId, Uses> => {
  const found = new Map<AssetId, Uses>();
  const of = (asset: AssetId): Uses => {
    const known = found.get(asset) ?? { uses: [], objects: [] };
    found.set(asset, known);
    return known;
  };
  const note = (assets: Iterable<AssetId>, use: Use): void => {
    for (const asset of new Set(assets)) of(asset).uses.push(use);
  };
  for (const object of stackOrder(effect)) {
    const assets = assetsOf(object);
    note(assets, { kind: 'object', id: object.id, name: object.name });
    for (const asset of new Set(assets)) of(asset).objects.push(object);
  }
  for (const { id, name, ...rest } of Object.values(effect.materials))
    note(materialAssets({ id, name, ...rest }), { kind: 'material', id, name });
  for (const look of Object.values(effect.looks))
    note([...look.layers, ...look.extras].flatMap(assetsOf), { kind: 'look', id: look.id, name: look.name });
  for (const { id, name, asset } of targetOrder(effect))
    if (asset) note([asset], { kind: 'target', id, name });
  for (const control of Object.values(effect.controls))
    note(picturesOfControl(control), { kind: 'control', id: control.id, name: control.name });
  if (effect.listing.icon) note([effect.listing.icon], { kind: 'icon' });
  return found;
});

export const usesOf = (effect: Effect, id: AssetId): readonly Use[] => allUses(effect).get(id)?.uses ?? [];

/** Objects that show the asset or are made of it; what wears a material made of it does not count. */
export const objectsShowing = (effect: Effect, id: AssetId): readonly EffectObject[] =>
  allUses(effect).get(id)?.objects ?? [];
