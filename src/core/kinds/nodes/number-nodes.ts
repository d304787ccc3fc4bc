/** Sums of numbers. Angles are degrees. */
import { choice } from '../../schema/properties';
import { handlesSchema } from '../../schema/timing-schema';
import { cubicBezier } from '../../maths/timing';
import { perObject } from '../../memo';
import { compiledOrNull, formulaFields, problemOf, type Formula } from '../signals/formula';
import { clamp, lerp, smoothstep } from '../../maths/scalar';
import { defineNode, num, output, sum } from './node-kind';

/** What runs into a formula, by its names. */
export const FORMULA_PORTS = ['a', 'b', 'c', 'd'] as const;
const compiledOf = perObject((set: Formula) => compiledOrNull(set, 'plain', FORMULA_PORTS));

const RADIANS = Math.PI / 180;

export const NUMBER_NODES = {
  number: sum([num('value')], (a) => a),
  formula: defineNode({
    inputs: FORMULA_PORTS.map((name) => num(name)),
    outputs: [output('value', 'number')],
    fields: formulaFields,
    fresh: { text: 'a + b', inputs: {} },
    title: ({ text }) => `= ${text}`,
    problem: (set) => problemOf(set, 'plain', FORMULA_PORTS)?.message ?? null,
    signals: ({ inputs }) => Object.values(inputs),
    run: {
      as: 'values',
      of: (ports: readonly number[], set, at) => {
        const compiled = compiledOf(set);
        return [compiled ? compiled.run([...compiled.inputs.map((one) => at.signal(one)), ...ports]) : NaN];
      },
    },
  }),
  add: sum([num('a'), num('b')], (a, b) => a + b),
  subtract: sum([num('a'), num('b')], (a, b) => a - b),
  multiply: sum([num('a', 1), num('b', 1)], (a, b) => a * b),
  divide: sum([num('a', 1), num('b', 1)], (a, b) => (b === 0 ? NaN : a / b)),
  remainder: sum([num('a'), num('b', 1)], (a, b) => (b === 0 ? NaN : a - b * Math.floor(a / b))),
  power: sum([num('a', 2), num('b', 2)], (a, b) => a ** b),
  root: sum([num('a', 1)], Math.sqrt),
  logarithm: sum([num('a', 1)], (a) => (a > 0 ? Math.log(a) : NaN)),
  exponential: sum([num('a')], Math.exp),
  negate: sum([num('a')], (a) => 0 - a),
  absolute: sum([num('a')], Math.abs),
  sign: sum([num('a')], Math.sign),
  least: sum([num('a'), num('b')], Math.min),
  greatest: sum([num('a'), num('b')], Math.max),
  mean: sum([num('a'), num('b')], (a, b) => (a + b) / 2),
  clamp: sum([num('value'), num('from', 0), num('to', 1)], (x, a, b) =>
    clamp(x, Math.min(a, b), Math.max(a, b)),
  ),
  wrap: sum([num('value'), num('from', 0), num('to', 1)], (x, a, b) =>
    a === b ? a : a + (x - a) - (b - a) * Math.floor((x - a) / (b - a)),
  ),
  pingPong: sum([num('value'), num('from', 0), num('to', 1)], (x, a, b) => {
    if (a === b) return a;
    const t = (x - a) / (b - a);
    const round = t - 2 * Math.floor(t / 2);
    return lerp(a, b, round > 1 ? 2 - round : round);
  }),
  remap: sum(
    [num('value'), num('from'), num('to', 1), num('new from', 0), num('new to', 1)],
    (x, a, b, c, d) => (a === b ? c : lerp(c, d, (x - a) / (b - a))),
  ),
  mix: sum([num('a', 0), num('b', 1), num('share', 0.5, { unit: 'percent' })], lerp),
  softStep: sum([num('value'), num('from', 0), num('to', 1)], (x, a, b) =>
    a === b ? (x < a ? 0 : 1) : a < b ? smoothstep(a, b, x) : 1 - smoothstep(b, a, x),
  ),
  round: defineNode({
    inputs: [num('value'), num('step', 1)],
    outputs: [output('value', 'number')],
    fields: { way: choice('Which way', { nearest: 'to the nearest', down: 'down', up: 'up' }) },
    fresh: { way: 'nearest' },
    run: {
      as: 'values',
      of: ([x, step]: readonly number[], { way }) => {
        if (step === 0) return [x!];
        const of = { nearest: Math.round, down: Math.floor, up: Math.ceil }[way];
        return [of(x! / step!) * step!];
      },
    },
  }),
  fraction: sum([num('a')], (a) => a - Math.floor(a)),
  sine: sum([num('angle', 0, { unit: 'degrees' })], (a) => Math.sin(a * RADIANS)),
  cosine: sum([num('angle', 0, { unit: 'degrees' })], (a) => Math.cos(a * RADIANS)),
  tangent: sum([num('angle', 0, { unit: 'degrees' })], (a) => Math.tan(a * RADIANS)),
  angleOf: sum(
    [num('x', 1), num('y')],
    (x, y) => Math.atan2(y, x) / RADIANS,
    output('angle', 'number', { unit: 'degrees' }),
  ),
  arcSine: sum(
    [num('a')],
    (a) => Math.asin(clamp(a, -1, 1)) / RADIANS,
    output('angle', 'number', { unit: 'degrees' }),
  ),
  arcCosine: sum(
    [num('a')],
    (a) => Math.acos(clamp(a, -1, 1)) / RADIANS,
    output('angle', 'number', { unit: 'degrees' }),
  ),
  angleDifference: sum(
    [num('from', 0, { unit: 'degrees' }), num('to', 0, { unit: 'degrees' })],
    (a, b) => b - a - 360 * Math.round((b - a) / 360),
    output('angle', 'number', { unit: 'degrees' }),
  ),
  curve: defineNode({
    inputs: [num('value')],
    outputs: [output('value', 'number')],
    fields: { handles: handlesSchema },
    fresh: { handles: [0.4, 0, 0.2, 1] },
    run: {
      as: 'values',
      of: ([x]: readonly number[], { handles }) => [
        Number.isNaN(x) ? NaN : cubicBezier(handles, clamp(x!, 0, 1)),
      ],
    },
  }),
};
