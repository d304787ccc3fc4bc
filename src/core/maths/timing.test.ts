import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CSS_EASINGS, cubicBezier, JUMPS, sprung, stepped, type Handles } from './timing';

const unit = fc.double({ min: 0, max: 1, noNaN: true });

describe('cubic-bezier()', () => {
  // Known values of the CSS keywords.
  test.each([
    ['ease', 0.25, 0.40851],
    ['ease', 0.5, 0.8024],
    ['ease', 0.75, 0.96046],
    ['ease-in', 0.5, 0.31536],
    ['ease-out', 0.5, 0.68464],
    ['ease-in-out', 0.25, 0.12916],
    ['ease-in-out', 0.5, 0.5],
    ['linear', 0.3, 0.3],
  ] as const)('%s at %d is %d', (name, x, y) => expect(cubicBezier(CSS_EASINGS[name], x)).toBeCloseTo(y, 4));

  test('lies on the curve, whatever the handles, and runs from 0 to 1', () =>
    fc.assert(
      fc.property(
        fc.tuple(
          unit,
          fc.double({ min: -2, max: 3, noNaN: true }),
          unit,
          fc.double({ min: -2, max: 3, noNaN: true }),
        ),
        unit,
        (handles, t) => {
          const [x1, y1, x2, y2] = handles as Handles;
          const at = (a: number, b: number) => 3 * (1 - t) ** 2 * t * a + 3 * (1 - t) * t * t * b + t ** 3;
          // Where the curve stands upright one x has many y.
          const upright = 3 * (1 - t) ** 2 * x1 + 6 * (1 - t) * t * (x2 - x1) + 3 * t * t * (1 - x2) < 0.02;
          if (!upright) expect(cubicBezier([x1, y1, x2, y2], at(x1, x2))).toBeCloseTo(at(y1, y2), 4);
          expect(cubicBezier([x1, y1, x2, y2], -1)).toBe(0);
          expect(cubicBezier([x1, y1, x2, y2], 7)).toBe(1);
        },
      ),
    ));

  test('straight handles are no easing; handles beyond 0 and 1 overshoot', () => {
    expect(cubicBezier([0.2, 0.2, 0.7, 0.7], 0.44)).toBeCloseTo(0.44, 6);
    const most = Math.max(...Array.from({ length: 99 }, (_, i) => cubicBezier([0.3, 1.6, 0.5, 1], i / 98)));
    expect(most).toBeGreaterThan(1.05);
  });
});

describe('steps()', () => {
  // CSS Easing Functions Level 1, 2.3.1, figure 4.
  test.each([
    ['start', [1 / 3, 2 / 3, 1]],
    ['end', [0, 1 / 3, 2 / 3]],
    ['none', [0, 0.5, 1]],
    ['both', [0.25, 0.5, 0.75]],
  ] as const)('three of them, jump-%s', (jump, wanted) =>
    [0.1, 0.4, 0.9].forEach((t, i) => expect(stepped(3, jump, t)).toBeCloseTo(wanted[i]!, 9)),
  );

  test('never fall, and end at 1', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -3, max: 40 }),
        fc.constantFrom(...JUMPS),
        unit,
        unit,
        (n, jump, a, b) => {
          const [from, to] = [Math.min(a, b), Math.max(a, b)];
          expect(stepped(n, jump, to)).toBeGreaterThanOrEqual(stepped(n, jump, from));
          expect(stepped(n, jump, 1)).toBe(1);
          expect(stepped(n, jump, from)).toBeGreaterThanOrEqual(0);
        },
      ),
    ));
});

describe('a spring', () => {
  const path = (swings: number, damping: number) =>
    Array.from({ length: 401 }, (_, i) => sprung({ swings, damping }, i / 400));

  test('swings over as often as it is set, less each time', () => {
    const over = path(3, 0.15);
    const peaks = over.filter((y, i) => i > 0 && i < 400 && y > over[i - 1]! && y >= over[i + 1]!);
    expect(peaks).toHaveLength(3);
    for (let i = 1; i < peaks.length; i++) expect(peaks[i]! - 1).toBeLessThan(peaks[i - 1]! - 1);
  });

  test('damped wholly it does not swing over, and it never goes back', () => {
    const calm = path(1.5, 1);
    expect(Math.max(...calm)).toBeLessThan(1.02);
    for (let i = 1; i < calm.length; i++) expect(calm[i]!).toBeGreaterThan(calm[i - 1]! - 0.005);
  });

  test('begins at 0, rests at 1, and stays within sane bounds', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 12, noNaN: true }), unit, unit, (swings, damping, t) => {
        expect(sprung({ swings, damping }, 0)).toBe(0);
        expect(sprung({ swings, damping }, 1)).toBe(1);
        expect(Math.abs(sprung({ swings, damping }, t))).toBeLessThan(2.2);
      }),
    ));
});
