import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BLEND_MODES } from '../document/schema';
import { isAffine } from './affine';
import { planLook, type PlannedLayer } from './plan';

const LEFT = [0, 0, 0.4, 1] as const;
const RIGHT = [0.6, 0, 1, 1] as const;
const layer = (change: Partial<PlannedLayer> = {}): PlannedLayer => ({
  blend: 'normal',
  bounds: LEFT,
  givesWay: true,
  onTeeth: false,
  beyondLips: false,
  ...change,
});

describe('steps of a look', () => {
  test('twenty usual layers are one step', () => {
    const modes = ['normal', 'multiply', 'screen', 'plus-lighter'] as const;
    const layers = Array.from({ length: 20 }, (_, i) => layer({ blend: modes[i % 4]! }));
    expect(planLook(layers)).toHaveLength(1);
  });

  test('another mode between makes three', () => {
    const steps = planLook([layer(), layer({ blend: 'overlay' }), layer({ blend: 'multiply' })]);
    expect(steps.map((s) => s.mode)).toEqual(['affine', 'overlay', 'affine']);
  });

  test('layers of one such mode go together only where they do not touch', () => {
    const overlay = { blend: 'overlay' } as const;
    expect(planLook([layer(overlay), layer({ ...overlay, bounds: RIGHT })])).toHaveLength(1);
    expect(planLook([layer(overlay), layer(overlay)])).toHaveLength(2);
    expect(planLook([layer(overlay), layer({ blend: 'soft-light', bounds: RIGHT })])).toHaveLength(2);
  });

  test('what gives way and what does not is not mixed, nor what lies on the teeth', () => {
    expect(planLook([layer(), layer({ givesWay: false })])).toHaveLength(2);
    expect(planLook([layer(), layer({ onTeeth: true })])).toHaveLength(2);
    expect(planLook([layer(), layer({ beyondLips: true })])).toHaveLength(2);
  });

  test('a step reaches over all of its layers', () =>
    expect(planLook([layer(), layer({ bounds: RIGHT })])[0]!.bounds).toEqual([0, 0, 1, 1]));

  test('every layer is in one step, in its order', () => {
    const any = fc.record({
      blend: fc.constantFrom(...BLEND_MODES),
      bounds: fc.constantFrom(LEFT, RIGHT),
      givesWay: fc.boolean(),
      onTeeth: fc.boolean(),
      beyondLips: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), (layers) => {
        const steps = planLook(layers);
        expect(steps.flatMap((s) => s.layers)).toEqual(layers);
        for (const step of steps)
          for (const l of step.layers) expect(isAffine(l.blend) ? 'affine' : l.blend).toBe(step.mode);
      }),
    );
  });
});
