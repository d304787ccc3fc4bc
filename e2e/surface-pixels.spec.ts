/** What a surface circuit draws, pixel by pixel, against the same circuit worked out in core. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { circuitOf, newSurfaceNode } from '../src/core/document/new-material';
import {
  SURFACE_NODE_TYPES,
  type AssetId,
  type SurfaceCircuit,
  type SurfaceNode,
  type NodeId,
  type SurfaceNodeType,
  type PictureSource,
} from '../src/core/document/schema';
import { toLinear, toSrgb } from '../src/core/maths/srgb';
import { SURFACE_NODES } from '../src/core/surface/catalogue';
import type { SurfacePoint } from '../src/core/surface/node-kind';
import { fieldAt } from '../src/core/surface/distance-field';
import { evaluateCircuit } from '../src/core/surface/evaluate';
import { MATHS_OPS } from '../src/core/surface/maths-ops';
import { planCircuit } from '../src/core/surface/plan';
import { CIRCUIT_RECIPES } from '../src/core/surface/recipes';
import { openBlank } from './harness/blank-page';
import type { DrawnSurface, SurfacePage, SurfaceSpec } from './harness/surface-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/surface-page.ts', { smooth: false });
});
test.afterAll(() => page.close());

const SIZE = 40;
const draw = (spec: Partial<SurfaceSpec> & Pick<SurfaceSpec, 'circuit'>): Promise<DrawnSurface> =>
  page.evaluate((s) => (window as unknown as { surfacePage: SurfacePage }).surfacePage.draw(s), {
    size: SIZE,
    ...spec,
  });

let n = 0;
const id = (): NodeId => `node_test${n++}` as NodeId;
const node = (
  type: SurfaceNodeType,
  values: SurfaceNode['values'] = {},
  inputs: SurfaceNode['inputs'] = {},
) => newSurfaceNode(id(), type, [0, 0], { values, inputs });
const from = (source: SurfaceNode, port: string) => ({ node: source.id, port });
const outOf = (source: SurfaceNode): string => SURFACE_NODES[source.type].outputs[0]!.name;

/** A picture with a value of its own in each pixel. */
const MAP = {
  width: 8,
  pixels: Array.from({ length: 64 }, (_, i) => [
    (i * 37) % 256,
    (i * 91) % 256,
    (i * 53) % 256,
    i % 5 === 0 ? 90 : 255,
  ]).flat(),
};
const SOURCE: PictureSource = { from: 'asset', asset: 'asset_map01' as AssetId };

/** What core says the pixel is, 0..255 a channel, over black. */
const wantedAt = (
  circuit: SurfaceCircuit,
  drawn: DrawnSurface,
  x: number,
  y: number,
  more: Partial<SurfacePoint> = {},
): readonly number[] => {
  const place = [(x + 0.5) / SIZE, 1 - (y + 0.5) / SIZE] as const;
  const plan = planCircuit(circuit);
  const look = evaluateCircuit(plan, {
    place,
    position: [place[0] - 0.5, 0.5 - place[1], 0],
    normal: [0, 0, 1],
    view: [0, 0, 1],
    facing: 1,
    time: 0,
    signal: () => 0,
    // The middle of the nearest pixel: the test asks for those alone.
    picture: (_node, [u, v]) => {
      const [px, py] = [Math.floor(u * 8) & 7, Math.floor(v * 8) & 7];
      const o = 4 * (py * 8 + px);
      const [r, g, b] = [0, 1, 2].map((k) => toLinear(MAP.pixels[o + k]! / 255));
      return [r!, g!, b!, MAP.pixels[o + 3]! / 255];
    },
    text: (of, at) => {
      const says = plan.order.find((p) => p.node.id === of)!.settings.text!;
      const { width, height, values, line } = drawn.fields[says]!;
      const field = { width, height, values: Float32Array.from(values) };
      const [hw, hh] = [width / line / 2, height / line / 2];
      const inner = [Math.max(-hw, Math.min(hw, at[0])), Math.max(-hh, Math.min(hh, at[1]))] as const;
      return (
        fieldAt(field, (inner[0] + hw) * line, (inner[1] + hh) * line) +
        Math.hypot(at[0] - inner[0], at[1] - inner[1])
      );
    },
    ...more,
  });
  const opacity = Math.min(1, Math.max(0, look.opacity?.[0] ?? 1));
  return (look.colour ?? [1, 1, 1]).map((c) => 255 * toSrgb(Math.min(1, Math.max(0, c))) * opacity);
};

