/** A picture that lies on a face as a whole, or stands by itself: one becomes the other, and keeps its name, look and cues. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { anchorOf, parentOf, sceneOf } from '../document/queries';
import type {
  Anchor,
  Asset,
  Card,
  Effect,
  EffectObject,
  FaceChoice,
  Layer,
  ObjectId,
} from '../document/schema';
import { newCard } from '../kinds/objects/card';
import { newPictureLayer } from '../kinds/objects/layer';

type Flat = Extract<Asset, { kind: 'picture' | 'sequence' | 'video' }>;
const flatOf = (effect: Effect, object: EffectObject | undefined): Flat | null => {
  const id = object?.kind === 'card' || object?.kind === 'layer' ? object.asset : null;
  const asset = id ? effect.assets[id] : undefined;
  return asset?.kind === 'picture' || asset?.kind === 'sequence' || asset?.kind === 'video' ? asset : null;
};

/** Whether a card can become a face layer, or a face layer a card: both show a picture, a sequence or a video. */
export const canBecome = (effect: Effect, object: EffectObject): object is Card | Layer =>
  flatOf(effect, object) !== null;

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
] as const;
const keptOf = (object: Card | Layer): Pick<Card | Layer, (typeof KEPT)[number]> =>
  Object.fromEntries(KEPT.map((key) => [key, object[key]])) as never;

const become = (
  effect: Effect,
  id: ObjectId,
  make: (object: Card | Layer, asset: Flat) => EffectObject,
): Edit =>
  edit(`Change what ${effect.objects[id]?.name ?? 'it'} lies on`, (d) => {
    const object = effect.objects[id];
    const asset = flatOf(effect, object);
    if (!object || !asset || !canBecome(effect, object)) return;
    // Out of its group it stays in the scene that the group was in.
    const scene = parentOf(effect, object) ? sceneOf(effect, object) : object.scene;
    d.objects[id] = { ...make(object, asset), ...keptOf(object), scene } as Draft<EffectObject>;
  });

/** The picture of a card over the whole face, by the face layout; nothing for other things. */
export const asFaceLayer = (effect: Effect, id: ObjectId, face?: FaceChoice): Edit =>
  become(effect, id, (object, asset) => {
    const anchor = anchorOf(effect, object);
    return newPictureLayer(id, asset, object.order, face ?? ('face' in anchor ? anchor.face : 1));
  });

/** The picture of a face layer by itself, where new cards rest on the anchor; nothing for other things. */
export const asCard = (effect: Effect, id: ObjectId, anchor: Anchor): Edit =>
  become(effect, id, (object, asset) => newCard(id, asset, object.order, anchor));
