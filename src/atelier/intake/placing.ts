/** Objects for what has just come in. */
import { newCard, newGroup, newModel, newOccluder, objectNameFor } from '../../core/document/defaults';
import { orderOnTop } from '../../core/document/queries';
import type { Asset, Card, Effect, EffectObject, ObjectId, PictureAsset } from '../../core/document/schema';
import { newObjectId } from '../api/ids';
import type { LayerDraft } from '../../intake/drafts';

/** What can stand in the Stack by itself. */
export const isPlaceable = (asset: Asset): boolean =>
  asset.kind === 'picture' || asset.kind === 'sequence' || asset.kind === 'model';

/** The object that shows an asset, and an occluder where a head piece needs one; nothing for other kinds. */
export const objectsFor = (effect: Effect, asset: Asset): EffectObject[] => {
  const order = orderOnTop(effect);
  if (asset.kind === 'picture' || asset.kind === 'sequence') return [newCard(newObjectId(), asset, order)];
  if (asset.kind !== 'model') return [];
  const hasOccluder = Object.values(effect.objects).some((o) => o.kind === 'occluder' && o.anchor.face === 1);
  const last = Object.values(effect.objects).reduce((most, o) => Math.max(most, o.order), 0);
  return [
    newModel(newObjectId(), asset, order),
    ...(hasOccluder ? [] : [newOccluder(newObjectId(), last + 1)]),
  ];
};

/** Layered artwork is this wide on the face, and its layers lie this far before each other, in metres. */
const ARTWORK_WIDTH = 0.2;
const LAYER_STEP = 0.002;

/** The card of a layer, at its offset from the middle of the canvas. `rank` counts from the top. */
export const layerCard = (
  asset: PictureAsset,
  layer: Pick<LayerDraft, 'name' | 'opacity' | 'blend' | 'visible'>,
  parent: ObjectId,
  rank: number,
  count: number,
): Card => {
  const place = asset.layer!;
  const [width, height] = place.canvas;
  const metres = ARTWORK_WIDTH / Math.max(width, height);
  return {
    ...newCard(newObjectId(), asset, rank),
    name: layer.name || objectNameFor(asset, 'Layer'),
    parent,
    move: [
      (place.left + place.width / 2 - width / 2) * metres,
      -(place.top + place.height / 2 - height / 2) * metres,
      (count - 1 - rank) * LAYER_STEP,
    ],
    extent: [place.width * metres, place.height * metres],
    opacity: layer.opacity,
    blend: layer.blend,
    visible: layer.visible,
  };
};

/** A group with a card for each layer, the topmost first. */
export const artworkObjects = (
  effect: Effect,
  name: string,
  layers: readonly LayerDraft[],
  assets: readonly Asset[],
): EffectObject[] => {
  const group = newGroup(newObjectId(), objectNameFor({ name }, 'Artwork'), orderOnTop(effect));
  return [
    group,
    ...layers.map((layer, rank) =>
      layerCard(assets[layer.draft] as PictureAsset, layer, group.id, rank, layers.length),
    ),
  ];
};
