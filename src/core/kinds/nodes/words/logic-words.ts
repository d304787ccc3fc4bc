/** What nodes of logic are called. */
import type { LOGIC_NODES } from '../logic-nodes';
import type { WordsOf } from './node-words-kind';

export const LOGIC_WORDS: WordsOf<typeof LOGIC_NODES> = {
  yesNo: {
    name: 'Yes or no',
    group: 'Logic',
    note: 'Yes or no, set by hand.',
    also: 'constant boolean true false switch',
  },
  and: { name: 'And', group: 'Logic', note: 'Yes while both are.', also: 'both all every' },
  or: { name: 'Or', group: 'Logic', note: 'Yes while one is, or both.', also: 'any either' },
  exclusiveOr: {
    name: 'One of two',
    group: 'Logic',
    note: 'Yes while one is and the other is not.',
    also: 'exclusive or xor differs',
  },
  not: { name: 'Not', group: 'Logic', note: 'Yes while that is not.', also: 'invert opposite' },
  compare: {
    name: 'Compare',
    group: 'Logic',
    note: 'Whether one number is above, below or the same as another.',
    also: 'greater less equal than if larger smaller',
  },
  between: {
    name: 'Between',
    group: 'Logic',
    note: 'Yes while a number lies between two others, ends too.',
    also: 'range inside within',
  },
  hasValue: {
    name: 'Has a value',
    group: 'Logic',
    note: 'Yes while what is read is there: a face, an object.',
    also: 'exists missing absent nothing',
  },
  branch: {
    name: 'Choose by yes or no',
    group: 'Logic',
    note: 'One number while it is yes, another while it is no.',
    also: 'branch if then else ternary switch',
  },
  select: {
    name: 'Choose by number',
    group: 'Logic',
    note: 'The first, second, third or fourth of four numbers, by a number from 1.',
    also: 'select switch case index',
  },
  instead: {
    name: 'Instead of nothing',
    group: 'Logic',
    note: 'A number, or another while that has no value.',
    also: 'default fallback missing',
  },
  chooseText: {
    name: 'Choose text',
    group: 'Logic',
    note: 'One text while it is yes, another while it is no.',
    also: 'branch if then else words',
  },
  howMany: {
    name: 'How many are so',
    group: 'Logic',
    note: 'Of four, how many are yes.',
    also: 'count true',
  },
};
