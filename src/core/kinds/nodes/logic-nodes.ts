/** Yes and no: joining, comparing, choosing by them. */
import { choice } from '../../schema/properties';
import { defineNode, num, output, pure, sum, truth, input, plainNode } from './node-kind';

const YES = output('yes', 'truth');
const is = (x: boolean): number => (x ? 1 : 0);

export const LOGIC_NODES = {
  yesNo: sum([truth('value')], (a) => a, YES),
  and: sum([truth('a'), truth('b')], (a, b) => is(a !== 0 && b !== 0), YES),
  or: sum([truth('a'), truth('b')], (a, b) => is(a !== 0 || b !== 0), YES),
  exclusiveOr: sum([truth('a'), truth('b')], (a, b) => is((a !== 0) !== (b !== 0)), YES),
  not: sum([truth('a')], (a) => is(a === 0), YES),
  compare: defineNode({
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
    [num('value'), num('from', 0), num('to', 1)],
    (x, a, b) => is(x >= Math.min(a, b) && x <= Math.max(a, b)),
    YES,
  ),
  hasValue: sum([num('value')], (x) => is(!Number.isNaN(x)), YES),
  branch: sum(
    [truth('if'), num('yes', 1), num('no', 0)],
    (k, a, b) => (k !== 0 ? a : b),
    output('value', 'number'),
  ),
  select: sum(
    [num('which', 1), num('1'), num('2'), num('3'), num('4')],
    (which, a, b, c, d) => [a, b, c, d][Math.min(3, Math.max(0, Math.round(which) - 1))]!,
    output('value', 'number'),
  ),
  instead: sum(
    [num('value'), num('else', 0)],
    (x, other) => (Number.isNaN(x) ? other : x),
    output('value', 'number'),
  ),
  chooseText: pure(
    [truth('if'), input('yes', 'text', 'yes'), input('no', 'text', 'no')],
    [output('text', 'text')],
    ([k, a, b]: readonly [number, string, string]) => [k !== 0 ? a : b],
  ),
  howMany: plainNode({
    inputs: [truth('a'), truth('b'), truth('c'), truth('d')],
    outputs: [output('value', 'number')],
    run: { as: 'numbers', of: (a, b, c, d) => is(a !== 0) + is(b !== 0) + is(c !== 0) + is(d !== 0) },
  }),
};
