/** What nodes of texts are called. */
import type { TEXT_NODES } from '../text-nodes';
import type { WordsOf } from './node-words-kind';

export const TEXT_WORDS: WordsOf<typeof TEXT_NODES> = {
  text: { name: 'Text', group: 'Texts', note: 'A text, set by hand.', also: 'constant words string' },
  joinTexts: {
    name: 'Join texts',
    group: 'Texts',
    note: 'Up to three texts, one after another.',
    also: 'concatenate append combine',
  },
  formatNumber: {
    name: 'Format a number',
    group: 'Texts',
    note: 'A number as it is written: so many digits behind the point, with words before and behind.',
    also: 'to text string print score',
  },
  clock: {
    name: 'Minutes and seconds',
    group: 'Texts',
    note: 'Seconds as 2:05.',
    also: 'clock time format countdown timer',
  },
  textLength: {
    name: 'Length of a text',
    group: 'Texts',
    note: 'How many characters it has.',
    also: 'count size',
  },
  upper: { name: 'Capitals', group: 'Texts', note: 'A text in capital letters.', also: 'upper case' },
  splitText: {
    name: 'Split text',
    group: 'Texts',
    note: 'The n-th part of a text between separators, from 1.',
    also: 'part word token',
  },
  sameText: {
    name: 'Same text',
    group: 'Texts',
    note: 'Yes while two texts are the same.',
    also: 'equals compare',
  },
};
