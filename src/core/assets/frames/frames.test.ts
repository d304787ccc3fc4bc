import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import sharp from 'sharp';
import { apng, disc, gif, painted, plain, png, type Rgba } from '../testing';
import { blank, blit, type Raster } from '../raster';
import { decodeAnimatedPng, decodeGif, rateOf } from './animated';
import { guessGrid } from './guess-grid';
import { A_PAIR, numberedRuns } from './numbered';
import { cellBox, frameAt, frameIndex, planSheets, SheetPacker } from './sheets';

describe('numbered pictures', () => {
  test('come in the order of their numbers, however they are written', () => {
    const paths = Array.from({ length: 12 }, (_, i) => `fx/bubble_${i + 1}.png`).sort();
    const { runs, rest } = numberedRuns([...paths, 'fx/notes.txt', 'fx/crown.png']);
    expect(runs).toHaveLength(1);
    expect(runs[0]).toMatchObject({ name: 'bubble', gaps: [], doubles: [] });
    expect(runs[0]!.paths.at(1)).toBe('fx/bubble_2.png');
    expect(runs[0]!.paths.at(-1)).toBe('fx/bubble_12.png');
    expect(rest).toEqual(['fx/notes.txt', 'fx/crown.png']);
  });
  test('missing numbers are named, also in steps; doubles are named', () => {
    const of = (numbers: number[]) => numberedRuns(numbers.map((n) => `a${n}.png`)).runs[0]!;
    expect(of([1, 2, 3, 6, 7]).gaps).toEqual([4, 5]);
    expect(of([0, 5, 10, 20]).gaps).toEqual([15]);
    const twice = numberedRuns(['a1.png', 'a01.png', 'a2.png', 'a3.png']);
    expect(twice.runs[0]).toMatchObject({ doubles: [1], gaps: [] });
  });
  test('folders and endings keep runs apart; a few numbered pictures stay single', () => {
    const { runs, rest } = numberedRuns([
      ...[1, 2, 3, 4].map((n) => `a/${n}.png`),
      ...[1, 2, 3, 4].map((n) => `b/${n}.png`),
      ...[1, 2].map((n) => `photo${n}.jpg`),
    ]);
    expect(runs.map((r) => r.name)).toEqual(['a', 'b']);
    // Two may be frames: that is asked.
    expect(rest).toHaveLength(2);
    expect(numberedRuns(rest, A_PAIR).runs.map((r) => r.paths)).toEqual([rest]);
  });
});

