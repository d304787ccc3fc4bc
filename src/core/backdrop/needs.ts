/** What an effect asks of the camera. */
import { materialCameraParts, materialIdsOf } from '../document/material-queries';
import { anchorOf } from '../document/queries';
import type { Effect } from '../document/schema';

/**
 * Whether people have to be told from what is behind them: for a backdrop, cards and materials that show one
 * of the two, or hair that is dyed: it belongs to them.
 */
export const needsPeople = (effect: Effect): boolean =>
  Object.values(effect.objects).some(
    (o) =>
      o.kind === 'hair' ||
      (o.kind === 'live' && (o.part === 'person' || o.part === 'background')) ||
      (o.kind !== 'group' && anchorOf(effect, o).kind === 'backdrop') ||
      materialIdsOf(o).some((id) => {
        const parts = effect.materials[id] ? materialCameraParts(effect.materials[id]) : [];
        return parts.includes('person') || parts.includes('background');
      }),
  );
