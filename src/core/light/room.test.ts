import { describe, expect, test } from '@jest/globals';
import { normalise, type Vec3 } from '../maths/vec3';
import { roomLevels, roomLight } from './room';

describe('the room that is mirrored', () => {
  const levels = roomLevels();
  test('levels halve in size and grow in roughness from a mirror to 1', () => {
    expect(levels.map((l) => l.size)).toEqual([64, 32, 16, 8]);
    expect(levels[0]!.roughness).toBe(0);
    expect(levels.at(-1)!.roughness).toBe(1);
  });
  test('a mirror shows the room itself', () => {
    // The middle four pixels of the face that looks along +z.
    const face = levels[0]!.faces[4]!;
    expect(face[32 * 64 + 32]).toBeCloseTo(roomLight(normalise([1 / 64, -1 / 64, 1])), 5);
  });
  test('rougher surfaces blur the window: brightest less bright, and the mean stays', () => {
    const most = levels.map((l) => Math.max(...l.faces.map((f) => Math.max(...f))));
    expect(most[1]).toBeLessThan(most[0]!);
    expect(most[3]).toBeLessThan(0.5 * most[0]!);
    const mean = (i: number): number => {
      const { faces } = levels[i]!;
      return faces.reduce((sum, f) => sum + f.reduce((a, b) => a + b, 0) / f.length, 0) / 6;
    };
    expect(Math.abs(mean(3) / mean(0) - 1)).toBeLessThan(0.15);
  });
  test('what is wholly rough agrees with sums over all directions', () => {
    // GGX of roughness 1 spreads half vectors evenly by solid angle times cosine; compare with many drawn at random order.
    const n: Vec3 = normalise([0.2, 0.9, -0.4]);
    let [sum, weight] = [0, 0];
    for (let i = 0; i < 40_000; i++) {
      const [u, v] = [((i * 0.618034) % 1) * 2 * Math.PI, ((i * 0.7548777) % 1) * 2 - 1];
      const s = Math.sqrt(1 - v * v);
      const l: Vec3 = [s * Math.cos(u), v, s * Math.sin(u)];
      const cos = l[0] * n[0] + l[1] * n[1] + l[2] * n[2];
      if (cos <= 0) continue;
      // Density of l when half vectors are drawn by D cos (D even): 1 / (4 pi) of D cos_h / cos_h; weight cos.
      sum += cos * roomLight(l);
      weight += cos;
    }
    const wanted = sum / weight;
    const { faces, size } = levels[3]!;
    // The pixel of +y nearest to n.
    const [s, t] = [(n[0] / n[1] + 1) / 2, (n[2] / n[1] + 1) / 2];
    const seen = faces[2]![Math.floor(t * size) * size + Math.floor(s * size)]!;
    expect(Math.abs(seen / wanted - 1)).toBeLessThan(0.06);
  });
});
