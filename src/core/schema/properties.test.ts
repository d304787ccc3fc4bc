import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import {
  choice,
  colour,
  listed,
  number,
  propertiesIn,
  readOut,
  share,
  valueAt,
  withValueAt,
  yesNo,
} from './properties';

const schema = z.strictObject({
  plain: z.number(),
  rate: number({ name: 'Particles a second', low: 0, high: 5000, unit: 'perSecond', driven: true }),
  wind: z.tuple([
    number({ name: 'Wind along x', low: -50, high: 50, unit: 'centimetresPerSecond' }),
    share('Gusts'),
  ]),
  area: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('point') }),
    z.strictObject({
      kind: z.literal('disc'),
      radius: number({ name: 'Radius', low: 0, high: 9, unit: 'centimetres' }),
    }),
  ]),
  floor: share('Bounce').nullable(),
  over: z.array(z.strictObject({ at: z.number(), size: share('Size at this age') })),
  on: yesNo('Runs'),
  tint: colour('Tint'),
  shape: choice('Shape', { box: 'Box', ball: 'Ball' }),
  sliders: z.strictObject({ eyes: share('Eyes').optional() }),
});
const value: z.infer<typeof schema> = {
  plain: 1,
  rate: 30,
  wind: [1, 0.5],
  area: { kind: 'disc', radius: 0.2 },
  floor: null,
  over: [
    { at: 0, size: 1 },
    { at: 1, size: 0 },
  ],
  on: true,
  tint: '#102030',
  shape: 'box',
  sliders: {},
};

describe('properties of a value', () => {
  test('are found wherever they stand, by their path; what is not described is not', () => {
    expect(Object.keys(propertiesIn(schema, value)).sort()).toEqual(
      [
        ...['rate', 'wind.0', 'wind.1', 'area.radius', 'over.0.size', 'over.1.size'],
        ...['on', 'tint', 'shape', 'sliders.eyes'],
      ].sort(),
    );
  });
  test('what is null has none, and of several shapes only the one that it has counts', () => {
    const other = { ...value, area: { kind: 'point' }, floor: 0.4, over: [] };
    const found = Object.keys(propertiesIn(schema, other));
    expect(found).toContain('floor');
    expect(found).not.toContain('area.radius');
    expect(found.some((path) => path.startsWith('over'))).toBe(false);
  });
  test('the bounds that are described are those of the schema', () => {
    for (const [path, property] of Object.entries(propertiesIn(schema, value))) {
      if (property.type !== 'number') continue;
      const withIt = (to: number): boolean => schema.safeParse(withValueAt(value, path, to)).success;
      expect([withIt(property.low), withIt(property.high)]).toEqual([true, true]);
      expect([withIt(property.low - 0.01), withIt(property.high + 0.01)]).toEqual([false, false]);
    }
  });
  test('are read and set by their path, and nothing else changes', () => {
    const after = withValueAt(value, 'over.1.size', 0.25);
    expect(valueAt(after, 'over.1.size')).toBe(0.25);
    expect(after.over[0]).toBe(value.over[0]);
    expect(after.area).toBe(value.area);
    expect(value.over[1]!.size).toBe(0);
    expect(valueAt(withValueAt(value, 'sliders.eyes', 0.5), 'sliders.eyes')).toBe(0.5);
    expect(valueAt(value, 'nothing.here')).toBeUndefined();
  });
  test('a number says its unit, in forms as it is shown and in lists as the document has it', () => {
    const found = propertiesIn(schema, value);
    expect(readOut(found['area.radius'] as never)).toBe('Radius, cm');
    expect(listed(found['area.radius'] as never)).toBe('radius (m)');
    expect(listed(found['rate'] as never)).toBe('particles a second');
    expect(readOut(found['wind.1'] as never)).toBe('Gusts, per cent');
  });
});
