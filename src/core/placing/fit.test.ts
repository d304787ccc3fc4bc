import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newFill } from '../kinds/objects/fill';
import { newCard } from '../kinds/objects/card';
import { sampleAsset } from '../document/sample';
import type { ObjectId } from '../document/schema';
import { SCREEN_HEIGHT } from './anchors';
import { fitFactors, fitMatrix, fitOf, tileCounts } from './fit';

const side = fc.double({ min: 0.005, max: 2, noNaN: true });
const aspect = fc.double({ min: 0.3, max: 3, noNaN: true });

describe('filling the screen', () => {
  test('cover leaves nothing bare, contain cuts nothing off, both keep the shape; stretch meets all edges', () => {
    fc.assert(
      fc.property(side, side, aspect, (w, h, a) => {
        const [sw, sh] = [SCREEN_HEIGHT * a, SCREEN_HEIGHT];
        const cover = fitFactors('cover', [w, h], a);
        expect(cover[0]).toBe(cover[1]);
        expect(Math.min((w * cover[0]) / sw, (h * cover[1]) / sh)).toBeCloseTo(1, 9);
        const contain = fitFactors('contain', [w, h], a);
        expect(contain[0]).toBe(contain[1]);
        expect(Math.max((w * contain[0]) / sw, (h * contain[1]) / sh)).toBeCloseTo(1, 9);
        const stretch = fitFactors('stretch', [w, h], a);
        expect(w * stretch[0]).toBeCloseTo(sw, 9);
        expect(h * stretch[1]).toBeCloseTo(sh, 9);
      }),
    );
  });
  test('tiles keep their size: half as large, twice as many', () => {
    expect(tileCounts([0.03, 0.04], [1, 1, 1], 9 / 16)).toEqual([3, 4]);
    expect(tileCounts([0.03, 0.04], [0.5, 0.5, 1], 9 / 16)).toEqual([6, 8]);
  });
  test('only flat things on the screen or behind people fill it', () => {
    const fill = { ...newFill('obj_fill' as ObjectId, 0, { kind: 'backdrop' }) };
    expect(fitOf(fill, 'backdrop')).toBe('stretch');
    expect(fitOf(fill, 'space')).toBeNull();
    expect(
      fitOf({ ...newCard('obj_card' as ObjectId, sampleAsset(1), 0), fit: 'free' }, 'screen'),
    ).toBeNull();
  });
  test('the place is the middle of the screen, at the depth the thing had', () => {
    const m = fitMatrix('stretch', [0.08, 0.08], 0.5, 0.003);
    expect(m[0]).toBeCloseTo(1, 9);
    expect(m[5]).toBeCloseTo(2, 9);
    expect([m[12], m[13], m[14]]).toEqual([0, 0, 0.003]);
  });
});
