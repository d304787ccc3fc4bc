/** How large objects are: boxes around them, in their own space. Metres. */
import type { Effect, EffectObject } from '../document/schema';
import { kindOf } from '../kinds/objects/objects';
import type { Box } from '../maths/box';

/** Around one object without what hangs in it; null for a model that is not there. */
export const boxOf = (
  { assets, objects = {} }: Pick<Effect, 'assets'> & Partial<Pick<Effect, 'objects'>>,
  object: EffectObject,
): Box | null => kindOf(object).bounds(object, { assets, objects });
