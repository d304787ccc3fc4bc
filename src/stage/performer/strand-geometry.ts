/** Single hairs: tapered ribbons, broad at the root and ending in a point. */
import { BufferGeometry, Color, Float32BufferAttribute } from 'three';
import { Random } from '../../core/maths/random';
import { lerp } from '../../core/maths/scalar';
import { add, cross, length, normalise, scale, subtract, type Vec3 } from '../../core/maths/vec3';
import type { Hex } from '../../core/units';

export interface Strand {
  /** Where it runs, from the root to the tip; at least two points, metres. */
  readonly points: readonly Vec3[];
  /** What it grows from faces this way; the ribbon lies flat on it. */
  readonly normal: Vec3;
  /** At the root, metres. */
  readonly width: number;
  /** Linear light. */
  readonly colour: readonly [number, number, number];
  /** How dark the root is, a share of the colour: other hair stands around it. */
  readonly root?: number;
  /** At the root and at the tip: 0 sits on the head, 1 swings freely. */
  readonly loose?: readonly [root: number, tip: number];
}

/** One hair of many: most are near the hair's own colour, some are lighter. In linear light. */
export const strandColour = (colour: Hex, random: Random, spread = 0.45): [number, number, number] => {
  const { r, g, b } = new Color(colour);
  // Even black hair catches some light.
  const k = lerp(1 - spread, 1 + spread, random.next() ** 1.3);
  const lit = 0.02 * random.next() ** 3;
  return [r * k + lit, g * k + lit * 0.9, b * k * 0.96 + lit * 0.8];
};

/** How many vertices a strand through so many points has: two a point, one at the tip. */
export const strandVertices = (points: number): number => 2 * points - 1;

/** Triangles of a strand whose vertices begin at `first`. */
export const strandTriangles = (first: number, points: number): number[] => {
  const index: number[] = [];
  for (let i = 0; i < points - 2; i++) {
    const a = first + 2 * i;
    index.push(a, a + 1, a + 2, a + 2, a + 1, a + 3);
  }
  const last = first + 2 * (points - 2);
  index.push(last, last + 1, last + 2);
  return index;
};

/** The vertices of a strand, in the order of `strandTriangles`. */
export const strandPositions = ({ points, normal, width }: Strand): Vec3[] => {
  const out: Vec3[] = [];
  points.slice(0, -1).forEach((point, i) => {
    const across = cross(subtract(points[i + 1]!, point), normal);
    const far = length(across);
    const half = (width / 2) * (1 - i / (points.length - 1)) ** 0.7;
    const side: Vec3 = far < 1e-9 ? [half, 0, 0] : scale(across, half / far);
    out.push(subtract(point, side), add(point, side));
  });
  out.push(points.at(-1)!);
  return out;
};

/** The shade at each vertex of a strand, in the order of `strandTriangles`. */
const strandShades = ({ points, root = 1 }: Strand): number[] => {
  const shade = (i: number) => lerp(root, 1, Math.min(1, (1.6 * i) / (points.length - 1)));
  return [...points.slice(0, -1).flatMap((_, i) => [shade(i), shade(i)]), 1];
};

/** All of these in one mesh, with colours, and with how loose each vertex is. */
export const strandGeometry = (strands: readonly Strand[]): BufferGeometry => {
  const positions: number[] = [];
  const normals: number[] = [];
  const colours: number[] = [];
  const loose: number[] = [];
  const index: number[] = [];
  for (const strand of strands) {
    const count = strand.points.length;
    const [from, to] = strand.loose ?? [0, 0];
    index.push(...strandTriangles(positions.length / 3, count));
    const normal = normalise(strand.normal);
    const shades = strandShades(strand);
    strandPositions(strand).forEach((position, i) => {
      positions.push(...position);
      normals.push(...normal);
      colours.push(...strand.colour.map((c) => c * shades[i]!));
      loose.push(lerp(from, to, Math.floor(i / 2) / (count - 1)));
    });
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(normals, 3));
  geometry.setAttribute('color', new Float32BufferAttribute(colours, 3));
  geometry.setAttribute('uv', new Float32BufferAttribute(new Float32Array((2 * positions.length) / 3), 2));
  geometry.setAttribute('loose', new Float32BufferAttribute(loose, 1));
  geometry.setIndex(index);
  return geometry;
};
