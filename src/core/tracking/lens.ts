/** How cameras open, said for the longer side of their pictures: a phone that is turned opens as before. */
import type { Degrees } from '../units';

/** A usual value for laptop and phone cameras held at arm's length. */
export const USUAL_LENS: Degrees = 62;
/** A lens that is told anew is believed when it differs by more: what is less is noise. */
const NEWS = 0.03;

const halfOf = (fov: Degrees): number => Math.tan((fov * Math.PI) / 360);
const degreesOf = (half: number): Degrees => (2 * Math.atan(half) * 180) / Math.PI;

/** Vertical field of view of a picture of this shape. */
export const fovYOfLens = (width: number, height: number, lens: Degrees = USUAL_LENS): Degrees =>
  height >= width ? lens : degreesOf(halfOf(lens) * (height / width));

/** The lens that gives such a picture this vertical field of view. */
export const lensOfFovY = (width: number, height: number, fovY: Degrees): Degrees =>
  height >= width ? fovY : degreesOf(halfOf(fovY) * (width / height));

/** What is believed from now on, when pictures tell this of a lens; null where they tell nothing. */
export const believedLens = (lens: Degrees, told: Degrees | null): Degrees =>
  told === null || Math.abs(halfOf(told) / halfOf(lens) - 1) < NEWS ? lens : told;