/** The largest difference over all pixels, and how much the picture varies. */
const compare = (circuit: SurfaceCircuit, drawn: DrawnSurface, more: Partial<SurfacePoint> = {}) => {
  let [worst, low, high, off] = [0, 255, 0, 0];
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++)
      wantedAt(circuit, drawn, x, y, more).forEach((wanted, k) => {
        const seen = drawn.pixels[4 * (y * SIZE + x) + k]!;
        const difference = Math.abs(wanted - seen);
        if (difference > 2) off++;
        worst = Math.max(worst, difference);
        low = Math.min(low, seen);
        high = Math.max(high, seen);
      });
  return { worst, spread: high - low, off };
};

/** A value of any size, shown as colour: from `low` to `high` it runs from black to white. */
const shown = (
  source: SurfaceNode,
  low: number,
  high: number,
  others: readonly SurfaceNode[] = [],
): SurfaceCircuit => {
  const map = node('remap', { low, high }, { value: from(source, outOf(source)) });
  const surface = node('surface', {}, { colour: from(map, 'value') });
  return circuitOf([...others, source, map, surface]);
};

interface Case {
  readonly circuit: SurfaceCircuit;
  readonly spec?: Partial<SurfaceSpec>;
  readonly point?: Partial<SurfacePoint>;
  /** It is the same all over. */
  readonly even?: true;
}
const place = node('place');
const split = node('splitPoint', {}, { at: from(place, 'at') });
const withSplit = [place, split];
const direct = (source: SurfaceNode, others: readonly SurfaceNode[] = []): SurfaceCircuit =>
  circuitOf([...others, source, node('surface', {}, { colour: from(source, outOf(source)) })]);

