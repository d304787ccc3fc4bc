/** Lists of numbers. */
import { perObject } from '../../memo';
import { compiledOrNull, formulaFields, problemOf, type Formula } from '../signals/formula';
import { defineNode, event, input, keeps, num, output, pure, type InputPort } from './node-kind';

type Numbers = readonly number[];
const list = (name = 'list'): InputPort => input(name, 'list', null);
const LIST = [output('list', 'list')];
const NUMBER = [output('value', 'number')];
/** What a formula for each item reads, by its names. */
export const EACH_PORTS = ['item', 'place', 'count', 'a', 'b'] as const;
const eachOf = perObject((set: Formula) => compiledOrNull(set, 'plain', EACH_PORTS));
/** Longer no list gets. */
const LONGEST_LIST = 1000;

export const LIST_NODES = {
  makeList: pure([num('1'), num('2'), num('3'), num('4')], LIST, (all: Numbers) => [[...all]]),
  joinLists: pure([list('a'), list('b')], LIST, ([a, b]: readonly Numbers[]) => [
    [...a!, ...b!].slice(0, LONGEST_LIST),
  ]),
  itemOf: pure([list(), num('which', 1)], NUMBER, ([all, which]: readonly [Numbers, number]) => [
    all[Math.round(which) - 1] ?? NaN,
  ]),
  listLength: pure([list()], NUMBER, ([all]: readonly Numbers[]) => [all!.length]),
  sorted: pure([list()], LIST, ([all]: readonly Numbers[]) => [[...all!].sort((a, b) => a - b)]),
  listSum: pure(
    [list()],
    [output('sum', 'number'), output('mean', 'number')],
    ([all]: readonly Numbers[]) => {
      const total = all!.reduce((a, b) => a + b, 0);
      return [total, all!.length === 0 ? NaN : total / all!.length];
    },
  ),
  listRange: pure(
    [list()],
    [output('least', 'number'), output('greatest', 'number')],
    ([all]: readonly Numbers[]) => (all!.length === 0 ? [NaN, NaN] : [Math.min(...all!), Math.max(...all!)]),
  ),
  eachItem: defineNode({
    inputs: [list(), num('a'), num('b')],
    outputs: LIST,
    fields: formulaFields,
    fresh: { text: 'item * 2', inputs: {} },
    title: ({ text }) => `each = ${text}`,
    problem: (set) => problemOf(set, 'plain', EACH_PORTS)?.message ?? null,
    signals: ({ inputs }) => Object.values(inputs),
    run: {
      as: 'values',
      of: ([all, a, b]: readonly [Numbers, number, number], set, at) => {
        const compiled = eachOf(set);
        if (!compiled) return [[]];
        const read = compiled.inputs.map((one) => at.signal(one));
        return [all.map((item, i) => compiled.run([...read, item, i + 1, all.length, a, b]))];
      },
    },
  }),
  countUp: pure([num('count', 5)], LIST, ([count]: Numbers) => [
    Array.from({ length: Math.min(LONGEST_LIST, Math.max(0, Math.round(count!) || 0)) }, (_, i) => i + 1),
  ]),
  collect: keeps(
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
