import type { Effect, EffectObject } from '../../../core/document/schema';

/** Whether the object shows something that runs: a sequence, a video, a clip. */
export const playsByItself = (effect: Effect, object: EffectObject): boolean => {
  if (object.kind === 'model') return object.clip !== null;
  const asset = object.kind === 'card' ? effect.assets[object.asset] : undefined;
  return asset?.kind === 'sequence' || asset?.kind === 'video';
};
