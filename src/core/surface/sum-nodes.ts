/** Sums of numbers, colours, points and vectors. */
import { lerp } from '../maths/scalar';
import { MATHS_OPS, mathsGlsl, mathsOf, nonZero, smooth } from './maths-ops';
import { at, c, n, NONE, out, p, simple, v, type SurfaceNodeKinds } from './node-kind';
import { LUMINANCE } from './ports';

const COLOUR_OPS = { multiply: 'a × b', add: 'a + b', screen: 'screen', subtract: 'a − b' } as const;
const radians = Math.PI / 180;

export const SUM_NODES = {
  smoothstep: simple(
    { name: 'Soft step', group: 'Sums', note: 'from 0 to 1 between two values' },
    [n('value', 0, { needed: true }), n('from', 0), n('to', 1)],
    ['value', 'n'],
    (x, from, to) => [smooth(from![0]!, to![0]!, x![0]!)],
    (x, from, to) => `sfSmooth(${from}, ${to}, ${x})`,
    ['smooth'],
  ),
  maths: {
    name: 'Sum',
    group: 'Sums',
    note: 'two numbers into one',
    inputs: [n('a', 0, { needed: true }), n('b', 1)],
    outputs: [out('value', 'n')],
    settings: [{ name: 'does', kind: 'choice', choices: MATHS_OPS, usual: 'multiply' }],
    needs: ['smooth'],
    compute: (i, s) => ({ value: [mathsOf(s.does!, i.a![0]!, i.b![0]!)] }),
    glsl: (i, s) => ({ value: mathsGlsl(s.does!, i.a!, i.b!) }),
  },
  remap: simple(
    { name: 'Other range', group: 'Sums', note: 'a range stretched to another' },
    [
      n('value', 0, { needed: true }),
      n('low', 0),
      n('high', 1),
      n('newLow', 0, { label: 'new low' }),
      n('newHigh', 1, { label: 'new high' }),
    ],
    ['value', 'n'],
    (x, low, high, newLow, newHigh) => [
      lerp(newLow![0]!, newHigh![0]!, (x![0]! - low![0]!) / nonZero(high![0]! - low![0]!)),
    ],
    (x, low, high, newLow, newHigh) =>
      `mix(${newLow}, ${newHigh}, (${x} - ${low}) / sfNonZero(${high} - ${low}))`,
    ['smooth'],
  ),
  mix: simple(
    { name: 'Mix', group: 'Sums', note: 'from one colour to another' },
    [c('a', '#000000'), c('b', '#ffffff'), n('amount', 0.5)],
    ['colour', 'c'],
    (a, b, t) => a!.map((x, k) => lerp(x, b![k]!, t![0]!)),
    (a, b, t) => `mix(${a}, ${b}, ${t})`,
  ),
  colourMaths: {
    name: 'Colour sum',
    group: 'Sums',
    note: 'two colours into one',
    inputs: [c('a', '#ffffff', { needed: true }), c('b', '#ffffff')],
    outputs: [out('colour', 'c')],
    settings: [{ name: 'does', kind: 'choice', choices: COLOUR_OPS, usual: 'multiply' }],
    compute: (i, s) => ({
      colour: i.a!.map((a, k) => {
        const b = i.b![k]!;
        if (s.does === 'add') return a + b;
        if (s.does === 'screen') return a + b - a * b;
        return s.does === 'subtract' ? Math.max(0, a - b) : a * b;
      }),
    }),
    glsl: ({ a, b }, s) => {
      if (s.does === 'add') return { colour: `(${a} + ${b})` };
      if (s.does === 'screen') return { colour: `(${a} + ${b} - ${a} * ${b})` };
      return { colour: s.does === 'subtract' ? `max(vec3(0.0), ${a} - ${b})` : `(${a} * ${b})` };
    },
  },
  brightness: simple(
    { name: 'Brightness', group: 'Sums', note: 'how bright a colour is' },
    [c('colour', '#808080', { needed: true })],
    ['value', 'n'],
    (x) => [LUMINANCE.reduce((sum, w, k) => sum + w * x![k]!, 0)],
    (x) => `dot(${x}, vec3(${LUMINANCE.join(', ')}))`,
  ),
  shift: simple(
    { name: 'Shift', group: 'Points', note: 'moves, sizes and turns what comes after' },
    [at, p('by', 0, 0), p('size', 1, 1), n('turn', 0, { label: 'turn, °' })],
    ['at', 'p'],
    (a, by, size, turn) => {
      const [x, y] = [a![0]! - 0.5 - by![0]!, a![1]! - 0.5 - by![1]!];
      const [sin, cos] = [Math.sin(turn![0]! * radians), Math.cos(turn![0]! * radians)];
      return [(x * cos + y * sin) / nonZero(size![0]!) + 0.5, (y * cos - x * sin) / nonZero(size![1]!) + 0.5];
    },
    (a, by, size, turn) => `sfShift(${a}, ${by}, ${size}, ${turn} * ${radians.toFixed(10)})`,
    ['smooth'],
  ),
  joinPoint: simple(
    { name: 'Join point', group: 'Points', note: 'x and y into a place' },
    [n('x', 0), n('y', 0)],
    ['at', 'p'],
    (x, y) => [x![0]!, y![0]!],
    (x, y) => `vec2(${x}, ${y})`,
  ),
  splitPoint: {
    name: 'Split point',
    group: 'Points',
    note: 'a place into x and y',
    inputs: [at],
    outputs: [out('x', 'n'), out('y', 'n')],
    settings: NONE,
    compute: (i) => ({ x: [i.at![0]!], y: [i.at![1]!] }),
    glsl: (i) => ({ x: `${i.at}.x`, y: `${i.at}.y` }),
  },
  joinVector: simple(
    { name: 'Join vector', group: 'Points', note: 'x, y and z into a vector' },
    [n('x', 0), n('y', 0), n('z', 0)],
    ['vector', 'v'],
    (x, y, z) => [x![0]!, y![0]!, z![0]!],
    (x, y, z) => `vec3(${x}, ${y}, ${z})`,
  ),
  splitVector: {
    name: 'Split vector',
    group: 'Points',
    note: 'a vector into x, y and z',
    inputs: [v('vector', { needed: true })],
    outputs: [out('x', 'n'), out('y', 'n'), out('z', 'n')],
    settings: NONE,
    compute: (i) => ({ x: [i.vector![0]!], y: [i.vector![1]!], z: [i.vector![2]!] }),
    glsl: (i) => ({ x: `${i.vector}.x`, y: `${i.vector}.y`, z: `${i.vector}.z` }),
  },
  length: simple(
    { name: 'Length', group: 'Sums', note: 'how long a vector is' },
    [v('vector', { needed: true })],
    ['value', 'n'],
    (a) => [Math.hypot(...a!)],
    (a) => `length(${a})`,
  ),
  dot: simple(
    { name: 'Towards', group: 'Sums', note: 'how far one vector points along another' },
    [v('a', { needed: true }), v('b')],
    ['value', 'n'],
    (a, b) => [a!.reduce((sum, x, k) => sum + x * b![k]!, 0)],
    (a, b) => `dot(${a}, ${b})`,
  ),
} satisfies SurfaceNodeKinds;
