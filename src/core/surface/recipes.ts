/** Ready surface circuits: each a whole look, to be opened and changed. */
import { circuitOf, newNode } from '../document/new-material';
import type { BlendMode, Circuit, CircuitNode, Material, NodeId, NodeType } from '../document/schema';

export interface CircuitRecipe {
  readonly key: string;
  /** Changes of the material that go with it. */
  readonly look: Partial<Omit<Material, 'id' | 'name' | 'circuit'>>;
  /** The blend mode that whatever wears it wants; null keeps its own. */
  readonly blend: BlendMode | null;
  readonly circuit: (newId: () => NodeId) => Circuit;
}

type Values = CircuitNode['values'];
/** Where an input comes from: the name of a part of the recipe, and its output. */
type From = readonly [part: string, port: string];
interface Part {
  readonly type: NodeType;
  readonly at: readonly [number, number];
  readonly values?: Values;
  readonly from?: Readonly<Record<string, From>>;
}

const build =
  (parts: Readonly<Record<string, Part>>) =>
  (newId: () => NodeId): Circuit => {
    const ids = new Map(Object.keys(parts).map((name) => [name, newId()]));
    return circuitOf(
      Object.entries(parts).map(([name, { type, at, values = {}, from = {} }]) =>
        newNode(ids.get(name)!, type, at, {
          values,
          inputs: Object.fromEntries(
            Object.entries(from).map(([port, [part, output]]) => [
              port,
              { node: ids.get(part)!, port: output },
            ]),
          ),
        }),
      ),
    );
  };

/** The board's columns and rows. */
const at = (column: number, row: number): readonly [number, number] => [column * 210, row * 132];

