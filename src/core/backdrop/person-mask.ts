/**
 * The edge of a person mask, made larger or smaller and softened, in known widths.
 *
 * A mask that is blurred with a Gaussian of deviation s is, near a straight edge, the normal distribution of the distance
 * to the edge over s. So the inverse of that distribution gives the distance back, and any edge can be cut from it: the
 * same everywhere, round at corners, and in pixels. `stage/backdrop/mask-shader.ts` says the same in GLSL.
 */
import { clamp } from '../maths/scalar';
import type { Unit } from '../units';

/** How people are cut out of the picture. */
export interface MaskEdge {
  /** 0 is a hard edge, 1 the widest. */
  readonly feather: Unit;
  /** Below 0 takes away from people, above 0 adds to them. */
  readonly grow: number;
}

/** At their fullest, in shares of the picture's height. */
export const FEATHER_MOST = 0.08;
export const GROW_MOST = 0.04;

/** Widths in pixels of a picture of this height. */
export interface EdgePixels {
  /** From where the mask is 0 to where it is 1. */
  readonly feather: number;
  /** Outwards from the edge as it came. */
  readonly grow: number;
  /** Deviation of the blur that makes distances. */
  readonly deviation: number;
}
/** Distances are known up to so many deviations: farther out eight bits tell nothing apart. */
const SEEN = 1.8;
/** The edge of the people in pixels of a picture this high. */
export const edgePixels = ({ feather, grow }: MaskEdge, height: number): EdgePixels => {
  const [f, g] = [Math.max(1, feather * FEATHER_MOST * height), grow * GROW_MOST * height];
  return { feather: f, grow: g, deviation: (Math.abs(g) + f / 2) / SEEN };
};

/** Whether the edge is left as it came. */
export const isPlainEdge = ({ feather, grow }: MaskEdge): boolean => feather === 0 && grow === 0;

const A = 0.147;
/** Inverse of the error function, within 0.002. Winitzki, "A handy approximation for the error function" (2008). */
export const inverseErf = (y: number): number => {
  const c = clamp(y, -0.999999, 0.999999);
  const l = Math.log(1 - c * c);
  const b = 2 / (Math.PI * A) + l / 2;
  return Math.sign(c) * Math.sqrt(Math.sqrt(b * b - l / A) - b);
};

/** Distance to the edge in pixels, positive inside, from the blurred mask. */
export const distanceOf = (blurred: Unit, deviation: number): number =>
  Math.SQRT2 * deviation * inverseErf(2 * blurred - 1);

/** The mask after its edge was moved and softened, from the blurred one. */
export const edged = (blurred: Unit, { feather, grow, deviation }: EdgePixels): Unit =>
  clamp((distanceOf(blurred, deviation) + grow) / feather + 0.5, 0, 1);
