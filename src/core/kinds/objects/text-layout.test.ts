import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  hasRightToLeft,
  layOut,
  lettersOf,
  runsRightToLeft,
  textExtent,
  type Lettering,
} from './text-layout';

const text = (words: string, more: Partial<Lettering> = {}): Lettering => ({
  text: words,
  align: 'centre',
  spacing: 0,
  arc: 0,
  size: 0.02,
  ...more,
});
/** Every letter is half as wide as high. */
const half = (line: string): number => line.length / 2;

describe('laying out text', () => {
  test('a line lies about the middle', () => {
    const { lines, isBent, bent } = layOut(text('TIDE'), half);
    expect(lines).toEqual([{ text: 'TIDE', left: -1, width: 2, y: 0 }]);
    expect([isBent, bent(0.3, 0.1)]).toEqual([false, { x: 0.3, y: 0.1, turn: 0 }]);
  });
  test('lines go down, and are aligned left, right and in the middle', () => {
    const left = (align: Lettering['align']) => layOut(text('LOW\nTIDE\nA', { align }), half).lines[2]!.left;
    expect([left('left'), left('centre'), left('right')]).toEqual([-1, -0.25, 0.5]);
    const ys = layOut(text('A\nB\nC'), half).lines.map((l) => l.y);
    expect(ys[0]).toBeGreaterThan(ys[1]!);
    expect(ys[1]).toBe(0);
  });
  test('without a measurement letters are usual ones, with their space between', () => {
    expect(layOut(text('AB', { spacing: 0.5 })).lines[0]!.width).toBeCloseTo(2 * 0.48 + 0.5, 9);
    expect(layOut(text('', { spacing: 0.5 })).lines[0]!.width).toBe(0);
  });
  test('on an arc every point of a line is as far from the centre, and leans with the circle', () => {
    const { lines, bent } = layOut(text('LOW TIDE TONIGHT', { arc: 120 }), half);
    const radius = 8 / ((120 * Math.PI) / 180);
    const [{ left, width }] = lines as [(typeof lines)[0]];
    for (const share of [0, 0.3, 0.5, 1]) {
      const { x, y, turn } = bent(left + share * width, 0);
      expect(Math.hypot(x, y + radius)).toBeCloseTo(radius, 9);
      expect(Math.atan2(x, y + radius)).toBeCloseTo((-turn * Math.PI) / 180, 9);
    }
    const end = bent(left, 0);
    expect(end.y).toBeLessThan(-1);
    expect(end.turn).toBeCloseTo(60, 9);
  });
  test('below zero it bends like a bowl', () => {
    const { bent } = layOut(text('TONIGHT', { arc: -90 }), half);
    expect(bent(-1.75, 0).y).toBeGreaterThan(bent(0, 0).y);
    expect(bent(-1.75, 0).turn).toBeCloseTo(-45, 9);
  });
  test('an arc of nearly nothing is a straight line', () => {
    const { bent } = layOut(text('TONIGHT', { arc: 0.01 }), half);
    expect(bent(1.2, 0).x).toBeCloseTo(1.2, 4);
    expect(bent(1.2, 0).y).toBeCloseTo(0, 3);
  });
  test('letters are what readers see as one', () => {
    expect(lettersOf('né🐢👨‍👩‍👧')).toEqual(['n', 'é', '🐢', '👨‍👩‍👧']);
  });
  test('the first letter says which way a line runs', () => {
    expect(['גאות', 'مد 7', '7 مد', 'tide מים', '12'].map(runsRightToLeft)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ]);
    expect(['tide מים', 'tide'].map(hasRightToLeft)).toEqual([true, false]);
  });
  test('the extent holds every line, and is never empty', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), fc.integer({ min: -350, max: 350 }), (words, arc) => {
        const lettering = text(words, { arc });
        const { low, high } = textExtent(lettering);
        expect(high[0]).toBeGreaterThan(low[0]);
        expect(high[1]).toBeGreaterThan(low[1]);
        const { lines, bent } = layOut(lettering);
        for (const { left, width, y } of lines)
          for (const share of [0, 0.21, 0.5, 1]) {
            const at = bent(left + share * width, y);
            expect(at.x * 0.02).toBeGreaterThanOrEqual(low[0]);
            expect(at.x * 0.02).toBeLessThanOrEqual(high[0]);
            expect(at.y * 0.02).toBeLessThanOrEqual(high[1]);
          }
      }),
    ));
});
