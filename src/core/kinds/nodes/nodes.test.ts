/** Every node of behaviour circuits by known answers: the table fails to compile when a kind has no case. */
import { describe, expect, test } from '@jest/globals';
import type { Names } from '../names';
import { fromAngles } from '../../maths/quaternion';
import { isEnd, behaviourNodeSchema, newBehaviourNode, NODE_KINDS, nodeKind, type NodeKind } from './nodes';
import { NODE_GROUPS, NODE_WORDS } from './node-words';
import { NOTHING, PORT_TYPES, type PortValue } from './ports';
import { stepped } from './testing';

interface Case {
  /** What goes in, step by step; more after that of the same. */
  readonly given: readonly Readonly<Record<string, PortValue>>[];
  /** What comes out in each of those steps. */
  readonly gives: readonly (readonly unknown[])[];
  readonly set?: object;
  readonly at?: object;
}
/** One step. */
const once = (given: Case['given'][number], ...gives: readonly unknown[]): Case => ({
  given: [given],
  gives: [gives],
});
const E = { event: 1 };
const N = { event: 0 };
/** `given` so many times. */
const times = (count: number, given: Case['given'][number]): Case['given'][number][] =>
  Array.from({ length: count }, () => given);
const near = (x: number): unknown => expect.closeTo(x, 4);
const HALF_TURN = fromAngles([0, 180, 0]).map(near);

