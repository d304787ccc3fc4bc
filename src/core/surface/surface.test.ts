import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { circuitOf, newMaterial, newSurfaceNode } from '../document/new-material';
import { blankEffect, newPicture } from '../document/defaults';
import { sampleFile } from '../document/sample';
import {
  SURFACE_NODE_TYPES,
  type AssetId,
  type SurfaceCircuit,
  type SurfaceNode,
  type MaterialId,
  type NodeId,
  type SurfaceNodeType,
} from '../document/schema';
import { SURFACE_NODES } from './catalogue';
import type { SurfacePoint } from './node-kind';
import { compileCircuit } from './compile';
import { distanceField, fieldAt } from './distance-field';
import { evaluateCircuit } from './evaluate';
import { isSerious, materialProblems } from './material-problems';
import { MATHS_OPS, mathsOf, smooth, type MathsOp } from './maths-ops';
import { cellsAt, noiseAt } from './noise';
import { planCircuit } from './plan';
import { wouldLoop } from '../graph/graph';
import { converted, numbersOf } from './ports';
import { CIRCUIT_RECIPES } from './recipes';
import { boxAt, circleAt, starAt } from './shapes';
import { freePlace, tidyPlaces } from './tidy';

const POINT: SurfacePoint = {
  place: [0.25, 0.75],
  position: [0.1, -0.2, 0.3],
  normal: [0, 0, 1],
  view: [0, 0, 1],
  facing: 0.8,
  time: 2,
  signal: (name) => (name === 'jawOpen' ? 0.6 : 0),
  picture: () => [0.1, 0.2, 0.3, 0.4],
  text: (_node, [x, y]) => Math.hypot(x, y) - 0.5,
};
let serial = 0;
const id = (): NodeId => `node_unit${serial++}` as NodeId;
const node = (
  type: SurfaceNodeType,
  values: SurfaceNode['values'] = {},
  inputs: SurfaceNode['inputs'] = {},
) => newSurfaceNode(id(), type, [0, 0], { values, inputs });
const from = (source: SurfaceNode, port: string) => ({ node: source.id, port });
const lookOf = (circuit: SurfaceCircuit) => evaluateCircuit(planCircuit(circuit), POINT);

describe('nodes', () => {
  const kinds = Object.entries(SURFACE_NODES);
  test('no two are called the same, and no two ports of one', () => {
    expect(new Set(kinds.map(([, { name }]) => name)).size).toBe(kinds.length);
    for (const [, { inputs, outputs }] of kinds)
      for (const ports of [inputs.map((port) => port.label ?? port.name), outputs.map((port) => port.name)])
        expect(new Set(ports).size).toBe(ports.length);
  });
  test.each(kinds)('%s: what its settings usually are can be chosen', (_, { settings }) => {
    for (const setting of settings)
      if (setting.kind === 'choice') expect(Object.keys(setting.choices)).toContain(setting.usual);
  });
});

