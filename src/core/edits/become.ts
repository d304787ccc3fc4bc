/**
 * What lies on a face as a whole, or stands by itself: one becomes the other, and keeps its name, look and cues. A picture lies on the face
 * as make-up; a model of a face becomes its shape.
 */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { anchorOf, parentOf, sceneOf, stackTree } from '../document/queries';
import type {
  Anchor,
  Asset,
  Effect,
  EffectObject,
  FaceChoice,
  ModelAsset,
  ModelObject,
  Morph,
  ObjectId,
} from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newPictureLayer } from '../kinds/objects/layer';
import { newModel } from '../kinds/objects/model';
import { newMorph } from '../kinds/objects/morph';
import { kindOf, mayHangIn } from '../kinds/objects/objects';
import { restOf } from '../placing/rest';
import { transplanted } from './stack-edits';

type Flat = Extract<Asset, { kind: 'picture' | 'sequence' | 'video' }>;
const flatOf = (effect: Effect, object: EffectObject | undefined): Flat | null => {
  const id = object?.kind === 'card' || object?.kind === 'layer' ? object.asset : null;
  const asset = id ? effect.assets[id] : undefined;
  return asset?.kind === 'picture' || asset?.kind === 'sequence' || asset?.kind === 'video' ? asset : null;
};

/** The model that is shown, or that shapes the face. */
const modelOf = (effect: Effect, object: EffectObject | undefined): ModelAsset | null => {
  const id =
    object?.kind === 'model' ? object.asset : object?.kind === 'morph' ? object.mesh?.asset : undefined;
  const asset = id ? effect.assets[id] : undefined;
  return asset?.kind === 'model' ? asset : null;
};
const holdsParts = (effect: Effect, id: ObjectId): boolean =>
  Object.values(effect.objects).some((o) => o.parent === id && kindOf(o).isPart === true);

/**
 * How a thing lies on a face as a whole, now or if it is told to: a picture, sequence or video as make-up, a model as the shape of the
 * face. Null for what cannot, and for a model whose parts are set apart: they would have nothing to be parts of.
 */
export const onFaceAs = (effect: Effect, object: EffectObject): 'makeUp' | 'shape' | null => {
  if (flatOf(effect, object)) return 'makeUp';
  return modelOf(effect, object) && !holdsParts(effect, object.id) ? 'shape' : null;
};

const KEPT = [
  'name',
  'order',
  'visible',
  'locked',
  'sample',
  'opacity',
  'tint',
  'blend',
  'startDelay',
  'material',
] as const;

/** `fresh` takes over what the thing before it has in common with it. */
const become = (effect: Effect, id: ObjectId, make: (object: EffectObject) => EffectObject | null): Edit =>
  edit(`Change what ${effect.objects[id]?.name ?? 'it'} lies on`, (d) => {
    const object = effect.objects[id];
    const fresh = object && make(object);
    if (!object || !fresh) return;
    const kept = Object.fromEntries(
      KEPT.filter((key) => key in object && key in fresh).map((key) => [
        key,
        object[key as keyof EffectObject],
      ]),
    );
    // Out of its group it stays in the scene that the group was in.
    const scene = parentOf(effect, object) ? sceneOf(effect, object) : object.scene;
    const next = { ...fresh, ...kept, scene } as EffectObject;
    d.objects[id] = next as Draft<EffectObject>;
    // What lay on it stays where it is seen, beside it.
    const lain = (stackTree(effect).get(id) ?? []).filter((o) => !mayHangIn(o, next));
    if (lain.length === 0) return;
    const rest = restOf(effect);
    const anchor = anchorOf(effect, object);
    for (const one of lain)
      Object.assign(d.objects[one.id]!, transplanted(effect, rest, one, null, anchor), {
        parent: null,
        anchor,
        scene,
      });
  });
const faceOf = (effect: Effect, object: EffectObject): FaceChoice => {
  const anchor = anchorOf(effect, object);
  return 'face' in anchor ? anchor.face : 1;
};

/** The picture of a card over the whole face, by the face layout; nothing for other things. */
export const asFaceLayer = (effect: Effect, id: ObjectId, face?: FaceChoice): Edit =>
  become(effect, id, (object) => {
    const asset = flatOf(effect, object);
    return asset && newPictureLayer(id, asset, object.order, face ?? faceOf(effect, object));
  });

/** The picture of a face layer by itself, where new cards rest on the anchor; nothing for other things. */
export const asCard = (effect: Effect, id: ObjectId, anchor: Anchor): Edit =>
  become(effect, id, (object) => {
    const asset = flatOf(effect, object);
    return asset && newCard(id, asset, object.order, anchor);
  });

/** A model as the shape of the face, by how far it moves the landmarks (`mesh`); nothing for other things, or while it has parts. */
export const asFaceShape = (effect: Effect, id: ObjectId, mesh: NonNullable<Morph['mesh']>): Edit =>
  become(effect, id, (object): Morph | null =>
    onFaceAs(effect, object) === 'shape'
      ? { ...newMorph(id, object.order, faceOf(effect, object)), mesh }
      : null,
  );

/** The model that shapes the face by itself, where new models rest on the anchor; nothing for other things. */
export const asModel = (effect: Effect, id: ObjectId, anchor: Anchor): Edit =>
  become(effect, id, (object): ModelObject | null => {
    const asset = modelOf(effect, object);
    return asset && newModel(id, asset, object.order, anchor);
  });