const CASES: Readonly<Record<NodeKind, readonly Case[]>> = {
  signal: [{ given: [{}], gives: [[0.7]], at: { signal: () => 0.7 } }],
  trigger: [
    {
      given: [{}],
      gives: [[1]],
      at: { watch: (_: unknown, state: unknown) => ({ state, fired: true }) },
    },
    { given: [{}], gives: [[0]] },
  ],
  write: [once({ value: 3 })],
  writeText: [once({ text: 'ebb' })],
  writeColour: [once({ colour: [1, 0, 0] })],
  cue: [once(E)],
  prompt: [once(E)],
  scene: [once(E)],
  yesNo: [once({ value: 1 }, 1)],
  and: [once({ a: 1, b: 1 }, 1), once({ a: 1, b: 0 }, 0)],
  or: [once({ a: 0, b: 1 }, 1), once({ a: 0, b: 0 }, 0)],
  exclusiveOr: [once({ a: 1, b: 1 }, 0), once({ a: 1, b: 0 }, 1)],
  not: [once({ a: 1 }, 0), once({ a: 0 }, 1)],
  compare: [
    once({ a: 1, b: 0.5 }, 1),
    { given: [{ a: 1, b: 1 }], gives: [[1]], set: { is: 'atLeast' } },
    { given: [{ a: 1, b: 1 }], gives: [[0]], set: { is: 'below' } },
    { given: [{ a: 1, b: 1 }], gives: [[1]], set: { is: 'atMost' } },
    { given: [{ a: 1, b: 1 + 1e-9 }], gives: [[1]], set: { is: 'same' } },
    { given: [{ a: NaN, b: 1 }], gives: [[0]], set: { is: 'differs' } },
  ],
  between: [once({ value: 0.5, from: 1, to: 0 }, 1), once({ value: 1.1 }, 0), once({ value: NaN }, 0)],
  hasValue: [once({ value: NaN }, 0), once({ value: 0 }, 1)],
  branch: [once({ if: 1, yes: 4, no: 5 }, 4), once({ if: 0, yes: 4, no: 5 }, 5)],
  select: [once({ which: 3, '3': 9 }, 9), once({ which: 99, '4': 8 }, 8)],
  instead: [once({ value: NaN, else: 2 }, 2), once({ value: 1, else: 2 }, 1)],
  chooseText: [once({ if: 1 }, 'yes'), once({ if: 0, no: 'ebb' }, 'ebb')],
  howMany: [once({ a: 1, c: 1, d: 1 }, 3)],
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
  number: [once({ value: 7 }, 7)],
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
  joinPoint: [once({ x: 1, y: 2 }, [1, 2])],
  splitPoint: [once({ point: [1, 2] }, 1, 2)],
  joinVector: [once({ x: 1, y: 2, z: 3 }, [1, 2, 3])],
  splitVector: [once({ vector: [1, 2, 3] }, 1, 2, 3)],
  addVectors: [once({ a: [1, 2, 3], b: [1, 1, 1] }, [2, 3, 4])],
  subtractVectors: [once({ a: [1, 2, 3], b: [1, 1, 1] }, [0, 1, 2])],
  multiplyVectors: [once({ a: [1, 2, 3], b: [2, 2, 2] }, [2, 4, 6])],
  scaleVector: [once({ vector: [1, 2, 3], by: 2 }, [2, 4, 6])],
  mixVectors: [once({ a: [0, 0, 0], b: [4, 8, 2], share: 0.5 }, [2, 4, 1])],
  lengthOf: [once({ vector: [3, 4, 0] }, 5)],
  distance: [once({ a: [1, 0, 0], b: [1, 2, 0] }, 2)],
  direction: [once({ vector: [0, 5, 0] }, [0, 1, 0]), once({ vector: [0, 0, 0] }, [0, 0, 0])],
  dotProduct: [once({ a: [1, 2, 3], b: [1, 1, 1] }, 6)],
  crossProduct: [once({ a: [1, 0, 0], b: [0, 1, 0] }, [0, 0, 1])],
  vectorAngle: [once({}, near(90)), once({ a: [0, 0, 0] }, NaN)],
  rotationFrom: [once({ angles: [0, 180, 0] }, HALF_TURN)],
  anglesOf: [once({ rotation: fromAngles([10, 20, 30]) }, [near(10), near(20), near(30)])],
  aboutAxis: [once({ angle: 180 }, HALF_TURN)],
  lookingAt: [
    once({ from: [0, 0, 0], to: [0, 0, -2] }, HALF_TURN),
    once({ from: [1, 1, 1], to: [1, 1, 1] }, [0, 0, 0, 1]),
  ],
  turnAfter: [
    once({ first: fromAngles([90, 0, 0]), then: fromAngles([-90, 0, 0]) }, [
      near(0),
      near(0),
      near(0),
      near(1),
    ]),
  ],
  mixRotations: [
    once(
      { a: fromAngles([0, 0, 0]), b: fromAngles([0, 90, 0]), share: 0.5 },
      fromAngles([0, 45, 0]).map(near),
    ),
  ],
  turned: [once({ vector: [0, 0, 1], by: fromAngles([0, 90, 0]) }, [near(1), near(0), near(0)])],
  rotationAngle: [once({ a: fromAngles([0, 0, 0]), b: fromAngles([0, 30, 0]) }, near(30))],
  colour: [once({ colour: [0.1, 0.2, 0.3] }, [0.1, 0.2, 0.3])],
  fromRgb: [once({ red: 1, green: 0.5, blue: 0 }, [1, near(0.21404), 0])],
  splitColour: [
    once({ colour: [1, 0.21404, 0] }, near(1), near(0.5), near(0), near(0.2126 + 0.7152 * 0.21404)),
  ],
  fromHsl: [
    once({ hue: 120 }, [near(0), near(1), near(0)]),
    once({ hue: -240 }, [near(0), near(1), near(0)]),
  ],
  toHsl: [once({ colour: [0, 1, 0] }, near(120), near(1), near(0.5))],
  // Red as OKLCH has it: 0.628, 0.2577, 29.23 degrees (CSS Color 4).
  fromOklch: [once({ lightness: 0.62796, chroma: 0.25768, hue: 29.2339 }, [near(1), near(0), near(0)])],
  toOklch: [once({ colour: [1, 0, 0] }, near(0.62796), near(0.25768), expect.closeTo(29.2339, 2))],
  mixColours: [once({ a: [0, 0, 0], b: [1, 1, 0], share: 0.5 }, [0.5, 0.5, 0])],
  gradient: [
    once({ share: 0.25, from: [0, 0, 0], middle: [1, 1, 1], to: [1, 0, 0] }, [0.5, 0.5, 0.5]),
    once({ share: 7, to: [1, 0, 0] }, [1, 0, 0]),
  ],
  brighter: [once({ colour: [0.1, 0.2, 0.3], times: 2 }, [0.2, 0.4, 0.6])],
  text: [once({ text: 'Crab' }, 'Crab')],
  joinTexts: [
    once({ a: 'Low', b: ' ', c: 'Tide' }, 'Low Tide'),
    once({ a: 'x'.repeat(1999), b: 'yz' }, `${'x'.repeat(1999)}y`),
  ],
  formatNumber: [
    {
      given: [{ number: 3.456, before: 'Score ', behind: ' !' }],
      gives: [['Score 3.5 !']],
      set: { digits: 1 },
    },
    { given: [{ number: 7 }], gives: [['007']], set: { places: 3 } },
    once({ number: -0.2 }, '0'),
    once({ number: NaN }, '–'),
  ],
  clock: [once({ seconds: 65 }, '1:05'), once({ seconds: 4.2 }, '0:05'), once({ seconds: NaN }, '0:00')],
  textLength: [once({ text: 'naïve🦀' }, 6)],
  upper: [once({ text: 'tide' }, 'TIDE')],
  splitText: [once({ which: 2 }, 'pearl'), once({ which: 9 }, '')],
  sameText: [once({ a: 'x', b: 'x' }, 1), once({ a: 'x', b: 'y' }, 0)],
  makeList: [once({ '1': 4, '2': 5 }, [4, 5, 0, 0])],
  joinLists: [once({ a: [1], b: [2, 3] }, [1, 2, 3])],
  itemOf: [once({ list: [4, 5], which: 2 }, 5), once({ list: [], which: 1 }, NaN)],
  listLength: [once({ list: [1, 2] }, 2)],
  sorted: [once({ list: [3, 1, 2] }, [1, 2, 3])],
  listSum: [once({ list: [1, 2, 6] }, 9, 3), once({ list: [] }, 0, NaN)],
  listRange: [once({ list: [3, 1] }, 1, 3), once({ list: [] }, NaN, NaN)],
  collect: [
    {
      given: [1, 2, 3].map((value) => ({ event: 1, value, most: 2 })),
      gives: [[[1]], [[1, 2]], [[2, 3]]],
    },
  ],
};

