/** How large objects are: boxes around them, in their own space. Metres. */
import type { Effect, EffectObject } from '../document/schema';
import { throughMatrix, type Matrix } from '../maths/matrix';
import type { Vec3 } from '../maths/vec3';
import { blockOf, textExtent } from './text-layout';

export interface Box {
  readonly low: Vec3;
  readonly high: Vec3;
}

const around = (width: number, height: number, depth: number): Box => ({
  low: [-width / 2, -height / 2, -depth / 2],
  high: [width / 2, height / 2, depth / 2],
});

/** The head as an occluder, roughly. */
const HEAD: Box = { low: [-0.08, -0.11, -0.125], high: [0.08, 0.125, 0.09] };
/** What shows nothing itself is picked by a small mark. */
const MARK = around(0.02, 0.02, 0.02);

/** Around one object without what hangs in it; null for a model that is not there. */
export const boxOf = (effect: Effect, object: EffectObject): Box | null => {
  switch (object.kind) {
    case 'card':
    case 'live':
    case 'cutout':
    case 'fill':
      return around(object.extent[0], object.extent[1], 0);
    case 'solid':
      return around(...object.extent);
    case 'text': {
      const { low, high } = textExtent(blockOf(object));
      return { low: [low[0], low[1], 0], high: [high[0], high[1], 0] };
    }
    case 'shadowCatcher':
      return around(object.extent[0], 0, object.extent[1]);
    case 'model':
    case 'occluder': {
      const asset = object.asset === null ? undefined : effect.assets[object.asset];
      if (object.kind === 'occluder' && object.asset === null) return HEAD;
      return asset?.kind === 'model' ? { low: asset.low, high: asset.high } : null;
    }
    case 'layer':
    case 'iris':
    case 'lashes':
    case 'hair':
    case 'retouch':
    case 'morph':
      return { low: [-0.08, -0.1, 0], high: [0.08, 0.1, 0.09] };
    case 'light':
    case 'fountain':
    case 'sound':
      return MARK;
    case 'group':
    case 'grade':
      return null;
  }
};

export const corners = ({ low, high }: Box): Vec3[] =>
  [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [
    i & 1 ? high[0] : low[0],
    i & 2 ? high[1] : low[1],
    i & 4 ? high[2] : low[2],
  ]);

/** The box around a box that goes through a matrix. */
export const boxThrough = (matrix: Matrix, box: Box): Box =>
  boxAround(corners(box).map((p) => throughMatrix(matrix, p)))!;

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

export const sizeOf = ({ low, high }: Box): Vec3 => [high[0] - low[0], high[1] - low[1], high[2] - low[2]];
export const middleOf = ({ low, high }: Box): Vec3 => [
  (low[0] + high[0]) / 2,
  (low[1] + high[1]) / 2,
  (low[2] + high[2]) / 2,
];
