/** Known answers. */
import type { TIME_NODES } from '../time-nodes';
import { times, near, type CasesOf } from './testing';

export const TIME_CASES: CasesOf<typeof TIME_NODES> = {
  time: [{ given: [{}, {}], gives: [[0], [near(1 / 60)]] }],
  delayEvent: [
    {
      given: [{ event: 1, later: 0.05 }, { event: 1, later: 0.05 }, ...times(4, { event: 0, later: 0.05 })],
      gives: [[0], [0], [0], [1], [1], [0]],
    },
  ],
  before: [{ given: [{ value: 4 }, { value: 5 }], gives: [[4], [5]] }],
  earlier: [
    {
      given: [1, 2, 3, 4, 5].map((value) => ({ value, ago: 2 / 60 })),
      gives: [[1], [1], [1], [2], [3]],
    },
  ],
  every: [
    {
      given: [...times(5, { seconds: 2 / 60 }), { seconds: 2 / 60, while: 0 }, { seconds: 2 / 60 }],
      gives: [
        [1, 1],
        [0, 1],
        [1, 2],
        [0, 2],
        [1, 3],
        [0, 3],
        [1, 4],
      ],
    },
  ],
  beat: [
    // 1200 a minute is a beat in three steps.
    {
      given: times(5, { 'a minute': 1200 }),
      gives: [
        [1, near(0), 0],
        [0, near(1 / 3), 0],
        [1, near(2 / 3), 0],
        [0, near(0), 1],
        [0, near(1 / 3), 1],
      ],
    },
  ],
  stopwatch: [
    {
      given: [{ while: 1 }, { while: 1 }, { while: 0 }, { while: 0 }, { while: 0, reset: 1 }],
      gives: [[0], [near(1 / 60)], [near(2 / 60)], [near(2 / 60)], [0]],
    },
  ],
  countdown: [
    {
      given: [{ from: 0.05 }, { from: 0.05, start: 1 }, ...times(3, { from: 0.05 })],
      gives: [
        [0.05, 0, 0],
        [0.05, 0, 1],
        [near(2 / 60), 0, 1],
        [near(1 / 60), 1, 1],
        [0, 0, 0],
      ],
    },
  ],
  at: [{ given: times(4, { seconds: 2 / 60 }), gives: [[0], [0], [1], [0]] }],
  ramp: [
    {
      given: [{ seconds: 3 / 60 }, { seconds: 3 / 60, start: 1 }, ...times(4, { seconds: 3 / 60 })],
      gives: [
        [0, 0, 0],
        [0, 0, 1],
        [near(1 / 3), 0, 1],
        [near(2 / 3), 0, 1],
        [1, 1, 0],
        [1, 0, 0],
      ],
      set: { easing: 'steady' },
    },
  ],
  cycle: [
    {
      given: times(5, { seconds: 4 / 60 }),
      gives: [
        [0, 0],
        [0.5, 0],
        [1, 0],
        [0.5, 1],
        [0, 0],
      ],
    },
    {
      given: times(2, { seconds: 4 / 60 }),
      gives: [
        [0, 0],
        [0.25, 0],
      ],
      set: { shape: 'anew' },
    },
    {
      given: times(2, { seconds: 4 / 60 }),
      gives: [
        [0, 0],
        [near(0.5), 0],
      ],
      set: { shape: 'wave' },
    },
  ],
};
