/** Objects for what has just come in. */
import { headAnchor, objectNameFor } from '../../core/kinds/objects/placed';
import { newCard } from '../../core/kinds/objects/card';
import { newGrade } from '../../core/kinds/objects/grade';
import { newGroup } from '../../core/kinds/objects/group';
import { newLight } from '../../core/kinds/objects/light';
import { newModel } from '../../core/kinds/objects/model';
import { newOccluder } from '../../core/kinds/objects/occluder';
import { newSound } from '../../core/kinds/objects/sound';
import { newGradeStep } from '../../core/edits/new-grade-step';
import { cardExtent } from '../../core/kinds/objects/resting';
import { isHeadOccluder, orderOnTop } from '../../core/document/queries';
import type {
  Anchor,
  Asset,
  Card,
  Effect,
  EffectObject,
  GradeStep,
  ObjectId,
  PictureAsset,
  SceneId,
} from '../../core/document/schema';
import { newId, newObjectId } from '../api/ids';
import type { LayerDraft } from '../../intake/drafts';

/** What can stand in the Stack by itself. */
export const isPlaceable = (asset: Asset): boolean =>
  ['picture', 'sequence', 'video', 'model', 'sound', 'surroundings', 'table'].includes(asset.kind);

/** What the creator works on: new things go there. */
export interface Destination {
  readonly anchor: Anchor;
  readonly scene: SceneId | null;
}
const HERE: Destination = { anchor: headAnchor('forehead'), scene: null };

/**
 * The object that shows an asset, and an occluder where a head piece needs one; nothing for other kinds. On heads a
 * picture goes to the forehead and a model on the crown, whichever point was worked on.
 */
export const objectsFor = (effect: Effect, asset: Asset, to: Destination = HERE): EffectObject[] => {
  const order = orderOnTop(effect);
  const face = 'face' in to.anchor ? to.anchor.face : 1;
  const here = (object: EffectObject): EffectObject => ({ ...object, scene: to.scene });
  if (asset.kind === 'picture' || asset.kind === 'sequence' || asset.kind === 'video')
    return [
      here(
        newCard(
          newObjectId(),
          asset,
          order,
          to.anchor.kind === 'head' ? headAnchor('forehead', face) : to.anchor,
        ),
      ),
    ];
  if (asset.kind === 'sound') return [here(newSound(newObjectId(), asset, order, to.anchor))];
  if (asset.kind === 'surroundings')
    return [here({ ...newLight(newObjectId(), 'surroundings', order, to.anchor), asset: asset.id })];
  if (asset.kind === 'table') {
    const step = { ...newGradeStep(newId('step'), 'table'), asset: asset.id } as GradeStep;
    return [here({ ...newGrade(newObjectId(), order, [step]), name: objectNameFor(asset, 'Grade') })];
  }
  if (asset.kind !== 'model') return [];
  if (to.anchor.kind !== 'head') return [here(newModel(newObjectId(), asset, order, to.anchor))];
  const hasOccluder = Object.values(effect.objects).some((o) => isHeadOccluder(o, face));
  const last = Object.values(effect.objects).reduce((most, o) => Math.max(most, o.order), 0);
  return [
    here(newModel(newObjectId(), asset, order, headAnchor('crown', face))),
    ...(hasOccluder ? [] : [here(newOccluder(newObjectId(), last + 1, face))]),
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
  { anchor, scene }: Destination = HERE,
): EffectObject[] => {
  const named = objectNameFor({ name }, 'Artwork');
  const k = cardExtent(1, anchor)[0] / cardExtent(1, HERE.anchor)[0];
  const group: EffectObject = {
    ...newGroup(newObjectId(), named, orderOnTop(effect), anchor),
    scene,
    // Layers are as wide as they are on a face; elsewhere the group is as large as a card would be.
    scale: [k, k, k],
  };
  return [
    group,
    ...layers.map((layer, rank) =>
      layerCard(assets[layer.draft] as PictureAsset, layer, group.id, rank, layers.length),
    ),
  ];
};
