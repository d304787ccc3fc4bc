/** What nodes of lists are called. */
import type { LIST_NODES } from '../list-nodes';
import type { WordsOf } from './node-words-kind';

export const LIST_WORDS: WordsOf<typeof LIST_NODES> = {
  makeList: { name: 'List', group: 'Lists', note: 'Four numbers as a list.', also: 'array make collect' },
  joinLists: {
    name: 'Join lists',
    group: 'Lists',
    note: 'Two lists, one after the other.',
    also: 'concatenate append',
  },
  itemOf: {
    name: 'Item of a list',
    group: 'Lists',
    note: 'The n-th number of a list, from 1; no value beyond its ends.',
    also: 'element index get pick',
  },
  listLength: {
    name: 'Length of a list',
    group: 'Lists',
    note: 'How many numbers it has.',
    also: 'count size',
  },
  sorted: {
    name: 'Sort',
    group: 'Lists',
    note: 'A list from its least number to its greatest.',
    also: 'order ascending',
  },
  listSum: {
    name: 'Sum of a list',
    group: 'Lists',
    note: 'All numbers of a list together, and their mean.',
    also: 'total add average',
  },
  listRange: {
    name: 'Least and greatest of a list',
    group: 'Lists',
    note: 'The least and the greatest number of a list.',
    also: 'minimum maximum range',
  },
  eachItem: {
    name: 'For each item',
    group: 'Lists',
    note: 'A list of what a formula makes of each item: it knows item, place, count, a and b.',
    also: 'map every copy loop formula',
  },
  countUp: {
    name: 'Count up',
    group: 'Lists',
    note: 'A list of the numbers from 1 to a count.',
    also: 'range numbers for each copy',
  },
  collect: {
    name: 'Collect',
    group: 'Lists',
    note: 'A list of a number as it was at each event, the last so many.',
    also: 'record history push',
  },
};
