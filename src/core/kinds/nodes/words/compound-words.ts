/** What compounds, and what runs in and out of them, are called. */
import type { COMPOUND_NODES } from '../compound-nodes';
import type { WordsOf } from './node-words-kind';

export const COMPOUND_WORDS: WordsOf<typeof COMPOUND_NODES> = {
  compound: {
    name: 'Compound',
    group: 'Compounds',
    note: 'Several nodes as one: made once, used many times.',
    also: 'group macro reuse own node function',
  },
  enter: {
    name: 'Runs in',
    group: 'Compounds',
    note: 'Within a compound: what runs into it.',
    also: 'inputs arguments',
  },
  leave: {
    name: 'Comes out',
    group: 'Compounds',
    note: 'Within a compound: what comes out of it.',
    also: 'outputs result',
  },
};
