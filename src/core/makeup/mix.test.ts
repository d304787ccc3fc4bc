import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { KIT, KIT_LOOKS, regionRank, type PieceLayer } from './kit';
import { mixExtras, mixLooks } from './mix';

const layers = fc.subarray(KIT.map((p) => p.layer));
const lips: PieceLayer = { name: 'Lipstick', region: 'lips', tint: '#000000', opacity: 0.2, finish: 'satin' };

describe('two looks mixed', () => {
  test('at the ends there is nothing of the other', () => {
    fc.assert(
      fc.property(layers, layers, (a, b) => {
        expect(mixLooks(a, b, 0)).toEqual(a);
        expect(mixLooks(a, b, 1)).toEqual(b);
      }),
    );
  });

  test('like pieces meet half-way', () => {
    const [half] = mixLooks([lips], [{ ...lips, tint: '#ffffff', opacity: 0.6 }], 0.5);
    expect(half).toMatchObject({ tint: '#808080', region: 'lips' });
    expect(half!.opacity).toBeCloseTo(0.4);
  });

  test('what only one has fades', () => {
    const cheeks: PieceLayer = { name: 'Blush', region: 'cheeks', tint: '#ff0000', opacity: 0.8 };
    const mixed = mixLooks([lips], [cheeks], 0.25);
    expect(mixed.map((l) => [l.name, l.opacity])).toEqual([
      ['Lipstick', 0.2 * 0.75],
      ['Blush', 0.8 * 0.25],
    ]);
  });

  test('a finish does not turn into another: one goes as the other comes', () =>
    expect(mixLooks([lips], [{ ...lips, finish: 'matte' }], 0.5)).toHaveLength(2));

  test('a mix of a look with itself is that look', () => {
    for (const { layers: look } of KIT_LOOKS)
      expect(mixLooks(look, look, 0.5).map((l) => l.name)).toEqual(
        [...look].sort((a, b) => regionRank(b.region) - regionRank(a.region)).map((l) => l.name),
      );
  });
});

describe('the kit', () => {
  test('has a name and a place in the order for every piece', () => {
    expect(new Set(KIT.map((p) => p.id)).size).toBe(KIT.length);
    for (const { layer } of KIT)
      expect([layer.name, regionRank(layer.region) >= 0]).toEqual([layer.name, true]);
  });
  test('looks lie in the order in which make-up is put on', () => {
    for (const look of KIT_LOOKS) {
      const ranks = look.layers.map((l) => regionRank(l.region));
      expect([look.id, ranks]).toEqual([look.id, [...ranks].sort((a, b) => b - a)]);
    }
  });
});

describe('what is no layer, mixed', () => {
  const extra = (kind: string, name: string, opacity: number) => ({ kind, name, opacity });
  test('pieces of retouch meet their like, or fade; hair is hair under any name', () => {
    const first = [
      extra('retouch', 'Retouch', 1),
      extra('retouch', 'White teeth', 0.8),
      extra('hair', 'Copper', 0.4),
    ];
    const second = [
      extra('retouch', 'White teeth', 0.4),
      extra('hair', 'Ash', 0.8),
      extra('iris', 'Iris', 1),
    ];
    const rounded = mixExtras(first, second, 0.25).map((e) => ({
      ...e,
      opacity: Math.round(100 * e.opacity),
    }));
    expect(rounded).toEqual([
      extra('retouch', 'Retouch', 75),
      extra('retouch', 'White teeth', 70),
      extra('hair', 'Copper', 50),
      extra('iris', 'Iris', 25),
    ]);
    expect(mixExtras(first, second, 0)).toEqual(first);
    expect(mixExtras(first, second, 1)).toEqual(second);
  });
});
