/** What is drawn before what: a smaller number first. */
import type { Anchor, EffectObject } from '../../core/document/schema';
import { kindOf } from '../../core/kinds/objects/objects';

/** More objects than an effect may hold. */
const ABOVE_ALL = 10_000;
/** The number of what stands at the top of the Stack. */
export const STACK_TOP = ABOVE_ALL;

/**
 * Occluders come before everything, as they only hide. Then grounds in the world, whose shadows would else be drawn over the feet of a card
 * that stands on them; a ground on a face is a part of it, and has its place in the Stack. All others follow the Stack: `index` 0 is what covers all.
 */
export const orderOf = (object: EffectObject, anchor: Anchor, index: number): number => {
  if (object.kind === 'occluder') return -1;
  const inWorld = anchor.kind === 'world' || anchor.kind === 'picture';
  if (kindOf(object).drawn === 'ground' && inWorld) return 1 - (index + 1) / (2 * ABOVE_ALL);
  return ABOVE_ALL - index;
};
