/**
 * The nodes of surface circuits: what runs in and out of each, and what it does, in core and in GLSL. Points lie as on
 * pictures: 0..1 from the upper left corner. Colours are linear light. Angles are degrees, waves are counted in turns.
 */
import type { NodeType, NodeValue } from '../document/schema';
import { clamp, lerp } from '../maths/scalar';
import { cellsAt, CELLS_GLSL, noiseAt, NOISE_GLSL } from './noise';
import { LUMINANCE, type PortType } from './ports';
import { boxAt, circleAt, SHAPES_GLSL, starAt } from './shapes';
import { MATHS_OPS, mathsGlsl, mathsOf, smooth, SMOOTH_GLSL } from './maths-ops';

export interface InputPort {
  readonly name: string;
  readonly type: PortType;
  /** What it is while no wire runs in; a text is a colour. */
  readonly usual: NodeValue;
  /** Without a wire the node makes no sense, and says so. */
  readonly needed?: true;
  /** Left to whoever uses it when there is no wire: of the surface, the material's own value. */
  readonly open?: true;
}

export type Setting =
  | {
      readonly name: string;
      readonly kind: 'choice';
      readonly choices: readonly string[];
      readonly usual: string;
    }
  | { readonly name: string; readonly kind: 'text'; readonly usual: string }
  | { readonly name: string; readonly kind: 'signal'; readonly usual: string };

/** What is known about the point of the surface that is looked at. */
export interface SurfacePoint {
  /** On the surface's own layout, from the upper left corner. */
  readonly place: readonly [number, number];
  /** In the object's own space, metres. */
  readonly position: readonly [number, number, number];
  /** Of length one, in the object's own space. */
  readonly normal: readonly [number, number, number];
  /** Towards the viewer, of length one, in the object's own space. */
  readonly view: readonly [number, number, number];
  /** 1 where it faces the viewer, 0 at the rim. */
  readonly facing: number;
  /** Since the effect started, seconds. */
  readonly time: number;
  readonly signal: (name: string) => number;
  /** Colour (linear) and opacity of a node's picture at a place. */
  readonly picture: (
    node: string,
    at: readonly [number, number],
  ) => readonly [number, number, number, number];
  /** Distance to a text one line high with its middle at the origin. */
  readonly text: (node: string, at: readonly [number, number]) => number;
}

type Numbers = readonly number[];

export interface NodeKind {
  readonly inputs: readonly InputPort[];
  readonly outputs: readonly { readonly name: string; readonly type: PortType }[];
  readonly settings: readonly Setting[];
  /** Functions the code needs, by name. */
  readonly needs?: readonly (keyof typeof LIBRARY)[];
  readonly compute: (
    inputs: Readonly<Record<string, Numbers>>,
    settings: Readonly<Record<string, string>>,
    point: SurfacePoint,
    node: string,
  ) => Readonly<Record<string, Numbers>>;
  /** An expression for each output. `sampler` is the name of the node's texture; `aspect` of its text's field. */
  readonly glsl: (
    inputs: Readonly<Record<string, string>>,
    settings: Readonly<Record<string, string>>,
    names: { readonly sampler: string; readonly signal: string },
  ) => Readonly<Record<string, string>>;
}

export const LIBRARY = {
  smooth: SMOOTH_GLSL,
  shapes: SHAPES_GLSL,
  noise: NOISE_GLSL,
  cells: CELLS_GLSL,
} as const;

const n = (name: string, usual: number, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'n',
  usual,
  ...more,
});
const p = (name: string, x: number, y: number, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'p',
  usual: [x, y],
  ...more,
});
const v = (name: string, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'v',
  usual: [0, 0, 0],
  ...more,
});
const c = (name: string, usual: string, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'c',
  usual,
  ...more,
});
const out = (name: string, type: PortType) => ({ name, type });
/** Where on the surface: the place of the point itself, unless a wire says otherwise. */
const at: InputPort = { name: 'at', type: 'p', usual: [0, 0], open: true };
const NONE: readonly [] = [];

/** A node that only looks at the point. */
const source = (
  name: string,
  type: PortType,
  compute: (point: SurfacePoint) => Numbers,
  code: string,
): NodeKind => ({
  inputs: NONE,
  outputs: [out(name, type)],
  settings: NONE,
  compute: (_i, _s, point) => ({ [name]: compute(point) }),
  glsl: () => ({ [name]: code }),
});

