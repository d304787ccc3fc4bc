/** Regions of the face as masks: how much of a region each pixel of the layout holds. */
import { FACE_EDGE, faceRegion, type FaceRegion, type Outline } from './regions';
import type { Unit } from '../units';
import { soften } from '../maths/soften';

/** Rows each pixel is cut into. */
const ROWS = 4;
/** Masks run out over this share of the layout before the edge of the face, so that no seam is seen there. */
const RIM = 0.045;
/** Deviation of the blur for a softness of 1. */
const SOFT = 0.55;

/**
 * Covers a square of `size` pixels with outlines, even-odd: 1 inside, shares at the edge. Rows are cut in four and
 * measured exactly across.
 */
export const fillOutlines = (lines: readonly Outline[], size: number): Float32Array => {
  const mask = new Float32Array(size * size);
  const hits: number[] = [];
  for (let row = 0; row < size * ROWS; row++) {
    const v = (row + 0.5) / (size * ROWS);
    hits.length = 0;
    for (const line of lines)
      for (let i = 0; i < line.length; i++) {
        const [x, y] = line[i]!;
        const [p, q] = line[(i + 1) % line.length]!;
        if (y > v !== q > v) hits.push((x + ((v - y) / (q - y)) * (p - x)) * size);
      }
    hits.sort((a, b) => a - b);
    const start = Math.floor(row / ROWS) * size;
    for (let h = 0; h + 1 < hits.length; h += 2) {
      const [from, to] = [Math.max(0, hits[h]!), Math.min(size, hits[h + 1]!)];
      for (let x = Math.floor(from); x < to; x++)
        mask[start + x]! += (Math.min(to, x + 1) - Math.max(from, x)) / ROWS;
    }
  }
  return mask;
};

const distanceTo = (line: Outline, u: number, v: number): number => {
  let least = Infinity;
  for (let i = 0; i < line.length; i++) {
    const [x, y] = line[i]!;
    const [p, q] = line[(i + 1) % line.length]!;
    const [dx, dy] = [p - x, q - y];
    const t = Math.min(1, Math.max(0, ((u - x) * dx + (v - y) * dy) / (dx * dx + dy * dy || 1)));
    least = Math.min(least, (u - x - t * dx) ** 2 + (v - y - t * dy) ** 2);
  }
  return Math.sqrt(least);
};

const RIM_SIZE = 128;
let rimField: Float32Array | null = null;
/** 0 at the edge of the face, 1 where masks are whole; on a coarse grid, it has nothing fine in it. */
const rim = (): Float32Array => {
  if (rimField) return rimField;
  const inside = fillOutlines([FACE_EDGE], RIM_SIZE);
  rimField = inside.map((share, i) => {
    if (share === 0) return 0;
    const [u, v] = [((i % RIM_SIZE) + 0.5) / RIM_SIZE, (Math.floor(i / RIM_SIZE) + 0.5) / RIM_SIZE];
    const t = Math.min(1, distanceTo(FACE_EDGE, u, v) / RIM);
    return share * t * t * (3 - 2 * t);
  });
  return rimField;
};
const rimAt = (field: Float32Array, u: number, v: number): Unit => {
  const [x, y] = [u * RIM_SIZE - 0.5, v * RIM_SIZE - 0.5];
  const at = (i: number, k: number): number =>
    field[Math.min(RIM_SIZE - 1, Math.max(0, k)) * RIM_SIZE + Math.min(RIM_SIZE - 1, Math.max(0, i))]!;
  const [i, k] = [Math.floor(x), Math.floor(y)];
  const [a, b] = [x - i, y - k];
  return (
    (1 - b) * ((1 - a) * at(i, k) + a * at(i + 1, k)) + b * ((1 - a) * at(i, k + 1) + a * at(i + 1, k + 1))
  );
};

/**
 * The mask of a region on a square of `size` pixels, 0 to 255, from the top left. `softness` is a factor on the edge the
 * region usually has; 0 is hard. The whole face is there in full; every other mask runs out before the face's edge.
 */
export const regionMask = (name: FaceRegion, size: number, softness = 1): Uint8Array => {
  const region = faceRegion(name);
  const mask = fillOutlines([...region.outlines, ...region.holes], size);
  if (name === 'face' && softness === 0) return Uint8Array.from(mask, (m) => (m > 0 ? 255 : 0));
  soften(mask, size, size, region.softness * softness * SOFT * size);
  const field = rim();
  const out = new Uint8Array(size * size);
  for (let i = 0; i < mask.length; i++)
    if (mask[i]! > 0.001)
      out[i] = Math.round(
        255 *
          Math.min(1, mask[i]!) *
          rimAt(field, ((i % size) + 0.5) / size, (Math.floor(i / size) + 0.5) / size),
      );
  return out;
};

/** How much of the regions there is on a square of the layout of `size` pixels, 0 to 1; `fade` is how far they run out, in shares of it. */
export const regionsField = (regions: readonly FaceRegion[], fade: Unit, size: number): Float32Array => {
  const sum = new Float32Array(size * size);
  for (const name of regions) {
    const { outlines, holes } = faceRegion(name);
    const mask = fillOutlines([...outlines, ...holes], size);
    mask.forEach((m, i) => (sum[i] = Math.max(sum[i]!, Math.min(1, m))));
  }
  soften(sum, size, size, fade * size);
  return sum;
};

/** On the layout the eyes lie above this line, the mouth beneath it. */
export const MOUTH_BELOW = 0.55;

/** What a mask holds: left, top, right, bottom in shares of the layout; null when it is empty. */
export type Bounds = readonly [number, number, number, number];

/** What a square mask of `size` x `size` bytes holds; a pixel counts from 1 on. */
export const maskBounds = (mask: Uint8Array, size: number): Bounds | null => {
  let [left, top, right, bottom] = [size, size, -1, -1];
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++)
      if (mask[y * size + x]! > 0) {
        left = Math.min(left, x);
        right = Math.max(right, x);
        top = Math.min(top, y);
        bottom = Math.max(bottom, y);
      }
  return right < 0 ? null : [left / size, top / size, (right + 1) / size, (bottom + 1) / size];
};

const COARSE = 64;
/** How much of one region lies in another: 0 nothing of it, 1 all of it. */
export const regionOverlap = (of: FaceRegion, inside: FaceRegion): Unit => {
  const [a, b] = [regionMask(of, COARSE), regionMask(inside, COARSE)];
  let [both, all] = [0, 0];
  a.forEach((value, i) => {
    all += value;
    both += (value * b[i]!) / 255;
  });
  return all === 0 ? 0 : both / all;
};
