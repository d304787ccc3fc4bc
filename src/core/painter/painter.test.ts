import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { clear, fill, fillLasso, flip, gradient, mirrorHalf } from './areas';
import { shareAt, touch, type Brush, type BrushTool } from './brush';
import { blankSheet, inGreys, type Sheet } from './sheet';
import { Stroke } from './stroke';

const SIZE = 96;
const WHITE = [1, 1, 1] as const;
const RED = [1, 0, 0] as const;
const brush = (change: Partial<Brush> = {}): Brush => ({
  tool: 'paint',
  size: 20,
  hardness: 0.5,
  flow: 1,
  colour: RED,
  ...change,
});
const pixel = ({ data, size }: Sheet, x: number, y: number): number[] => [
  ...data.subarray(4 * (y * size + x), 4 * (y * size + x) + 4),
];
const alpha = (sheet: Sheet, x: number, y: number): number => pixel(sheet, x, y)[3]!;
const draw = (sheet: Sheet, by: Brush, points: readonly (readonly [number, number])[], mirrored = false) => {
  const stroke = new Stroke(sheet, by, mirrored);
  for (const [x, y] of points) stroke.to({ x, y, pressure: 0.5 });
};
const sum = (sheet: Sheet): number => {
  let total = 0;
  for (let i = 3; i < sheet.data.length; i += 4) total += sheet.data[i]!;
  return total;
};
const mirrorError = ({ data, size }: Sheet): number => {
  let worst = 0;
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++)
      for (let k = 0; k < 4; k++)
        worst = Math.max(
          worst,
          Math.abs(data[4 * (y * size + x) + k]! - data[4 * (y * size + size - 1 - x) + k]!),
        );
  return worst;
};

describe('a touch of the brush', () => {
  test('is whole in the middle, nothing outside, soft between by its hardness', () => {
    expect(shareAt(0, 10, 0.5)).toBe(1);
    expect(shareAt(5, 10, 0.5)).toBe(1);
    expect(shareAt(7.5, 10, 0.5)).toBeCloseTo(0.5);
    expect(shareAt(10, 10, 0.5)).toBe(0);
    expect(shareAt(9, 10, 1)).toBe(1);
    expect(shareAt(5, 10, 0)).toBeCloseTo(0.5);
  });

  test('outside of the sheet changes nothing, and says so', () => {
    const sheet = blankSheet(SIZE);
    expect(touch(sheet, brush(), { x: -40, y: 10, pressure: 0.5 }, { pixels: null, reach: 0 })).toBeNull();
    expect(sum(sheet)).toBe(0);
  });
});

describe('strokes', () => {
  test('a full one covers its way with its colour, and says what it changed', () => {
    const sheet = blankSheet(SIZE);
    const stroke = new Stroke(sheet, brush(), false);
    stroke.to({ x: 20, y: 48, pressure: 0.5 });
    const changed = stroke.to({ x: 70, y: 48, pressure: 0.5 })!;
    for (let x = 20; x < 70; x++) expect(pixel(sheet, x, 48)).toEqual([255, 0, 0, 255]);
    expect(alpha(sheet, 45, 48 + 11)).toBe(0);
    expect(changed[0]).toBeLessThanOrEqual(20);
    expect(changed[2]).toBeGreaterThanOrEqual(78);
  });

  test('the same way in one go or in many little steps leaves the same paint', () => {
    const [one, many] = [blankSheet(SIZE), blankSheet(SIZE)];
    draw(one, brush({ flow: 0.4 }), [
      [10, 20],
      [80, 70],
    ]);
    draw(
      many,
      brush({ flow: 0.4 }),
      Array.from({ length: 141 }, (_, i) => [10 + i / 2, 20 + (i * 50) / 140] as const),
    );
    let worst = 0;
    for (let i = 3; i < one.data.length; i += 4)
      worst = Math.max(worst, Math.abs(one.data[i]! - many.data[i]!));
    expect(worst).toBeLessThanOrEqual(3);
  });

  test('flow: one stroke does about what it says, another on it more', () => {
    const sheet = blankSheet(SIZE);
    const by = brush({ flow: 0.5, hardness: 1 });
    draw(sheet, by, [
      [5, 48],
      [91, 48],
    ]);
    const first = alpha(sheet, 48, 48);
    expect(first).toBeGreaterThan(0.4 * 255);
    expect(first).toBeLessThan(0.95 * 255);
    draw(sheet, by, [
      [5, 48],
      [91, 48],
    ]);
    expect(alpha(sheet, 48, 48)).toBeGreaterThan(first);
  });

  test('pressure makes it wider', () => {
    const [light, hard] = [blankSheet(SIZE), blankSheet(SIZE)];
    for (const [sheet, pressure] of [
      [light, 0.1],
      [hard, 1],
    ] as const) {
      const stroke = new Stroke(sheet, brush(), false);
      stroke.to({ x: 20, y: 48, pressure });
      stroke.to({ x: 70, y: 48, pressure });
    }
    expect(sum(hard)).toBeGreaterThan(2 * sum(light));
  });

  test('mirrored, both halves are alike whatever is drawn', () => {
    const point = fc.tuple(
      fc.double({ min: 0, max: SIZE, noNaN: true }),
      fc.double({ min: 0, max: SIZE, noNaN: true }),
    );
    const tool = fc.constantFrom<BrushTool>('paint', 'erase');
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 6 }), tool, (points, kind) => {
        const sheet = blankSheet(SIZE);
        if (kind === 'erase') fill(sheet, WHITE, 1);
        draw(sheet, brush({ tool: kind, size: 14 }), points as [number, number][], true);
        // Where the halves meet, one touch comes before the other.
        expect(mirrorError(sheet)).toBeLessThanOrEqual(6);
      }),
      { numRuns: 40 },
    );
  });

  test('erasing takes away and leaves the colour of what stays', () => {
    const sheet = blankSheet(SIZE);
    fill(sheet, RED, 1);
    draw(sheet, brush({ tool: 'erase', hardness: 0 }), [
      [10, 48],
      [86, 48],
    ]);
    expect(alpha(sheet, 48, 48)).toBeLessThan(12);
    expect(pixel(sheet, 48, 53).slice(0, 3)).toEqual([255, 0, 0]);
    expect(alpha(sheet, 48, 80)).toBe(255);
  });

  test('blurring an edge makes it softer and keeps what there is', () => {
    const sheet = blankSheet(SIZE);
    fillLasso(
      sheet,
      [
        [0, 0],
        [48, 0],
        [48, SIZE],
        [0, SIZE],
      ],
      RED,
      1,
    );
    const before = sum(sheet);
    for (let n = 0; n < 4; n++)
      draw(sheet, brush({ tool: 'blur', size: 40 }), [
        [48, 10],
        [48, 86],
      ]);
    expect(alpha(sheet, 46, 48)).toBeLessThan(250);
    expect(alpha(sheet, 50, 48)).toBeGreaterThan(5);
    expect(Math.abs(sum(sheet) / before - 1)).toBeLessThan(0.02);
    expect(pixel(sheet, 50, 48).slice(0, 3)).toEqual([255, 0, 0]);
  });

  test('smudging drags paint along the stroke, not beside it', () => {
    const sheet = blankSheet(SIZE);
    fillLasso(
      sheet,
      [
        [0, 0],
        [30, 0],
        [30, SIZE],
        [0, SIZE],
      ],
      RED,
      1,
    );
    draw(sheet, brush({ tool: 'smudge', flow: 0.95, hardness: 0.8 }), [
      [20, 48],
      [60, 48],
    ]);
    expect(alpha(sheet, 42, 48)).toBeGreaterThan(60);
    expect(pixel(sheet, 42, 48)[0]).toBeGreaterThan(250);
    expect(alpha(sheet, 42, 80)).toBe(0);
  });
});

