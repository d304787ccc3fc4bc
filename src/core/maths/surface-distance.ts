/** How far a surface is from points: the deviation of a simplified model from what it was. */
import { nearestShares } from './triangle';
import { cross, length, scale, subtract, type Vec3 } from './vec3';

/**
 * Squared distance from a point to the triangle whose nine numbers begin at `at` (Ericson, "Real-Time Collision
 * Detection", 2005, 5.1.5). Plain numbers throughout: it runs some million times for one model.
 */
export const squaredToTriangle = (
  px: number,
  py: number,
  pz: number,
  t: ArrayLike<number>,
  at: number,
): number => {
  const [ax, ay, az] = [t[at]!, t[at + 1]!, t[at + 2]!];
  const abx = t[at + 3]! - ax;
  const aby = t[at + 4]! - ay;
  const abz = t[at + 5]! - az;
  const acx = t[at + 6]! - ax;
  const acy = t[at + 7]! - ay;
  const acz = t[at + 8]! - az;
  const x = px - ax;
  const y = py - ay;
  const z = pz - az;
  /** From the nearest point a + u ab + v ac. */
  const to = (u: number, v: number): number => {
    const dx = x - u * abx - v * acx;
    const dy = y - u * aby - v * acy;
    const dz = z - u * abz - v * acz;
    return dx * dx + dy * dy + dz * dz;
  };
  const d1 = abx * x + aby * y + abz * z;
  const d2 = acx * x + acy * y + acz * z;
  if (d1 <= 0 && d2 <= 0) return to(0, 0);
  const bb = abx * abx + aby * aby + abz * abz;
  const bc = abx * acx + aby * acy + abz * acz;
  const cc = acx * acx + acy * acy + acz * acz;
  const d3 = d1 - bb;
  const d4 = d2 - bc;
  if (d3 >= 0 && d4 <= d3) return to(1, 0);
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return to(d1 / (d1 - d3 || 1), 0);
  const d5 = d1 - bc;
  const d6 = d2 - cc;
  if (d6 >= 0 && d5 <= d6) return to(0, 1);
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return to(0, d2 / (d2 - d6 || 1));
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
    const w = (d4 - d3) / (d4 - d3 + (d5 - d6) || 1);
    return to(1 - w, w);
  }
  const sum = va + vb + vc || 1;
  return to(vb / sum, vc / sum);
};

/** Triangles in a leaf of the tree. */
const LEAF = 8;

/** A surface that can be asked for its distance: triangles, nine numbers each, in a tree of boxes. */
export class Surface {
  /** Triangles in the order of the leaves. */
  private readonly order: Uint32Array;
  /** Low and high corner of each box of the tree; the children of box i are 2i + 1 and 2i + 2. */
  private readonly boxes: number[] = [];
  private readonly ranges: number[] = [];

  constructor(private readonly points: Float32Array) {
    const count = Math.floor(points.length / 9);
    this.order = Uint32Array.from({ length: count }, (_, i) => i);
    if (count > 0) this.grow(0, 0, count);
  }

  private grow(box: number, from: number, to: number): void {
    const b = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
    for (let i = from; i < to; i++)
      for (let k = 0; k < 9; k++) {
        const value = this.points[this.order[i]! * 9 + k]!;
        if (value < b[k % 3]!) b[k % 3] = value;
        if (value > b[3 + (k % 3)]!) b[3 + (k % 3)] = value;
      }
    for (let k = 0; k < 6; k++) this.boxes[box * 6 + k] = b[k]!;
    this.ranges[box * 2] = from;
    this.ranges[box * 2 + 1] = to;
    if (to - from <= LEAF) return;
    const size = [b[3]! - b[0]!, b[4]! - b[1]!, b[5]! - b[2]!];
    const axis = size.indexOf(Math.max(...size));
    const middle = (t: number): number =>
      this.points[t * 9 + axis]! + this.points[t * 9 + 3 + axis]! + this.points[t * 9 + 6 + axis]!;
    const keys = Float32Array.from({ length: to - from }, (_, i) => middle(this.order[from + i]!));
    const sorted = Uint32Array.from(keys, (_, i) => i).sort((i, j) => keys[i]! - keys[j]!);
    this.order.set(
      Uint32Array.from(sorted, (i) => this.order[from + i]!),
      from,
    );
    const half = (from + to) >> 1;
    this.grow(2 * box + 1, from, half);
    this.grow(2 * box + 2, half, to);
  }

  /** Distance from a point to the surface; Infinity when there is none. */
  distance(point: Vec3): number {
    return Math.sqrt(this.find(point).squared);
  }

  /** The point of the surface nearest to a point; null when there is no surface. */
  nearest(point: Vec3): Vec3 | null {
    return this.hit(point)?.point ?? null;
  }

  /** The same with the direction the surface faces there, of length 1, or 0 on a triangle without area. */
  hit(point: Vec3): { readonly point: Vec3; readonly normal: Vec3 } | null {
    const { triangle } = this.find(point);
    if (triangle < 0) return null;
    const corner = (k: number): Vec3 => [
      this.points[9 * triangle + 3 * k]!,
      this.points[9 * triangle + 3 * k + 1]!,
      this.points[9 * triangle + 3 * k + 2]!,
    ];
    const [a, b, c] = [corner(0), corner(1), corner(2)];
    const shares = nearestShares(point, a, b, c);
    const at = (k: 0 | 1 | 2): number => shares[0] * a[k] + shares[1] * b[k] + shares[2] * c[k];
    const across = cross(subtract(b, a), subtract(c, a));
    return { point: [at(0), at(1), at(2)], normal: scale(across, 1 / (length(across) || 1)) };
  }

  private find([px, py, pz]: Vec3): { readonly squared: number; readonly triangle: number } {
    if (this.order.length === 0) return { squared: Infinity, triangle: -1 };
    const { boxes, ranges, order, points } = this;
    const toBox = (box: number): number => {
      const at = box * 6;
      const dx = Math.max(boxes[at]! - px, 0, px - boxes[at + 3]!);
      const dy = Math.max(boxes[at + 1]! - py, 0, py - boxes[at + 4]!);
      const dz = Math.max(boxes[at + 2]! - pz, 0, pz - boxes[at + 5]!);
      return dx * dx + dy * dy + dz * dz;
    };
    let best = Infinity;
    let triangle = -1;
    const walk = (box: number): void => {
      const [from, to] = [ranges[box * 2]!, ranges[box * 2 + 1]!];
      if (to - from <= LEAF) {
        for (let i = from; i < to; i++) {
          const squared = squaredToTriangle(px, py, pz, points, order[i]! * 9);
          if (squared < best) [best, triangle] = [squared, order[i]!];
        }
        return;
      }
      const [left, right] = [2 * box + 1, 2 * box + 2];
      const [a, b] = [toBox(left), toBox(right)];
      const [near, far] = a <= b ? [left, right] : [right, left];
      if (Math.min(a, b) < best) walk(near);
      if (Math.max(a, b) < best) walk(far);
    };
    walk(0);
    return { squared: best, triangle };
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
