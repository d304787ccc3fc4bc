import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evenOutline } from './drawn-outline';
import type { Spot } from './skin-spot';

test('a square keeps its way round, in equal steps', () => {
  const line: Spot[] = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ];
  const out = evenOutline(line, 8)!;
  expect(out).toHaveLength(8);
  expect(out[0]).toEqual([0, 0]);
  expect(out[1]![0]).toBeCloseTo(0.5, 9);
  expect(out[5]![0]).toBeCloseTo(0.5, 9);
  expect(out[5]![1]).toBeCloseTo(1, 9);
});

test('whatever is drawn, corners stay on the layout and are never too many', () => {
  const unit = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(fc.array(fc.tuple(unit, unit), { maxLength: 200 }), fc.nat(100), (line, count) => {
      const out = evenOutline(line, count);
      if (!out) return;
      expect(out.length).toBeLessThanOrEqual(48);
      for (const [u, v] of out) {
        expect(u).toBeGreaterThanOrEqual(-1e-9);
        expect(u).toBeLessThanOrEqual(1 + 1e-9);
        expect(v).toBeGreaterThanOrEqual(-1e-9);
        expect(v).toBeLessThanOrEqual(1 + 1e-9);
      }
    }),
  );
});

test('a stroke there and back encloses nothing', () =>
  expect(
    evenOutline([
      [0, 0],
      [1, 1],
      [0, 0],
    ]),
  ).toBeNull());