const picture = { ...node('picture'), picture: SOURCE };
const CASES: Partial<Record<SurfaceNodeType, Case>> = {
  place: { circuit: direct(node('place')) },
  position: { circuit: shown(node('position'), -0.5, 0.5) },
  normal: { circuit: direct(node('dot', { b: [0.2, 0.3, 0.7] }, {})), even: true },
  facing: {
    circuit: direct(node('facing')),
    spec: { turn: 60 },
    point: { facing: 0.5 },
    even: true,
  },
  view: {
    circuit: (() => {
      const view = node('view');
      return direct(node('dot', { b: [-0.6, 0.2, 0.5] }, { a: from(view, 'view') }), [view]);
    })(),
    spec: { turn: 60 },
    // Turned to its left by 60 degrees, it sees the viewer on its right.
    point: { view: [-Math.sin(Math.PI / 3), 0, 0.5] },
    even: true,
  },
  time: { circuit: shown(node('time'), 0, 1), spec: { frames: 31 }, point: { time: 0.5 }, even: true },
  signal: {
    circuit: direct(node('signal', { signal: 'mouthPucker' })),
    spec: { expressions: { mouthPucker: 0.42 } },
    point: { signal: (name) => (name === 'mouthPucker' ? 0.42 : 0) },
    even: true,
  },
  number: { circuit: direct(node('number', { value: 0.37 })), even: true },
  colour: { circuit: direct(node('colour', { colour: '#e0a042' })), even: true },
  picture: { circuit: direct(picture), spec: { map: MAP } },
  circle: { circuit: shown(node('circle', { centre: [0.4, 0.55], radius: 0.25 }), -0.3, 0.6) },
  box: { circuit: shown(node('box', { centre: [0.55, 0.45], size: [0.5, 0.3], corner: 0.08 }), -0.3, 0.6) },
  star: { circuit: shown(node('star', { radius: 0.42, notch: 0.4, tips: 5 }), -0.3, 0.5) },
  text: { circuit: shown(node('text', { text: 'Tide', height: 0.3 }), -0.1, 0.5) },
  noise: { circuit: direct(node('noise', { size: 0.23 })) },
  cells: { circuit: direct(node('cells', { size: 0.3 })) },
  gradient: { circuit: direct(node('gradient', { turn: 35 })) },
  stripes: {
    circuit: direct(node('stripes', { count: 4, softness: 0.3 }, { at: from(split, 'x') }), withSplit),
  },
  smoothstep: {
    circuit: direct(node('smoothstep', { from: 0.9, to: 0.2 }, { value: from(split, 'y') }), withSplit),
  },
  maths: { circuit: direct(node('maths', { b: 0.6 }, { a: from(split, 'x') }), withSplit) },
  remap: {
    circuit: direct(
      node('remap', { low: 0.2, high: 0.9, newLow: 1, newHigh: 0.1 }, { value: from(split, 'x') }),
      withSplit,
    ),
  },
  mix: {
    circuit: direct(node('mix', { a: '#103050', b: '#f0c080' }, { amount: from(split, 'y') }), withSplit),
  },
  colourMaths: {
    circuit: direct(
      node('colourMaths', { b: '#80c0e0', does: 'screen' }, { a: from(split, 'x') }),
      withSplit,
    ),
  },
  brightness: {
    circuit: direct(node('brightness', {}, { colour: from(picture, 'colour') }), [picture]),
    spec: { map: MAP },
  },
  shift: {
    circuit: (() => {
      const shift = node('shift', { by: [0.1, -0.2], size: [0.7, 1.3], turn: 40 });
      return shown(node('circle', {}, { at: from(shift, 'at') }), -0.3, 0.6, [shift]);
    })(),
  },
  joinPoint: {
    circuit: direct(node('joinPoint', { y: 0.3 }, { x: from(split, 'y') }), withSplit),
  },
  splitPoint: { circuit: direct(split, [place]) },
  joinVector: {
    circuit: direct(node('joinVector', { z: 0.6 }, { x: from(split, 'x'), y: from(split, 'y') }), withSplit),
  },
  splitVector: {
    circuit: (() => {
      const position = node('position');
      return shown(node('splitVector', {}, { vector: from(position, 'position') }), -0.5, 0.5, [position]);
    })(),
  },
  length: {
    circuit: (() => {
      const position = node('position');
      return direct(node('length', {}, { vector: from(position, 'position') }), [position]);
    })(),
  },
  dot: {
    circuit: (() => {
      const position = node('position');
      return shown(node('dot', { b: [0.7, -0.4, 1] }, { a: from(position, 'position') }), -0.6, 0.6, [
        position,
      ]);
    })(),
  },
  surface: {
    circuit: circuitOf([
      ...withSplit,
      node('surface', {}, { colour: from(place, 'at'), opacity: from(split, 'x') }),
    ]),
    spec: { look: { alpha: 'blend' } },
  },
};
// The normal of a flat thing, measured against a direction.
const normal = node('normal');
CASES.normal = {
  circuit: direct(node('dot', { b: [0.2, 0.3, 0.7] }, { a: from(normal, 'normal') }), [normal]),
  even: true,
};

test('every kind of node is measured', () => {
  expect(SURFACE_NODE_TYPES.filter((type) => !CASES[type])).toEqual([]);
});

