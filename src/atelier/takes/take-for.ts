/** What a take lacks for what the creator works on, in words. */
import type { Anchor, Effect } from '../../core/document/schema';
import { hasAnchor } from '../../core/takes/library/take-for';
import type { Take } from '../../core/takes/take';
import { SURFACE_WORDS } from '../words';

/** What the take lacks for the anchor, as a sentence; null when it lacks nothing. */
export const lacks = (take: Take, effect: Effect, anchor: Anchor): string | null => {
  if (hasAnchor(take, effect, anchor)) return null;
  if (anchor.kind === 'world') return `This take has no ${SURFACE_WORDS[anchor.surface].toLowerCase()}.`;
  if (anchor.kind === 'picture') return 'This take does not show that picture.';
  return take.spec.cast.length === 0 ? 'There is no face in this take.' : 'This take has fewer faces.';
};
