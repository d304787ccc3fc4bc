/** 1 while a printed picture is seen. */
import { targetIdSchema } from '../../schema/anchor-schema';
import { toChoose } from '../../schema/references';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

export const picture = defineSignal({
  kind: 'picture',
  name: 'Printed picture is seen',
  also: 'target found seen',
  fields: { target: toChoose(targetIdSchema, 'Which printed picture') },
  fresh: { target: null },
  words: ({ target }, names) => `picture ${names.picture(target)}`,
  read: ({ target }, from) => (target === null ? NaN : from.seesPicture(target) ? 1 : 0),
  reach: () => ZERO_TO_ONE,
  needs: ({ target }) => [{ picture: target }],
  isTruth: () => true,
  sentence: { yes: 'is seen', no: 'is not seen' },
});
