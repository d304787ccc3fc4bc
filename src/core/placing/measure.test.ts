import { describe, expect, test } from '@jest/globals';
import { measure, distanceToHead } from './measure';
import { restOf } from './rest';
import { box, effectWith, id } from './testing';

import { FLOOR } from '../edits/testing';

describe('the measuring aid', () => {
  test('sizes in metres, through groups and turns; distance from the head, the picture, the ground', () => {
    const effect = effectWith([box('aaaa', FLOOR, { move: [0, 0.5, 0], scale: [1, 2, 1] })]);
    const found = measure(effect, restOf(effect), [id('aaaa')])!;
    expect(found.size.map((s) => Number(s.toFixed(6)))).toEqual([0.3, 0.6, 0.3]);
    expect(found.distance).toBeCloseTo(0.2, 9);
    expect(found.to).toBe('world');
  });
  test('0 within the head, and as far as it is outside', () => {
    expect(distanceToHead({ low: [-0.2, -0.2, -0.2], high: [0.2, 0.2, 0.2] })).toBe(0);
    expect(distanceToHead({ low: [-0.01, 0.3, -0.05], high: [0.01, 0.4, 0] })).toBeGreaterThan(0.15);
    expect(measure(effectWith([]), restOf(effectWith([])), [])).toBeNull();
  });
});
