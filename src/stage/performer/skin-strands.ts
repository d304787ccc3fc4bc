/** Hairs that grow on the face and go along with it: beards and brows. Each is carried by the triangle that it is rooted in. */
import { BufferGeometry, Float32BufferAttribute } from 'three';
import { headTopology } from '../../core/takes/head-mesh';
import type { Vec3 } from '../../core/maths/vec3';
import { strandGeometry, type Strand } from './strand-geometry';

/** A place on the skin: corners of a triangle and their shares. */
interface Root {
  readonly corners: readonly [number, number, number];
  readonly shares: readonly [number, number, number];
}

const CELLS = 48;
let cells: readonly (readonly number[])[] | null = null;
/** The triangles of a head by where they lie on its layout: looked up for thousands of hairs. */
const trianglesNear = (u: number, v: number): readonly number[] => {
  const { uv, triangles } = headTopology();
  const cellOf = (t: number) => Math.min(CELLS - 1, Math.max(0, Math.floor(t * CELLS)));
  if (!cells) {
    const made: number[][] = Array.from({ length: CELLS * CELLS }, () => []);
    for (let t = 0; t < triangles.length; t += 3) {
      const corners = [0, 1, 2].map((k) => triangles[t + k]!);
      const [us, vs] = [corners.map((i) => uv[2 * i]!), corners.map((i) => uv[2 * i + 1]!)];
      for (let y = cellOf(Math.min(...vs)); y <= cellOf(Math.max(...vs)); y++)
        for (let x = cellOf(Math.min(...us)); x <= cellOf(Math.max(...us)); x++) made[y * CELLS + x]!.push(t);
    }
    cells = made;
  }
  return cells[cellOf(v) * CELLS + cellOf(u)]!;
};

/** Where a place of the layout is on the skin; null where there is none. */
const rootAt = (u: number, v: number): Root | null => {
  const { uv, triangles } = headTopology();
  for (const t of trianglesNear(u, v)) {
    const corners = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!] as const;
    const [a, b, c] = corners.map((i) => [uv[2 * i]! - u, uv[2 * i + 1]! - v] as const);
    const area = (p: readonly [number, number], q: readonly [number, number]) => p[0] * q[1] - p[1] * q[0];
    const [sa, sb, sc] = [area(b!, c!), area(c!, a!), area(a!, b!)];
    const sum = sa + sb + sc;
    if (Math.abs(sum) < 1e-12) continue;
    const shares = [sa / sum, sb / sum, sc / sum] as const;
    if (shares.every((s) => s >= -1e-6)) return { corners, shares };
  }
  return null;
};

/** What grows at a place, in the layout: from the root, and the skin's normal there, at rest. */
export type Grow = (at: Vec3, normal: Vec3) => Strand;

export interface Surface {
  readonly positions: Float32Array;
  readonly normals: Float32Array;
}
const mean = (values: Float32Array, { corners, shares }: Root): Vec3 =>
  [0, 1, 2].map(
    (k) =>
      values[3 * corners[0] + k]! * shares[0] +
      values[3 * corners[1] + k]! * shares[1] +
      values[3 * corners[2] + k]! * shares[2],
  ) as unknown as Vec3;

export class SkinStrands {
  readonly geometry: BufferGeometry;
  /** Of each vertex: the corners and shares of its root, and how far it is from it. */
  private readonly corners: Uint32Array;
  private readonly shares: Float32Array;
  private readonly from: Float32Array;

  /** `places` are in the layout; where it has no skin nothing grows. `rest` is the face at rest. */
  constructor(
    places: readonly { readonly u: number; readonly v: number; readonly grow: Grow }[],
    rest: Surface,
  ) {
    const grown = places.flatMap(({ u, v, grow }) => {
      const root = rootAt(u, v);
      if (!root) return [];
      return [
        {
          root,
          at: mean(rest.positions, root),
          strand: grow(mean(rest.positions, root), mean(rest.normals, root)),
        },
      ];
    });
    this.geometry = strandGeometry(grown.map(({ strand }) => strand));
    const position = this.geometry.getAttribute('position') as Float32BufferAttribute;
    this.corners = new Uint32Array(3 * position.count);
    this.shares = new Float32Array(3 * position.count);
    this.from = new Float32Array(3 * position.count);
    let vertex = 0;
    for (const { root, at, strand } of grown)
      for (let n = 0; n < 2 * strand.points.length - 1; n++, vertex++) {
        this.corners.set(root.corners, 3 * vertex);
        this.shares.set(root.shares, 3 * vertex);
        for (let k = 0; k < 3; k++) this.from[3 * vertex + k] = position.array[3 * vertex + k]! - at[k]!;
      }
  }

  update({ positions }: Surface): void {
    const position = this.geometry.getAttribute('position') as Float32BufferAttribute;
    const out = position.array as Float32Array;
    const { corners, shares, from } = this;
    for (let i = 0; i < out.length; i += 3) {
      const [a, b, c] = [3 * corners[i]!, 3 * corners[i + 1]!, 3 * corners[i + 2]!];
      const [p, q, r] = [shares[i]!, shares[i + 1]!, shares[i + 2]!];
      for (let k = 0; k < 3; k++)
        out[i + k] = from[i + k]! + p * positions[a + k]! + q * positions[b + k]! + r * positions[c + k]!;
    }
    position.needsUpdate = true;
  }
}
