/** Ready surface circuits: each a whole look, to be opened and changed. */
import { circuitOf, newSurfaceNode } from '../document/new-material';
import { tidyPlaces } from './tidy';
import type {
  BlendMode,
  SurfaceCircuit,
  SurfaceNode,
  Material,
  NodeId,
  SurfaceNodeType,
} from '../document/schema';

export interface CircuitRecipe {
  readonly key: string;
  /** Changes of the material that go with it. */
  readonly look: Partial<Omit<Material, 'id' | 'name' | 'circuit'>>;
  /** The blend mode that whatever wears it wants; null keeps its own. */
  readonly blend: BlendMode | null;
  readonly circuit: (newId: () => NodeId) => SurfaceCircuit;
}

type Values = SurfaceNode['values'];
/** Where an input comes from: the name of a part of the recipe, and its output. */
type From = readonly [part: string, port: string];
interface Part {
  readonly type: SurfaceNodeType;
  readonly values?: Values;
  readonly from?: Readonly<Record<string, From>>;
}

const build =
  (parts: Readonly<Record<string, Part>>) =>
  (newId: () => NodeId): SurfaceCircuit => {
    const ids = new Map(Object.keys(parts).map((name) => [name, newId()]));
    const circuit = circuitOf(
      Object.entries(parts).map(([name, { type, values = {}, from = {} }]) =>
        newSurfaceNode(ids.get(name)!, type, [0, 0], {
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
    for (const [id, place] of tidyPlaces(circuit)) circuit[id]!.at = [place[0], place[1]];
    return circuit;
  };

export const CIRCUIT_RECIPES: readonly CircuitRecipe[] = [
  {
    key: 'empty',
    look: {},
    blend: null,
    circuit: build({ surface: { type: 'surface' } }),
  },
  {
    key: 'contactShadow',
    look: { shading: 'unlit', colour: '#000000', alpha: 'blend', doubleSided: true },
    blend: 'multiply',
    circuit: build({
      circle: { type: 'circle', values: { radius: 0.08 } },
      soft: {
        type: 'smoothstep',
        values: { from: 0.4, to: -0.05 },
        from: { value: ['circle', 'distance'] },
      },
      density: {
        type: 'maths',
        values: { does: 'multiply', b: 0.6 },
        from: { a: ['soft', 'value'] },
      },
      colour: { type: 'colour', values: { colour: '#0b1418' } },
      surface: {
        type: 'surface',
        from: { colour: ['colour', 'colour'], opacity: ['density', 'value'] },
      },
    }),
  },
  {
    key: 'rimGlow',
    look: {},
    blend: null,
    circuit: build({
      facing: { type: 'facing' },
      rim: { type: 'maths', values: { does: 'rest' }, from: { a: ['facing', 'facing'] } },
      narrow: {
        type: 'maths',
        values: { does: 'power', b: 2.5 },
        from: { a: ['rim', 'value'] },
      },
      light: {
        type: 'mix',
        values: { a: '#000000', b: '#5ff0d0' },
        from: { amount: ['narrow', 'value'] },
      },
      surface: { type: 'surface', from: { glow: ['light', 'colour'] } },
    }),
  },
  {
    key: 'scanLines',
    look: { alpha: 'blend' },
    blend: null,
    circuit: build({
      place: { type: 'place' },
      split: { type: 'splitPoint', from: { at: ['place', 'at'] } },
      time: { type: 'time' },
      slow: {
        type: 'maths',
        values: { does: 'multiply', b: 0.05 },
        from: { a: ['time', 'seconds'] },
      },
      run: {
        type: 'maths',
        values: { does: 'add' },
        from: { a: ['split', 'y'], b: ['slow', 'value'] },
      },
      lines: {
        type: 'stripes',
        values: { count: 24, share: 0.5, softness: 0.2 },
        from: { at: ['run', 'value'] },
      },
      opacity: {
        type: 'remap',
        values: { newLow: 0.25, newHigh: 1 },
        from: { value: ['lines', 'value'] },
      },
      light: {
        type: 'mix',
        values: { a: '#03221d', b: '#46e0c0' },
        from: { amount: ['lines', 'value'] },
      },
      surface: {
        type: 'surface',
        from: { opacity: ['opacity', 'value'], glow: ['light', 'colour'] },
      },
    }),
  },
  {
    key: 'dissolve',
    look: { alpha: 'cutoff', cutoff: 0.5, doubleSided: true },
    blend: null,
    circuit: build({
      mouth: { type: 'signal', values: { signal: 'jawOpen' } },
      reach: {
        type: 'remap',
        values: { high: 0.6, newLow: 0.25, newHigh: 0.75 },
        from: { value: ['mouth', 'value'] },
      },
      place: { type: 'place' },
      noise: { type: 'noise', values: { size: 0.12 }, from: { at: ['place', 'at'] } },
      left: {
        type: 'maths',
        values: { does: 'subtract' },
        from: { a: ['noise', 'value'], b: ['reach', 'value'] },
      },
      there: {
        type: 'maths',
        values: { does: 'atLeast', b: 0 },
        from: { a: ['left', 'value'] },
      },
      edge: {
        type: 'smoothstep',
        values: { from: 0.06, to: 0 },
        from: { value: ['left', 'value'] },
      },
      ember: {
        type: 'mix',
        values: { a: '#000000', b: '#ff9a3c' },
        from: { amount: ['edge', 'value'] },
      },
      surface: {
        type: 'surface',
        from: { opacity: ['there', 'value'], glow: ['ember', 'colour'] },
      },
    }),
  },
  {
    key: 'caustics',
    look: { shading: 'unlit', colour: '#000000', alpha: 'blend', doubleSided: true },
    blend: 'plus-lighter',
    circuit: build({
      place: { type: 'place' },
      split: { type: 'splitPoint', from: { at: ['place', 'at'] } },
      time: { type: 'time' },
      slow: {
        type: 'maths',
        values: { does: 'multiply', b: 0.09 },
        from: { a: ['time', 'seconds'] },
      },
      point: {
        type: 'joinVector',
        from: { x: ['split', 'x'], y: ['split', 'y'], z: ['slow', 'value'] },
      },
      cells: { type: 'cells', values: { size: 0.12 }, from: { at: ['point', 'vector'] } },
      // Thin where three cells meet, and dark within them.
      edge: {
        type: 'smoothstep',
        values: { from: 0.3, to: 0.9 },
        from: { value: ['cells', 'distance'] },
      },
      bright: { type: 'maths', values: { does: 'power', b: 2 }, from: { a: ['edge', 'value'] } },
      light: {
        type: 'mix',
        values: { a: '#000000', b: '#bff5ea' },
        from: { amount: ['bright', 'value'] },
      },
      middle: { type: 'gradient', values: { runs: 'radial' } },
      fade: {
        type: 'smoothstep',
        values: { from: 1, to: 0.4 },
        from: { value: ['middle', 'value'] },
      },
      surface: {
        type: 'surface',
        from: { colour: ['light', 'colour'], opacity: ['fade', 'value'] },
      },
    }),
  },
];