for (const [type, { circuit, spec = {}, point = {}, even }] of Object.entries(CASES))
  test(`${type}: the shader gives what core gives, within 2 of 255`, async () => {
    const drawn = await draw({ circuit, ...spec });
    expect(drawn.fault).toBeNull();
    const { worst, spread, off } = compare(circuit, drawn, point);
    if (even) expect(drawn.pixels[0]! + drawn.pixels[1]! + drawn.pixels[2]!).toBeGreaterThan(20);
    else expect(spread).toBeGreaterThan(40);
    if (type === 'picture' || type === 'brightness') {
      // Between two pixels of a picture a texture is mixed; at their middles it is not.
      for (const [x, y] of [
        [2, 2],
        [17, 22],
        [37, 7],
      ] as const)
        wantedAt(circuit, drawn, x, y).forEach((wanted, k) =>
          expect(Math.abs(wanted - drawn.pixels[4 * (y * SIZE + x) + k]!)).toBeLessThanOrEqual(2.5),
        );
      return;
    }
    expect({ worst, off }).toEqual({ worst: expect.any(Number), off: 0 });
  });

for (const does of Object.keys(MATHS_OPS))
  test(`maths, ${does}: as core computes it`, async () => {
    const source = node('remap', { newLow: -2.3, newHigh: 2.1 }, { value: from(split, 'x') });
    const sum = node('maths', { does }, { a: from(source, 'value'), b: from(split, 'y') });
    const circuit = shown(sum, -3, 5, [...withSplit, source]);
    const drawn = await draw({ circuit });
    // Where a sum jumps, a shader's rounding may jump a little earlier: at single pixels.
    const jumps = ['remainder', 'whole', 'fraction', 'atLeast'].includes(does);
    expect(compare(circuit, drawn).off).toBeLessThanOrEqual(jumps ? 0.01 * 3 * SIZE ** 2 : 0);
  });

for (const recipe of CIRCUIT_RECIPES)
  test(`the recipe ${recipe.key} draws as core says, with nothing left unwired`, async () => {
    const circuit = recipe.circuit(id);
    expect(planCircuit(circuit).problems).toEqual([]);
    const drawn = await draw({
      circuit,
      frames: 61,
      look: { ...recipe.look, shading: 'unlit' },
      expressions: { jawOpen: 0.3 },
    });
    expect(drawn.fault).toBeNull();
    // Where it glows, light is added; where the recipe says what colour it has, that is compared.
    const plan = planCircuit(circuit);
    const surface = plan.order.at(-1)!.node;
    if (!surface.inputs.colour) return;
    const more = { time: 1, signal: () => 0.3 };
    expect(compare(circuit, drawn, more).off).toBe(0);
  });

test('dragging a number makes no new program; another wire does', async () => {
  const { compileCircuit } = await import('../src/core/surface/compile');
  const circuit = CIRCUIT_RECIPES.find((r) => r.key === 'contactShadow')!.circuit(id);
  const soft = Object.values(circuit).find((one) => one.type === 'smoothstep')!;
  const changed = { ...circuit, [soft.id]: { ...soft, values: { ...soft.values, from: 0.2 } } };
  const unwired = { ...circuit, [soft.id]: { ...soft, inputs: {} } };
  expect(compileCircuit(changed).key).toBe(compileCircuit(circuit).key);
  expect(compileCircuit(unwired).key).not.toBe(compileCircuit(circuit).key);
  const [a, b] = [
    await draw({ circuit, look: { alpha: 'blend' }, behind: 'vec3(1.0)' }),
    await draw({ circuit: changed, look: { alpha: 'blend' }, behind: 'vec3(1.0)' }),
  ];
  expect(b.pixels).not.toEqual(a.pixels);
});

test('a circuit that the graphics refuse is left out, said, and the rest is drawn', async () => {
  const circuit = direct(node('colour', { colour: '#00ff00' }));
  await page.evaluate(() => {
    const own = WebGL2RenderingContext.prototype.shaderSource;
    (window as unknown as { mend: () => void }).mend = () => {
      WebGL2RenderingContext.prototype.shaderSource = own;
    };
    WebGL2RenderingContext.prototype.shaderSource = function (shader, source) {
      own.call(this, shader, source.replace('void sfFragment() {', 'void sfFragment() { nonsense;'));
    };
  });
  const drawn = await draw({ circuit, look: { colour: '#ff0000' } });
  await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
  expect(drawn.fault).toMatch(/nonsense/);
  expect(drawn.pixels.slice(0, 3)).toEqual([255, 0, 0]);
  expect((await draw({ circuit })).pixels.slice(0, 3)).toEqual([0, 255, 0]);
});

