import { z } from 'zod';
import { objectIdSchema } from '../../schema/placed-schema';
import { toChoose } from '../../schema/references';
import { TOUCH_WORDS, TOUCHES } from './gestures';
import { defineTrigger } from './trigger-kind';

export const touch = defineTrigger({
  kind: 'touch',
  fields: {
    gesture: z.enum(TOUCHES),
    object: toChoose(objectIdSchema, 'Which object is touched', { ask: 'Choose what' }),
  },
  words: ({ gesture, object }, names) => `${names.object(object)} is ${TOUCH_WORDS[gesture]}`,
  isPlaced: true,
  gist: ({ gesture }) => gesture,
  watch: ({ gesture, object }, { happened, indexOf }) => {
    const i = object === null ? undefined : indexOf(object);
    return i !== undefined && happened.touches.some((t) => t.gesture === gesture && t.objects.includes(i));
  },
});
