import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CSS_EASINGS } from '../maths/timing';
import { remapped, type Remap } from './remap';

const straight: Remap = { from: [0, 100], to: [8, 0.2], curve: CSS_EASINGS.linear, bounded: true };

test('a slider that runs backwards: 8 s a turn at its start, 0.2 s at its end', () => {
  expect(remapped(0, straight)).toBe(8);
  expect(remapped(100, straight)).toBeCloseTo(0.2, 9);
  expect(remapped(50, straight)).toBeCloseTo(4.1, 6);
});

test('beyond its ends it stays, or goes on in a straight line', () => {
  expect(remapped(150, straight)).toBe(0.2);
  expect(remapped(-10, straight)).toBe(8);
  expect(remapped(200, { ...straight, to: [0, 1], bounded: false })).toBeCloseTo(2, 9);
});

test('a curve bends the way between, not its ends', () => {
  const eased = { ...straight, from: [0, 1], to: [0, 10], curve: CSS_EASINGS['ease-in'] } as const;
  expect(remapped(0.5, eased)).toBeCloseTo(3.1536, 3);
  expect([remapped(0, eased), remapped(1, eased)]).toEqual([0, 10]);
});

test('there and back again for any ranges; no width and no number stay sane', () => {
  const number = fc.double({ min: -100, max: 100, noNaN: true });
  fc.assert(
    fc.property(
      number,
      number,
      number,
      number,
      fc.double({ min: 0, max: 1, noNaN: true }),
      (a, b, c, d, t) => {
        fc.pre(Math.abs(a - b) > 0.01 && Math.abs(c - d) > 0.01);
        const there: Remap = { from: [a, b], to: [c, d], curve: CSS_EASINGS.linear, bounded: true };
        const back: Remap = { ...there, from: [c, d], to: [a, b] };
        const value = a + t * (b - a);
        expect(remapped(remapped(value, there), back)).toBeCloseTo(value, 4);
      },
    ),
  );
  expect(remapped(3, { ...straight, from: [3, 3] })).toBeCloseTo(4.1, 6);
  expect(remapped(NaN, straight)).toBe(8);
});
