/** What a grade makes of a picture, pixel by pixel, against the same grade computed in core. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { readCube, writeCube } from '../src/core/assets/colour/cube';
import { tableOf } from '../src/core/assets/colour/table';
import { newGradeStep } from '../src/core/edits/new-grade-step';
import type { AssetId, GradeStep, GradeStepKind, StepOf } from '../src/core/document/schema';
import { gradeColour } from '../src/core/grade/grade';
import { openBlank } from './harness/blank-page';
import type { GradePage, GradeSpec } from './harness/grade-page';

let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await openBlank(browser, 'e2e/harness/grade-page.ts', { smooth: false });
});
test.afterAll(() => page.close());

const SIZE = 48;
/** Red runs to the right, green upwards, blue in stripes; in steps of a byte, as the canvas holds them. */
const PICTURE = 'vec3(vUv.x, vUv.y, 0.5 + 0.5 * sin(vUv.x * 19.0 + vUv.y * 7.0))';
type Pixels = readonly number[];
const draw = (spec: Partial<GradeSpec>): Promise<Pixels> =>
  page.evaluate((s) => (window as unknown as { gradePage: GradePage }).gradePage.draw(s), {
    picture: PICTURE,
    steps: [],
    size: SIZE,
    ...spec,
  });
let n = 0;
const step = <K extends GradeStepKind>(kind: K, change: Partial<StepOf<K>> = {}): GradeStep => ({
  ...newGradeStep(`step_pixel${n++}`, kind),
  ...change,
});
const TABLE = 'asset_table1' as AssetId;
const CUBE = new TextDecoder().decode(
  writeCube(tableOf('Bent', 9, ([r, g, b]) => [r ** 1.4, 0.1 + 0.7 * g * (1 - 0.4 * r), 1 - b * r])),
);
const LINE = `LUT_1D_SIZE 4\nDOMAIN_MIN 0 0 0\nDOMAIN_MAX 1 1 1\n0 0.1 1\n0.5 0.2 0.6\n0.7 0.6 0.3\n1 1 0\n`;

/** Every pixel of `seen` against what core makes of `before`; the largest difference of all. */
const worst = (
  before: Pixels,
  seen: Pixels,
  steps: readonly GradeStep[],
  cube?: string,
  frame = 0,
): number => {
  const table = cube ? readCube(new TextEncoder().encode(cube), 'test.cube') : null;
  let most = 0;
  for (let i = 0; i < SIZE * SIZE; i++) {
    const c = [0, 1, 2].map((k) => before[4 * i + k]! / 255) as unknown as [number, number, number];
    const wanted = gradeColour(steps, c, () => table, {
      x: ((i % SIZE) + 0.5) / SIZE,
      y: 1 - (Math.floor(i / SIZE) + 0.5) / SIZE,
      width: SIZE,
      height: SIZE,
      frame,
    });
    wanted.forEach((x, k) => (most = Math.max(most, Math.abs(255 * x - seen[4 * i + k]!))));
  }
  return most;
};

const CASES: Record<string, { steps: GradeStep[]; cube?: string }> = {
  'exposure of 0.7 stops': { steps: [step('exposure', { stops: 0.7 })] },
  'white balance of 3400 K': { steps: [step('whiteBalance', { kelvin: 3400, tint: -0.4 })] },
  contrast: { steps: [step('contrast', { amount: 0.3 })] },
  saturation: { steps: [step('saturation', { amount: 0.6 })] },
  'tone curves': {
    steps: [
      step('curves', {
        all: [
          [0, 0.05],
          [0.4, 0.5],
          [1, 0.95],
        ],
        blue: [
          [0, 0.3],
          [1, 0.8],
        ],
      }),
    ],
  },
  'a table of three dimensions': { steps: [step('table', { asset: TABLE, strength: 0.8 })], cube: CUBE },
  'a table of one dimension': { steps: [step('table', { asset: TABLE, strength: 1 })], cube: LINE },
  vignette: { steps: [step('vignette', { amount: 0.8, begin: 0.2, softness: 0.6 })] },
  grain: { steps: [step('grain', { amount: 1, size: 8 })] },
  'several in order': {
    steps: [
      step('saturation', { amount: -0.4 }),
      step('exposure', { stops: -0.5 }),
      step('table', { asset: TABLE, strength: 0.32 }),
      step('contrast', { amount: 0.2 }),
      step('vignette', { amount: -0.3 }),
    ],
    cube: CUBE,
  },
};
for (const [name, { steps, cube }] of Object.entries(CASES))
  test(`${name}: the picture is what core computes, within 2 of 255`, async () => {
    const before = await draw({});
    const seen = await draw({ steps, ...(cube === undefined ? {} : { cube }) });
    // The step does something, and that is what core says.
    expect(worst(before, before, steps, cube)).toBeGreaterThan(8);
    expect(worst(before, seen, steps, cube)).toBeLessThanOrEqual(2);
  });

