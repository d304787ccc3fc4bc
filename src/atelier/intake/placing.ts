/** Objects for what has just come in. */
import { FOREHEAD, headAnchor, isOnWholeFace, objectNameFor, onSpot } from '../../core/kinds/objects/placed';
import { newCard } from '../../core/kinds/objects/card';
import { newGrade } from '../../core/kinds/objects/grade';
import { newGroup } from '../../core/kinds/objects/group';
import { newPictureLayer } from '../../core/kinds/objects/layer';
import { newLight } from '../../core/kinds/objects/light';
import { newModel, wornPoint } from '../../core/kinds/objects/model';
import { isHandOccluder, newHandOccluder, newOccluder } from '../../core/kinds/objects/occluder';
import { newSound } from '../../core/kinds/objects/sound';
import { newGradeStep } from '../../core/edits/new-grade-step';
import { cardExtent, standsOn } from '../../core/kinds/objects/resting';
import type { Vec3 } from '../../core/maths/vec3';
import { placedApart } from '../../core/placing/several';
import { isHeadOccluder, orderAtBottom, orderOnTop } from '../../core/document/queries';
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

/** Where new things go. */
export interface Destination {
  readonly anchor: Anchor;
  /** Where on it, in its own space; null is where such things usually rest. */
  readonly at: Vec3 | null;
  readonly scene: SceneId | null;
}

/** On what they were dropped on: on a floor they stand there, on a wall and a printed picture they lie there. */
const broughtTo = (object: EffectObject, { anchor, at }: Destination): EffectObject => {
  if (!at) return object;
  const [x, y, z] = object.move;
  if (standsOn(anchor)) return { ...object, move: [at[0], y, at[2]] };
  return anchor.kind === 'world' || anchor.kind === 'picture'
    ? { ...object, move: [at[0], at[1], z] }
    : { ...object, move: [x, y, z] };
};

/**
 * The object that shows an asset, and an occluder where a head piece needs one; nothing for other kinds. On heads a
 * picture goes to the forehead and a model on the crown, whichever point was worked on.
 */
export const objectsFor = (
  effect: Effect,
  asset: Asset,
  to: Destination,
  order = orderOnTop(effect),
): EffectObject[] => {
  const face = 'face' in to.anchor ? to.anchor.face : 1;
  const here = (object: EffectObject): EffectObject => ({ ...broughtTo(object, to), scene: to.scene });
  if (asset.kind === 'picture' || asset.kind === 'sequence' || asset.kind === 'video') {
    // For the skin as a whole a square picture is make-up in the face layout; any other is a card that sticks to a spot of it.
    if (isOnWholeFace(to.anchor) && Math.abs(asset.width / asset.height - 1) < 0.02)
      return [here(newPictureLayer(newObjectId(), asset, order, face))];
    const on = to.anchor.kind === 'head' ? headAnchor('forehead', face) : onSpot(to.anchor);
    return [here(newCard(newObjectId(), asset, order, on))];
  }
  if (asset.kind === 'sound') return [here(newSound(newObjectId(), asset, order, to.anchor))];
  if (asset.kind === 'surroundings')
    return [here({ ...newLight(newObjectId(), 'surroundings', order, to.anchor), asset: asset.id })];
  if (asset.kind === 'table') {
    const step = { ...newGradeStep(newId('step'), 'table'), asset: asset.id } as GradeStep;
    return [here({ ...newGrade(newObjectId(), order, [step]), name: objectNameFor(asset, 'Grade') })];
  }
  if (asset.kind !== 'model') return [];
  if (to.anchor.kind === 'hand')
    return [
      here(newModel(newObjectId(), asset, order, to.anchor)),
      ...(Object.values(effect.objects).some(isHandOccluder)
        ? []
        : [here(newHandOccluder(newObjectId(), orderAtBottom(effect)))]),
    ];
  if (to.anchor.kind !== 'head') return [here(newModel(newObjectId(), asset, order, onSpot(to.anchor)))];
  const hasOccluder = Object.values(effect.objects).some((o) => isHeadOccluder(o, face));
  return [
    here(newModel(newObjectId(), asset, order, headAnchor(wornPoint(asset), face))),
    ...(hasOccluder ? [] : [here(newOccluder(newObjectId(), orderAtBottom(effect), face))]),
  ];
};

/** What shows several assets that came at once: each its own object, none in the spot of another, the last one on top. */
export const objectsForAll = (effect: Effect, assets: readonly Asset[], to: Destination): EffectObject[] => {
  const top = orderOnTop(effect);
  let hasOccluder = false;
  const made = assets.flatMap((asset, i) =>
    objectsFor(effect, asset, to, top - i).filter(({ kind }) => {
      const again = kind === 'occluder' && hasOccluder;
      hasOccluder ||= kind === 'occluder';
      return !again;
    }),
  );
  const known = { assets: { ...effect.assets, ...Object.fromEntries(assets.map((a) => [a.id, a])) } };
  return placedApart(known, made);
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
  { anchor, scene }: Destination,
): EffectObject[] => {
  const named = objectNameFor({ name }, 'Artwork');
  const k = cardExtent(1, anchor)[0] / cardExtent(1, FOREHEAD)[0];
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
