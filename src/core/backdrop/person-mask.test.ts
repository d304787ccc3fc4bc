import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  distanceOf,
  edged,
  edgePixels,
  FEATHER_MOST,
  GROW_MOST,
  inverseErf,
  isPlainEdge,
} from './person-mask';

/** Abramowitz and Stegun 7.1.26, within 1.5e-7. */
const erf = (x: number): number => {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
      t *
      Math.exp(-x * x);
  return Math.sign(x) * y;
};
/** A straight edge, blurred: at `x` pixels inside of it. */
const blurredAt = (x: number, deviation: number): number => 0.5 * (1 + erf(x / (deviation * Math.SQRT2)));
const HEIGHT = 1280;
const settings = fc.record({
  feather: fc.double({ min: 0.02, max: 1, noNaN: true }),
  grow: fc.double({ min: -1, max: 1, noNaN: true }),
});

describe('the edge of the person mask', () => {
  test('the inverse error function', () => {
    for (const x of [-1.5, -0.7, -0.1, 0.2, 0.9, 1.4]) expect(inverseErf(erf(x))).toBeCloseTo(x, 2);
    expect(Number.isFinite(inverseErf(1))).toBe(true);
    expect(inverseErf(-1)).toBe(-inverseErf(1));
  });
  test('distances come back from the blur, to a fiftieth of the deviation', () => {
    for (const x of [-30, -12, 0, 7, 30])
      expect(Math.abs(distanceOf(blurredAt(x, 20), 20) - x)).toBeLessThan(0.4);
  });
  test('a straight edge is half there where it was moved to, and as wide as its feather', () => {
    fc.assert(
      fc.property(settings, (edge) => {
        const pixels = edgePixels(edge, HEIGHT);
        const at = (x: number): number => edged(blurredAt(x, pixels.deviation), pixels);
        const slack = 0.02 * pixels.deviation;
        const part = (x: number): number => x / pixels.feather;
        expect(Math.abs(at(-pixels.grow) - 0.5)).toBeLessThan(0.01 + part(slack));
        const half = pixels.feather / 2;
        expect(at(-pixels.grow - half)).toBeLessThan(0.02 + part(slack));
        expect(at(-pixels.grow + half)).toBeGreaterThan(0.98 - part(slack));
      }),
    );
  });
  test('widths are shares of the height: a feather of 0.3 is 31 pixels of 1280', () => {
    const { feather, grow } = edgePixels({ feather: 0.3, grow: -0.5 }, HEIGHT);
    expect(feather).toBeCloseTo(0.3 * FEATHER_MOST * HEIGHT, 9);
    expect(feather).toBeCloseTo(30.72, 9);
    expect(grow).toBeCloseTo(-0.5 * GROW_MOST * HEIGHT, 9);
    expect(edgePixels({ feather: 0, grow: 0 }, HEIGHT).feather).toBe(1);
    expect(isPlainEdge({ feather: 0, grow: 0 })).toBe(true);
    expect(isPlainEdge({ feather: 0, grow: 0.1 })).toBe(false);
  });
});
