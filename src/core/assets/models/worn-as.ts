/** How a model is likely to be worn, by its shape alone; and how large it has to be for that. */
import {
  EARRING_HEIGHT,
  GLASSES_WIDTH,
  HEAD_PIECE_WIDTH,
  HEAD_SHELL_WIDTH,
  MASK_WIDTH,
} from '../../face/head-fit';
import type { WornAs } from '../../schema/worn-as';
import { boundsOf } from './bounds';
import { ringsOf, type Rings } from './rings';

type Points = ArrayLike<number>;

const sizeOf = (points: Points): readonly [number, number, number] => {
  const { low, high } = boundsOf(points);
  return [high[0] - low[0], high[1] - low[1], high[2] - low[2]];
};

/** Shares of the box: whether any point lies between two shares of its width, height and depth. */
const hasPoint = (
  points: Points,
  [x0, x1]: readonly [number, number],
  [y0, y1]: readonly [number, number],
  [z0, z1]: readonly [number, number],
): boolean => {
  const { low, high } = boundsOf(points);
  const share = (value: number, k: number): number => {
    const size = high[k]! - low[k]!;
    return size > 0 ? (value - low[k]!) / size : 0.5;
  };
  for (let i = 0; i < points.length; i += 3) {
    const [x, y, z] = [share(points[i]!, 0), share(points[i + 1]!, 1), share(points[i + 2]!, 2)];
    if (x >= x0 && x <= x1 && y >= y0 && y <= y1 && z >= z0 && z <= z1) return true;
  }
  return false;
};
const ALL = [0, 1] as const;
const MIDDLE = [0.35, 0.65] as const;
const AXIS = [0.44, 0.56] as const;

/**
 * How a model is likely to be worn; null for what is like nothing that is worn. `points` are corners of triangles, three numbers each, with
 * +Y up and +Z to the front.
 */
export const likelyWorn = (points: Points): WornAs | null => {
  const [width, height, depth] = sizeOf(points);
  if (points.length < 27 || width <= 0 || height <= 0) return null;
  const rings = ringsOf(points);
  if (isShell(points, rings)) return 'shell';
  if (hasNeck(points) && rings.isRound) {
    // Something over the middle, near the top.
    if (hasPoint(points, MIDDLE, [0.7, 1], MIDDLE)) return 'cap';
    return height < 0.3 * Math.max(width, depth) ? 'band' : 'crown';
  }
  // Temples run back at both sides, and nothing is between them behind.
  const isOpenBehind = !hasPoint(points, MIDDLE, ALL, [0, 0.5]) && hasPoint(points, ALL, ALL, [0, 0.3]);
  if (isOpenBehind && depth > 0.45 * width && height < 0.6 * width) {
    // Glasses are as wide in front as behind; what bends around the head is not.
    const isFlatInFront =
      hasPoint(points, [0, 0.15], ALL, [0.85, 1]) && hasPoint(points, [0.85, 1], ALL, [0.85, 1]);
    return isFlatInFront ? 'glasses' : 'band';
  }
  if (Math.max(width, depth) < 0.5 * height || isHoop(points)) return 'earring';
  if (depth < 0.75 * width && height > 0.5 * width && isOpenBehind) return 'mask';
  return null;
};

/** A solid thing has its lowest points on its axis, where a head piece lets the neck through. */
const hasNeck = (points: Points): boolean => !hasPoint(points, AXIS, [0, 0.15], AXIS);

/** It closes again above the hole of the neck. */
const isShell = (points: Points, { hole, widest, closesAbove }: Rings): boolean =>
  hasNeck(points) && hole !== null && widest !== null && closesAbove && widest.inner > hole.inner * 1.2;

/** Thin, upright, as high as it is long, and open in its middle. */
const isHoop = (points: Points): boolean => {
  const [width, height, depth] = sizeOf(points);
  const long = Math.max(width, depth);
  return (
    Math.min(width, depth) < 0.3 * height &&
    Math.abs(long - height) < 0.25 * height &&
    !hasPoint(points, width < depth ? ALL : MIDDLE, MIDDLE, width < depth ? MIDDLE : ALL)
  );
};

/**
 * The factor at which a model is worn like this. A crown, a band or a cap closes around the head at its base, and is measured there. A piece
 * that encloses the whole head has the hole of the neck at its base: it is measured inside where it is widest. Glasses and masks are
 * measured from side to side, earrings from top to bottom. What has no hole sits on the head and is measured outside.
 */
export const wornFactor = (points: Points, as: WornAs): number => {
  const [width, height, depth] = sizeOf(points);
  const to = (metres: number, size: number): number => (size > 0 ? metres / size : 1);
  switch (as) {
    case 'glasses':
      return to(GLASSES_WIDTH, width);
    case 'mask':
      return to(MASK_WIDTH, width);
    case 'earring':
      return to(EARRING_HEIGHT, height);
    default: {
      const rings = ringsOf(points);
      const { base, widest } = rings;
      // Whatever it is called, what closes around the head is never fitted by the hole of its neck.
      if (as === 'shell' || isShell(points, rings))
        return to(HEAD_SHELL_WIDTH, widest ? 2 * widest.inner : Math.max(width, depth));
      return to(HEAD_PIECE_WIDTH, base ? 2 * base.inner : Math.max(width, depth));
    }
  }
};
