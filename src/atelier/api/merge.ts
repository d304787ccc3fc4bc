/** Brings two lines of work on one document together. */
import { readEffect } from '../../core/document/migrations';
import { applyPatch, diff } from '../../core/document/patch';
import type { Effect } from '../../core/document/schema';

/**
 * Puts what was done here since `base` on top of `theirs`. Null when the two do not fit together, for
 * example when one changed what the other deleted.
 */
export const mergeOnto = (base: Effect, mine: Effect, theirs: Effect): Effect | null => {
  const patch = diff(base, mine);
  if (patch.length === 0) return theirs;
  try {
    return readEffect(applyPatch(theirs, patch));
  } catch {
    return null;
  }
};
