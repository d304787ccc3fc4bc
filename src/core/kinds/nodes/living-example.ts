/** A small example of what a node does: the node itself, run by itself over some seconds, with something telling at its inputs. */
import { composeMatrix } from '../../maths/matrix';
import { fromAxisAngle, IDENTITY } from '../../maths/quaternion';
import { linearOf } from '../../maths/srgb';
import { fromHsl } from '../../maths/colour-spaces';
import type { Vec3 } from '../../maths/vec3';
import { UNWATCHED } from '../triggers/trigger-kind';
import { STEP, type Seconds } from '../../units';
import type { InputPort, NodeInstant, NodeWorld, OutputPort } from './node-kind';
import { nodeKind, portsOf, type NodeKind } from './nodes';
import type { PortValue } from './ports';
import { NOWHERE_WORLD, stepped } from './run-alone';

export const EXAMPLE_SECONDS: Seconds = 4;
const STEPS = Math.round(EXAMPLE_SECONDS / STEP);
/** What is at a port in each step. */
export interface ExampleTrace<Port> {
  readonly port: Port;
  readonly values: readonly PortValue[];
}
export interface LivingExample {
  /** Of those that are not as they usually are. */
  readonly inputs: readonly ExampleTrace<InputPort>[];
  readonly outputs: readonly ExampleTrace<OutputPort>[];
}

/** What is at an input at a moment of the example. */
type Driver = (t: Seconds) => PortValue;
type Drivers = Readonly<Record<string, Driver>>;

const wave =
  (low: number, high: number, seconds = EXAMPLE_SECONDS / 2): Driver =>
  (t) =>
    low + ((high - low) * (1 - Math.cos((2 * Math.PI * t) / seconds))) / 2;
const passes =
  (...times: readonly Seconds[]): Driver =>
  (t) =>
    times.some((at) => Math.abs(t - at) < STEP / 2) ? 1 : 0;
const turns =
  (every: Seconds): Driver =>
  (t) =>
    Math.floor(t / every) % 2 === 1 ? 1 : 0;
const still =
  (value: PortValue): Driver =>
  () =>
    value;
const circle: Driver = (t) => {
  const angle = (2 * Math.PI * t) / EXAMPLE_SECONDS;
  return [Math.cos(angle), Math.sin(angle), 0];
};
const hues: Driver = (t) => linearOf(fromHsl([(360 * t) / EXAMPLE_SECONDS, 0.6, 0.5]));
const WORDS = ['ebb', 'low tide', 'flood', 'high tide'] as const;

