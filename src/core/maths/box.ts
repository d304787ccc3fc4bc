/** Boxes along the axes: their corners, what lies around several, how they look after a matrix. Metres. */
import { transformPoint, type Matrix } from './matrix';
import type { Vec3 } from './vec3';

export interface Box {
  readonly low: Vec3;
  readonly high: Vec3;
}

/** A box of this size about the origin. */
export const boxAbout = (width: number, height: number, depth: number): Box => ({
  low: [-width / 2, -height / 2, -depth / 2],
  high: [width / 2, height / 2, depth / 2],
});

/** The eight corners of a box. */
export const corners = ({ low, high }: Box): Vec3[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [
    i & 1 ? high[0] : low[0],
    i & 2 ? high[1] : low[1],
    i & 4 ? high[2] : low[2],
  ]);

/** The box around a box that goes through a matrix. */
export const transformBox = (matrix: Matrix, box: Box): Box =>
  boxAround(corners(box).map((p) => transformPoint(matrix, p)))!;

/** The box around points; null for none. */
export const boxAround = (points: readonly Vec3[]): Box | null => {
  if (points.length === 0) return null;
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (let k = 0; k < 3; k++) {
      low[k] = Math.min(low[k]!, p[k]!);
      high[k] = Math.max(high[k]!, p[k]!);
    }
  return { low, high };
};

/** The box around several boxes; null for none. */
export const union = (boxes: readonly Box[]): Box | null => boxAround(boxes.flatMap((b) => [b.low, b.high]));

/** Width, height and depth. */
export const sizeOf = ({ low, high }: Box): Vec3 => [high[0] - low[0], high[1] - low[1], high[2] - low[2]];
/** The point in the middle. */
export const middleOf = ({ low, high }: Box): Vec3 => [
  (low[0] + high[0]) / 2,
  (low[1] + high[1]) / 2,
  (low[2] + high[2]) / 2,
];
