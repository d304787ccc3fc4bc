/** Known answers. */
import type { NUMBER_NODES } from '../number-nodes';
import { once, near, type CasesOf } from './testing';

export const NUMBER_CASES: CasesOf<typeof NUMBER_NODES> = {
  number: [once({ value: 7 }, 7)],
  formula: [
    once({ a: 2, b: 3 }, 5),
    {
      given: [{ a: 2, d: 10 }],
      gives: [[27]],
      set: {
        text: 'a * jawOpen + d * 2.5',
        inputs: { jawOpen: { kind: 'expression', face: 1, name: 'jawOpen' } },
      },
      at: { signal: () => 1 },
    },
    { given: [{}], gives: [[NaN]], set: { text: 'a +', inputs: {} } },
  ],
  add: [once({ a: 2, b: 3 }, 5)],
  subtract: [once({ a: 2, b: 3 }, -1)],
  multiply: [once({ a: 2, b: 3 }, 6)],
  divide: [once({ a: 6, b: 3 }, 2), once({ a: 6, b: 0 }, NaN)],
  remainder: [once({ a: -1, b: 3 }, 2), once({ a: 7, b: 0 }, NaN)],
  power: [once({ a: 2, b: 10 }, 1024)],
  root: [once({ a: 9 }, 3), once({ a: -1 }, NaN)],
  logarithm: [once({ a: Math.E }, 1), once({ a: 0 }, NaN)],
  exponential: [once({ a: 0 }, 1)],
  negate: [once({ a: 3 }, -3), once({ a: 0 }, 0)],
  absolute: [once({ a: -3 }, 3)],
  sign: [once({ a: -3 }, -1)],
  least: [once({ a: 2, b: 3 }, 2)],
  greatest: [once({ a: 2, b: 3 }, 3)],
  mean: [once({ a: 2, b: 3 }, 2.5)],
  clamp: [once({ value: 5, from: 1, to: 0 }, 1)],
  wrap: [once({ value: 370, from: 0, to: 360 }, 10), once({ value: -10, from: 0, to: 360 }, 350)],
  pingPong: [once({ value: 1.25 }, near(0.75)), once({ value: -0.25 }, near(0.25))],
  remap: [
    once({ value: 0.25, from: 0, to: 1, 'new from': 8, 'new to': 0 }, 6),
    once({ value: 2, from: 0, to: 1, 'new from': 0, 'new to': 10 }, 20),
  ],
  mix: [once({ a: 10, b: 20, share: 0.25 }, 12.5)],
  softStep: [
    once({ value: 0.5 }, 0.5),
    once({ value: 2 }, 1),
    once({ value: 0.25, from: 1, to: 0 }, near(0.84375)),
  ],
  round: [
    once({ value: 2.6 }, 3),
    { given: [{ value: 2.6, step: 0.5 }], gives: [[2.5]], set: { way: 'down' } },
    { given: [{ value: 2.1, step: 1 }], gives: [[3]], set: { way: 'up' } },
  ],
  fraction: [once({ a: 2.25 }, 0.25)],
  sine: [once({ angle: 90 }, 1)],
  cosine: [once({ angle: 180 }, -1)],
  tangent: [once({ angle: 45 }, near(1))],
  angleOf: [once({ x: 0, y: 2 }, 90)],
  arcSine: [once({ a: 1 }, 90), once({ a: 2 }, 90)],
  arcCosine: [once({ a: -1 }, 180)],
  angleDifference: [once({ from: 350, to: 10 }, 20), once({ from: 10, to: 350 }, -20)],
  curve: [
    {
      given: [{ value: 0.3 }, { value: 5 }],
      gives: [[near(0.3)], [1]],
      set: { handles: [0.25, 0.25, 0.75, 0.75] },
    },
  ],
};
