/**
 * Polygons of the surface on which a distance function is zero: naive surface nets (Gibson, "Constrained
 * Elastic Surface Nets", MICCAI 1998): one vertex in each cell the surface crosses, at the mean of its
 * crossings, and a quad for each crossed edge. Triangles wind anticlockwise as seen from outside.
 */
import type { Vec3 } from './vec3';

export interface NetMesh {
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
}

/** `distance` is negative inside; the surface has to lie within the box from `low` to `high`. */
export const surfaceNet = (
  distance: (x: number, y: number, z: number) => number,
  low: Vec3,
  high: Vec3,
  cell: number,
): NetMesh => {
  const size = [0, 1, 2].map((k) => Math.ceil((high[k]! - low[k]!) / cell) + 1) as [number, number, number];
  const [nx, ny, nz] = size;
  const values = new Float64Array(nx * ny * nz);
  const at = (i: number, j: number, k: number) => i + nx * (j + ny * k);
  for (let k = 0; k < nz; k++)
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++)
        values[at(i, j, k)] = distance(low[0] + i * cell, low[1] + j * cell, low[2] + k * cell);

  const positions: number[] = [];
  const vertexOf = new Int32Array(values.length).fill(-1);
  for (let k = 0; k < nz - 1; k++)
    for (let j = 0; j < ny - 1; j++)
      for (let i = 0; i < nx - 1; i++) {
        const sum = [0, 0, 0];
        let crossings = 0;
        const cross = (a: readonly number[], axis: number): void => {
          const [x, y, z] = a as [number, number, number];
          const b = [x, y, z];
          b[axis]!++;
          const [va, vb] = [values[at(i + x, j + y, k + z)]!, values[at(i + b[0]!, j + b[1]!, k + b[2]!)]!];
          if (va < 0 === vb < 0) return;
          const t = va / (va - vb);
          for (let c = 0; c < 3; c++) sum[c]! += a[c]! + (c === axis ? t : 0);
          crossings++;
        };
        for (const [u, v] of [
          [0, 0],
          [0, 1],
          [1, 0],
          [1, 1],
        ] as const) {
          cross([0, u, v], 0);
          cross([u, 0, v], 1);
          cross([u, v, 0], 2);
        }
        if (crossings === 0) continue;
        vertexOf[at(i, j, k)] = positions.length / 3;
        positions.push(
          low[0] + (i + sum[0]! / crossings) * cell,
          low[1] + (j + sum[1]! / crossings) * cell,
          low[2] + (k + sum[2]! / crossings) * cell,
        );
      }

  const triangles: number[] = [];
  for (let k = 1; k < nz - 1; k++)
    for (let j = 1; j < ny - 1; j++)
      for (let i = 1; i < nx - 1; i++) {
        const here = values[at(i, j, k)]! < 0;
        const quad = (axis: number): void => {
          const there = [i, j, k];
          there[axis]!++;
          if (here === values[at(there[0]!, there[1]!, there[2]!)]! < 0) return;
          const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
          const corner = (du: number, dv: number): number => {
            const c = [i, j, k];
            c[u]! -= du;
            c[v]! -= dv;
            return vertexOf[at(c[0]!, c[1]!, c[2]!)]!;
          };
          const [a, b, c, d] = [corner(1, 1), corner(0, 1), corner(0, 0), corner(1, 0)];
          if (here) triangles.push(a, b, c, a, c, d);
          else triangles.push(a, c, b, a, d, c);
        };
        quad(0);
        quad(1);
        quad(2);
      }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) };
};

/** Smooth union of two distances: they melt into each other within about `k` (Inigo Quilez, polynomial smooth minimum). */
export const smoothUnion = (a: number, b: number, k: number): number => {
  const h = Math.max(k - Math.abs(a - b), 0) / k;
  return Math.min(a, b) - (h * h * k) / 4;
};

/** Distance to a capsule whose radius runs from `ra` at `a` to `rb` at `b`. */
export const taperedCapsule = (p: Vec3, a: Vec3, b: Vec3, ra: number, rb: number): number => {
  const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [px, py, pz] = [p[0] - a[0], p[1] - a[1], p[2] - a[2]];
  const t = Math.min(1, Math.max(0, (px * dx + py * dy + pz * dz) / (dx * dx + dy * dy + dz * dz)));
  return Math.hypot(px - t * dx, py - t * dy, pz - t * dz) - (ra + (rb - ra) * t);
};
