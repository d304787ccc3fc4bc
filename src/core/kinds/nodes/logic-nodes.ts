/** Yes and no: joining, comparing, choosing by them. */
import { choice } from '../../schema/properties';
import { defineNode, num, output, pure, sum, truth, input, plainNode } from './node-kind';

const YES = output('yes', 'truth');
const is = (x: boolean): number => (x ? 1 : 0);

export const LOGIC_NODES = {
  yesNo: sum(
    {
      name: 'Yes or no',
      group: 'Logic',
      note: 'Yes or no, set by hand.',
      also: 'constant boolean true false switch',
    },
    [truth('value')],
    (a) => a,
    YES,
  ),
  and: sum(
    { name: 'And', group: 'Logic', note: 'Yes while both are.', also: 'both all every' },
    [truth('a'), truth('b')],
    (a, b) => is(a !== 0 && b !== 0),
    YES,
  ),
  or: sum(
    { name: 'Or', group: 'Logic', note: 'Yes while one is, or both.', also: 'any either' },
    [truth('a'), truth('b')],
    (a, b) => is(a !== 0 || b !== 0),
    YES,
  ),
  exclusiveOr: sum(
    {
      name: 'One of two',
      group: 'Logic',
      note: 'Yes while one is and the other is not.',
      also: 'exclusive or xor differs',
    },
    [truth('a'), truth('b')],
    (a, b) => is((a !== 0) !== (b !== 0)),
    YES,
  ),
  not: sum(
    { name: 'Not', group: 'Logic', note: 'Yes while that is not.', also: 'invert opposite' },
    [truth('a')],
    (a) => is(a === 0),
    YES,
  ),
  compare: defineNode({
    name: 'Compare',
    group: 'Logic',
    note: 'Whether one number is above, below or the same as another.',
    also: 'greater less equal than if larger smaller',
    inputs: [num('a'), num('b', 0.5)],
    outputs: [YES],
    fields: {
      is: choice('How they are compared', {
        above: 'a above b',
        atLeast: 'a at least b',
        below: 'a below b',
        atMost: 'a at most b',
        same: 'a same as b',
        differs: 'a differs from b',
      }),
    },
    fresh: { is: 'above' },
    run: {
      as: 'values',
      of: ([a, b]: readonly number[], { is: how }) => {
        // What has no value is not anything.
        if (Number.isNaN(a! + b!)) return [0];
        const same = Math.abs(a! - b!) < 1e-6;
        switch (how) {
          case 'above':
            return [is(a! > b!)];
          case 'atLeast':
            return [is(a! >= b! || same)];
          case 'below':
            return [is(a! < b!)];
          case 'atMost':
            return [is(a! <= b! || same)];
          case 'same':
            return [is(same)];
          case 'differs':
            return [is(!same)];
        }
      },
    },
  }),
  between: sum(
    {
      name: 'Between',
      group: 'Logic',
      note: 'Yes while a number lies between two others, ends too.',
      also: 'range inside within',
    },
    [num('value'), num('from', 0), num('to', 1)],
    (x, a, b) => is(x >= Math.min(a, b) && x <= Math.max(a, b)),
    YES,
  ),
  hasValue: sum(
    {
      name: 'Has a value',
      group: 'Logic',
      note: 'Yes while what is read is there: a face, an object.',
      also: 'exists missing absent nothing',
    },
    [num('value')],
    (x) => is(!Number.isNaN(x)),
    YES,
  ),
  branch: sum(
    {
      name: 'Choose by yes or no',
      group: 'Logic',
      note: 'One number while it is yes, another while it is no.',
      also: 'branch if then else ternary switch',
    },
    [truth('if'), num('yes', 1), num('no', 0)],
    (k, a, b) => (k !== 0 ? a : b),
    output('value', 'number'),
  ),
  select: sum(
    {
      name: 'Choose by number',
      group: 'Logic',
      note: 'The first, second, third or fourth of four numbers, by a number from 1.',
      also: 'select switch case index',
    },
    [num('which', 1), num('1'), num('2'), num('3'), num('4')],
    (which, a, b, c, d) => [a, b, c, d][Math.min(3, Math.max(0, Math.round(which) - 1))]!,
    output('value', 'number'),
  ),
  instead: sum(
    {
      name: 'Instead of nothing',
      group: 'Logic',
      note: 'A number, or another while that has no value.',
      also: 'default fallback missing',
    },
    [num('value'), num('else', 0)],
    (x, other) => (Number.isNaN(x) ? other : x),
    output('value', 'number'),
  ),
  chooseText: pure(
    {
      name: 'Choose text',
      group: 'Logic',
      note: 'One text while it is yes, another while it is no.',
      also: 'branch if then else words',
    },
    [truth('if'), input('yes', 'text', 'yes'), input('no', 'text', 'no')],
    [output('text', 'text')],
    ([k, a, b]: readonly [number, string, string]) => [k !== 0 ? a : b],
  ),
  howMany: plainNode({
    name: 'How many are so',
    group: 'Logic',
    note: 'Of four, how many are yes.',
    also: 'count true',
    inputs: [truth('a'), truth('b'), truth('c'), truth('d')],
    outputs: [output('value', 'number')],
    run: { as: 'numbers', of: (a, b, c, d) => is(a !== 0) + is(b !== 0) + is(c !== 0) + is(d !== 0) },
  }),
};