/** A node with one output and no settings. */
const simple = (
  inputs: readonly InputPort[],
  [name, type]: readonly [string, PortType],
  compute: (...args: Numbers[]) => Numbers,
  code: (...args: string[]) => string,
  needs: readonly (keyof typeof LIBRARY)[] = [],
): NodeKind => ({
  inputs,
  outputs: [out(name, type)],
  settings: NONE,
  needs,
  compute: (i) => ({ [name]: compute(...inputs.map((port) => i[port.name]!)) }),
  glsl: (i) => ({ [name]: code(...inputs.map((port) => i[port.name]!)) }),
});

/** Flat things lie beside the planes where cells meet, on which noise is the same at every corner. */
const ASIDE = [0.31, 0.57, 0.37] as const;
const COLOUR_OPS = ['multiply', 'add', 'screen', 'subtract'] as const;
const GRADIENTS = ['linear', 'radial', 'around'] as const;
const radians = Math.PI / 180;

export const CATALOGUE: Readonly<Record<NodeType, NodeKind>> = {
  surface: {
    inputs: [
      c('colour', '#ffffff', { open: true }),
      n('opacity', 1, { open: true }),
      n('roughness', 0.7, { open: true }),
      n('metalness', 0, { open: true }),
      c('glow', '#000000', { open: true }),
      n('bulge', 0, { open: true }),
      v('offset', { open: true }),
    ],
    outputs: NONE,
    settings: NONE,
    compute: (i) => i,
    glsl: (i) => i,
  },
  place: source('at', 'p', (point) => point.place, 'sfPlace'),
  position: source('position', 'v', (point) => point.position, 'sfPosition'),
  normal: source('normal', 'v', (point) => point.normal, 'sfNormal'),
  facing: source('facing', 'n', (point) => [point.facing], 'sfFacing'),
  view: source('view', 'v', (point) => point.view, 'sfView'),
  time: source('seconds', 'n', (point) => [point.time], 'sfTime'),
  signal: {
    inputs: NONE,
    outputs: [out('value', 'n')],
    settings: [{ name: 'signal', kind: 'signal', usual: 'jawOpen' }],
    compute: (_i, s, point) => ({ value: [point.signal(s.signal!)] }),
    glsl: (_i, _s, { signal }) => ({ value: signal }),
  },
  number: simple(
    [n('value', 0.5)],
    ['value', 'n'],
    (x) => x,
    (x) => x,
  ),
  colour: simple(
    [c('colour', '#e0a042')],
    ['colour', 'c'],
    (x) => x,
    (x) => x,
  ),
  picture: {
    inputs: [at],
    outputs: [out('colour', 'c'), out('opacity', 'n')],
    settings: NONE,
    compute: (i, _s, point, node) => {
      const seen = point.picture(node, i.at as [number, number]);
      return { colour: seen.slice(0, 3), opacity: [seen[3]] };
    },
    glsl: (i, _s, { sampler }) => ({
      colour: `${sampler}At(${i.at}).rgb`,
      opacity: `${sampler}At(${i.at}).a`,
    }),
  },
  circle: simple(
    [at, p('centre', 0.5, 0.5), n('radius', 0.3)],
    ['distance', 'n'],
    (a, centre, r) => [circleAt(a!, centre!, r![0]!)],
    (a, centre, r) => `(length(${a} - ${centre}) - ${r})`,
  ),
  box: simple(
    [at, p('centre', 0.5, 0.5), p('size', 0.6, 0.4), n('corner', 0.05)],
    ['distance', 'n'],
    (a, centre, size, r) => [boxAt(a!, centre!, size!, r![0]!)],
    (a, centre, size, r) => `sfBox(${a}, ${centre}, ${size}, ${r})`,
    ['shapes'],
  ),
  star: simple(
    [at, p('centre', 0.5, 0.5), n('radius', 0.4), n('notch', 0.45), n('tips', 5)],
    ['distance', 'n'],
    (a, centre, r, inner, tips) => [
      starAt(a!, centre!, r![0]!, inner![0]!, clamp(Math.round(tips![0]!), 2, 64)),
    ],
    (a, centre, r, inner, tips) =>
      `sfStar(${a}, ${centre}, ${r}, ${inner}, clamp(floor(${tips} + 0.5), 2.0, 64.0))`,
    ['shapes'],
  ),
  text: {
    inputs: [at, p('centre', 0.5, 0.5), n('height', 0.25)],
    outputs: [out('distance', 'n')],
    settings: [{ name: 'text', kind: 'text', usual: 'LOW TIDE' }],
    compute: (i, _s, point, node) => {
      const height = Math.max(1e-6, i.height![0]!);
      const [x, y] = [(i.at![0]! - i.centre![0]!) / height, (i.at![1]! - i.centre![1]!) / height];
      return { distance: [point.text(node, [x, y]) * height] };
    },
    glsl: (i, _s, { sampler }) => ({
      distance: `(${sampler}At((${i.at} - ${i.centre}) / max(1e-6, ${i.height})) * max(1e-6, ${i.height}))`,
    }),
  },
  noise: simple(
    [{ ...v('at'), open: true }, n('size', 0.2)],
    ['value', 'n'],
    (a, size) => [noiseAt(a!.map((x, i) => x / nonZero(size![0]!) + ASIDE[i]!))],
    (a, size) => `sfNoise(${a} / sfNonZero(${size}) + vec3(${ASIDE.join(', ')}))`,
    ['noise', 'smooth'],
  ),
  cells: simple(
    [{ ...v('at'), open: true }, n('size', 0.2)],
    ['distance', 'n'],
    (a, size) => [cellsAt(a!.map((x) => x / nonZero(size![0]!)))],
    (a, size) => `sfCells(${a} / sfNonZero(${size}))`,
    ['noise', 'cells', 'smooth'],
  ),
  gradient: {
    inputs: [at, n('turn', 0)],
    outputs: [out('value', 'n')],
    settings: [{ name: 'runs', kind: 'choice', choices: GRADIENTS, usual: 'linear' }],
    compute: (i, s) => {
      const [x, y] = [i.at![0]! - 0.5, 0.5 - i.at![1]!];
      const turn = i.turn![0]! * radians;
      if (s.runs === 'radial') return { value: [clamp(2 * Math.hypot(x, y), 0, 1)] };
      if (s.runs === 'around') {
        const part = (x === 0 && y === 0 ? 0 : Math.atan2(x, y) - turn) / (2 * Math.PI);
        return { value: [part - Math.floor(part)] };
      }
      return { value: [clamp(0.5 + x * Math.sin(turn) + y * Math.cos(turn), 0, 1)] };
    },
    glsl: (i, s) => {
      const d = `vec2(${i.at}.x - 0.5, 0.5 - ${i.at}.y)`;
      const turn = `(${i.turn} * ${radians.toFixed(10)})`;
      if (s.runs === 'radial') return { value: `clamp(2.0 * length(${d}), 0.0, 1.0)` };
      if (s.runs === 'around')
        return {
          value: `(length(${d}) > 0.0 ? fract((atan(${d}.x, ${d}.y) - ${turn}) / 6.28318530718) : 0.0)`,
        };
      return { value: `clamp(0.5 + dot(${d}, vec2(sin(${turn}), cos(${turn}))), 0.0, 1.0)` };
    },
  },
  stripes: simple(
    [n('at', 0, { needed: true }), n('count', 8), n('share', 0.5), n('softness', 0.05)],
    ['value', 'n'],
    (a, count, share, soft) => {
      const turns = a![0]! * count![0]!;
      const away = Math.abs(turns - Math.floor(turns) - 0.5) * 2;
      return [1 - smooth(share![0]! - soft![0]!, share![0]! + soft![0]!, away)];
    },
    (a, count, share, soft) =>
      `(1.0 - sfSmooth(${share} - ${soft}, ${share} + ${soft}, abs(fract(${a} * ${count}) - 0.5) * 2.0))`,
    ['smooth'],
  ),
  smoothstep: simple(
    [n('value', 0, { needed: true }), n('from', 0), n('to', 1)],
    ['value', 'n'],
    (x, from, to) => [smooth(from![0]!, to![0]!, x![0]!)],
    (x, from, to) => `sfSmooth(${from}, ${to}, ${x})`,
    ['smooth'],
  ),
  maths: {
    inputs: [n('a', 0, { needed: true }), n('b', 1)],
    outputs: [out('value', 'n')],
    settings: [{ name: 'does', kind: 'choice', choices: MATHS_OPS, usual: 'multiply' }],
    needs: ['smooth'],
    compute: (i, s) => ({ value: [mathsOf(s.does!, i.a![0]!, i.b![0]!)] }),
    glsl: (i, s) => ({ value: mathsGlsl(s.does!, i.a!, i.b!) }),
  },
  remap: simple(
    [n('value', 0, { needed: true }), n('low', 0), n('high', 1), n('newLow', 0), n('newHigh', 1)],
    ['value', 'n'],
    (x, low, high, newLow, newHigh) => [
      lerp(newLow![0]!, newHigh![0]!, (x![0]! - low![0]!) / nonZero(high![0]! - low![0]!)),
    ],
    (x, low, high, newLow, newHigh) =>
      `mix(${newLow}, ${newHigh}, (${x} - ${low}) / sfNonZero(${high} - ${low}))`,
    ['smooth'],
  ),
  mix: simple(
    [c('a', '#000000'), c('b', '#ffffff'), n('amount', 0.5)],
    ['colour', 'c'],
    (a, b, t) => a!.map((x, k) => lerp(x, b![k]!, t![0]!)),
    (a, b, t) => `mix(${a}, ${b}, ${t})`,
  ),
  colourMaths: {
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
    [c('colour', '#808080', { needed: true })],
    ['value', 'n'],
    (x) => [LUMINANCE.reduce((sum, w, k) => sum + w * x![k]!, 0)],
    (x) => `dot(${x}, vec3(${LUMINANCE.join(', ')}))`,
  ),
  shift: simple(
    [at, p('by', 0, 0), p('size', 1, 1), n('turn', 0)],
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
    [n('x', 0), n('y', 0)],
    ['at', 'p'],
    (x, y) => [x![0]!, y![0]!],
    (x, y) => `vec2(${x}, ${y})`,
  ),
  splitPoint: {
    inputs: [at],
    outputs: [out('x', 'n'), out('y', 'n')],
    settings: NONE,
    compute: (i) => ({ x: [i.at![0]!], y: [i.at![1]!] }),
    glsl: (i) => ({ x: `${i.at}.x`, y: `${i.at}.y` }),
  },
  joinVector: simple(
    [n('x', 0), n('y', 0), n('z', 0)],
    ['vector', 'v'],
    (x, y, z) => [x![0]!, y![0]!, z![0]!],
    (x, y, z) => `vec3(${x}, ${y}, ${z})`,
  ),
  splitVector: {
    inputs: [v('vector', { needed: true })],
    outputs: [out('x', 'n'), out('y', 'n'), out('z', 'n')],
    settings: NONE,
    compute: (i) => ({ x: [i.vector![0]!], y: [i.vector![1]!], z: [i.vector![2]!] }),
    glsl: (i) => ({ x: `${i.vector}.x`, y: `${i.vector}.y`, z: `${i.vector}.z` }),
  },
  length: simple(
    [v('vector', { needed: true })],
    ['value', 'n'],
    (a) => [Math.hypot(...a!)],
    (a) => `length(${a})`,
  ),
  dot: simple(
    [v('a', { needed: true }), v('b')],
    ['value', 'n'],
    (a, b) => [a!.reduce((sum, x, k) => sum + x * b![k]!, 0)],
    (a, b) => `dot(${a}, ${b})`,
  ),
};

const nonZero = (x: number): number => (Math.abs(x) < 1e-6 ? 1e-6 : x);

/** Inputs that read the place of the point when no wire runs in; noise reads it in the plane z = 0. */
export const readsPlace = (port: InputPort): boolean => port.open === true && port.name === 'at';

/** What a setting is on a node. */
export const settingOf = (setting: Setting, value: NodeValue | undefined): string => {
  if (typeof value !== 'string') return setting.usual;
  return setting.kind === 'choice' && !setting.choices.includes(value) ? setting.usual : value;
};
