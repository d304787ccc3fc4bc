/** Who wears a material when several things, or groups, are meant. */
import { wearsMaterials, type Wearer } from './material-queries';
import { withDescendants } from './queries';
import type { Effect, ObjectId } from './schema';

/** Those of the objects that can wear a material; instead of a group what hangs in it and can. Each once. */
export const wearersAmong = (effect: Effect, ids: readonly ObjectId[]): Wearer[] => {
  const found = ids.flatMap((id) => {
    const object = effect.objects[id];
    if (!object) return [];
    return object.kind === 'group' ? withDescendants(effect, id) : [object];
  });
  return [...new Set(found)].filter(wearsMaterials);
};
