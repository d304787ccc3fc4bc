import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { blockOf, layOut, lettersOf, textExtent } from './text-layout';

const text = (words: string, more: Partial<Parameters<typeof blockOf>[0]> = {}) =>
  blockOf({ text: words, align: 'centre', spacing: 0, arc: 0, size: 0.02, ...more });
const half = (): number => 0.5;

describe('laying out text', () => {
  test('a line lies about the middle, letter by letter', () => {
    const letters = layOut(text('TIDE'), half);
    expect(letters.map((l) => l.x)).toEqual([-0.75, -0.25, 0.25, 0.75]);
    expect(letters.every((l) => l.y === 0 && l.turn === 0)).toBe(true);
  });
  test('lines go down, and are aligned left, right and in the middle', () => {
    const xs = (align: 'left' | 'centre' | 'right') =>
      layOut(text('LOW\nTIDE\nA', { align }), half).filter((l) => l.letter === 'A')[0]!.x;
    expect([xs('left'), xs('centre'), xs('right')]).toEqual([-0.75, 0, 0.75]);
    const ys = layOut(text('A\nB\nC'), half).map((l) => l.y);
    expect(ys[0]).toBeGreaterThan(ys[1]!);
    expect(ys[1]).toBe(0);
  });
  test('on an arc every letter is as far from the centre, and leans with the circle', () => {
    const letters = layOut(text('LOW TIDE TONIGHT', { arc: 120 }), half);
    const radius = 8 / ((120 * Math.PI) / 180);
    for (const { x, y, turn } of letters) {
      expect(Math.hypot(x, y + radius)).toBeCloseTo(radius, 9);
      expect(Math.atan2(x, y + radius)).toBeCloseTo((-turn * Math.PI) / 180, 9);
    }
    const ends = letters[0]!;
    expect(ends.y).toBeLessThan(-1);
    expect(ends.turn).toBeGreaterThan(50);
  });
  test('below zero it bends like a bowl', () => {
    const [first, ...rest] = layOut(text('TONIGHT', { arc: -90 }), half);
    expect(first!.y).toBeGreaterThan(rest[2]!.y);
    expect(first!.turn).toBeLessThan(0);
  });
  test('an arc of nearly nothing is a straight line', () => {
    const straight = layOut(text('TONIGHT'), half);
    layOut(text('TONIGHT', { arc: 0.01 }), half).forEach((l, i) => {
      expect(l.x).toBeCloseTo(straight[i]!.x, 4);
      expect(l.y).toBeCloseTo(0, 3);
    });
  });
  test('letters are what readers see as one', () => {
    expect(lettersOf('né🐢👨‍👩‍👧')).toEqual(['n', 'é', '🐢', '👨‍👩‍👧']);
  });
  test('the extent holds every letter, and is never empty', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), fc.integer({ min: -350, max: 350 }), (words, arc) => {
        const block = text(words, { arc });
        const { low, high } = textExtent(block);
        expect(high[0]).toBeGreaterThan(low[0]);
        expect(high[1]).toBeGreaterThan(low[1]);
        for (const { x, y } of layOut(block)) {
          expect(x * 0.02).toBeGreaterThanOrEqual(low[0]);
          expect(y * 0.02).toBeLessThanOrEqual(high[1]);
        }
      }),
    ));
});