test('grain moves with the frames, and is the same in the same frame', async () => {
  const steps = [step('grain', { amount: 1, size: 8 })];
  const [first, again, later] = [
    await draw({ steps, frames: 7 }),
    await draw({ steps, frames: 7 }),
    await draw({ steps, frames: 8 }),
  ];
  expect(again).toEqual(first);
  expect(later).not.toEqual(first);
  expect(worst(await draw({}), first, steps, undefined, 6)).toBeLessThanOrEqual(2);
});

test('strength mixes; left of the compare line the picture is as it was', async () => {
  const before = await draw({});
  const steps = [step('exposure', { stops: 2 })];
  const whole = await draw({ steps });
  const third = await draw({ steps, strength: 0.32 });
  const split = await draw({ steps, line: 0.5 });
  let mixed = 0;
  let unlike = 0;
  for (let i = 0; i < SIZE * SIZE; i++)
    for (let k = 0; k < 3; k++) {
      const [b, w] = [before[4 * i + k]!, whole[4 * i + k]!];
      mixed = Math.max(mixed, Math.abs(third[4 * i + k]! - (b + 0.32 * (w - b))));
      if (split[4 * i + k] !== (i % SIZE < SIZE / 2 ? b : w)) unlike++;
    }
  expect(mixed).toBeLessThanOrEqual(2);
  expect(unlike).toBe(0);
});

/** Red of the pixels of the middle row. */
const row = (pixels: Pixels): number[] =>
  Array.from({ length: SIZE }, (_, x) => pixels[4 * ((SIZE / 2) * SIZE + x)]!);

test('sharpen: an edge stands out by known amounts, and what is even stays', async () => {
  const picture = 'vec3(vUv.x < 0.5 ? 0.4 : 0.6)';
  const seen = row(await draw({ picture, steps: [step('sharpen', { amount: 1 })] }));
  expect(seen[4]).toBe(102);
  expect(seen[SIZE - 5]).toBe(153);
  // A quarter of the step of 51 is mixed in from the other side: 12.75 less, and more.
  expect(Math.abs(seen[SIZE / 2 - 1]! - (102 - 12.75))).toBeLessThanOrEqual(1.5);
  expect(Math.abs(seen[SIZE / 2]! - (153 + 12.75))).toBeLessThanOrEqual(1.5);
});

test('bloom: what is bright shines on what is around it, farther with more reach; what is dark does not', async () => {
  const picture = 'vec3(length(vUv - 0.5) < 0.08 ? 1.0 : 0.1)';
  const bloom = (reach: number, above = 0.75) =>
    draw({ picture, steps: [step('bloom', { above, strength: 1.5, reach })] }).then(row);
  const before = row(await draw({ picture }));
  const [close, far] = [await bloom(0.05), await bloom(0.95)];
  const beside = SIZE / 2 + 7;
  expect(close[beside]!).toBeGreaterThan(before[beside]! + 4);
  // Near the light a short reach shines more, far from it a long one.
  expect(far[2]!).toBeGreaterThan(close[2]! + 2);
  expect(Math.max(...(await bloom(0.5, 1)))).toBe(255);
  const dark = 'vec3(length(vUv - 0.5) < 0.08 ? 0.5 : 0.1)';
  expect(await draw({ picture: dark, steps: [step('bloom', { above: 0.8, strength: 2 })] })).toEqual(
    await draw({ picture: dark }),
  );
});

test('a table that cannot be read changes nothing', async () => {
  const steps = [step('table', { asset: TABLE, strength: 1 })];
  expect(await draw({ steps, cube: 'LUT_3D_SIZE 9\n0 0 0\n' })).toEqual(await draw({}));
});
