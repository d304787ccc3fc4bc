import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readCube, writeCube } from '../assets/colour/cube';
import { identityTable, lookUp, tableOf } from '../assets/colour/table';
import { newGrade } from '../kinds/objects/grade';
import { newGradeStep } from '../edits/new-grade-step';
import {
  GRADE_STEP_KINDS,
  gradeStepSchema,
  type AssetId,
  type GradeStep,
  type GradeStepKind,
  type ObjectId,
  type StepOf,
} from '../document/schema';
import type { Rgb } from '../maths/blend';
import { linearOf, luminance, toLinear, toSrgb } from '../maths/srgb';
import { BAKED_SIZE, bakeGrade, leftOut } from './bake';
import { pcg3d } from '../maths/hash';
import { grainAt, grainCell } from './grain';
import { gradeColour, vignetteAt, type PicturePlace } from './grade';
import { passesOf } from './passes';
import { isStraight, STRAIGHT, toneCurve, type CurvePoint } from './tone-curve';
import { balanceMatrix, DAYLIGHT, glowing, multiplyMatrixVector } from './white-balance';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const colour = fc.tuple(unit, unit, unit);
const near = (a: Rgb, b: Rgb, digits = 6) => a.forEach((x, i) => expect(x).toBeCloseTo(b[i]!, digits));
let n = 0;
const step = <K extends GradeStepKind>(kind: K, change: Partial<StepOf<K>> = {}): GradeStep => ({
  ...newGradeStep(`step_test${n++}`, kind),
  ...change,
});
const graded = (steps: GradeStep[], c: Rgb, place: PicturePlace | null = null): Rgb =>
  gradeColour(steps, c, () => null, place);

describe('the transfer curve of sRGB', () => {
  test('known values of IEC 61966-2-1, there and back', () => {
    expect(toLinear(0.5)).toBeCloseTo(0.2140411, 6);
    expect(toSrgb(0.18)).toBeCloseTo(0.4613561, 6);
    fc.assert(fc.property(unit, (x) => expect(toSrgb(toLinear(x))).toBeCloseTo(x, 9)));
  });
});

describe('tone curves', () => {
  const anyCurve = fc
    .uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 9 })
    .chain((xs) =>
      fc.tuple(
        fc.constant([...xs].sort((a, b) => a - b)),
        fc.array(unit, { minLength: xs.length, maxLength: xs.length }),
      ),
    )
    .map(([xs, ys]) => xs.map((x, i): CurvePoint => [x / 100, ys[i]!]));

  test('go through their points, stay between neighbours, and are flat outside', () => {
    fc.assert(
      fc.property(anyCurve, unit, (points, t) => {
        const curve = toneCurve(points);
        for (const [x, y] of points) expect(curve(x)).toBeCloseTo(y, 9);
        expect(curve(-1)).toBe(points[0]![1]);
        expect(curve(2)).toBe(points.at(-1)![1]);
        const i = points.findIndex(([x]) => x > t);
        if (i <= 0) return;
        const [a, b] = [points[i - 1]![1], points[i]![1]];
        expect(curve(t)).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-9);
        expect(curve(t)).toBeLessThanOrEqual(Math.max(a, b) + 1e-9);
      }),
    );
  });
  test('a straight line stays one, whatever points lie on it', () => {
    fc.assert(
      fc.property(unit, (x) =>
        expect(
          toneCurve([
            [0, 0],
            [0.3, 0.3],
            [0.85, 0.85],
            [1, 1],
          ])(x),
        ).toBeCloseTo(x, 9),
      ),
    );
    expect(isStraight(STRAIGHT)).toBe(true);
    expect(isStraight([...STRAIGHT.slice(0, 1), [0.5, 0.6], [1, 1]])).toBe(false);
  });
});

