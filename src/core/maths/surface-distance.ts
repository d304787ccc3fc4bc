/** How far a surface is from points: the deviation of a simplified model from what it was. The tree of boxes is three-mesh-bvh's. */
import { BufferAttribute, BufferGeometry, Vector3 } from 'three';
import { MeshBVH, type HitPointInfo } from 'three-mesh-bvh';
import { cross, length, scale, subtract, type Vec3 } from './vec3';

/** A surface that can be asked for its distance. `points` are its triangles, nine numbers each; they are not changed. */
export class Surface {
  private readonly geometry = new BufferGeometry();
  /** Null where there is no surface. */
  private readonly tree: MeshBVH | null;
  private readonly asked = new Vector3();
  private readonly found: HitPointInfo = { point: new Vector3(), distance: 0, faceIndex: 0 };

  constructor(points: Float32Array) {
    const whole = points.length - (points.length % 9);
    this.geometry.setAttribute('position', new BufferAttribute(points.subarray(0, whole), 3));
    this.tree = whole > 0 ? new MeshBVH(this.geometry) : null;
  }

  /** Distance from a point to the surface; Infinity when there is none. */
  distance(point: Vec3): number {
    return this.find(point)?.distance ?? Infinity;
  }

  /** The point of the surface nearest to a point; null when there is no surface. */
  nearest(point: Vec3): Vec3 | null {
    return this.find(point)?.point.toArray() ?? null;
  }

  /** The same with the direction the surface faces there, of length 1, or 0 on a triangle without area. */
  hit(point: Vec3): { readonly point: Vec3; readonly normal: Vec3 } | null {
    const found = this.find(point);
    if (!found) return null;
    const [a, b, c] = [0, 1, 2].map((k) => this.corner(found.faceIndex, k)) as [Vec3, Vec3, Vec3];
    const across = cross(subtract(b, a), subtract(c, a));
    return { point: found.point.toArray(), normal: scale(across, 1 / (length(across) || 1)) };
  }

  private corner(triangle: number, k: number): Vec3 {
    // The tree has put triangles in an order of its own.
    const i = this.geometry.index!.getX(3 * triangle + k);
    const { position } = this.geometry.attributes;
    return [position!.getX(i), position!.getY(i), position!.getZ(i)];
  }

  private find(point: Vec3): HitPointInfo | null {
    return this.tree?.closestPointToPoint(this.asked.set(...point), this.found) ?? null;
  }
}

export interface Deviation {
  /** Largest and mean distance, as a share of the longest side of the model. */
  readonly most: number;
  readonly mean: number;
}

/** A corner and the middle of up to `count` triangles, evenly taken. */
const samples = (points: Float32Array, count: number): Vec3[] => {
  const triangles = Math.floor(points.length / 9);
  const step = Math.max(1, triangles / count);
  const out: Vec3[] = [];
  for (let i = 0; i < triangles; i += step) {
    const at = Math.floor(i) * 9;
    const mean = (k: number): number => (points[at + k]! + points[at + 3 + k]! + points[at + 6 + k]!) / 3;
    out.push([points[at]!, points[at + 1]!, points[at + 2]!], [mean(0), mean(1), mean(2)]);
  }
  return out;
};

/** How far two surfaces lie apart, seen from both (a sampled Hausdorff distance). */
export const deviationBetween = (before: Float32Array, after: Float32Array, count = 5000): Deviation => {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < before.length; i++) {
    low[i % 3] = Math.min(low[i % 3]!, before[i]!);
    high[i % 3] = Math.max(high[i % 3]!, before[i]!);
  }
  const size = Math.max(...[0, 1, 2].map((k) => high[k]! - low[k]!), 1e-9);
  const [was, is] = [new Surface(before), new Surface(after)];
  let [most, sum, counted] = [0, 0, 0];
  for (const [points, surface] of [
    [samples(before, count), is],
    [samples(after, count), was],
  ] as const)
    for (const point of points) {
      const distance = surface.distance(point);
      if (!Number.isFinite(distance)) continue;
      most = Math.max(most, distance);
      sum += distance;
      counted++;
    }
  return { most: most / size, mean: counted === 0 ? 0 : sum / counted / size };
};
