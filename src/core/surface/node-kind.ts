/**
 * What a node of a surface circuit is, and short ways to write one down. Points lie as on pictures: 0..1 from the upper left
 * corner. Colours are linear light. Angles are degrees, waves are counted in turns.
 */
import type { SurfaceNodeType, SurfaceNodeValue } from '../document/schema';
import { SMOOTH_GLSL } from './maths-ops';
import { CELLS_GLSL, NOISE_GLSL } from './noise';
import type { PortType } from './ports';
import { SHAPES_GLSL } from './shapes';

/** Some of the nodes. */
export type SurfaceNodeKinds = Partial<Record<SurfaceNodeType, SurfaceNodeKind>>;

/** Where a node stands in the menu. */
export const NODE_GROUPS = [
  'Surface',
  'From the point',
  'Values',
  'Shapes',
  'Patterns',
  'Sums',
  'Points',
] as const;
export type NodeGroup = (typeof NODE_GROUPS)[number];
interface NodeWords {
  readonly name: string;
  readonly group: NodeGroup;
  /** What comes out. */
  readonly note: string;
}

export interface InputPort {
  readonly name: string;
  /** As it is shown, where its name says too little or is no word. */
  readonly label?: string;
  readonly type: PortType;
  /** What it is while no wire runs in; a text is a colour. */
  readonly usual: SurfaceNodeValue;
  /** Without a wire the node makes no sense, and says so. */
  readonly needed?: true;
  /** Left to whoever uses it when there is no wire: of the surface, the material's own value. */
  readonly open?: true;
}

export type Setting =
  | {
      readonly name: string;
      readonly kind: 'choice';
      /** How each is shown. */
      readonly choices: Readonly<Record<string, string>>;
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

export interface SurfaceNodeKind extends NodeWords {
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

/** An input that takes a number. */
export const n = (name: string, usual: number, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'n',
  usual,
  ...more,
});
/** An input that takes a point of the surface. */
export const p = (name: string, x: number, y: number, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'p',
  usual: [x, y],
  ...more,
});
/** An input that takes a vector. */
export const v = (name: string, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'v',
  usual: [0, 0, 0],
  ...more,
});
/** An input that takes a colour, sRGB hex. */
export const c = (name: string, usual: string, more: Partial<InputPort> = {}): InputPort => ({
  name,
  type: 'c',
  usual,
  ...more,
});
/** An output. */
export const out = (name: string, type: PortType) => ({ name, type });
/** Where on the surface: the place of the point itself, unless a wire says otherwise. */
export const at: InputPort = { name: 'at', type: 'p', usual: [0, 0], open: true };
export const NONE: readonly [] = [];

/** A node that only looks at the point. */
export const source = (
  words: NodeWords,
  name: string,
  type: PortType,
  compute: (point: SurfacePoint) => Numbers,
  code: string,
): SurfaceNodeKind => ({
  ...words,
  inputs: NONE,
  outputs: [out(name, type)],
  settings: NONE,
  compute: (_i, _s, point) => ({ [name]: compute(point) }),
  glsl: () => ({ [name]: code }),
});

/** A node with one output and no settings. */
export const simple = (
  words: NodeWords,
  inputs: readonly InputPort[],
  [name, type]: readonly [string, PortType],
  compute: (...args: Numbers[]) => Numbers,
  code: (...args: string[]) => string,
  needs: readonly (keyof typeof LIBRARY)[] = [],
): SurfaceNodeKind => ({
  ...words,
  inputs,
  outputs: [out(name, type)],
  settings: NONE,
  needs,
  compute: (i) => ({ [name]: compute(...inputs.map((port) => i[port.name]!)) }),
  glsl: (i) => ({ [name]: code(...inputs.map((port) => i[port.name]!)) }),
});

/** Inputs that read the place of the point when no wire runs in; noise reads it in the plane z = 0. */
export const readsPlace = (port: InputPort): boolean => port.open === true && port.name === 'at';

/** What a setting is on a node. */
export const settingOf = (setting: Setting, value: SurfaceNodeValue | undefined): string => {
  if (typeof value !== 'string') return setting.usual;
  return setting.kind === 'choice' && !Object.hasOwn(setting.choices, value) ? setting.usual : value;
};
