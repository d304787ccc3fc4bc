import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Rgb } from '../../maths/blend';
import { painted, text } from '../testing';
import { readCube, writeCube } from './cube';
import { looksLikeTable, readStrip } from './strip';
import { identityTable, lookUp, tableOf } from './table';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const colour = fc.tuple(unit, unit, unit);
const near = (a: Rgb, b: Rgb, digits = 5) => a.forEach((x, i) => expect(x).toBeCloseTo(b[i]!, digits));

describe('colour tables', () => {
  test('the identity changes nothing, in one and three dimensions', () => {
    fc.assert(
      fc.property(colour, fc.integer({ min: 2, max: 20 }), fc.constantFrom(1, 3), (c, size, dimensions) =>
        near(lookUp(identityTable(size, dimensions as 1 | 3), c), c),
      ),
    );
  });
  test('tetrahedra are exact for what is linear, and between corners known by hand', () => {
    const linear = (c: Rgb): Rgb => [0.2 + 0.5 * c[0] + 0.1 * c[2], 1 - c[1], 0.3 * c[0] + 0.3 * c[1]];
    const table = tableOf('Linear', 5, linear);
    fc.assert(fc.property(colour, (c) => near(lookUp(table, c), linear(c))));
    // One cell whose only lit corner is red + green: only the two tetrahedra at that corner see it.
    const corner = tableOf('Corner', 2, ([r, g, b]) =>
      r === 1 && g === 1 && b === 0 ? [1, 0, 0] : [0, 0, 0],
    );
    expect(lookUp(corner, [0.8, 0.6, 0.1])[0]).toBeCloseTo(0.5, 9);
    expect(lookUp(corner, [0.1, 0.2, 0.9])[0]).toBe(0);
  });
  test('colours outside the domain are held at its edge', () => {
    near(lookUp(identityTable(9), [-1, 2, 0.5]), [0, 1, 0.5]);
  });
});

describe('.cube', () => {
  test('what is written is read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 5 }),
        fc.constantFrom(1, 3),
        fc.array(unit, { minLength: 375, maxLength: 375 }),
        (size, dimensions, values) => {
          const table = {
            ...identityTable(size, dimensions as 1 | 3),
            title: 'Deep "blue"',
            low: [0, 0, -1] as Rgb,
          };
          table.data.set(values.slice(0, table.data.length));
          const read = readCube(writeCube(table), 'deep.cube');
          expect(read).toMatchObject({
            title: "Deep 'blue'",
            size,
            dimensions,
            low: [0, 0, -1],
            high: [1, 1, 1],
          });
          read.data.forEach((x, i) => expect(x).toBeCloseTo(table.data[i]!, 5));
        },
      ),
      { numRuns: 30 },
    );
  });
  test('comments, blank lines, ranges and line ends of any kind', () => {
    const read = readCube(
      text(
        '# made by hand\r\nTITLE "x"\r\nLUT_1D_SIZE 2\r\nLUT_1D_INPUT_RANGE 0 2\r\n\r\n0 0 0\r\n1 .5 1e-1\r\n',
      ),
      'x.cube',
    );
    expect(read).toMatchObject({ dimensions: 1, size: 2, high: [2, 2, 2] });
    expect(read.data[5]).toBeCloseTo(0.1);
  });
  const of = (lines: string) => `LUT_3D_SIZE 2\n${lines}`;
  const eight = '0 0 0\n'.repeat(8);
  test.each<[string, string, string]>([
    ['too few colours', of(eight.slice(0, -6)), 'table.cut-off'],
    ['too many colours', of(`${eight}0 0 0`), 'table.broken'],
    ['words among the colours', of(`0 0 x\n${eight}`), 'table.broken'],
    ['two numbers', of('0 0\n'), 'table.broken'],
    ['a size of one', 'LUT_3D_SIZE 1\n0 0 0', 'table.broken'],
    ['a size beyond all measure', 'LUT_3D_SIZE 4000\n0 0 0', 'table.broken'],
    ['two sizes', `LUT_1D_SIZE 2\nLUT_3D_SIZE 2\n${eight}`, 'table.broken'],
    ['a heading among the colours', of(`0 0 0\nDOMAIN_MIN 0 0 0\n`), 'table.broken'],
    ['a domain that ends before it begins', `LUT_3D_SIZE 2\nDOMAIN_MAX 0 0 0\n${eight}`, 'table.broken'],
    ['no colours', 'LUT_3D_SIZE 2\n', 'table.broken'],
    ['nothing', '', 'table.broken'],
  ])('%s is a sentence', (_what, file, code) => {
    expect(() => readCube(text(file), 'deep.cube')).toThrow(
      expect.objectContaining({ name: 'IconiaError', code, message: expect.stringContaining('deep.cube') }),
    );
  });
});

describe('tables painted as pictures', () => {
  const strip = (size: number, across: number) =>
    painted(size * across, (size * size) / across, (x, y) => {
      const blue = Math.floor(x / size) + across * Math.floor(y / size);
      const value = (n: number) => Math.round((n / (size - 1)) * 255);
      return [value(x % size), value(y % size), value(blue), 255];
    });
  test.each([
    [16, 16],
    [4, 2],
    [16, 4],
  ])('a strip of %i steps, %i across', (size, across) => {
    const table = readStrip(strip(size, across))!;
    expect(table.size).toBe(size);
    expect(looksLikeTable(table)).toBe(true);
    near(lookUp(table, [0.3, 0.6, 0.9]), [0.3, 0.6, 0.9], 2);
  });
  test('other pictures are none', () => {
    expect(readStrip(painted(30, 20, () => [0, 0, 0, 255]))).toBeNull();
    const photo = readStrip(
      painted(256, 16, (x, y) => [(x * 37) % 256, (y * 91) % 256, (x * y) % 256, 255]),
    )!;
    expect(looksLikeTable(photo)).toBe(false);
  });
});
