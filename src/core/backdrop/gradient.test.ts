import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newFill } from '../kinds/objects/fill';
import type { Fill, ObjectId } from '../document/schema';
import { rgbOf } from '../maths/srgb';
import { alongGradient, fillAt } from './gradient';

const fill = (change: Partial<Fill>): Fill => ({ ...newFill('obj_fill' as ObjectId, 0), ...change });

describe('colour fields', () => {
  test('one colour is the same everywhere', () => {
    expect(rgbOf('#ff8000')).toEqual([1, 128 / 255, 0]);
    expect(fillAt(fill({ tint: '#ff8000' }), 0.2, 0.9)).toEqual([1, 128 / 255, 0]);
  });
  test('a gradient runs upwards at 0, to the right at 90, and ends in the corners at any angle', () => {
    const run = (angle: number, x: number, y: number): number =>
      alongGradient({ gradient: 'linear', angle }, x, y, [9, 16]);
    expect(run(0, 0.3, 1)).toBeCloseTo(0, 9);
    expect(run(0, 0.3, 0)).toBeCloseTo(1, 9);
    expect(run(90, 0, 0.4)).toBeCloseTo(0, 9);
    expect(run(90, 1, 0.4)).toBeCloseTo(1, 9);
    // CSS: at 45 degrees it runs from one corner to the other.
    expect(run(45, 0, 1)).toBeCloseTo(0, 9);
    expect(run(45, 1, 0)).toBeCloseTo(1, 9);
    expect(run(45, 0.5, 0.5)).toBeCloseTo(0.5, 9);
  });
  test('a radial one is its first colour in the middle and its last in the corners', () => {
    const radial = fill({ gradient: 'radial', tint: '#000000', to: '#ffffff' });
    expect(fillAt(radial, 0.5, 0.5)).toEqual([0, 0, 0]);
    expect(fillAt(radial, 0, 1)[0]).toBeCloseTo(1, 9);
  });
  test('colours lie between the two ends', () => {
    const unit = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(unit, unit, fc.double({ min: -360, max: 360, noNaN: true }), (x, y, angle) => {
        const [r, g] = fillAt(fill({ tint: '#200000', to: '#802000', angle }), x, y);
        expect(r).toBeGreaterThanOrEqual(32 / 255 - 1e-9);
        expect(r).toBeLessThanOrEqual(128 / 255 + 1e-9);
        expect(g).toBeLessThanOrEqual(32 / 255 + 1e-9);
      }),
    );
  });
});