/** Of the first input of its type: the others stay as they usually are. */
const BY_TYPE: Readonly<Record<InputPort['type'], Driver>> = {
  number: wave(-0.5, 1.5),
  truth: turns(0.6),
  event: passes(0.5, 1, 1.5, 2, 2.5, 3, 3.5),
  point: (t) => (circle(t) as Vec3).slice(0, 2),
  vector: circle,
  colour: hues,
  rotation: (t) => fromAxisAngle([0, 1, 0], (360 * t) / EXAMPLE_SECONDS),
  text: (t) => WORDS[Math.floor(t) % WORDS.length]!,
  list: (t) => [3, 1, 2].map((n) => Math.round(10 * (n + Math.sin(t * n))) / 10),
  object: still('Crab'),
  picture: still('Kelp'),
};
const SLOW = passes(0.5, 2.5);
/** Where the usual would tell nothing. */
export const DRIVERS_OF_KIND: Partial<Record<NodeKind, Drivers>> = {
  and: { a: turns(0.6), b: turns(1) },
  or: { a: turns(0.6), b: turns(1) },
  exclusiveOr: { a: turns(0.6), b: turns(1) },
  latch: { set: SLOW, reset: passes(1.5, 3.5) },
  once: { event: passes(0.5, 1, 2, 3), reset: passes(1.5) },
  gate: { event: passes(0.3, 0.8, 1.3, 1.8, 2.3, 2.8), while: turns(1) },
  counter: { up: passes(0.5, 1, 1.5, 2.5), down: passes(3), reset: passes(3.6) },
  delayEvent: { event: SLOW },
  ramp: { start: SLOW },
  countdown: { start: passes(0.5), from: still(3) },
  fall: { 'let go': passes(0.3), from: still(0.3) },
  at: { seconds: still(2) },
  select: { which: wave(1, 4, EXAMPLE_SECONDS), 1: still(10), 2: still(20), 3: still(5), 4: still(15) },
  logarithm: { a: wave(0.2, 5) },
  root: { a: wave(0, 4) },
  sine: { angle: (t) => 180 * t },
  cosine: { angle: (t) => 180 * t },
  tangent: { angle: wave(-70, 70) },
  angleDifference: { to: wave(-300, 300, EXAMPLE_SECONDS) },
  remap: { 'new to': still(10), value: wave(0, 1) },
  extremes: { value: wave(-1, 1, 3), reset: passes(2.5) },
  pendulum: { sideways: wave(-0.05, 0.05, 1.3) },
  string: { from: (t) => [0.1 * Math.sin(4 * t), 0, 0] },
  body: { 'let go': passes(0.3), 'has floor': still(1) },
  formatNumber: { number: wave(0, 12, EXAMPLE_SECONDS) },
  makeList: { 1: wave(0, 1), 2: still(2), 3: still(3), 4: still(4) },
  itemOf: { which: wave(1, 3, EXAMPLE_SECONDS), list: still([5, 2, 9]) },
  collect: { event: BY_TYPE.event, value: wave(0, 1, 3) },
  whichObject: { which: wave(1, 2, EXAMPLE_SECONDS), a: still('Crab'), b: still('Gull') },
  whichPicture: { which: wave(1, 2, EXAMPLE_SECONDS), a: still('Kelp'), b: still('Shell') },
  sameObject: { a: still('Crab'), b: (t) => (t % 2 < 1 ? 'Crab' : 'Gull') },
  objectsApart: { a: still('Crab'), b: still('Gull') },
  nearestObject: { to: circle, a: still('Crab'), b: still('Gull') },
  rayToPlane: { from: still([0, 1, 0]), along: (t) => [Math.sin(3 * t), -1, 0] },
  rayToBall: { along: (t) => [0.1 * Math.sin(3 * t), 0, -1], centre: still([0, 0, -1]) },
  pictureColour: { across: wave(0, 1) },
  facePlace: {},
  handPlace: {},
  onPicture: { position: (t) => [0.5 * Math.sin(3 * t), 0, -1] },
  alongPath: {
    share: wave(0, 1, EXAMPLE_SECONDS),
    b: still([0.1, 0.1, 0]),
    c: still([0.2, -0.1, 0]),
    d: still([0.3, 0, 0]),
  },
  pathThrough: {
    share: wave(0, 1, EXAMPLE_SECONDS),
    x: still([0, 1, 2]),
    y: still([0, 1, 0]),
    z: still([0, 0, 0]),
  },
  countUp: { count: wave(1, 6, EXAMPLE_SECONDS) },
  distance: { a: circle, b: still([1, 0, 0]) },
  vectorAngle: { a: circle },
  crossProduct: { a: circle, b: still([0, 1, 0]) },
  dotProduct: { a: circle, b: still([1, 0, 0]) },
  multiplyVectors: { a: circle, b: still([2, 0.5, 1]) },
  mixVectors: { a: still([0, 0, 0]), b: still([1, 2, 0]), share: wave(0, 1) },
  mixRotations: { a: still(IDENTITY), b: still(fromAxisAngle([0, 1, 0], 90)), share: wave(0, 1) },
  lookingAt: { to: circle },
  turned: { vector: still([1, 0, 0]), by: BY_TYPE.rotation },
  mixColours: {
    a: still(linearOf(fromHsl([174, 0.7, 0.3]))),
    b: still(linearOf(fromHsl([12, 0.8, 0.6]))),
    share: wave(0, 1),
  },
  spring: { value: turns(1) },
  smooth: { value: turns(1) },
  towards: { value: turns(1), 'a second': still(2) },
  earlier: { value: turns(1) },
  before: { value: turns(1) },
  gradient: { share: wave(0, 1) },
  hasValue: { value: (t) => (t % 2 < 1 ? t : NaN) },
  sameText: { a: BY_TYPE.text, b: still('flood') },
  listLength: { list: (t) => Array.from({ length: Math.floor(t) }, (_, i) => i) },
  writePicture: { picture: (t) => (t % 2 < 1 ? 'Kelp' : 'Shell') },
  writeOf: { object: still('Crab'), value: wave(0, 1) },
};
/** What is set where a new node would tell nothing. */
const SET: Partial<Record<NodeKind, object>> = {
  theObject: { object: 'Crab' },
  thePicture: { picture: 'Kelp' },
  picturePlace: { picture: 'Poster' },
};
/** Whose code, or whose nodes, say what they do. */
const WITHOUT: ReadonlySet<NodeKind> = new Set(['script', 'compound', 'enter', 'leave']);

