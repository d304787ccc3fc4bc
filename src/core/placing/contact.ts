/** Where the contact shadow of a thing lies, and what height leaves of it. */
import type { Box } from '../maths/box';
import { invertMatrix, multiplyMatrices, transformPoint, type Matrix } from '../maths/matrix';
import type { Vec3 } from '../maths/vec3';
import type { Metres, Unit } from '../units';

export interface Contact {
  /** Along the shadow's own x and z, from where it lies by itself. */
  readonly shift: readonly [Metres, Metres];
  /** What is left of its density. */
  readonly strength: Unit;
  /** How much larger and softer it is: 1 on the ground. */
  readonly spread: number;
}

/** A shadow is so much larger when it is just gone. */
const WIDEST = 1.8;

const corners = ({ low, high }: Box): Vec3[] =>
  Array.from({ length: 8 }, (_, i) => [
    (i & 1 ? high : low)[0],
    (i & 2 ? high : low)[1],
    (i & 4 ? high : low)[2],
  ]);

/**
 * The shadow of a thing with this box and matrix, on the plane of the shadow (its own x and z, with y up from it). A thing that stands on
 * the plane, or is sunk into it, casts all of it; at `fadesAt` there is none. Null where the shadow's matrix flattens.
 */
export const contactOf = (shadow: Matrix, thing: Matrix, box: Box, fadesAt: Metres): Contact | null => {
  const into = invertMatrix(shadow);
  if (!into) return null;
  const matrix = multiplyMatrices(into, thing);
  const seen = corners(box).map((corner) => transformPoint(matrix, corner));
  const height = Math.max(0, Math.min(...seen.map(([, y]) => y)));
  const middle = (axis: 0 | 2): number =>
    (Math.min(...seen.map((p) => p[axis])) + Math.max(...seen.map((p) => p[axis]))) / 2;
  const share = Math.min(1, height / fadesAt);
  return { shift: [middle(0), middle(2)], strength: 1 - share, spread: 1 + (WIDEST - 1) * share };
};
