/** The colour that behaviour can change. */
import type { Hex } from '../units';
import type { EffectObject } from './objects/objects';

/** The colour of an object that can have another one; null where it has none. */
export const colourOf = (object: EffectObject): Hex | null => {
  if ('tint' in object) return object.tint;
  return 'colour' in object ? object.colour : null;
};
