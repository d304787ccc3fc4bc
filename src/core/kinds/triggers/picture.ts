import { z } from 'zod';
import { targetIdSchema } from '../../schema/anchor-schema';
import { toChoose } from '../../schema/references';
import { defineTrigger, nextThere } from './trigger-kind';

export const picture = defineTrigger({
  kind: 'picture',
  fields: { target: toChoose(targetIdSchema, 'Which printed picture'), when: z.enum(['found', 'lost']) },
  words: ({ target, when }, names) => `${names.picture(target)} is ${when}`,
  gist: ({ when }) => when,
  needs: ({ target }) => [{ picture: target }],
  watch: ({ target, when }, { seesPicture }, state) =>
    nextThere(state, target !== null && seesPicture(target), when === 'found'),
});