describe('shapes', () => {
  test('distances are exact, and below 0 inside', () => {
    expect(circleAt([0.5, 0.9], [0.5, 0.5], 0.3)).toBeCloseTo(0.1, 12);
    expect(boxAt([0.9, 0.5], [0.5, 0.5], [0.4, 0.2], 0)).toBeCloseTo(0.2, 12);
    expect(boxAt([0.5, 0.5], [0.5, 0.5], [0.4, 0.2], 0)).toBeCloseTo(-0.1, 12);
    // A round corner is as far as its circle.
    expect(boxAt([0.8, 0.7], [0.5, 0.5], [0.4, 0.2], 0.05)).toBeCloseTo(Math.hypot(0.15, 0.15) - 0.05, 12);
  });
  test('a star touches its tips and its notches', () => {
    const star = (x: number, y: number) => starAt([x, y], [0, 0], 0.4, 0.5, 5);
    expect(star(0, -0.4)).toBeCloseTo(0, 12);
    // The notch lies half a turn of a tip further, at half the radius.
    const turn = Math.PI / 5;
    expect(star(0.2 * Math.sin(turn), -0.2 * Math.cos(turn))).toBeCloseTo(0, 12);
    expect(star(0, 0)).toBeLessThan(-0.1);
    expect(star(0, -0.6)).toBeCloseTo(0.2, 12);
  });
  test('all shapes are distances: they change no faster than the point moves', () => {
    const coordinate = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, coordinate, (ax, ay, bx, by) => {
        const [a, b] = [
          [ax, ay],
          [bx, by],
        ];
        const far = Math.hypot(ax - bx, ay - by);
        for (const d of [
          (p: number[]) => circleAt(p, [0.1, 0.2], 0.3),
          (p: number[]) => boxAt(p, [0.1, 0.2], [0.5, 0.3], 0.06),
          (p: number[]) => starAt(p, [0.1, 0.2], 0.5, 0.4, 7),
        ])
          expect(Math.abs(d(a!) - d(b!))).toBeLessThanOrEqual(far + 1e-9);
      }),
    );
  });
});

describe('the field of a painted shape', () => {
  const SIZE = 48;
  const [cx, cy, r] = [22.3, 25.7, 11.2];
  const cover = new Float32Array(SIZE * SIZE);
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++)
      cover[y * SIZE + x] = Math.min(1, Math.max(0, r - Math.hypot(x + 0.5 - cx, y + 0.5 - cy) + 0.5));
  const field = distanceField(cover, SIZE, SIZE);
  test('is within a pixel of the true distance everywhere, and half of one at the edge', () => {
    let [worst, atEdge] = [0, 0];
    for (let y = 1; y < SIZE; y += 0.7)
      for (let x = 1; x < SIZE; x += 0.7) {
        const wanted = Math.hypot(x - cx, y - cy) - r;
        const off = Math.abs(fieldAt(field, x, y) - wanted);
        worst = Math.max(worst, off);
        if (Math.abs(wanted) < 1) atEdge = Math.max(atEdge, off);
      }
    expect(worst).toBeLessThan(1);
    expect(atEdge).toBeLessThan(0.5);
  });
  test('agrees with looking at every pixel', () => {
    const [w, h] = [13, 9];
    const dots = new Float32Array(w * h);
    for (const [x, y] of [
      [2, 3],
      [10, 7],
      [11, 1],
    ] as const)
      dots[y * w + x] = 1;
    const { values } = distanceField(dots, w, h);
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        if (dots[y * w + x] === 1) continue;
        let least = Infinity;
        for (let j = 0; j < h; j++)
          for (let i = 0; i < w; i++)
            if (dots[j * w + i] === 1) least = Math.min(least, Math.hypot(x - i, y - j));
        expect(values[y * w + x]).toBeCloseTo(least, 5);
      }
  });
});

describe('noise', () => {
  test('is half way at the corners of its cells, and within 0 and 1 between', () => {
    expect(noiseAt([3, -4, 7])).toBe(0.5);
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -500, max: 500, noNaN: true }))), (p) => {
        const value = noiseAt(p);
        expect(value).toBeGreaterThanOrEqual(0);
        expect(value).toBeLessThanOrEqual(1);
        expect(cellsAt(p)).toBeLessThan(1.8);
      }),
    );
  });
  test('has no jumps where cells meet', () => {
    for (const n of [-2, 0, 5]) {
      expect(Math.abs(noiseAt([n - 1e-7, 0.3, 0.7]) - noiseAt([n + 1e-7, 0.3, 0.7]))).toBeLessThan(1e-5);
      expect(Math.abs(cellsAt([n - 1e-7, 0.3, 0.7]) - cellsAt([n + 1e-7, 0.3, 0.7]))).toBeLessThan(1e-5);
    }
  });
});

