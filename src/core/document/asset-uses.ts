/** Where assets are used: worked out once a document, since every tile of the library asks. */
import { perDocument } from '../memo';
import { assetsNamedBy, NAMING_MAPS, type NamingMap } from './named-in';
import { inOrder, stackOrder } from './queries';
import { picturesOf } from './material-queries';
import type { AssetId, Effect, EffectObject, PictureAsset } from './schema';

/** Where an asset is used: by an entry of a map, or as the icon. */
export type Use =
  | { readonly in: NamingMap; readonly id: string; readonly name: string }
  | { readonly in: 'icon' };

const allUses = perDocument((effect: Effect): ReadonlyMap<AssetId, readonly Use[]> => {
  const found = new Map<AssetId, Use[]>();
  const note = (asset: AssetId, use: Use): void => {
    found.set(asset, [...(found.get(asset) ?? []), use]);
  };
  for (const map of NAMING_MAPS)
    for (const thing of thingsOf(effect, map)) {
      const name = ('name' in thing && thing.name) || '';
      for (const asset of assetsNamedBy(map, thing)) note(asset, { in: map, id: thing.id, name });
    }
  if (effect.listing.icon) note(effect.listing.icon, { in: 'icon' });
  return found;
});
/** Objects stand as in the Stack, everything else in its own order; materials have none. */
const thingsOf = (effect: Effect, map: NamingMap) => {
  if (map === 'objects') return stackOrder(effect);
  return map === 'materials'
    ? Object.values(effect.materials)
    : inOrder<{ id: string; order: number; name?: string }>(effect[map]);
};

/** Everything that uses an asset, in the order of the document; nothing for one that is not used. */
export const usesOf = (effect: Effect, id: AssetId): readonly Use[] => allUses(effect).get(id) ?? [];

/** Objects that show the asset or are made of it; what wears a material made of it does not count. */
export const objectsShowing = (effect: Effect, id: AssetId): readonly EffectObject[] =>
  usesOf(effect, id).flatMap((use) =>
    use.in === 'objects' ? [effect.objects[use.id as keyof Effect['objects']]!] : [],
  );

/** Fewer bytes for a pixel than a picture of one colour takes. */
const BLANK = 0.003;

/** Pictures that only say where a thing on a face is seen. */
export const masksOf = (effect: Effect): Set<AssetId> =>
  new Set(
    Object.values(effect.objects).flatMap((o) =>
      (o.kind === 'layer' || o.kind === 'hair') && o.mask ? [o.mask] : [],
    ),
  );

/** Pictures that a viewer would know the effect by: what only limits or tints other things, and what is empty, is left out. */
export const tellingPictures = (effect: Effect): PictureAsset[] => {
  const masks = new Set<AssetId>([
    ...masksOf(effect),
    ...Object.values(effect.materials).flatMap((material) =>
      picturesOf(material).flatMap((source) => (source.from === 'asset' ? [source.asset] : [])),
    ),
  ]);
  const isBlank = ({ files, width, height }: PictureAsset): boolean =>
    files[0]!.bytes < width * height * BLANK;
  return Object.values(effect.assets).filter(
    (a): a is PictureAsset => a.kind === 'picture' && !masks.has(a.id) && !isBlank(a),
  );
};
