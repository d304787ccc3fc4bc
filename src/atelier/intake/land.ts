/** Where what came in goes: into the field it was dropped on, onto a material as its maps, into the Stack, or only among the assets. */
import { asMaps } from '../../core/assets/texture-sets';
import { materialIdOf } from '../../core/document/material-queries';
import { wearersAmong } from '../../core/document/wearers';
import type { Anchor, Asset, AssetId, ObjectId, PictureAsset } from '../../core/document/schema';
import type { Vec3 } from '../../core/maths/vec3';
import { KIND_LABELS } from '../asset-words';
import { layPictures, setWords } from '../commands/material-commands';
import { destination, placeAssets } from '../commands/place-commands';
import { slotsOf } from '../drawing/slots-of';
import { useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import type { DropSpot } from './drop-spots';
import { isPlaceable } from './placing';

export interface Landing {
  /** Put into the Stack what has no other place to go. */
  readonly place: boolean;
  /** What it is to stick to; else see `landingAnchor`. */
  readonly on?: Anchor | null;
  /** Where on it, in its own space. */
  readonly at?: Vec3 | null;
  /** What was pointed at: its material takes maps. */
  readonly object?: ObjectId | null;
  /** The field it was dropped on. */
  readonly spot?: DropSpot | null;
}

/** What became of an asset where that is not plain, as a sentence. */
type Said = Map<AssetId, string>;

const intoSpot = (spot: DropSpot, assets: readonly Asset[]): Said => {
  const fits = assets.filter((a) => spot.kinds.includes(a.kind));
  const taken = spot.isSet ? fits : fits.slice(0, 1);
  const done = taken.length > 0 ? spot.put(taken) : undefined;
  const said: Said = new Map(
    assets
      .filter((a) => !taken.includes(a))
      .map((asset) => [
        asset.id,
        fits.includes(asset)
          ? 'One was enough there: this one is kept with the assets.'
          : `${KIND_LABELS[asset.kind]} does not go there: it is kept with the assets.`,
      ]),
  );
  return done ? said.set(taken[0]!.id, done) : said;
};

/** The pictures as maps of what was pointed at, or is selected; null where they are no maps or nothing there wears them. */
const asMaterial = (assets: readonly Asset[], id: ObjectId | null): Said | null => {
  const effectStore = useEffectStore();
  const desk = useDeskStore();
  const [object] = id ? wearersAmong(effectStore.effect, [id]) : [];
  if (!object || assets.some((a) => a.kind !== 'picture')) return null;
  const sets = asMaps(assets as PictureAsset[], slotsOf(object));
  if (!sets) return null;
  desk.selected = id;
  const said: Said = new Map();
  for (const { slot, pictures } of sets) {
    const worn = effectStore.effect.objects[object.id]!;
    // A part gets a material of its own where it has none: what all share is not painted over.
    const own = 'materials' in worn ? (worn.materials[slot] ?? null) : materialIdOf(worn);
    said.set(pictures[0]!.id, setWords(pictures, layPictures(pictures, own, slot), object.name));
  }
  return said;
};

/** Lands what came in with one drop; says what became of those that went elsewhere than one would think. */
export const landAll = (
  assets: readonly Asset[],
  { place, on, at, object, spot }: Landing,
  { label, selected }: { readonly label: string; readonly selected: ObjectId | null },
): Said => {
  if (spot) return intoSpot(spot, assets);
  if (!place || assets.length === 0) return new Map();
  const laid = asMaterial(assets, object ?? selected);
  if (laid) return laid;
  const placeable = assets.filter(isPlaceable);
  if (placeable.length > 0) placeAssets(placeable, { to: destination(on, at, selected), label });
  return new Map();
};
