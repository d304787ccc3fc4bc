import { defineTrigger } from './trigger-kind';

export const effectStarts = defineTrigger({
  kind: 'effectStarts',
  fields: {},
  watch: (_, { step }) => step === 0,
});
