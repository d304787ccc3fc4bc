/** Known answers. */
import type { EVENT_NODES } from '../event-nodes';
import { once, E, N, times, near, type CasesOf } from './testing';

export const EVENT_CASES: CasesOf<typeof EVENT_NODES> = {
  becomesTrue: [
    { given: [{ value: 1 }, { value: 1 }, { value: 0 }, { value: 1 }], gives: [[1], [0], [0], [1]] },
  ],
  becomesFalse: [{ given: [{ value: 0 }, { value: 1 }, { value: 0 }], gives: [[0], [0], [1]] }],
  changes: [
    { given: [{ value: 2 }, { value: 2 }, { value: NaN }, { value: 3 }], gives: [[0], [0], [0], [1]] },
  ],
  anyEvent: [once({ c: 1 }, 1), once({ a: 1, b: 1 }, 1), once({}, 0)],
  gate: [once({ event: 1, while: 0 }, 0), once({ event: 1, while: 1 }, 1), once({ event: 0, while: 1 }, 0)],
  splitBy: [
    once({ event: 1, if: 1 }, 1, 0),
    once({ event: 1, if: 0 }, 0, 1),
    once({ event: 0, if: 1 }, 0, 0),
  ],
  latch: [
    { given: [{}, { set: 1 }, {}, { reset: 1 }, { set: 1, reset: 1 }], gives: [[0], [1], [1], [0], [0]] },
  ],
  toggle: [{ given: [N, E, N, E], gives: [[0], [1], [1], [0]] }],
  counter: [
    {
      given: [
        { start: 3 },
        { start: 3, up: 1 },
        { start: 3, up: 1 },
        { start: 3, down: 1 },
        { start: 3, reset: 1 },
      ],
      gives: [
        [3, 0],
        [4, 1],
        [5, 1],
        [4, 1],
        [3, 1],
      ],
    },
  ],
  everyNth: [{ given: [...times(7, { event: 1, every: 3 })], gives: [[0], [0], [1], [0], [0], [1], [0]] }],
  once: [{ given: [N, E, E, { event: 0, reset: 1 }, E], gives: [[0], [1], [0], [0], [1]] }],
  pause: [{ given: times(8, { event: 1, pause: 0.05 }), gives: [[1], [0], [0], [1], [0], [0], [1], [0]] }],
  debounce: [
    {
      given: [{ event: 1, rest: 0.05 }, { event: 1, rest: 0.05 }, ...times(4, { event: 0, rest: 0.05 })],
      gives: [[0], [0], [0], [0], [1], [0]],
    },
  ],
  inOrder: [
    {
      given: times(4, { event: 1, ways: 3 }),
      gives: [
        [1, 0, 0, 0],
        [0, 1, 0, 0],
        [0, 0, 1, 0],
        [1, 0, 0, 0],
      ],
    },
  ],
  randomWay: [
    // Chance is 0.1, 0.8, 0.5, 0.2 there.
    {
      given: [...times(4, { event: 1, '1': 1, '2': 1 }), { event: 0 }, { event: 1, '1': 0, '2': 0 }],
      gives: [
        [1, 0, 0, 0],
        [0, 1, 0, 0],
        [0, 1, 0, 0],
        [1, 0, 0, 0],
        [0, 0, 0, 0],
        [0, 0, 0, 0],
      ],
    },
  ],
  shuffled: [
    {
      given: times(4, { event: 1, many: 3 }),
      gives: [
        [1, 0],
        [3, 0],
        [2, 1],
        [1, 0],
      ],
    },
  ],
  keepAt: [
    {
      given: [
        { event: 1, value: 4 },
        { event: 0, value: 9 },
      ],
      gives: [[4], [4]],
    },
  ],
  lasts: [
    {
      given: [{ event: 1, long: 0.04 }, ...times(4, { event: 0, long: 0.04 })],
      gives: [
        [1, 0],
        [1, 0],
        [1, 0],
        [0, 1],
        [0, 0],
      ],
    },
  ],
  begins: [{ given: [{}, {}], gives: [[1], [0]] }],
  happens: [{ given: [N, E, N, N], gives: [[NaN], [0], [near(1 / 60)], [near(2 / 60)]] }],
};
