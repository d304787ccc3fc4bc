import { z } from 'zod';
import { faceNumber } from '../signals/face-number';
import { defineTrigger, nextThere } from './trigger-kind';

export const face = defineTrigger({
  kind: 'face',
  fields: { face: faceNumber(), when: z.enum(['appears', 'leaves']) },
  words: (trigger) => `face ${trigger.face} ${trigger.when}`,
  gist: ({ when }) => when,
  needs: () => ['faces'],
  watch: (trigger, { hasFace }, state) => nextThere(state, hasFace(trigger.face), trigger.when === 'appears'),
});
