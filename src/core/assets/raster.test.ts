import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  blank,
  blit,
  crop,
  isTransparent,
  multipliedOut,
  opaqueBox,
  shrink,
  within,
  type Raster,
} from './raster';
import { disc, painted, plain, type Rgba } from './testing';

const pixel = ({ data, width }: Raster, x: number, y: number): number[] => [
  ...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 4),
];
const anyPicture = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
  .chain(([width, height]) =>
    fc
      .uint8Array({ minLength: width * height * 4, maxLength: width * height * 4 })
      .map((data): Raster => ({ width, height, data })),
  );

describe('cutting and pasting', () => {
  test('a picture pasted and cut out again is the same', () => {
    fc.assert(
      fc.property(anyPicture, fc.nat(9), fc.nat(9), (picture, left, top) => {
        const sheet = blank(24, 24);
        blit(picture, sheet, left, top);
        const { width, height } = picture;
        expect([...crop(sheet, { left, top, width, height }).data]).toEqual([...picture.data]);
      }),
    );
  });
  test('what lies outside is left out, on every side', () => {
    const red: Rgba = [255, 0, 0, 255];
    for (const [left, top] of [
      [-2, -2],
      [3, -2],
      [-2, 3],
      [3, 3],
      [9, 9],
      [-9, 0],
    ] as const) {
      const sheet = blank(4, 4);
      blit(plain(3, 3, red), sheet, left, top);
      for (let y = 0; y < 4; y++)
        for (let x = 0; x < 4; x++) {
          const covered = x >= left && x < left + 3 && y >= top && y < top + 3;
          expect(pixel(sheet, x, y)).toEqual(covered ? red : [0, 0, 0, 0]);
        }
    }
  });
});

describe('what is painted', () => {
  test('the box around it is the smallest', () => {
    fc.assert(
      fc.property(
        fc.nat(6),
        fc.nat(6),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 6 }),
        (left, top, width, height) => {
          const picture = blank(12, 12);
          blit(plain(width, height, [1, 2, 3, 1]), picture, left, top);
          expect(opaqueBox(picture)).toEqual({ left, top, width, height });
        },
      ),
    );
    expect(opaqueBox(blank(5, 5))).toBeNull();
  });
  test('one pixel that lets something through counts as transparency', () => {
    const picture = plain(5, 5, [9, 9, 9, 255]);
    expect(isTransparent(picture)).toBe(false);
    picture.data[4 * 12 + 3] = 254;
    expect(isTransparent(picture)).toBe(true);
  });
});

describe('making smaller', () => {
  test('the mean of a wholly opaque picture stays', () => {
    fc.assert(
      fc.property(
        anyPicture,
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        (picture, w, h) => {
          const data = Uint8Array.from(picture.data);
          for (let i = 3; i < data.length; i += 4) data[i] = 255;
          const mean = (r: Raster): number =>
            [...r.data].reduce((s, x, i) => (i % 4 === 0 ? s + x : s), 0) / (r.width * r.height);
          const small = shrink({ ...picture, data }, w, h);
          expect([small.width, small.height]).toEqual(
            w >= picture.width && h >= picture.height
              ? [picture.width, picture.height]
              : [Math.min(w, picture.width), Math.min(h, picture.height)],
          );
          // Each pixel is rounded by half a step at most.
          expect(Math.abs(mean(small) - mean({ ...picture, data }))).toBeLessThanOrEqual(0.5);
        },
      ),
    );
  });
  test('a colour does not darken where it fades out', () => {
    const half = painted(8, 8, (x) => (x < 3 ? [240, 80, 20, 255] : [0, 0, 0, 0]));
    const small = shrink(half, 2, 2);
    expect(pixel(small, 0, 0)).toEqual([240, 80, 20, 191]);
    expect(pixel(small, 1, 0)).toEqual([0, 0, 0, 0]);
  });
  test('each pixel is the mean of the area it covers', () => {
    const picture = painted(64, 32, (x, y) => [(x * 37) % 256, (y * 53) % 256, (x * y) % 256, 255]);
    const small = shrink(picture, 16, 8);
    for (const [x, y] of [
      [0, 0],
      [7, 3],
      [15, 7],
    ] as const) {
      const sum = [0, 0, 0];
      for (let j = 0; j < 4; j++)
        for (let i = 0; i < 4; i++)
          pixel(picture, x * 4 + i, y * 4 + j)
            .slice(0, 3)
            .forEach((value, c) => (sum[c] = sum[c]! + value));
      expect(pixel(small, x, y).slice(0, 3)).toEqual(sum.map((s) => Math.round(s / 16)));
    }
  });
  test('never larger than it is', () => {
    const picture = disc(10, 4, [1, 2, 3, 255]);
    expect(shrink(picture, 20, 20)).toBe(picture);
    expect(shrink(picture, 5, 20)).toMatchObject({ width: 5, height: 10 });
  });
  test('proportions are kept within a longest side', () => {
    expect(within(4000, 1000, 1024)).toEqual({ width: 1024, height: 256 });
    expect(within(300, 200, 1024)).toEqual({ width: 300, height: 200 });
    expect(within(9000, 1, 1024)).toEqual({ width: 1024, height: 1 });
    expect(within(300, 200, null)).toEqual({ width: 300, height: 200 });
  });
});

test('colours that were multiplied by their opacity come back to within what was rounded away', () => {
  fc.assert(
    fc.property(anyPicture, (picture) => {
      const { width, height } = picture;
      const multiplied = Uint8Array.from(picture.data, (v, i) =>
        i % 4 === 3 ? v : Math.round((v * picture.data[i - (i % 4) + 3]!) / 255),
      );
      const { data } = multipliedOut({ width, height, data: multiplied });
      for (let i = 0; i < data.length; i++) {
        const alpha = picture.data[i - (i % 4) + 3]!;
        if (i % 4 === 3 || alpha === 255) expect(data[i]).toBe(picture.data[i]);
        else if (alpha > 0)
          expect(Math.abs(data[i]! - picture.data[i]!)).toBeLessThanOrEqual(255 / alpha / 2 + 0.5);
      }
    }),
  );
});