describe('sums', () => {
  test.each([
    ['add', 2, 3, 5],
    ['subtract', 2, 3, -1],
    ['multiply', 2, 3, 6],
    ['divide', 3, 2, 1.5],
    ['power', 3, 2, 9],
    ['power', -3, 2, 0],
    ['minimum', 2, 3, 2],
    ['maximum', 2, 3, 3],
    ['remainder', 7, 3, 1],
    ['remainder', -1, 3, 2],
    ['wave', 0.25, 0, 1],
    ['absolute', -2, 0, 2],
    ['fraction', -0.25, 0, 0.75],
    ['whole', -0.25, 0, -1],
    ['rest', 0.3, 0, 0.7],
    ['atLeast', 0.3, 0.3, 1],
  ])('%s of %d and %d is %d', (op, a, b, wanted) => {
    expect(mathsOf(op, a, b)).toBeCloseTo(wanted, 12);
  });
  test('none of them gives anything but a number', () => {
    const any = fc.double({ min: -1e6, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...(Object.keys(MATHS_OPS) as MathsOp[])), any, any, (op, a, b) => {
        expect(Number.isFinite(mathsOf(op, a, b))).toBe(true);
      }),
    );
    expect(mathsOf('divide', 1, 0)).toBe(1e6);
  });
  test('a soft step runs either way, and is a hard one between equal values', () => {
    expect([smooth(0, 1, 0.5), smooth(0.8, 0.2, 0.2), smooth(0.8, 0.2, 0.8)]).toEqual([0.5, 1, 0]);
    expect([smooth(0.5, 0.5, 0.49), smooth(0.5, 0.5, 0.51)]).toEqual([0, 1]);
  });
});

describe('what runs along wires', () => {
  test('a number fills all places, a point lies in a plane, a colour has its luminance', () => {
    expect(converted([0.5], 'n', 'c')).toEqual([0.5, 0.5, 0.5]);
    expect(converted([1, 2], 'p', 'v')).toEqual([1, 2, 0]);
    expect(converted([1, 2, 3], 'v', 'p')).toEqual([1, 2]);
    expect(converted([1, 1, 1], 'c', 'n')[0]).toBeCloseTo(1, 12);
    expect(numbersOf('#ffffff', 'c')).toEqual([1, 1, 1]);
    expect(numbersOf('#ffffff', 'n')).toBeNull();
    expect(numbersOf([1, 2], 'v')).toBeNull();
  });
});

describe('plans', () => {
  test('a node comes after all that it needs, once, whatever the order on the board', () => {
    const place = node('place');
    const noise = node('noise', {}, { at: from(place, 'at') });
    const mix = node('mix', {}, { a: from(noise, 'value'), b: from(noise, 'value') });
    const surface = node('surface', {}, { colour: from(mix, 'colour') });
    for (const order of [
      [surface, mix, noise, place],
      [place, noise, mix, surface],
    ]) {
      const plan = planCircuit(circuitOf(order));
      expect(plan.order.map((p) => p.node.type)).toEqual(['place', 'noise', 'mix', 'surface']);
      expect(plan.problems).toEqual([]);
    }
  });
  test('a loop is named with the wire that closes it; the rest is worked out', () => {
    const [a, b] = [node('maths', { does: 'add', b: 1 }), node('maths', { does: 'add', b: 2 })];
    a.inputs.a = from(b, 'value');
    b.inputs.a = from(a, 'value');
    const circuit = circuitOf([a, b, node('surface', {}, { opacity: from(a, 'value') })]);
    const { problems } = planCircuit(circuit);
    expect(problems).toEqual([{ code: 'loop', node: b.id, port: 'a', through: [a.id, b.id] }]);
    expect(lookOf(circuit).opacity).toEqual([3]);
    expect(wouldLoop(circuit, a.id, b.id)).toBe(true);
    expect(compileCircuit(circuit).fragment).toContain('sfOut_opacity');
  });
  test('a node cannot run into itself', () => {
    const one = node('maths');
    expect(wouldLoop(circuitOf([one]), one.id, one.id)).toBe(true);
  });
  test('missing wires, lost wires, lost pictures and idle nodes are named', () => {
    const step = node('smoothstep');
    const gone = node('mix', {}, { a: { node: 'node_gone' as NodeId, port: 'colour' } });
    const wrong = node('mix', {}, { a: from(step, 'no such output'), b: from(gone, 'colour') });
    const picture = {
      ...node('picture'),
      picture: { from: 'asset', asset: 'asset_gone' as AssetId } as const,
    };
    const blank = node('picture');
    const idle = node('time');
    const surface = node(
      'surface',
      {},
      {
        opacity: from(step, 'value'),
        colour: from(wrong, 'colour'),
        glow: from(picture, 'colour'),
        roughness: from(blank, 'opacity'),
      },
    );
    const { problems } = planCircuit(
      circuitOf([step, gone, wrong, picture, blank, idle, surface]),
      () => false,
    );
    expect(problems.map((p) => p.code).sort()).toEqual(
      ['idle', 'lost-picture', 'lost-wire', 'lost-wire', 'no-picture', 'unwired'].sort(),
    );
    expect(planCircuit({} as SurfaceCircuit).problems).toEqual([{ code: 'no-surface' }]);
  });
});

