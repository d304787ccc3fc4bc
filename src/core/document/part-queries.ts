/** Questions about parts of models that are objects of their own. */
import { subtract, type Vec3 } from '../maths/vec3';
import { modelAssetOf, partFactsOf } from '../kinds/objects/part';
import { parentOf } from './queries';
import type { Effect, EffectObject, ModelAsset, ModelObject, ObjectId, Part } from './schema';

/** The model that a part belongs to, or the model itself; null for anything else, and for a part without one. */
export const modelOf = (effect: Effect, object: EffectObject): ModelObject | null => {
  for (let o: EffectObject | null = object; o; o = parentOf(effect, o)) {
    if (o.kind === 'model') return o;
    if (o.kind !== 'part') return null;
  }
  return null;
};

/** The asset of that model. */
export const modelAssetBehind = (effect: Effect, object: EffectObject): ModelAsset | null => {
  const model = modelOf(effect, object);
  return model ? modelAssetOf({ parent: model.id }, effect) : null;
};

/** The parts of a model that are objects of their own, whichever part they hang in. */
export const partsOf = (effect: Effect, model: ObjectId): Part[] =>
  Object.values(effect.objects).filter(
    (o): o is Part => o.kind === 'part' && modelOf(effect, o)?.id === model,
  );

/**
 * Where the own space of a part begins, in the own space of what it hangs in, in metres; null for what is no part. Both have the axes of the
 * model, so nothing else lies between them.
 */
export const partOrigin = (effect: Effect, object: EffectObject): Vec3 | null => {
  if (object.kind !== 'part') return null;
  const facts = partFactsOf(object, effect);
  const holder = parentOf(effect, object);
  const outer = holder?.kind === 'part' ? partFactsOf(holder, effect)?.origin : undefined;
  return facts ? subtract(facts.origin, outer ?? [0, 0, 0]) : null;
};
