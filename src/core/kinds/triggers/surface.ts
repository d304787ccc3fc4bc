import { z } from 'zod';
import { choice } from '../../schema/properties';
import { defineTrigger, nextThere } from './trigger-kind';

/** Placed: the viewer has dragged something that stands on it, and let go. */
export const surface = defineTrigger({
  kind: 'surface',
  fields: {
    surface: choice('Which surface', { floor: 'floor', table: 'table', wall: 'wall' }),
    when: z.enum(['found', 'placed']),
  },
  words: (trigger) =>
    trigger.when === 'found'
      ? `${trigger.surface} is found`
      : `something is placed on the ${trigger.surface}`,
  gist: ({ when }) => when,
  needs: ({ surface }) => [{ surface }],
  watch: (trigger, { happened, hasSurface }, state) =>
    trigger.when === 'placed'
      ? happened.placed === trigger.surface
      : nextThere(state, hasSurface(trigger.surface), true),
});