describe('circuits worked out', () => {
  test('what the surface is not told stays open', () => {
    const jaw = node('signal', { signal: 'jawOpen' });
    expect(lookOf(circuitOf([jaw, node('surface', {}, { roughness: from(jaw, 'value') })]))).toEqual({
      roughness: [0.6],
    });
  });
  test('patterns read the place of the point unless a wire says otherwise', () => {
    const gradient = node('gradient');
    // Straight up: a quarter above the lower edge.
    expect(
      lookOf(circuitOf([gradient, node('surface', {}, { opacity: from(gradient, 'value') })])).opacity,
    ).toEqual([0.25]);
  });
  test('every recipe is whole, lies without overlap, and gives sane values everywhere', () => {
    for (const recipe of CIRCUIT_RECIPES) {
      const circuit = recipe.circuit(id);
      expect(planCircuit(circuit).problems).toEqual([]);
      const places = Object.values(circuit).map((n) => n.at.join());
      expect(new Set(places).size).toBe(places.length);
      fc.assert(
        fc.property(
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          (x, y) => {
            const look = evaluateCircuit(planCircuit(circuit), { ...POINT, place: [x, y] });
            for (const value of Object.values(look).flat()) expect(Number.isFinite(value)).toBe(true);
          },
        ),
        { numRuns: 20 },
      );
    }
  });
});

