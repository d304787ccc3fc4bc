/** Lists of numbers. */
import { event, input, keeps, num, output, pure, type InputPort } from './node-kind';

const words = (name: string, note: string, also = '') => ({ name, group: 'Lists' as const, note, also });
type Numbers = readonly number[];
const list = (name = 'list'): InputPort => input(name, 'list', null);
const LIST = [output('list', 'list')];
const NUMBER = [output('value', 'number')];
/** Longer no list gets. */
const LONGEST_LIST = 1000;

export const LIST_NODES = {
  makeList: pure(
    words('List', 'Four numbers as a list.', 'array make collect'),
    [num('1'), num('2'), num('3'), num('4')],
    LIST,
    (all: Numbers) => [[...all]],
  ),
  joinLists: pure(
    words('Join lists', 'Two lists, one after the other.', 'concatenate append'),
    [list('a'), list('b')],
    LIST,
    ([a, b]: readonly Numbers[]) => [[...a!, ...b!].slice(0, LONGEST_LIST)],
  ),
  itemOf: pure(
    words(
      'Item of a list',
      'The n-th number of a list, from 1; no value beyond its ends.',
      'element index get pick',
    ),
    [list(), num('which', 1)],
    NUMBER,
    ([all, which]: readonly [Numbers, number]) => [all[Math.round(which) - 1] ?? NaN],
  ),
  listLength: pure(
    words('Length of a list', 'How many numbers it has.', 'count size'),
    [list()],
    NUMBER,
    ([all]: readonly Numbers[]) => [all!.length],
  ),
  sorted: pure(
    words('Sort', 'A list from its least number to its greatest.', 'order ascending'),
    [list()],
    LIST,
    ([all]: readonly Numbers[]) => [[...all!].sort((a, b) => a - b)],
  ),
  listSum: pure(
    words('Sum of a list', 'All numbers of a list together, and their mean.', 'total add average'),
    [list()],
    [output('sum', 'number'), output('mean', 'number')],
    ([all]: readonly Numbers[]) => {
      const total = all!.reduce((a, b) => a + b, 0);
      return [total, all!.length === 0 ? NaN : total / all!.length];
    },
  ),
  listRange: pure(
    words(
      'Least and greatest of a list',
      'The least and the greatest number of a list.',
      'minimum maximum range',
    ),
    [list()],
    [output('least', 'number'), output('greatest', 'number')],
    ([all]: readonly Numbers[]) => (all!.length === 0 ? [NaN, NaN] : [Math.min(...all!), Math.max(...all!)]),
  ),
  collect: keeps(
    words('Collect', 'A list of a number as it was at each event, the last so many.', 'record history push'),
    [event('event'), num('value'), num('most', 10), input('reset', 'event', 0)],
    LIST,
    [] as Numbers,
    (was: Numbers, [e, value, most, reset]: Numbers) => {
      const kept = reset ? [] : was;
      const count = Math.min(LONGEST_LIST, Math.max(1, Math.round(most!)));
      const now = e ? [...kept, value!].slice(-count) : kept;
      return { state: now, out: [now] };
    },
  ),
};