describe.each(NODE_KINDS)('node: %s', (kind) => {
  test.each(CASES[kind].map((of, i) => [i + 1, of] as const))(
    'known answer %d',
    (_, { given, gives, set, at }) => {
      expect(stepped(kind, given, { ...(set ? { set } : {}), ...(at ? { at } : {}) })).toEqual(gives);
    },
  );
  test('a new one is valid, says what it does, and gives what its outputs are', () => {
    const node = newBehaviourNode('node_aaaa' as never, kind);
    expect(behaviourNodeSchema.safeParse(node).error?.issues ?? []).toEqual([]);
    const { inputs, outputs } = nodeKind(kind);
    const { name, note, group } = NODE_WORDS[kind];
    expect(NODE_GROUPS).toContain(group);
    expect(name.length).toBeLessThan(34);
    expect(note).toMatch(/[.)]$/);
    // Ends give nothing, and all else gives something.
    expect(outputs.length === 0).toBe(isEnd(kind));
    expect(new Set(inputs.map((i) => i.name)).size).toBe(inputs.length);
    const [out] = stepped(kind, [{}]);
    outputs.forEach(({ type }, i) => {
      const { width } = PORT_TYPES[type];
      if (width === 1) expect(typeof out![i]).toBe('number');
      else if (width > 1) expect(out![i]).toHaveLength(width);
      else expect(typeof out![i]).toBe(typeof NOTHING[type]);
    });
  });
});

test('names tell nodes apart', () => {
  const names = NODE_KINDS.map((kind) => NODE_WORDS[kind].name);
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
});
test('what nodes are called on the board goes by what is set', () => {
  const names = new Proxy({}, { get: () => (id: string | null) => id ?? 'nothing' }) as Names;
  const titles = NODE_KINDS.flatMap((kind) => {
    const { title, fresh } = nodeKind(kind);
    const words = title?.(fresh as never, names);
    return words ? [words] : [];
  });
  expect(titles).toHaveLength(4);
  expect(titles).toContain('start “nothing”');
});