describe('code', () => {
  test('every node of the catalogue makes code for each of its outputs', () => {
    for (const type of SURFACE_NODE_TYPES) {
      if (type === 'surface') continue;
      const one = node(type);
      for (const output of SURFACE_NODES[type].outputs) {
        const { fragment } = compileCircuit(
          circuitOf([one, node('surface', {}, { glow: from(one, output.name) })]),
        );
        expect(fragment).toMatch(/sfOut_glow = \S/);
        expect(fragment).not.toMatch(/undefined|NaN/);
      }
    }
  });
  test('numbers are packed by fours, none across two entries, and change no code', () => {
    const circuit = (r: number): SurfaceCircuit => {
      const box = { ...node('box', { corner: r, size: [0.5, 0.25] }), id: 'node_boxx' as NodeId };
      const surface = node('surface', {}, { opacity: from(box, 'distance') });
      return circuitOf([box, { ...surface, id: 'node_surf' as NodeId }]);
    };
    const [a, b] = [compileCircuit(circuit(0.05)), compileCircuit(circuit(0.1))];
    expect(a.key).toBe(b.key);
    expect([...a.numbers].map((x) => Math.round(1000 * x))).toEqual([500, 500, 500, 250, 50, 0, 0, 0]);
    expect(b.numbers[4]).toBeCloseTo(0.1, 6);
  });
  test('the shape of a surface has code of its own, without what only colours it', () => {
    const [noise, colour] = [node('noise'), node('colour')];
    const surface = node('surface', {}, { bulge: from(noise, 'value'), colour: from(colour, 'colour') });
    const { vertex, fragment } = compileCircuit(circuitOf([noise, colour, surface]));
    expect(vertex).toContain('sfOut_bulge');
    expect(vertex).not.toContain('sfOut_colour');
    expect(fragment).not.toContain('sfOut_bulge');
    expect(compileCircuit(circuitOf([node('surface')])).vertex).toBeNull();
  });
  test('what a text says is no part of the code', () => {
    const text = (says: string) => {
      const one = { ...node('text', { text: says }), id: 'node_text' as NodeId };
      return compileCircuit(
        circuitOf([
          one,
          { ...node('surface', {}, { opacity: from(one, 'distance') }), id: 'node_surf' as NodeId },
        ]),
      );
    };
    expect(text('*/ evil(); /*').key).toBe(text('Low tide').key);
    expect(text('Low tide').texts).toEqual([{ node: 'node_text', text: 'Low tide' }]);
  });
});

describe('a board laid out in columns', () => {
  test('wires run to the right, and nothing lies on anything', () => {
    const circuit = CIRCUIT_RECIPES.find((r) => r.key === 'dissolve')!.circuit(id);
    const places = tidyPlaces(circuit);
    for (const n of Object.values(circuit))
      for (const wire of Object.values(n.inputs))
        expect(places.get(wire.node)![0]).toBeLessThan(places.get(n.id)![0]);
    expect(places.size).toBe(Object.keys(circuit).length);
  });
  test('a new node finds a place of its own beside those that are there', () => {
    const circuit = CIRCUIT_RECIPES.find((r) => r.key === 'caustics')!.circuit(id);
    for (let i = 0; i < 12; i++) {
      const at = freePlace(circuit, 'noise', [200, 100]);
      for (const n of Object.values(circuit))
        expect(Math.abs(n.at[0] - at[0]) > 162 || Math.abs(n.at[1] - at[1]) > 60).toBe(true);
      const one = newSurfaceNode(id(), 'noise', at);
      circuit[one.id] = one;
    }
    expect(freePlace({} as SurfaceCircuit, 'noise', [5, 7])).toEqual([5, 7]);
  });
});

describe('what is wrong with a material', () => {
  const picture = (key: string, width: number, mime: 'image/png' | 'image/jpeg' = 'image/png') =>
    newPicture(`asset_${key}` as AssetId, key, { ...sampleFile(1), mime }, width, 64);
  const source = (key: string) => ({ from: 'asset', asset: `asset_${key}` as AssetId }) as const;
  test('lost and odd pictures, and a mask that cannot mask', () => {
    const assets = [picture('base', 64), picture('wide', 128), picture('photo', 64, 'image/jpeg')];
    const effect = {
      ...blankEffect('x'),
      assets: Object.fromEntries(assets.map((a) => [a.id, a])),
    };
    const plain = newMaterial('mat_odd1' as MaterialId, 'Odd');
    const problems = materialProblems(effect, {
      ...plain,
      maps: { ...plain.maps, base: source('base'), normal: source('wide'), glow: source('gone') },
      mask: { picture: source('photo'), by: 'alpha', invert: false },
    });
    expect(problems).toEqual([
      { code: 'odd-shape', slot: 'normal' },
      { code: 'lost-map', slot: 'glow' },
      { code: 'mask-without-alpha' },
    ]);
    expect(problems.map(isSerious)).toEqual([false, true, false]);
    expect(materialProblems(effect, plain)).toEqual([]);
  });
});
