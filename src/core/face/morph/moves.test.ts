import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FACE_LANDMARKS } from '../landmarks';
import { NEUTRAL_FACE, OPEN_TRIANGLES } from '../neutral';
import { cross, dot, pointAt, subtract, type Vec3 } from '../../maths/vec3';
import { SHAPE_NAMES } from '../shape-names';
import { morphed, regionWeights, sliderMoves, sumMoves } from './moves';
import { FACE_WIDTH } from './sculpted';

const far = (moves: Float32Array, i: number): number =>
  Math.hypot(moves[3 * i]!, moves[3 * i + 1]!, moves[3 * i + 2]!);
const withIrises = (k = 1): Float32Array => {
  const all = new Float32Array(478 * 3);
  NEUTRAL_FACE.forEach((v, i) => (all[i] = k * v));
  return all;
};

describe('sliders', () => {
  test.each(SHAPE_NAMES)(
    '%s moves something, on both sides alike, and no farther than a face bears',
    (name) => {
      const moves = sliderMoves(name);
      let most = 0;
      for (let i = 0; i < FACE_LANDMARKS; i++) most = Math.max(most, far(moves, i));
      expect(most).toBeGreaterThan(0.0012);
      expect(most).toBeLessThan(0.15 * FACE_WIDTH);
      for (const [right, left] of [
        [33, 263],
        [61, 291],
        [50, 280],
        [172, 397],
      ] as const)
        expect(far(moves, right)).toBeCloseTo(far(moves, left), 4);
    },
  );
  test('move what they are named after', () => {
    expect(Math.abs(sliderMoves('chin')[3 * 152 + 1]!)).toBeGreaterThan(0.003);
    expect(far(sliderMoves('chin'), 10)).toBeLessThan(1e-6);
    expect(sliderMoves('noseWidth')[3 * 294]!).toBeGreaterThan(0.0005);
    expect(far(sliderMoves('mouthWidth'), 291)).toBeGreaterThan(0.001);
  });
});

describe('sliders drawn out', () => {
  const normalOf = (p: ArrayLike<number>, t: number): Vec3 => {
    const [a, b, c] = [0, 1, 2].map((k) => pointAt(p, OPEN_TRIANGLES[t + k]!)) as [Vec3, Vec3, Vec3];
    return cross(subtract(b, a), subtract(c, a));
  };
  test.each(SHAPE_NAMES)('%s does not fold the skin, either way', (name) => {
    for (const amount of [1, -1]) {
      const moved = Float32Array.from(NEUTRAL_FACE, (v, k) => v + amount * sliderMoves(name)[k]!);
      let folded = 0;
      for (let t = 0; t < OPEN_TRIANGLES.length; t += 3)
        if (dot(normalOf(NEUTRAL_FACE, t), normalOf(moved, t)) <= 0) folded++;
      expect(folded).toBe(0);
    }
  });
});

describe('morphs added up', () => {
  const amount = fc.double({ min: -1, max: 2, noNaN: true });
  test('in any order, and each in step with its amount', () => {
    const name = fc.constantFrom(...SHAPE_NAMES);
    fc.assert(
      fc.property(fc.array(fc.tuple(name, amount), { maxLength: 5 }), (list) => {
        const morphs = list.map(([n, a]) => ({ moves: sliderMoves(n), amount: a, weights: null }));
        const sum = sumMoves(morphs);
        const turned = sumMoves([...morphs].reverse());
        const doubled = sumMoves(morphs.map((m) => ({ ...m, amount: 2 * m.amount })));
        for (const k of [3 * 152 + 1, 3 * 4 + 2, 3 * 291]) {
          expect(turned[k]).toBeCloseTo(sum[k]!, 6);
          expect(doubled[k]).toBeCloseTo(2 * sum[k]!, 6);
        }
      }),
      { numRuns: 30 },
    );
  });

  test('limited to a region they fade out around it', () => {
    const weights = regionWeights(['nose'], 0.03);
    expect(weights[4]).toBeGreaterThan(0.9);
    expect(weights[152]).toBe(0);
    expect(weights[10]).toBe(0);
    const between = [...weights].filter((w) => w > 0.05 && w < 0.95).length;
    expect(between).toBeGreaterThan(10);
    const all = sumMoves([{ moves: sliderMoves('width'), amount: 1, weights }]);
    expect(far(all, 454)).toBe(0);
    expect(far(all, 294)).toBeGreaterThan(0.0005);
  });
});

describe('a face after morphs', () => {
  test('at nothing is as it was, a larger one moves farther', () => {
    const face = withIrises();
    expect(morphed(face, new Float32Array(FACE_LANDMARKS * 3))).toEqual(face);
    const moves = sliderMoves('chin');
    const [one, two] = [withIrises(), withIrises(2)].map(
      (f) => morphed(f, moves)[3 * 152 + 1]! - f[3 * 152 + 1]!,
    );
    expect(two! / one!).toBeCloseTo(2, 4);
  });
  test('irises go with their eyes', () => {
    const face = withIrises();
    const out = morphed(face, sliderMoves('eyeSpacing'));
    expect(out[3 * 468]!).toBeLessThan(face[3 * 468]! - 0.0005);
    expect(out[3 * 473]!).toBeGreaterThan(face[3 * 473]! + 0.0005);
  });
});
