import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { length, subtract, type Vec3 } from './vec3';
import { worldTriangles } from '../assets/models/inspect';
import { deviationBetween, squaredToTriangle, Surface } from './surface-distance';

import { ring } from '../assets/models/testing';

describe('distance to a surface', () => {
  const coordinate = fc.double({ min: -2, max: 2, noNaN: true });
  const point: fc.Arbitrary<Vec3> = fc.tuple(coordinate, coordinate, coordinate);
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
          const near = Math.sqrt(squaredToTriangle(...p, [...a, ...b, ...c], 0));
          const [s, t] = u + v > 1 ? [1 - u, 1 - v] : [u, v];
          const inside = [0, 1, 2].map(
            (k) => a[k]! + s * (b[k]! - a[k]!) + t * (c[k]! - a[k]!),
          ) as unknown as Vec3;
          return near <= length(subtract(p, inside)) + 1e-9;
        },
      ),
    );
  });
  test('the tree finds what looking at every triangle finds', () => {
    const points = worldTriangles(ring(1, 0.3, 24, 8));
    const surface = new Surface(points);
    fc.assert(
      fc.property(point, (p) => {
        let best = Infinity;
        for (let i = 0; i < points.length; i += 9) {
          best = Math.min(best, Math.sqrt(squaredToTriangle(...p, points, i)));
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
