import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { length, subtract, type Vec3 } from './vec3';
import { worldTriangles } from '../assets/models/inspect';
import { deviationBetween, Surface } from './surface-distance';
import { nearestBarycentric } from './triangle';

import { ring } from '../assets/models/testing';

describe('distance to a surface', () => {
  const coordinate = fc.double({ min: -2, max: 2, noNaN: true });
  const point: fc.Arbitrary<Vec3> = fc.tuple(coordinate, coordinate, coordinate);
  /** Without a tree: by every triangle. */
  const toTriangle = (p: Vec3, corners: readonly Vec3[]): number => {
    const [a, b, c] = corners as [Vec3, Vec3, Vec3];
    const shares = nearestBarycentric(p, a, b, c);
    const at = [0, 1, 2].map((k) => shares[0] * a[k]! + shares[1] * b[k]! + shares[2] * c[k]!);
    return length(subtract(p, at as unknown as Vec3));
  };
  test('the nearest point of a triangle is in it and nothing in it is nearer', () => {
    fc.assert(
      fc.property(
        point,
        point,
        point,
        point,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (p, a, b, c, u, v) => {
          const near = new Surface(Float32Array.from([...a, ...b, ...c])).distance(p);
          const [s, t] = u + v > 1 ? [1 - u, 1 - v] : [u, v];
          const inside = [0, 1, 2].map(
            (k) => a[k]! + s * (b[k]! - a[k]!) + t * (c[k]! - a[k]!),
          ) as unknown as Vec3;
          // The triangle is kept in single precision.
          return near <= length(subtract(p, inside)) + 1e-6;
        },
      ),
    );
  });
  test('where it is nearest, it faces across its triangle; none is nowhere', () => {
    const surface = new Surface(Float32Array.from([0, 0, 0, 1, 0, 0, 0, 1, 0]));
    expect(surface.hit([0.2, 0.2, 0.5])).toEqual({
      point: [expect.closeTo(0.2, 6), expect.closeTo(0.2, 6), 0],
      normal: [0, 0, 1],
    });
    expect(surface.nearest([-1, -1, 0])).toEqual([0, 0, 0]);
    const none = new Surface(new Float32Array());
    expect([none.distance([0, 0, 0]), none.nearest([0, 0, 0]), none.hit([0, 0, 0])]).toEqual([
      Infinity,
      null,
      null,
    ]);
  });
  test('triangles without area, on a line or a point, keep their place', () => {
    const line = new Surface(Float32Array.from([0, 0, 0, 1, 0, 0, 2, 0, 0]));
    expect(line.distance([0.5, 1, 0])).toBeCloseTo(1, 6);
    expect(line.hit([0.5, 1, 0])!.normal).toEqual([0, 0, 0]);
    expect(new Surface(new Float32Array(9)).distance([0, 3, 4])).toBeCloseTo(5, 6);
  });
  test('the tree finds what looking at every triangle finds', () => {
    const points = worldTriangles(ring(1, 0.3, 24, 8));
    const surface = new Surface(points);
    fc.assert(
      fc.property(point, (p) => {
        let best = Infinity;
        for (let i = 0; i < points.length; i += 9) {
          const corner = (k: number): Vec3 => [points[i + k]!, points[i + k + 1]!, points[i + k + 2]!];
          best = Math.min(best, toTriangle(p, [corner(0), corner(3), corner(6)]));
        }
        return Math.abs(surface.distance(p) - best) < 1e-6;
      }),
      { numRuns: 50 },
    );
  });
  test('a surface does not deviate from itself, and by its offset from another', () => {
    const flat = Float32Array.from([0, 0, 0, 1, 0, 0, 0, 1, 0]);
    const raised = flat.map((x, i) => (i % 3 === 2 ? 0.1 : x));
    expect(deviationBetween(flat, flat).most).toBeCloseTo(0, 9);
    expect(deviationBetween(flat, raised).most).toBeCloseTo(0.1, 6);
  });
});