/** Mean colour of a part of what was drawn, from left to right. */
const meanOf = ({ pixels }: DrawnSurface, low = 0, high = 1, [bottom, top] = [0, 1]): readonly number[] => {
  const sum = [0, 0, 0];
  let count = 0;
  for (let y = Math.floor(bottom * SIZE); y < top * SIZE; y++)
    for (let x = Math.floor(low * SIZE); x < high * SIZE; x++, count++)
      for (let k = 0; k < 3; k++) sum[k]! += pixels[4 * (y * SIZE + x) + k]!;
  return sum.map((x) => x / count);
};

test('a surface lit as the camera picture is takes its brightness and its tint, and no lamp', async () => {
  const look = { shading: 'camera', roughness: 1 } as const;
  const under = async (behind: string) => meanOf(await draw({ circuit: null, look, behind }));
  const [bright, dim, warm] = [
    await under('vec3(0.6)'),
    await under('vec3(0.18)'),
    await under('vec3(0.6, 0.45, 0.3)'),
  ];
  expect(dim[1]!).toBeLessThan(0.75 * bright[1]!);
  expect(dim[1]!).toBeGreaterThan(8);
  expect(Math.abs(bright[0]! - bright[2]!)).toBeLessThan(6);
  expect(warm[0]! - warm[2]!).toBeGreaterThan(25);
});

test('what has no light of its own is lit from where the light on the face in the picture comes', async () => {
  const from = (behind: string) => draw({ circuit: null, ball: true, behind });
  const sides = (drawn: DrawnSurface) =>
    [
      [0.4, 0.48],
      [0.52, 0.6],
    ].map(([low, high]) => meanOf(drawn, low, high, [0.45, 0.55])[1]!);
  const right = sides(await from('vec3(0.25 + 0.5 * smoothstep(0.3, 0.7, vUv.x))'));
  const left = sides(await from('vec3(0.75 - 0.5 * smoothstep(0.3, 0.7, vUv.x))'));
  expect(right[1]! - right[0]!).toBeGreaterThan(20);
  expect(left[0]! - left[1]!).toBeGreaterThan(20);
});

test('light goes through: what is behind is seen, tinted, and blurred by the roughness', async () => {
  const glass = { shading: 'lit', transmission: 1, ior: 1, roughness: 0 } as const;
  // Black on the left, white on the right.
  const behind = 'vec3(step(0.5, vUv.x))';
  const clear = await draw({ circuit: null, look: glass, behind });
  expect(meanOf(clear, 0.7, 1)[1]! - meanOf(clear, 0, 0.3)[1]!).toBeGreaterThan(120);
  const green = await draw({ circuit: null, look: { ...glass, colour: '#20ff40' }, behind });
  const [r, g] = meanOf(green, 0.7, 1);
  expect(g! - r!).toBeGreaterThan(60);
  const steep = ({ pixels }: DrawnSurface): number => {
    let most = 0;
    for (let x = 1; x < SIZE; x++)
      most = Math.max(
        most,
        Math.abs(pixels[4 * (20 * SIZE + x) + 1]! - pixels[4 * (20 * SIZE + x - 1) + 1]!),
      );
    return most;
  };
  const frosted = await draw({ circuit: null, look: { ...glass, roughness: 1 }, behind });
  expect(steep(frosted)).toBeLessThan(0.8 * steep(clear));
  const opaque = await draw({ circuit: null, look: { ...glass, transmission: 0 }, behind });
  expect(meanOf(opaque, 0.7, 1)[1]! - meanOf(opaque, 0, 0.3)[1]!).toBeLessThan(20);
});
