import { number } from '../../schema/properties';
import { STEP } from '../../units';
import { written } from '../written';
import { defineTrigger } from './trigger-kind';

export const every = defineTrigger({
  kind: 'every',
  fields: { seconds: number({ name: 'How long', low: 0.05, high: 3600, unit: 'seconds', mark: '' }) },
  words: ({ seconds }) => `${written(seconds)} s pass, again and again`,
  watch: ({ seconds }, { step }) => {
    const rounds = (steps: number): number => Math.floor((steps * STEP) / seconds + 1e-9);
    return step > 0 && rounds(step) > rounds(step - 1);
  },
});
