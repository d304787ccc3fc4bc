/** Another thing in the place of one that is there: it keeps its place, its size, what fingers do to it and what cues do. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import { partsOf } from '../document/part-queries';
import { anchorOf } from '../document/queries';
import type { Asset, AssetKind, Effect, EffectObject, ObjectId } from '../document/schema';
import { canShow, kindOf } from '../kinds/objects/objects';
import { newCard } from '../kinds/objects/card';
import { modelBox, newModel } from '../kinds/objects/model';
import { objectNameFor } from '../kinds/objects/placed';
import { standsOn } from '../kinds/objects/resting';
import type { Box } from '../maths/box';
import { boxOf } from '../placing/bounds';
import { longestSide, onSameFoot } from '../placing/resize';
import { putOn } from './asset-edits';
import { removeObjects } from './object-edits';

/** Move and scale with which a thing of box `next` takes the place of `object`, whose box is `was`: as long, on the same foot. */
const inPlaceOf = (
  object: Pick<EffectObject, 'move' | 'turn' | 'scale' | 'pivot'>,
  was: Box,
  next: Box,
  isStanding: boolean,
): Pick<EffectObject, 'move' | 'scale'> => {
  const k = longestSide(was, object.scale) / longestSide(next, object.scale);
  const scale: [number, number, number] = [object.scale[0] * k, object.scale[1] * k, object.scale[2] * k];
  return { move: [...onSameFoot(object, was, next, scale, isStanding)], scale };
};

/** What all objects have, that stays whatever is shown. */
const KEPT = [
  'id',
  'parent',
  'scene',
  'anchor',
  'order',
  'visible',
  'locked',
  'move',
  'turn',
  'scale',
  'pivot',
  'lookAt',
  'touchArea',
  'byViewer',
] as const satisfies readonly (keyof EffectObject)[];

/** A card or a model instead of a thing of another kind; null for assets that are neither. */
const madeAnew = (effect: Effect, object: EffectObject, to: Asset): EffectObject | null => {
  const anchor = anchorOf(effect, object);
  const made =
    to.kind === 'model'
      ? newModel(object.id, to, object.order, anchor)
      : to.kind === 'picture' || to.kind === 'sequence' || to.kind === 'video'
        ? newCard(object.id, to, object.order, anchor)
        : null;
  if (!made) return null;
  const kept = Object.fromEntries(KEPT.map((key) => [key, object[key]])) as Partial<EffectObject>;
  const next = { ...made, ...kept, sample: false } as EffectObject;
  const [was, is] = [
    boxOf(effect, object),
    boxOf({ ...effect, assets: { [to.id]: to } as Effect['assets'] }, next),
  ];
  return was && is ? { ...next, ...inPlaceOf(object, was, is, standsOn(anchor)) } : next;
};

const FLAT_OR_MODEL: readonly AssetKind[] = ['picture', 'sequence', 'video', 'model'];
/** Kinds of assets that may be put in the place of this object: what it shows; a sample may become a card or a model. */
export const standInKinds = (object: EffectObject): readonly AssetKind[] =>
  object.sample && (object.kind === 'card' || object.kind === 'model')
    ? FLAT_OR_MODEL
    : (kindOf(object).shows ?? []);

/**
 * One object shows another asset, in its place and at its size; a sample takes over its name too, and may become a card or a model.
 * One that it cannot show changes nothing.
 */
export const showOn = (effect: Effect, id: ObjectId, to: Asset): Edit => {
  const object = effect.objects[id];
  return edit(`Show ${to.name} on ${object?.name ?? 'an object'}`, (d) => {
    const draft = d.objects[id];
    if (!object || !draft || !standInKinds(object).includes(to.kind)) return;
    if (!canShow(object, to)) {
      const made = madeAnew(effect, object, to);
      // What has no parts any more does without them.
      const parts = partsOf(effect, id).map((part) => part.id);
      if (made && parts.length > 0) removeObjects(effect, parts).change(d);
      if (made) d.objects[id] = { ...made, name: objectNameFor(to, object.name) } as Draft<EffectObject>;
      return;
    }
    putOn(d, effect, id, to);
    if (object.sample) draft.name = objectNameFor(to, object.name);
    if (object.kind !== 'model') return;
    const [was, is] = [modelBox(effect.assets[object.asset]), modelBox(to)];
    if (was && is) Object.assign(draft, inPlaceOf(object, was, is, standsOn(anchorOf(effect, object))));
  });
};