describe('sheets', () => {
  test('every frame finds its way back, within the limit of textures', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 120 }),
        (width, height, count) => {
          const plan = planSheets(width, height, count);
          expect(Math.max(...plan.sheet)).toBeLessThanOrEqual(2048);
          expect(plan.sheets * plan.grid.columns * plan.grid.rows).toBeGreaterThanOrEqual(count);
          expect([plan.width, plan.height]).toEqual([width, height]);
          const boxes = Array.from({ length: Math.min(count, plan.grid.columns * plan.grid.rows) }, (_, i) =>
            cellBox(plan.grid, plan.sheet, i),
          );
          for (const box of boxes) {
            expect([box.width, box.height]).toEqual([width, height]);
            expect(box.left).toBeGreaterThanOrEqual(1);
            expect(box.left + box.width).toBeLessThanOrEqual(plan.sheet[0] - 1);
            expect(box.top + box.height).toBeLessThanOrEqual(plan.sheet[1] - 1);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  test('what is packed is where frameAt says', () => {
    const colours: Rgba[] = Array.from({ length: 7 }, (_, i) => [i * 30, 255 - i * 30, 9, 255]);
    const plan = planSheets(600, 700, 7);
    const packer = new SheetPacker(plan, 7);
    const sheets: Raster[] = [];
    for (const colour of colours) {
      const done = packer.add(plain(600, 700, colour));
      if (done) sheets.push(done);
    }
    expect(sheets).toHaveLength(plan.sheets);
    colours.forEach((colour, i) => {
      const { file, rect } = frameAt({ grid: plan.grid, sheet: plan.sheet }, i);
      const sheet = sheets[file]!;
      const x = Math.floor((rect[0] + rect[2] / 2) * sheet.width);
      const y = Math.floor((rect[1] + rect[3] / 2) * sheet.height);
      expect([...sheet.data.subarray((y * sheet.width + x) * 4, (y * sheet.width + x) * 4 + 4)]).toEqual(
        colour,
      );
    });
  });
  test('a frame larger than a sheet is made to fit', () => {
    const plan = planSheets(4000, 1000, 3);
    expect(plan.width).toBeLessThanOrEqual(2046);
    expect(plan.width / plan.height).toBeCloseTo(4, 1);
  });
  test('frames follow time and repeat', () => {
    const asset = { frames: 4, rate: 8 };
    expect([0, 0.124, 0.125, 0.49, 0.5, 5.125].map((t) => frameIndex(asset, t))).toEqual([0, 0, 1, 3, 0, 1]);
  });
});

describe('animated pictures', () => {
  test('an animated PNG gives its frames and its speed', () => {
    const frames = [plain(6, 4, [255, 0, 0, 255]), plain(6, 4, [0, 0, 255, 128])];
    const { frames: seen, delays } = decodeAnimatedPng(apng(frames, 40), 'a.png');
    expect(seen.map((f) => [...f.data.subarray(0, 4)])).toEqual([
      [255, 0, 0, 255],
      [0, 0, 255, 128],
    ]);
    expect(rateOf(delays)).toBe(25);
  });
  test('a GIF composes its patches: kept, cleared, and put back', () => {
    const full = (index: number) => Array<number>(16).fill(index);
    const patch = { left: 1, top: 1, width: 2, height: 2, indices: [2, 2, 2, 2] };
    const at = (r: Raster, x: number, y: number) => [
      ...r.data.subarray((y * 4 + x) * 4, (y * 4 + x) * 4 + 4),
    ];
    const red = [255, 0, 0, 255];
    const green = [0, 255, 0, 255];
    for (const [disposal, after] of [
      [1, green],
      [2, [0, 0, 0, 0]],
      [3, red],
    ] as const) {
      const bytes = gif(4, 4, [
        { indices: full(1) },
        { ...patch, disposal },
        { left: 0, top: 0, width: 1, height: 1, indices: [3] },
      ]);
      const { frames } = decodeGif(bytes, 'a.gif');
      expect(frames).toHaveLength(3);
      expect(at(frames[1]!, 1, 1)).toEqual(green);
      expect(at(frames[1]!, 0, 0)).toEqual(red);
      expect(at(frames[2]!, 1, 1)).toEqual(after);
      expect(at(frames[2]!, 0, 0)).toEqual([0, 0, 255, 255]);
    }
  });
  test('a GIF written by another program', async () => {
    const width = 20;
    const frames = [0, 1, 2].map((i) => plain(width, 10, [i * 100, 50, 50, 255]));
    const strip = blank(width, 30);
    frames.forEach((f, i) => blit(f, strip, 0, i * 10));
    const bytes = await sharp(Buffer.from(strip.data), {
      raw: { width, height: 30, channels: 4, pageHeight: 10 },
    })
      .gif({ delay: [50, 50, 50], loop: 0 })
      .toBuffer();
    const decoded = decodeGif(new Uint8Array(bytes), 'b.gif');
    expect(decoded.frames).toHaveLength(3);
    expect(decoded.frames[2]!.data[0]).toBeGreaterThan(180);
    expect(rateOf(decoded.delays)).toBe(20);
  });
  test.each([
    ['gif', gif(4, 4, [{ indices: Array<number>(16).fill(1) }]), decodeGif],
    ['png', apng([plain(4, 4, [1, 2, 3, 255]), plain(4, 4, [9, 9, 9, 255])], 40), decodeAnimatedPng],
  ] as const)('a %s cut off anywhere is a sentence', (_kind, whole, decode) => {
    for (let end = 0; end < whole.length; end++)
      expect(() => decode(whole.slice(0, end), 'cut.bin')).toThrow(
        expect.objectContaining({ name: 'IconiaError', message: expect.stringContaining('cut.bin') }),
      );
  });
});

/** A sheet of cells, each painted by a function. */
const sheetOf = (
  columns: number,
  rows: number,
  [w, h]: readonly [number, number],
  cell: (index: number) => Raster | null,
  { gap = 0, ground }: { gap?: number; ground?: Rgba } = {},
): Raster => {
  const size = [columns * w + (columns - 1) * gap, rows * h + (rows - 1) * gap] as const;
  const sheet = ground ? plain(...size, ground) : blank(...size);
  for (let i = 0; i < columns * rows; i++) {
    const picture = cell(i);
    if (!picture) continue;
    const [left, top] = [(i % columns) * (w + gap), Math.floor(i / columns) * (h + gap)];
    for (let y = 0; y < picture.height; y++)
      for (let x = 0; x < picture.width; x++) {
        const at = (y * picture.width + x) * 4;
        if (picture.data[at + 3]! > 0)
          sheet.data.set(picture.data.subarray(at, at + 4), ((top + y) * sheet.width + left + x) * 4);
      }
  }
  return sheet;
};

/** A fish that bends: wide, with a tail that swings. */
const fish = (w: number, h: number, phase: number): Raster =>
  painted(w, h, (x, y) => {
    const [u, v] = [x / w - 0.5, y / h - 0.5];
    const bend = 0.12 * Math.sin(phase) * Math.max(0, u);
    const body = (u + 0.08) ** 2 / 0.09 + (v - bend) ** 2 / 0.03 < 1;
    const tail = u > 0.2 && u < 0.42 && Math.abs(v - bend) < (u - 0.16) * 0.9;
    return body || tail ? [220, 120 + Math.round(u * 100), 60, 255] : [0, 0, 0, 0];
  });

/** Twelve dots around the middle. */
const ringOfDots = (size: number, radius: number, dot: number): Raster =>
  painted(size, size, (x, y) => {
    const near = Array.from({ length: 12 }, (_, k) => (k * Math.PI) / 6).some(
      (a) => Math.hypot(x - size / 2 - radius * Math.cos(a), y - size / 2 - radius * Math.sin(a)) < dot,
    );
    return near ? [240, 250, 255, 255] : [0, 0, 0, 0];
  });

describe('the grid of a sprite sheet is guessed', () => {
  const white: Rgba = [240, 250, 255, 255];
  const growing = (i: number, n: number, size: number) => disc(size, size * (0.18 + (0.26 * i) / n), white);
  test.each<[string, Raster, number, number, number]>([
    ['4 x 4 bubbles that grow', sheetOf(4, 4, [64, 64], (i) => growing(i, 16, 64)), 4, 4, 16],
    ['a strip of 8', sheetOf(8, 1, [48, 96], (i) => fish(48, 96, i * 0.8)), 8, 1, 8],
    ['a column of 6', sheetOf(1, 6, [120, 80], (i) => fish(120, 80, i)), 1, 6, 6],
    [
      '5 x 3 with three cells empty at the end',
      sheetOf(5, 3, [70, 70], (i) => (i < 12 ? growing(i, 15, 70) : null)),
      5,
      3,
      12,
    ],
    [
      '6 x 4 flat cells with gaps',
      sheetOf(6, 4, [90, 50], (i) => fish(90, 50, i * 0.5), { gap: 4 }),
      6,
      4,
      24,
    ],
    [
      '3 x 3 on a plain ground',
      sheetOf(3, 3, [100, 100], (i) => fish(100, 100, i * 0.7), { ground: [20, 40, 80, 255] }),
      3,
      3,
      9,
    ],
    [
      '7 x 2 pairs of dots that turn',
      sheetOf(7, 2, [60, 60], (i) =>
        painted(60, 60, (x, y) => {
          const [a, r] = [i * 0.4, 14];
          const near = [1, -1].some(
            (s) => Math.hypot(x - 30 - s * r * Math.cos(a), y - 30 - s * r * Math.sin(a)) < 9,
          );
          return near ? white : [0, 0, 0, 0];
        }),
      ),
      7,
      2,
      14,
    ],
    [
      '5 x 4 frames that differ a lot: a dot, then a ring of dots that flies apart',
      sheetOf(5, 4, [64, 64], (i) => (i < 6 ? disc(64, 4 + i * 3, white) : ringOfDots(64, 8 + i, 2.5))),
      5,
      4,
      20,
    ],
    [
      '3 x 4 stripes painted to the edges',
      sheetOf(3, 4, [96, 96], (i) =>
        painted(96, 96, (x, y) => {
          const line = 48 + 14 * Math.sin((x / 96) * 9 + i);
          return Math.abs(y - line) < 9 ? white : [0, 0, 0, 0];
        }),
      ),
      3,
      4,
      12,
    ],
  ])('%s', (_what, sheet, columns, rows, frames) => {
    const guess = guessGrid(sheet);
    expect(guess).toMatchObject({ grid: { columns, rows }, frames });
    expect(guess.confidence).toBeGreaterThan(0.5);
  });
  test('a single picture is no sheet', () => {
    expect(guessGrid(fish(300, 200, 1)).confidence).toBeLessThan(0.5);
    expect(guessGrid(disc(128, 60, white)).confidence).toBeLessThan(0.5);
    expect(guessGrid(plain(64, 64, white)).confidence).toBeLessThan(0.5);
    expect(guessGrid(blank(64, 64)).confidence).toBeLessThan(0.5);
    // Two eyes, and a crown of beads.
    const eyes = sheetOf(2, 1, [90, 60], (i) => disc(60, 20 + i, white));
    expect(guessGrid(eyes).confidence).toBeLessThan(0.5);
    expect(guessGrid(ringOfDots(128, 50, 8)).confidence).toBeLessThan(0.5);
  });
  test('a name can tell, unless the picture says otherwise', () => {
    const sheet = sheetOf(4, 2, [40, 40], (i) =>
      i % 3 === 0 ? disc(40, 6, white, 8, -4) : fish(40, 40, i * 3),
    );
    expect(guessGrid(sheet, 'sparkle_4x2.png')).toMatchObject({ grid: { columns: 4, rows: 2 }, frames: 8 });
    expect(guessGrid(disc(128, 60, white), 'poster 2x2.png').confidence).toBeLessThan(0.5);
  });
});

test('the PNG files of these tests are read by others', async () => {
  const picture = painted(9, 5, (x, y) => [x * 20, y * 40, 7, 200]);
  const { data } = await sharp(Buffer.from(png(picture)))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([...data]).toEqual([...picture.data]);
});