describe('areas', () => {
  test('a fill lies over what was there', () => {
    const sheet = blankSheet(8);
    fill(sheet, RED, 1);
    fill(sheet, [0, 0, 1], 0.5);
    const [r, g, b, a] = pixel(sheet, 4, 4);
    expect([r, g, b, a]).toEqual([128, 0, 128, 255]);
    clear(sheet);
    expect(sum(sheet)).toBe(0);
  });

  test('a gradient runs from whole to nothing', () => {
    const sheet = blankSheet(SIZE);
    gradient(sheet, [0, 0], [SIZE, 0], WHITE, 1);
    expect(alpha(sheet, 0, 5)).toBeGreaterThan(250);
    expect(alpha(sheet, 48, 5)).toBeCloseTo(127, -1);
    expect(alpha(sheet, SIZE - 1, 5)).toBeLessThan(5);
    expect(gradient(sheet, [4, 4], [4, 4], WHITE, 1)).toBeNull();
  });

  test('a lasso fills its outline, on the other half too when mirrored, and rubs out', () => {
    const sheet = blankSheet(SIZE);
    const square = [
      [10, 10],
      [30, 10],
      [30, 30],
      [10, 30],
    ] as const;
    fillLasso(sheet, square, RED, 1, { mirrored: true });
    expect(sum(sheet)).toBe(2 * 400 * 255);
    expect(alpha(sheet, SIZE - 20, 20)).toBe(255);
    fillLasso(sheet, square, RED, 1, { erases: true });
    expect(sum(sheet)).toBe(400 * 255);
    expect(
      fillLasso(
        sheet,
        [
          [1, 1],
          [5, 5],
        ],
        RED,
        1,
      ),
    ).toBeNull();
    expect(
      fillLasso(
        sheet,
        [
          [1, 1],
          [5, 5],
          [9, 9],
        ],
        RED,
        1,
      ),
    ).toBeNull();
  });

  test('one half taken over to the other makes both alike; flipped twice, all is as it was', () => {
    const sheet = blankSheet(SIZE);
    draw(sheet, brush(), [
      [20, 20],
      [40, 60],
    ]);
    const before = sheet.data.slice();
    flip(sheet);
    expect(alpha(sheet, SIZE - 1 - 30, 40)).toBe(before[4 * (40 * SIZE + 30) + 3]);
    flip(sheet);
    expect(sheet.data).toEqual(before);
    mirrorHalf(sheet, 'left');
    expect(mirrorError(sheet)).toBe(0);
    expect(alpha(sheet, 30, 40)).toBe(before[4 * (40 * SIZE + 30) + 3]);
    mirrorHalf(sheet, 'right');
    expect(mirrorError(sheet)).toBe(0);
  });
});

test('a mask in greys counts as the mask does: light times opacity, and is opaque everywhere', () => {
  const sheet = blankSheet(2);
  sheet.data.set([255, 255, 255, 255, 255, 255, 255, 128, 128, 128, 128, 255, 0, 0, 0, 0]);
  const greys = inGreys(sheet);
  expect([pixel(greys, 0, 0), pixel(greys, 1, 0), pixel(greys, 0, 1), pixel(greys, 1, 1)]).toEqual([
    [255, 255, 255, 255],
    [128, 128, 128, 255],
    [128, 128, 128, 255],
    [0, 0, 0, 255],
  ]);
  expect(inGreys(greys).data).toEqual(greys.data);
});
