/** The shapes that the stock is made of: closed, facing outwards, where they are said to be. */
import { describe, expect, test } from '@jest/globals';
import { boundsOf } from '../../src/core/assets/models/bounds';
import { worldTriangles } from '../../src/core/assets/models/inspect';
import { cross, dot, length, subtract, type Vec3 } from '../../src/core/maths/vec3';
import { box, joined, Maker, moved, revolve, sphere, stand, tube, turnedOver, type Shape } from './mesh';

const point = (of: readonly number[], i: number): Vec3 => [of[i * 3]!, of[i * 3 + 1]!, of[i * 3 + 2]!];
const triangles = (shape: Shape): [Vec3, Vec3, Vec3][] =>
  Array.from({ length: shape.indices.length / 3 }, (_, t) => {
    const corner = (k: number) => point(shape.positions, shape.indices[t * 3 + k]!);
    return [corner(0), corner(1), corner(2)];
  });
/** Of a closed surface that faces outwards (divergence theorem); negative when it faces inwards. */
const volume = (shape: Shape): number =>
  triangles(shape).reduce((sum, [a, b, c]) => sum + dot(a, cross(b, c)) / 6, 0);
const circle = (t: number): Vec3 => [Math.cos(t * 2 * Math.PI), Math.sin(t * 2 * Math.PI), 0];

describe('volumes are what geometry says', () => {
  test('a ball, a box, a ring', () => {
    expect(volume(sphere(1, [0, 0, 0], 96, 64)) / ((4 / 3) * Math.PI)).toBeCloseTo(1, 2);
    expect(volume(box([-1, 0, -2], [1, 3, 2]))).toBeCloseTo(2 * 3 * 4, 9);
    const ring = tube(circle, () => 0.2, 128, 48);
    expect(volume(ring) / (2 * Math.PI ** 2 * 0.2 ** 2)).toBeCloseTo(1, 2);
  });
  test('moved away, it stays what it is', () => {
    const ball = sphere(0.5);
    expect(volume(moved(ball, [3, -2, 5]))).toBeCloseTo(volume(ball), 6);
  });
  test('two side by side are the sum', () => {
    const [a, b] = [sphere(0.5), box([2, 0, 0], [3, 1, 1])];
    expect(volume(joined(a, b))).toBeCloseTo(volume(a) + volume(b), 9);
  });
  test('a mirror image faces outwards too', () => {
    const cone = revolve((v) => [v < 0.5 ? v : 1 - v, 1 - v]);
    expect(volume(cone)).toBeGreaterThan(0);
    expect(volume(turnedOver(cone))).toBeCloseTo(volume(cone), 9);
    expect(volume(turnedOver(cone, 0.5))).toBeCloseTo(volume(cone) / 2, 9);
  });
});

describe('normals', () => {
  test('have length one and point out of a ball, also at its poles', () => {
    const ball = sphere(2, [0, 0, 0], 24, 16);
    for (let i = 0; i < ball.positions.length / 3; i++) {
      const normal = point(ball.normals, i);
      expect(length(normal)).toBeCloseTo(1, 6);
      expect(dot(normal, point(ball.positions, i)) / 2).toBeGreaterThan(0.98);
    }
  });
  test('of a mirror image lie across its slopes', () => {
    const over = turnedOver(sphere(1, [0, 0, 0], 48, 32), 0.4);
    let against = 0;
    for (let t = 0; t < over.indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => point(over.positions, over.indices[t + k]!)) as [
        Vec3,
        Vec3,
        Vec3,
      ];
      const facing = cross(subtract(b, a), subtract(c, a));
      if (length(facing) > 1e-9 && dot(facing, point(over.normals, over.indices[t]!)) < 0) against++;
    }
    expect(against).toBe(0);
  });
});

describe('tubes', () => {
  test.each<[string, (t: number) => Vec3]>([
    ['a circle that goes up and across', circle],
    ['a line straight up', (t) => [0, t, 0]],
    ['a helix', (t) => [Math.cos(t * 9), t, Math.sin(t * 9)]],
    ['an arch', (t) => [t - 0.5, Math.sin(t * Math.PI), 0]],
  ])('along %s have their radius everywhere and do not twist', (_what, path) => {
    const [along, around] = [64, 12];
    const shape = tube(path, () => 0.05, along, around);
    for (let j = 0; j <= along; j++)
      for (let i = 0; i <= around; i++) {
        const p = point(shape.positions, j * (around + 1) + i);
        expect(length(subtract(p, path(j / along)))).toBeCloseTo(0.05, 6);
        if (j === 0) continue;
        // The same place of the next ring lies a step on, not on the other side of the tube.
        const before = point(shape.positions, (j - 1) * (around + 1) + i);
        const step = length(subtract(path(j / along), path((j - 1) / along)));
        expect(length(subtract(p, before))).toBeLessThan(step + 0.05);
      }
  });
});

test('what stands has its base on the ground and its middle over the origin, parts in parts too', () => {
  const maker = new Maker();
  const clay = maker.material('Clay', [0.5, 0.5, 0.5], {});
  const body = maker.part('Body', box([1, 2, 3], [2, 4, 6]), clay, null, [5, 5, 5]);
  maker.part('Hat', box([0, 0, 0], [1, 1, 1]), clay, body, [1, 4, 3]);
  const size = () => {
    const { low, high } = boundsOf(worldTriangles(maker.document));
    return { low, high, size: subtract(high, low) };
  };
  const before = size();
  stand(maker.document);
  const after = size();
  expect(after.low[1]).toBeCloseTo(0, 6);
  for (const k of [0, 2]) expect(after.low[k]! + after.high[k]!).toBeCloseTo(0, 6);
  for (const k of [0, 1, 2]) expect(after.size[k]!).toBeCloseTo(before.size[k]!, 6);
});
