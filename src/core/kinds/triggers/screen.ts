import { z } from 'zod';
import { TOUCHES } from './gestures';
import { defineTrigger } from './trigger-kind';

export const screen = defineTrigger({
  kind: 'screen',
  fields: { gesture: z.enum(TOUCHES) },
  gist: ({ gesture }) => gesture,
  watch: ({ gesture }, { happened }) => happened.touches.some((t) => t.gesture === gesture),
});