const swing = (t: Seconds): number => 0.1 * Math.sin((2 * Math.PI * t) / EXAMPLE_SECONDS);
/** Something moves to and fro in it, and is tapped now and then. */
const worldAt = (step: number): NodeWorld => {
  const t = step * STEP;
  const matrix = composeMatrix([swing(t), 0, -1], fromAxisAngle([0, 1, 0], 300 * swing(t)), [1, 1, 1]);
  return {
    ...NOWHERE_WORLD,
    camera: { ...NOWHERE_WORLD.camera, pose: { position: [swing(t), 0, 0], rotation: IDENTITY } },
    light: {
      direction: [Math.sin(t), 1, 0],
      colour: t % 2 < 1 ? '#ffd9a0' : '#a0c8ff',
      brightness: 0.5 + 3 * swing(t),
    },
    // Bluer to the right.
    colourAround: (x) => [0.8 * (1 - x), 0.3, 0.8 * x],
    taps: passes(0.5, 1.7, 2.9)(t) === 1 ? [{ x: 0.5 + 3 * swing(t), y: 0.4 }] : [],
    anchors: () => [{ instance: 0, matrix }],
    placesOf: (object) =>
      object === '' ? [] : [object === 'Gull' ? composeMatrix([0.2, 0.1, -1], IDENTITY, [1, 1, 1]) : matrix],
    meets: () => (t % 2 < 1 ? 1 + swing(t) : null),
    touched: () => 'Crab',
  };
};

const driversOf = (kind: NodeKind, inputs: readonly InputPort[]): Drivers => {
  const own = DRIVERS_OF_KIND[kind];
  if (own) return own;
  const drivers: Record<string, Driver> = {};
  const seen = new Set<string>();
  for (const { name, type } of inputs) {
    // What asks whether it goes on is left as it is, unless there is nothing else.
    if (seen.has(type) || (name === 'while' && inputs.length > 1)) continue;
    seen.add(type);
    drivers[name] = BY_TYPE[type];
  }
  return drivers;
};

/** The example of a kind; null for one whose maker says what it does. Deterministic. */
export const livingExample = (kind: NodeKind): LivingExample | null => {
  if (WITHOUT.has(kind)) return null;
  const set = { ...nodeKind(kind).fresh, ...SET[kind] };
  const { inputs, outputs } = portsOf({ kind, set } as never);
  const drivers = driversOf(kind, inputs);
  const given = Array.from({ length: STEPS }, (_, step) =>
    Object.fromEntries(Object.entries(drivers).map(([name, at]) => [name, at(step * STEP)])),
  );
  const instant = (step: number): Partial<NodeInstant> => ({
    world: worldAt(step),
    signal: () => wave(0, 1)(step * STEP) as number,
    watch: (_trigger, state = UNWATCHED) => ({ state, fired: passes(0.5, 1.5, 2.5, 3.5)(step * STEP) === 1 }),
  });
  const out = stepped(kind, given, { set, at: instant });
  return {
    inputs: inputs.flatMap((port) =>
      drivers[port.name] ? [{ port, values: given.map((step) => step[port.name]!) }] : [],
    ),
    outputs: outputs.map((port, i) => ({ port, values: out.map((step) => step[i]!) })),
  };
};
