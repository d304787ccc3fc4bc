/** Where in the area of a fountain a particle is born. */
import type { Vec3 } from '../maths/vec3';
import type { FountainArea } from './settings';

/** Points that are handed in, x, y, z one after the other, in the fountain's space: of a mesh, a face, a mouth. */
export type PointSource = ArrayLike<number>;

/** `a`, `b`, `c` are random numbers from 0 to 1. Evenly spread over the area. Without points it is the origin. */
export const bornAt = (
  area: FountainArea,
  [a, b, c]: readonly [number, number, number],
  points: PointSource | null,
): Vec3 => {
  switch (area.kind) {
    case 'point':
      return [0, 0, 0];
    case 'disc': {
      const r = area.radius * Math.sqrt(a);
      return [r * Math.cos(2 * Math.PI * b), 0, r * Math.sin(2 * Math.PI * b)];
    }
    case 'plane':
      return [(a - 0.5) * area.width, 0, (b - 0.5) * area.depth];
    case 'box':
      return [(a - 0.5) * area.size[0], (b - 0.5) * area.size[1], (c - 0.5) * area.size[2]];
    case 'sphere': {
      // Marsaglia, "Choosing a Point from the Surface of a Sphere" (1972), with the cube root for its inside.
      const r = area.radius * Math.cbrt(a);
      const z = 2 * b - 1;
      const flat = Math.sqrt(Math.max(0, 1 - z * z));
      return [r * flat * Math.cos(2 * Math.PI * c), r * z, r * flat * Math.sin(2 * Math.PI * c)];
    }
    case 'points': {
      const count = points ? Math.floor(points.length / 3) : 0;
      if (count === 0) return [0, 0, 0];
      const i = 3 * Math.min(count - 1, Math.floor(a * count));
      return [points![i]!, points![i + 1]!, points![i + 2]!];
    }
  }
};

/** A direction in a cone around +Y, evenly over its cap; `half` is half its angle in radians. */
export const sprayed = (half: number, a: number, b: number): Vec3 => {
  const y = 1 - a * (1 - Math.cos(Math.min(Math.PI, Math.max(0, half))));
  const flat = Math.sqrt(Math.max(0, 1 - y * y));
  return [flat * Math.cos(2 * Math.PI * b), y, flat * Math.sin(2 * Math.PI * b)];
};
