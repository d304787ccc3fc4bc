import { number } from '../../schema/properties';
import { STEP } from '../../units';
import { written } from '../written';
import { defineTrigger } from './trigger-kind';

export const after = defineTrigger({
  kind: 'after',
  fields: { seconds: number({ name: 'How long', low: 0, high: 3600, unit: 'seconds', mark: '' }) },
  words: ({ seconds }) => `${written(seconds)} s have passed`,
  watch: ({ seconds }, { step }) => step === Math.round(seconds / STEP),
});
