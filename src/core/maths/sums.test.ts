import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readSum } from './sums';

const value = (text: string, unit?: string): number | string => {
  const sum = readSum(text, unit);
  return sum.ok ? sum.value : sum.why;
};

describe('sums typed into a field', () => {
  test.each([
    ['12/2', 6],
    ['1+2*3', 7],
    ['(1+2)*3', 9],
    ['-4,5', -4.5],
    ['2 - -3', 5],
    ['.5*4', 2],
    ['10 / 4 / 5', 0.5],
    ['1e2', 100],
    ['3 × 4 ÷ 6', 2],
    ['−2', -2],
  ])('%s is %d', (text, wanted) => expect(value(text)).toBe(wanted));
  test('a unit behind it is understood', () => {
    expect(value('90/2 °', '°')).toBe(45);
    expect(value('12%', '%')).toBe(12);
  });
  test.each([
    ['', 'empty'],
    ['  ', 'empty'],
    ['abc', 'not-a-sum'],
    ['1 2', 'not-a-sum'],
    ['1+', 'not-a-sum'],
    ['(1', 'not-a-sum'],
    ['1)', 'not-a-sum'],
    ['alert(1)', 'not-a-sum'],
    ['12/0', 'by-zero'],
    ['1/(2-2)', 'by-zero'],
    ['1e999', 'not-a-sum'],
    ['9'.repeat(201), 'too-long'],
  ])('%s is %s', (text, why) => expect(value(text)).toBe(why));
  test('whatever is typed gives a finite number or a reason', () =>
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'0123456789.,+-*/() e') }), (text) => {
        const sum = readSum(text);
        expect(sum.ok ? Number.isFinite(sum.value) : sum.why.length > 0).toBe(true);
      }),
    ));
  test('what a number prints as reads back as that number', () =>
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (x) => {
        // -0 prints as 0.
        expect(value(String(x))).toBe(x + 0);
      }),
    ));
});