describe('white balance', () => {
  test('a lamp of 2856 K has the chromaticity of CIE illuminant A', () => {
    expect(Math.abs(glowing(2856)[0] - 0.4476)).toBeLessThan(0.001);
    expect(Math.abs(glowing(2856)[1] - 0.4074)).toBeLessThan(0.001);
    expect(glowing(6504)[0]).toBeCloseTo(0.3135, 3);
  });
  test('daylight changes nothing', () => {
    fc.assert(fc.property(colour, (c) => near(multiplyMatrixVector(balanceMatrix(DAYLIGHT, 0), c), c, 6)));
  });
  test('what was white under the lamp becomes grey, whichever lamp', () => {
    // Linear sRGB of the light itself.
    const toRgb = (x: number, y: number): Rgb => {
      const [X, Y, Z] = [x / y, 1, (1 - x - y) / y];
      return [
        3.2404542 * X - 1.5371385 * Y - 0.4985314 * Z,
        -0.969266 * X + 1.8760108 * Y + 0.041556 * Z,
        0.0556434 * X - 0.2040259 * Y + 1.0572252 * Z,
      ];
    };
    const daylight = toRgb(...glowing(DAYLIGHT));
    fc.assert(
      fc.property(fc.integer({ min: 2000, max: 12_000 }), (kelvin) =>
        near(multiplyMatrixVector(balanceMatrix(kelvin, 0), toRgb(...glowing(kelvin))), daylight, 3),
      ),
    );
  });
  test('light of a higher temperature makes the picture warmer; greener light makes it less green', () => {
    const grey: Rgb = [0.5, 0.5, 0.5];
    const warm = graded([step('whiteBalance', { kelvin: 9000 })], grey);
    expect(warm[0]).toBeGreaterThan(0.52);
    expect(warm[2]).toBeLessThan(0.46);
    const green = graded([step('whiteBalance', { tint: 1 })], grey);
    expect(green[1]).toBeLessThan(green[0]);
    expect(green[1]).toBeLessThan(green[2]);
  });
});

describe('steps', () => {
  test('one stop is twice the light', () => {
    const c: Rgb = [0.2, 0.4, 0.6];
    near(
      linearOf(graded([step('exposure', { stops: 1 })], c)),
      linearOf(c).map((x) => 2 * x) as unknown as Rgb,
      6,
    );
    expect(graded([step('exposure', { stops: 5 })], [1, 1, 1])).toEqual([1, 1, 1]);
  });
  test('contrast leaves middle grey; saturation leaves greys and takes colour away', () => {
    near(graded([step('contrast', { amount: 0.7 })], [0.5, 0.5, 0.5]), [0.5, 0.5, 0.5]);
    near(graded([step('contrast', { amount: 0.5 })], [0.6, 0.4, 0.5]), [0.7, 0.3, 0.5]);
    fc.assert(
      fc.property(colour, (c) => {
        const grey = graded([step('saturation', { amount: -1 })], c);
        near(grey, [luminance(c), luminance(c), luminance(c)], 6);
      }),
    );
  });
  test('curves: that of all first, then that of each', () => {
    const curves = step('curves', {
      all: [
        [0, 1],
        [1, 0],
      ],
      red: [
        [0, 0],
        [1, 0.5],
      ],
    });
    near(graded([curves], [0.2, 0.2, 1]), [0.4, 0.8, 0]);
  });
  test('a table by its strength; one that is missing changes nothing', () => {
    const turned = tableOf('Turned', 5, ([r, g, b]) => [b, r, g]);
    const table = step('table', { asset: 'asset_turned' as AssetId, strength: 0.25 });
    near(
      gradeColour([table], [0.8, 0.4, 0], (id) => (id === 'asset_turned' ? turned : null)),
      [0.6, 0.5, 0.1],
    );
    near(graded([table], [0.8, 0.4, 0]), [0.8, 0.4, 0]);
  });
  test('a vignette leaves the middle and is whole in the corners', () => {
    const v = step('vignette', { amount: 0.5, begin: 0.2, softness: 0.8 }) as StepOf<'vignette'>;
    expect(vignetteAt(v, 0.5, 0.5)).toBe(0);
    expect(vignetteAt(v, 0, 1)).toBeCloseTo(1, 9);
    const corner = { x: 1, y: 0, width: 90, height: 160, frame: 0 };
    near(graded([v], [0.8, 0.6, 0.4], corner), [0.4, 0.3, 0.2]);
    near(graded([step('vignette', { ...v, amount: -0.5 })], [0, 0, 0], corner), [0.5, 0.5, 0.5]);
  });
  test('order counts: brighter then flatter is not flatter then brighter', () => {
    const [a, b] = [step('exposure', { stops: 1 }), step('contrast', { amount: -0.5 })];
    expect(graded([a, b], [0.6, 0.6, 0.6])[0]).not.toBeCloseTo(graded([b, a], [0.6, 0.6, 0.6])[0], 2);
  });
  test('whatever the numbers, a colour comes out as a colour; steps that are off do nothing', () => {
    const numbers: fc.Arbitrary<GradeStep> = fc.oneof(
      fc.double({ min: -5, max: 5, noNaN: true }).map((stops) => step('exposure', { stops })),
      fc
        .tuple(fc.integer({ min: 2000, max: 12_000 }), fc.double({ min: -1, max: 1, noNaN: true }))
        .map(([kelvin, tint]) => step('whiteBalance', { kelvin, tint })),
      fc.double({ min: -1, max: 1, noNaN: true }).map((amount) => step('contrast', { amount })),
      fc.double({ min: -1, max: 1, noNaN: true }).map((amount) => step('saturation', { amount })),
      fc.double({ min: 0, max: 1, noNaN: true }).map((amount) => step('grain', { amount })),
    );
    const place = { x: 0.3, y: 0.7, width: 360, height: 640, frame: 5 };
    fc.assert(
      fc.property(fc.array(numbers, { maxLength: 6 }), colour, (steps, c) => {
        for (const x of graded(steps, c, place)) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(1);
        }
        near(
          graded(
            steps.map((s) => ({ ...s, on: false })),
            c,
            place,
          ),
          c,
          12,
        );
      }),
    );
  });
  test('a new step of each kind is sound', () => {
    for (const kind of GRADE_STEP_KINDS)
      expect(gradeStepSchema.safeParse(newGradeStep('step_new1', kind)).success).toBe(true);
    expect(newGrade('obj_grade' as ObjectId, 0).steps).toEqual([]);
  });
});

