import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { blendOver, type Rgb } from '../maths/blend';
import { after, affineOf, applyAffine, isAffine, UNCHANGED, type AffineMode } from './affine';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const rgb = fc.tuple(unit, unit, unit) as fc.Arbitrary<Rgb>;
const mode = fc.constantFrom<AffineMode>('normal', 'multiply', 'screen', 'plus-lighter');
const layer = fc.record({ mode, colour: rgb, alpha: unit });

describe('layers as affine maps', () => {
  test('one layer does what the blend formulas say', () => {
    fc.assert(
      fc.property(layer, rgb, (l, skin) => {
        const got = applyAffine(affineOf(l.mode, l.colour, l.alpha), skin);
        const expected = blendOver(l.mode, skin, l.colour, l.alpha);
        for (const i of [0, 1, 2] as const) expect(got[i]).toBeCloseTo(expected[i], 9);
      }),
    );
  });

  test('twenty layers flattened are those twenty one after the other', () => {
    // Adding light is cut at white; layers above a cut would see less than the flattened map keeps.
    const uncut = fc.record({
      mode: fc.constantFrom<AffineMode>('normal', 'multiply', 'screen'),
      colour: rgb,
      alpha: unit,
    });
    fc.assert(
      fc.property(fc.array(uncut, { minLength: 20, maxLength: 20 }), rgb, (layers, skin) => {
        const flat = layers.reduce((map, l) => after(map, affineOf(l.mode, l.colour, l.alpha)), UNCHANGED);
        const expected = layers.reduce((c, l) => blendOver(l.mode, c, l.colour, l.alpha), skin);
        const got = applyAffine(flat, skin);
        for (const i of [0, 1, 2] as const) expect(got[i]).toBeCloseTo(expected[i], 9);
      }),
    );
  });

  test('a layer that is not there changes nothing', () => {
    for (const m of ['normal', 'multiply', 'screen', 'plus-lighter'] as const)
      expect(affineOf(m, [0.2, 0.5, 0.9], 0)).toEqual(UNCHANGED);
  });

  test('modes that look at the skin in another way are none', () => {
    expect(isAffine('overlay')).toBe(false);
    expect(isAffine('soft-light')).toBe(false);
    expect(isAffine('screen')).toBe(true);
  });
});
