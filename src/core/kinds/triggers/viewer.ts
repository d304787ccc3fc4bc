import { z } from 'zod';
import { VIEWER_EVENTS } from './gestures';
import { defineTrigger } from './trigger-kind';

export const viewer = defineTrigger({
  kind: 'viewer',
  fields: { event: z.enum(VIEWER_EVENTS) },
  gist: ({ event }) => event,
  watch: ({ event }, { happened }) => happened.events.includes(event),
});