describe('grain', () => {
  test('the hash is that of whole numbers of 32 bits, as a graphics card counts', () => {
    const M = 0xffffffffn;
    const slow = (v: bigint[]): bigint[] => {
      v = v.map((x) => (x * 1664525n + 1013904223n) & M);
      const mix = (): void => {
        v[0] = (v[0]! + v[1]! * v[2]!) & M;
        v[1] = (v[1]! + v[2]! * v[0]!) & M;
        v[2] = (v[2]! + v[0]! * v[1]!) & M;
      };
      mix();
      v = v.map((x) => x ^ (x >> 16n));
      mix();
      return v;
    };
    const whole = fc.nat(100_000);
    fc.assert(
      fc.property(whole, whole, whole, (x, y, z) =>
        expect(pcg3d(x, y, z).map(BigInt)).toEqual(slow([BigInt(x), BigInt(y), BigInt(z)])),
      ),
    );
  });
  test('grains smaller than a pixel are weaker, not larger', () => {
    expect(grainCell(2, 720)).toEqual({ cell: 2, part: 1 });
    expect(grainCell(2, 180)).toEqual({ cell: 1, part: 0.5 });
  });
  test('has no drift, and differs from grain to grain and from frame to frame', () => {
    const values = Array.from({ length: 10_000 }, (_, i) => grainAt(i % 100, Math.floor(i / 100), 3));
    const mean = values.reduce((a, b) => a + b) / values.length;
    const spread = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
    expect(Math.abs(mean)).toBeLessThan(0.02);
    // Three dice of 0..1 spread by a half (variance 3/12).
    expect(spread).toBeCloseTo(0.5, 1);
    expect(grainAt(4, 5, 6)).not.toBe(grainAt(5, 5, 6));
    expect(grainAt(4, 5, 6)).not.toBe(grainAt(4, 5, 7));
  });
});

describe('a grade as a file', () => {
  const steps = [
    step('exposure', { stops: 0.4 }),
    step('saturation', { amount: -0.3 }),
    step('vignette', { amount: 1 }),
    step('grain', { amount: 1, on: false }),
  ];
  test('is the grade at every entry, by its strength, and survives being written and read', () => {
    const table = bakeGrade('Dusk', steps, 0.32, () => null);
    expect(table.size).toBe(BAKED_SIZE);
    const back = readCube(writeCube(table), 'dusk.cube');
    expect(back.title).toBe('Dusk');
    for (const at of [0, 7, 16, 32]) {
      const c: Rgb = [at / 32, 0.5, 1 - at / 32];
      const g = graded(steps, c);
      near(lookUp(back, c), c.map((x, i) => x + 0.32 * (g[i]! - x)) as unknown as Rgb, 5);
    }
  });
  test('says what it cannot hold', () => {
    expect(leftOut(steps)).toEqual(['vignette']);
    expect(leftOut([])).toEqual([]);
  });
  test('a grade that changes nothing is the identity', () => {
    const table = bakeGrade('', [step('exposure'), step('curves')], 1, () => null);
    const same = identityTable(BAKED_SIZE).data;
    const most = table.data.reduce((m, x, i) => Math.max(m, Math.abs(x - same[i]!)), 0);
    expect(most).toBeLessThan(1e-5);
  });
});

describe('passes', () => {
  test('steps of one colour are done together, those that look around apart; what changes nothing is left out', () => {
    const passes = passesOf([
      step('exposure', { stops: 1 }),
      step('contrast'),
      step('whiteBalance'),
      step('bloom'),
      step('sharpen', { on: false }),
      step('table'),
      step('grain'),
      step('vignette'),
      step('sharpen'),
    ]);
    expect(passes.map((p) => (p.kind === 'points' ? p.steps.map((s) => s.kind) : p.kind))).toEqual([
      ['exposure', 'whiteBalance'],
      'bloom',
      ['grain', 'vignette'],
      'sharpen',
    ]);
    expect(passesOf([step('contrast'), step('exposure')])).toEqual([]);
  });
});
