/** Layered artwork that came in before and comes again: pictures change, placement stays. */
import type { Edit } from '../../core/document/edit';
import { bringIn, replaceAsset } from '../../core/edits/asset-edits';
import { objectsShowing } from '../../core/document/asset-uses';
import type { Asset, Effect, EffectObject, ObjectId, PictureAsset } from '../../core/document/schema';
import type { LayerDraft } from '../../intake/drafts';
import { layerCard } from './placing';

/** Layers of a file that the effect already has, by their keys. */
export const layersHere = (effect: Effect, file: string): Map<string, PictureAsset> => {
  const found = new Map<string, PictureAsset>();
  for (const asset of Object.values(effect.assets))
    if (asset.kind === 'picture' && asset.from?.layer && asset.from.file.toLowerCase() === file.toLowerCase())
      found.set(asset.from.layer, asset);
  return found;
};

export interface ArtworkUpdate {
  readonly edit: Edit;
  readonly changed: number;
  readonly added: readonly string[];
  /** Layers that are no longer in the file; their cards stay. */
  readonly gone: readonly PictureAsset[];
}

/** The group that holds most of the cards of these assets. */
const homeOf = (effect: Effect, assets: readonly PictureAsset[]): ObjectId | null => {
  const counts = new Map<ObjectId, number>();
  for (const asset of assets)
    for (const { parent } of objectsShowing(effect, asset.id))
      if (parent) counts.set(parent, (counts.get(parent) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
};

/** Orders for those that have none yet, evenly between their neighbours that have one. */
const ordersAmong = (known: readonly (number | null)[]): number[] => {
  const orders: number[] = [];
  for (let i = 0; i < known.length; i++) {
    const own = known[i];
    if (own != null) {
      orders.push(own);
      continue;
    }
    let run = 1;
    while (i + run < known.length && known[i + run] == null) run++;
    const above = orders.at(-1);
    const below = known[i + run];
    const [low, high] = [above ?? (below ?? 1) - 1, below ?? (above ?? 0) + 1];
    for (let k = 1; k <= run; k++) orders.push(low + ((high - low) * k) / (run + 1));
    i += run - 1;
  }
  return orders;
};

/**
 * `assets` are the layers as they are now, under the ids of those they replace. New layers get a card between
 * their neighbours.
 */
export const updateArtwork = (
  effect: Effect,
  file: string,
  layers: readonly LayerDraft[],
  assets: readonly Asset[],
): ArtworkUpdate => {
  const here = layersHere(effect, file);
  const now = assets as readonly PictureAsset[];
  const keys = new Set(layers.map((l) => l.key));
  const old = layers.filter((l) => here.has(l.key));
  const fresh = layers.filter((l) => !here.has(l.key));
  const home = homeOf(effect, [...here.values()]);
  const isChanged = (layer: LayerDraft): boolean => {
    const [before, after] = [here.get(layer.key)!, now[layer.draft]!];
    const source = (a: PictureAsset) => (a.original ?? a.files)[0]!.sha256;
    return source(before) !== source(after) || JSON.stringify(before.layer) !== JSON.stringify(after.layer);
  };
  const orderOf = (layer: LayerDraft): number | null => {
    const asset = here.get(layer.key);
    const card = asset ? objectsShowing(effect, asset.id).find((o) => o.parent === home) : undefined;
    return card?.order ?? null;
  };
  const orders = ordersAmong(layers.map(orderOf));
  const cards: EffectObject[] = home
    ? fresh.map((layer) => {
        const at = layers.indexOf(layer);
        return { ...layerCard(now[layer.draft]!, layer, home, at, layers.length), order: orders[at]! };
      })
    : [];
  const changed = old.filter(isChanged);
  return {
    changed: changed.length,
    added: fresh.map((l) => l.name),
    gone: [...here].filter(([key]) => !keys.has(key)).map(([, asset]) => asset),
    edit: {
      label: `Update ${file}`,
      change: (d) => {
        for (const layer of changed) {
          const before = here.get(layer.key)!;
          // A name the creator gave stays.
          replaceAsset(effect, { ...now[layer.draft]!, name: before.name }).change(d);
        }
        bringIn(
          '',
          fresh.map((l) => now[l.draft]!),
          cards,
        ).change(d);
      },
    },
  };
};
