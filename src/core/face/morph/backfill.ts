/**
 * What has to be filled where a morph takes the outline of a face in: a strip from the old outline to the new one, which
 * shows mirrored what lies outside.
 */
import type { FaceOutline } from './outline';

export interface Backfill {
  /** Two corners in each direction, outer and inner: x, y one after the other, in the units of the outline. */
  readonly corners: Float32Array;
  /** Where in the picture each corner is taken from, likewise. */
  readonly from: Float32Array;
  /** Whether the outline is taken in anywhere at all. */
  readonly any: boolean;
}

/** The skin goes on a little beyond the landmarks: that rim of it must not stay. In shares of the reach. */
const RIM = 0.05;
/** The strip runs on under the new outline, so that no gap is left at its soft edge. */
const UNDER = 0.04;
/** What is mirrored is drawn out: what lies far outside is seldom what lay behind the face. */
const REACH = 0.6;
/** Shares of the reach below which nothing has moved. */
const STILL = 0.002;

/** A mean over neighbouring directions: corners of the mesh are none of the face. */
const smoothed = (radii: ArrayLike<number>): Float32Array => {
  const n = radii.length;
  return Float32Array.from(
    { length: n },
    (_, i) => (radii[(i + n - 1) % n]! + 2 * radii[i]! + radii[(i + 1) % n]!) / 4,
  );
};

/** Both outlines are seen from the same middle, in the same directions. */
export const backfill = (before: FaceOutline, after: FaceOutline): Backfill => {
  const count = before.radii.length;
  const corners = new Float32Array(4 * count);
  const from = new Float32Array(4 * count);
  const [old, now] = [smoothed(before.radii), smoothed(after.radii)];
  let any = false;
  for (let i = 0; i < count; i++) {
    const shrink = Math.max(0, old[i]! - now[i]!);
    const moved = shrink > STILL * old[i]!;
    any ||= moved;
    const outer = moved ? old[i]! + Math.min(RIM * old[i]!, 0.8 * shrink) : old[i]!;
    const inner = moved ? now[i]! * (1 - UNDER) : outer;
    const [c, s] = [Math.cos((i / count) * 2 * Math.PI), Math.sin((i / count) * 2 * Math.PI)];
    const put = (into: Float32Array, k: number, r: number): void => {
      into[4 * i + 2 * k] = before.centre[0] + r * c;
      into[4 * i + 2 * k + 1] = before.centre[1] + r * s;
    };
    put(corners, 0, outer);
    put(corners, 1, inner);
    put(from, 0, outer);
    put(from, 1, outer + REACH * (outer - inner));
  }
  return { corners, from, any };
};

/** Triangles of the strip around: three corners each. */
export const backfillTriangles = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => {
    const k = (i + 1) % count;
    return [2 * i, 2 * i + 1, 2 * k, 2 * k, 2 * i + 1, 2 * k + 1];
  }).flat();