export const CIRCUIT_RECIPES: readonly CircuitRecipe[] = [
  {
    key: 'empty',
    look: {},
    blend: null,
    circuit: build({ surface: { type: 'surface', at: at(2, 0) } }),
  },
  {
    key: 'contactShadow',
    look: { shading: 'unlit', colour: '#000000', alpha: 'blend', doubleSided: true },
    blend: 'multiply',
    circuit: build({
      circle: { type: 'circle', at: at(0, 0), values: { radius: 0.08 } },
      soft: {
        type: 'smoothstep',
        at: at(1, 0),
        values: { from: 0.4, to: -0.05 },
        from: { value: ['circle', 'distance'] },
      },
      density: {
        type: 'maths',
        at: at(2, 0),
        values: { does: 'multiply', b: 0.6 },
        from: { a: ['soft', 'value'] },
      },
      colour: { type: 'colour', at: at(2, 1), values: { colour: '#0b1418' } },
      surface: {
        type: 'surface',
        at: at(3, 0),
        from: { colour: ['colour', 'colour'], opacity: ['density', 'value'] },
      },
    }),
  },
  {
    key: 'rimGlow',
    look: {},
    blend: null,
    circuit: build({
      facing: { type: 'facing', at: at(0, 0) },
      rim: { type: 'maths', at: at(1, 0), values: { does: 'rest' }, from: { a: ['facing', 'facing'] } },
      narrow: {
        type: 'maths',
        at: at(2, 0),
        values: { does: 'power', b: 2.5 },
        from: { a: ['rim', 'value'] },
      },
      light: {
        type: 'mix',
        at: at(3, 0),
        values: { a: '#000000', b: '#5ff0d0' },
        from: { amount: ['narrow', 'value'] },
      },
      surface: { type: 'surface', at: at(4, 0), from: { glow: ['light', 'colour'] } },
    }),
  },
  {
    key: 'scanLines',
    look: { alpha: 'blend' },
    blend: null,
    circuit: build({
      place: { type: 'place', at: at(0, 0) },
      split: { type: 'splitPoint', at: at(1, 0), from: { at: ['place', 'at'] } },
      time: { type: 'time', at: at(0, 1) },
      slow: {
        type: 'maths',
        at: at(1, 1),
        values: { does: 'multiply', b: 0.05 },
        from: { a: ['time', 'seconds'] },
      },
      run: {
        type: 'maths',
        at: at(2, 1),
        values: { does: 'add' },
        from: { a: ['split', 'y'], b: ['slow', 'value'] },
      },
      lines: {
        type: 'stripes',
        at: at(3, 0),
        values: { count: 24, share: 0.5, softness: 0.2 },
        from: { at: ['run', 'value'] },
      },
      opacity: {
        type: 'remap',
        at: at(4, 0),
        values: { newLow: 0.25, newHigh: 1 },
        from: { value: ['lines', 'value'] },
      },
      light: {
        type: 'mix',
        at: at(4, 1),
        values: { a: '#03221d', b: '#46e0c0' },
        from: { amount: ['lines', 'value'] },
      },
      surface: {
        type: 'surface',
        at: at(5, 0),
        from: { opacity: ['opacity', 'value'], glow: ['light', 'colour'] },
      },
    }),
  },
  {
    key: 'dissolve',
    look: { alpha: 'cutoff', cutoff: 0.5, doubleSided: true },
    blend: null,
    circuit: build({
      mouth: { type: 'signal', at: at(0, 1), values: { signal: 'jawOpen' } },
      reach: {
        type: 'remap',
        at: at(1, 1),
        values: { high: 0.6, newLow: 0.25, newHigh: 0.75 },
        from: { value: ['mouth', 'value'] },
      },
      place: { type: 'place', at: at(0, 0) },
      noise: { type: 'noise', at: at(1, 0), values: { size: 0.12 }, from: { at: ['place', 'at'] } },
      left: {
        type: 'maths',
        at: at(2, 0),
        values: { does: 'subtract' },
        from: { a: ['noise', 'value'], b: ['reach', 'value'] },
      },
      there: {
        type: 'maths',
        at: at(3, 0),
        values: { does: 'atLeast', b: 0 },
        from: { a: ['left', 'value'] },
      },
      edge: {
        type: 'smoothstep',
        at: at(3, 1),
        values: { from: 0.06, to: 0 },
        from: { value: ['left', 'value'] },
      },
      ember: {
        type: 'mix',
        at: at(4, 1),
        values: { a: '#000000', b: '#ff9a3c' },
        from: { amount: ['edge', 'value'] },
      },
      surface: {
        type: 'surface',
        at: at(5, 0),
        from: { opacity: ['there', 'value'], glow: ['ember', 'colour'] },
      },
    }),
  },
  {
    key: 'caustics',
    look: { shading: 'unlit', colour: '#000000', alpha: 'blend', doubleSided: true },
    blend: 'plus-lighter',
    circuit: build({
      place: { type: 'place', at: at(0, 0) },
      split: { type: 'splitPoint', at: at(1, 0), from: { at: ['place', 'at'] } },
      time: { type: 'time', at: at(0, 1) },
      slow: {
        type: 'maths',
        at: at(1, 1),
        values: { does: 'multiply', b: 0.09 },
        from: { a: ['time', 'seconds'] },
      },
      point: {
        type: 'joinVector',
        at: at(2, 0),
        from: { x: ['split', 'x'], y: ['split', 'y'], z: ['slow', 'value'] },
      },
      cells: { type: 'cells', at: at(3, 0), values: { size: 0.18 }, from: { at: ['point', 'vector'] } },
      bright: {
        type: 'maths',
        at: at(4, 0),
        values: { does: 'power', b: 3 },
        from: { a: ['cells', 'distance'] },
      },
      light: {
        type: 'mix',
        at: at(4, 1),
        values: { a: '#000000', b: '#bff5ea' },
        from: { amount: ['bright', 'value'] },
      },
      middle: { type: 'gradient', at: at(3, 1), values: { runs: 'radial' } },
      fade: {
        type: 'smoothstep',
        at: at(4, 2),
        values: { from: 1, to: 0.4 },
        from: { value: ['middle', 'value'] },
      },
      surface: {
        type: 'surface',
        at: at(5, 0),
        from: { colour: ['light', 'colour'], opacity: ['fade', 'value'] },
      },
    }),
  },
];
