/** Known answers. */
import type { CHANGE_NODES } from '../time-nodes';
import { once, times, near, type CasesOf } from './testing';

export const CHANGE_CASES: CasesOf<typeof CHANGE_NODES> = {
  smooth: [
    {
      given: [
        { value: 0, behind: 0.1 },
        { value: 1, behind: 0.1 },
        { value: NaN, behind: 0.1 },
      ],
      gives: [[0], [near(1 - Math.exp(-1 / 6))], [near(1 - Math.exp(-1 / 6))]],
    },
  ],
  spring: [
    {
      given: [{ value: 2 }, { value: 2 }, { value: NaN }],
      gives: [
        [2, 0],
        [2, 0],
        [2, 0],
      ],
    },
  ],
  towards: [
    {
      given: [{ value: 0 }, { value: 1, 'a second': 6 }, { value: 1, 'a second': 600 }],
      gives: [[0], [near(0.1)], [1]],
    },
  ],
  speed: [{ given: [{ value: 1 }, { value: 1.5 }], gives: [[0], [near(30)]] }],
  addUp: [
    {
      given: [{ 'a second': 60 }, { 'a second': 60 }, { 'a second': 60, while: 0 }, { reset: 1 }],
      gives: [[0], [near(1)], [near(2)], [0]],
    },
  ],
  hysteresis: [{ given: [0.5, 0.7, 0.5, 0.3].map((value) => ({ value })), gives: [[0], [1], [1], [0]] }],
  extremes: [
    {
      given: [{ value: NaN }, { value: 2 }, { value: 5 }, { value: 3, reset: 1 }],
      gives: [
        [NaN, NaN],
        [2, 2],
        [2, 5],
        [3, 3],
      ],
    },
  ],
  average: [{ given: [1, 2, 6].map((value) => ({ value, seconds: 2 / 60 })), gives: [[1], [1.5], [4]] }],
  noise: [{ given: [{ far: 0 }], gives: [[near(0)]] }],
  randomBetween: [
    {
      given: [
        { from: 10, to: 20 },
        { from: 10, to: 20 },
        { event: 1, from: 10, to: 20 },
      ],
      gives: [[11], [11], [near(15)]],
    },
  ],
  fall: [
    {
      given: [
        { from: 0.001, 'let go': 1, floor: 0, bounce: 0 },
        ...times(2, { from: 0.001, floor: 0, bounce: 0 }),
      ],
      gives: [
        [0.001, 1],
        [0, 0],
        [0, 0],
      ],
    },
    { given: [{ from: 0.5 }], gives: [[0.5, 0]] },
  ],
  pendulum: [{ given: times(3, {}), gives: [[near(0)], [near(0)], [near(0)]] }, once({ tilt: 20 }, -20)],
};
