/** Parts that a model does not show. */
import type { Draft } from 'immer';
import { modelOf } from '../document/part-queries';
import type { Effect, ObjectId } from '../document/schema';

/** Changes which parts a model does not show. */
export const hideInModel = (
  d: Draft<Effect>,
  model: ObjectId,
  change: (hidden: number[]) => number[],
): void => {
  const draft = d.objects[model];
  if (draft?.kind === 'model') draft.hiddenParts = change([...draft.hiddenParts]);
};

/** Models whose parts were deleted do not show them any more; parts whose model went are left to whoever removes what hung in it. */
export const hideDeletedParts = (d: Draft<Effect>, effect: Effect, gone: ReadonlySet<ObjectId>): void => {
  for (const id of gone) {
    const part = effect.objects[id];
    const model = part?.kind === 'part' ? modelOf(effect, part) : null;
    if (part?.kind !== 'part' || part.part === null || !model || gone.has(model.id)) continue;
    const { part: index } = part;
    hideInModel(d, model.id, (hidden) => [...new Set([...hidden, index])]);
  }
};
