/** What an effect weighs, and what takes the space. */
import { assetBytes, neededAssets, usedAssets } from '../document/queries';
import { soughtPictures } from '../requirements/sought-pictures';
import { MOST_TARGET_BYTES } from '../vision/target-file';
import type { Asset, AssetKind, Effect } from '../document/schema';

/** What an outlet takes. */
export interface OutletLimit {
  readonly name: string;
  /** Most bytes of a released effect. */
  readonly bytes: number;
}
export const OPEN_WEB: OutletLimit = { name: 'Open Web', bytes: 5 * 1024 * 1024 };
export const OUTLET_LIMITS: readonly OutletLimit[] = [OPEN_WEB];

export interface Cost {
  readonly asset: Asset;
  readonly kind: AssetKind;
  /** Bytes it adds to the release, at most; files it shares with an asset before it count there. A printed picture brings what it is found by. */
  readonly bytes: number;
  readonly used: boolean;
}

/** Every asset with what it adds, the heaviest first. What nothing uses is not released and adds nothing yet. */
export const costsOf = (effect: Effect): Cost[] => {
  const used = new Set(usedAssets(effect));
  const needed = new Set(neededAssets(effect));
  const counted = new Set<string>();
  const printed = new Set(soughtPictures(effect).map(({ file }) => file.sha256));
  const inOrder = Object.values(effect.assets).sort(
    (a, b) => Number(used.has(b.id)) - Number(used.has(a.id)),
  );
  return inOrder
    .map((asset): Cost => {
      if (!used.has(asset.id)) return { asset, kind: asset.kind, bytes: assetBytes(asset), used: false };
      if (!needed.has(asset.id)) return { asset, kind: asset.kind, bytes: 0, used: true };
      const own = asset.files.filter((file) => !counted.has(file.sha256));
      for (const file of own) counted.add(file.sha256);
      const targets = own.filter((file) => printed.has(file.sha256)).length * MOST_TARGET_BYTES;
      const bytes = own.reduce((sum, f) => sum + f.bytes, targets);
      return { asset, kind: asset.kind, bytes, used: true };
    })
    .sort((a, b) => Number(b.used) - Number(a.used) || b.bytes - a.bytes);
};

/** Bytes of all files a release carries, at most. The rest of the package is a few kilobytes. */
export const packageBytes = (effect: Effect): number =>
  costsOf(effect).reduce((sum, cost) => sum + (cost.used ? cost.bytes : 0), 0);
