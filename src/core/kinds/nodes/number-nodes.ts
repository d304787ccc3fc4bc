/** Sums of numbers. Angles are degrees. */
import { choice } from '../../schema/properties';
import { handlesSchema } from '../../schema/timing-schema';
import { cubicBezier } from '../../maths/timing';
import { clamp, lerp, smoothstep } from '../../maths/scalar';
import { defineNode, num, output, sum } from './node-kind';

const RADIANS = Math.PI / 180;
const words = (name: string, note: string, also = '') => ({ name, group: 'Numbers' as const, note, also });

export const NUMBER_NODES = {
  number: sum(words('Number', 'A number, set by hand.', 'constant value'), [num('value')], (a) => a),
  add: sum(words('Add', 'Two numbers together.', 'plus sum'), [num('a'), num('b')], (a, b) => a + b),
  subtract: sum(
    words('Subtract', 'One number less another.', 'minus difference'),
    [num('a'), num('b')],
    (a, b) => a - b,
  ),
  multiply: sum(
    words('Multiply', 'One number times another.', 'times product scale'),
    [num('a', 1), num('b', 1)],
    (a, b) => a * b,
  ),
  divide: sum(
    words('Divide', 'One number by another; by nothing it has no value.', 'quotient ratio'),
    [num('a', 1), num('b', 1)],
    (a, b) => (b === 0 ? NaN : a / b),
  ),
  remainder: sum(
    words('Remainder', 'What is left when one number is divided by another, never below nothing.', 'modulo'),
    [num('a'), num('b', 1)],
    (a, b) => (b === 0 ? NaN : a - b * Math.floor(a / b)),
  ),
  power: sum(
    words('Power', 'One number to the power of another.', 'exponent square'),
    [num('a', 2), num('b', 2)],
    (a, b) => a ** b,
  ),
  root: sum(
    words('Square root', 'The square root; of less than nothing it has no value.', 'sqrt'),
    [num('a', 1)],
    Math.sqrt,
  ),
  logarithm: sum(
    words('Logarithm', 'The natural logarithm; of nothing and less it has no value.', 'ln log'),
    [num('a', 1)],
    (a) => (a > 0 ? Math.log(a) : NaN),
  ),
  exponential: sum(words('Exponential', 'e to the power of a number.', 'exp growth'), [num('a')], Math.exp),
  negate: sum(words('Negate', 'The number with the other sign.', 'minus opposite'), [num('a')], (a) => 0 - a),
  absolute: sum(words('Absolute', 'The number without its sign.', 'abs magnitude'), [num('a')], Math.abs),
  sign: sum(words('Sign', '-1, 0 or 1.', 'signum direction'), [num('a')], Math.sign),
  least: sum(words('Least', 'The smaller of two.', 'minimum min'), [num('a'), num('b')], Math.min),
  greatest: sum(words('Greatest', 'The larger of two.', 'maximum max'), [num('a'), num('b')], Math.max),
  mean: sum(
    words('Mean', 'Half way between two.', 'average middle'),
    [num('a'), num('b')],
    (a, b) => (a + b) / 2,
  ),
  clamp: sum(
    words('Keep within', 'A number, no less and no more than two others.', 'clamp limit bound'),
    [num('value'), num('from', 0), num('to', 1)],
    (x, a, b) => clamp(x, Math.min(a, b), Math.max(a, b)),
  ),
  wrap: sum(
    words('Wrap', 'A number that begins anew at its end.', 'loop repeat modulo'),
    [num('value'), num('from', 0), num('to', 1)],
    (x, a, b) => (a === b ? a : a + (x - a) - (b - a) * Math.floor((x - a) / (b - a))),
  ),
  pingPong: sum(
    words('There and back', 'A number that turns round at both ends.', 'mirror bounce triangle'),
    [num('value'), num('from', 0), num('to', 1)],
    (x, a, b) => {
      if (a === b) return a;
      const t = (x - a) / (b - a);
      const round = t - 2 * Math.floor(t / 2);
      return lerp(a, b, round > 1 ? 2 - round : round);
    },
  ),
  remap: sum(
    words(
      'Remap',
      'Carries a number from one range to another, in a straight line; either may run backwards.',
      'map range scale fit',
    ),
    [num('value'), num('from'), num('to', 1), num('becomes', 0), num('until', 1, { label: 'and becomes' })],
    (x, a, b, c, d) => (a === b ? c : lerp(c, d, (x - a) / (b - a))),
  ),
  mix: sum(
    words('Mix', 'From one number to another by a share.', 'blend lerp interpolate'),
    [num('a', 0), num('b', 1), num('share', 0.5, { unit: 'percent' })],
    lerp,
  ),
  softStep: sum(
    words('Soft step', '0 before, 1 after, softly between.', 'smoothstep threshold ease'),
    [num('value'), num('from', 0), num('to', 1)],
    (x, a, b) => (a === b ? (x < a ? 0 : 1) : a < b ? smoothstep(a, b, x) : 1 - smoothstep(b, a, x)),
  ),
  round: defineNode({
    ...words(
      'Round',
      'To whole numbers, or to steps of another size.',
      'floor ceiling whole integer snap quantise',
    ),
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
  fraction: sum(
    words('Fraction', 'What is behind the point.', 'decimal part'),
    [num('a')],
    (a) => a - Math.floor(a),
  ),
  sine: sum(words('Sine', 'Of an angle.', 'wave sin'), [num('angle', 0, { unit: 'degrees' })], (a) =>
    Math.sin(a * RADIANS),
  ),
  cosine: sum(words('Cosine', 'Of an angle.', 'wave cos'), [num('angle', 0, { unit: 'degrees' })], (a) =>
    Math.cos(a * RADIANS),
  ),
  tangent: sum(words('Tangent', 'Of an angle.', 'tan slope'), [num('angle', 0, { unit: 'degrees' })], (a) =>
    Math.tan(a * RADIANS),
  ),
  angleOf: sum(
    words(
      'Angle of',
      'The angle of a direction, from right counter-clockwise.',
      'arctangent atan2 direction',
    ),
    [num('x', 1), num('y')],
    (x, y) => Math.atan2(y, x) / RADIANS,
    output('angle', 'number', { unit: 'degrees' }),
  ),
  arcSine: sum(
    words('Arc sine', 'The angle of which this is the sine.', 'asin inverse'),
    [num('a')],
    (a) => Math.asin(clamp(a, -1, 1)) / RADIANS,
    output('angle', 'number', { unit: 'degrees' }),
  ),
  arcCosine: sum(
    words('Arc cosine', 'The angle of which this is the cosine.', 'acos inverse'),
    [num('a')],
    (a) => Math.acos(clamp(a, -1, 1)) / RADIANS,
    output('angle', 'number', { unit: 'degrees' }),
  ),
  angleDifference: sum(
    words(
      'Angle between',
      'From one angle to another the short way, -180 to 180.',
      'difference turn shortest',
    ),
    [num('from', 0, { unit: 'degrees' }), num('to', 0, { unit: 'degrees' })],
    (a, b) => b - a - 360 * Math.round((b - a) / 360),
    output('angle', 'number', { unit: 'degrees' }),
  ),
  curve: defineNode({
    ...words(
      'Curve',
      'Carries 0 to 1 along a curve that is drawn by hand; beyond its ends it stays there.',
      'ease bezier drawn',
    ),
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
