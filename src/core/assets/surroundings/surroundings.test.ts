import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { join, text, u32le } from '../testing';
import { readExrHeader } from './exr-header';
import { peakOf, shrinkFloat, type FloatRaster } from './float-raster';
import { readRadiance, writeRadiance } from './radiance';

const light = (
  width: number,
  height: number,
  value: (x: number, y: number, c: number) => number,
): FloatRaster => {
  const data = new Float32Array(width * height * 3);
  for (let i = 0; i < data.length; i++)
    data[i] = value(Math.floor(i / 3) % width, Math.floor(i / 3 / width), i % 3);
  return { width, height, data };
};
const refusal = (code: string) =>
  expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining('sky.hdr') });

describe('Radiance', () => {
  test('what is written is read back, to the precision of its eight bits', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 6 }),
        fc.array(fc.double({ min: 1e-4, max: 5000, noNaN: true }), { minLength: 720, maxLength: 720 }),
        (width, height, values) => {
          const sky = light(width, height, (x, y) => values[(x + y * width) % 720]!);
          const read = readRadiance(writeRadiance(sky), 'sky.hdr');
          expect(read).toMatchObject({ width, height });
          read.data.forEach((x, i) => expect(Math.abs(x / sky.data[i]! - 1)).toBeLessThan(0.01));
        },
      ),
      { numRuns: 60 },
    );
  });
  test('even light is small, and a sun is kept', () => {
    const sky = light(64, 32, (x, y) => (x === 10 && y === 5 ? 4000 : 0.5));
    const bytes = writeRadiance(sky);
    expect(bytes.length).toBeLessThan(64 * 32 * 4 * 0.2);
    expect(peakOf(readRadiance(bytes, 'sky.hdr'))).toBeCloseTo(4000, -2);
  });
  test('flat pixels, old runs and exposure', () => {
    const head = (more = '') => text(`#?RGBE\nFORMAT=32-bit_rle_rgbe\n${more}\n-Y 1 +X 4\n`);
    const pixel = [128, 64, 32, 129];
    const plain = readRadiance(join(head(), pixel, pixel, pixel, pixel), 'sky.hdr');
    expect([...plain.data.slice(9)]).toEqual([...plain.data.slice(0, 3)]);
    expect(plain.data[0]).toBeCloseTo(1, 1);
    expect(readRadiance(join(head(), pixel, [1, 1, 1, 3]), 'sky.hdr').data).toEqual(plain.data);
    expect(readRadiance(join(head('EXPOSURE=2\n'), pixel, [1, 1, 1, 3]), 'sky.hdr').data[0]).toBeCloseTo(
      0.5,
      1,
    );
  });
  const whole = writeRadiance(light(16, 8, (x, y, c) => x + y + c));
  test('cut off anywhere', () => {
    for (let end = 0; end < whole.length; end++)
      expect(() => readRadiance(whole.slice(0, end), 'sky.hdr')).toThrow(
        expect.objectContaining({ name: 'IconiaError', message: expect.stringContaining('sky.hdr') }),
      );
  });
  test.each<[string, string, string]>([
    ['other colours', '#?RADIANCE\nFORMAT=32-bit_rle_xyze\n\n-Y 1 +X 1\n', 'surroundings.format'],
    ['on its side', '#?RADIANCE\n\n+X 4 -Y 4\n', 'surroundings.turned'],
    ['larger than the world', '#?RADIANCE\n\n-Y 99999 +X 99999\n', 'surroundings.too-large'],
    ['of no size', '#?RADIANCE\n\n-Y 0 +X 4\n', 'surroundings.broken'],
  ])('%s is a sentence', (_what, head, code) => {
    expect(() => readRadiance(join(head, new Uint8Array(64)), 'sky.hdr')).toThrow(refusal(code));
  });
});

test('smaller surroundings hold the same light', () => {
  const sky = light(37, 19, (x, y, c) => (x * 7 + y * 3 + c) % 11);
  const mean = ({ data }: FloatRaster) => data.reduce((a, b) => a + b, 0) / data.length;
  const small = shrinkFloat(sky, 8, 4);
  expect(small).toMatchObject({ width: 8, height: 4 });
  expect(mean(small)).toBeCloseTo(mean(sky), 5);
});

describe('the header of OpenEXR', () => {
  const attribute = (name: string, kind: string, value: readonly number[]) =>
    join(name, [0], kind, [0], u32le(value.length), value);
  const exr = (size: readonly number[], compression = 3, flags = 2) =>
    join(
      [0x76, 0x2f, 0x31, 0x01],
      u32le(flags),
      attribute('compression', 'compression', [compression]),
      attribute(
        'dataWindow',
        'box2i',
        size.flatMap((n) => u32le(n)),
      ),
      [0],
    );
  test('tells the size', () =>
    expect(readExrHeader(exr([0, 0, 63, 31]), 'sky.hdr')).toEqual({ width: 64, height: 32 }));
  test.each<[string, Uint8Array, string]>([
    ['several parts', exr([0, 0, 1, 1], 3, 0x1002), 'surroundings.parts'],
    ['another version', exr([0, 0, 1, 1], 3, 3), 'surroundings.broken'],
    ['a packing that is not read', exr([0, 0, 1, 1], 6), 'surroundings.format'],
    ['larger than the world', exr([0, 0, 0x7fffff, 0x7fffff]), 'surroundings.too-large'],
    ['a window turned inside out', exr([5, 5, 1, 1]), 'surroundings.broken'],
    ['the beginning alone', exr([0, 0, 1, 1]).slice(0, 20), 'surroundings.cut-off'],
  ])('%s is a sentence', (_what, bytes, code) => {
    expect(() => readExrHeader(bytes, 'sky.hdr')).toThrow(refusal(code));
  });
});
