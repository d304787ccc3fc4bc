/** Film grain that is the same on every machine: noise from whole numbers alone. */
import { pcg3d } from '../maths/hash';

/** Noise of a grain in a frame: three dice added, -1.5 to 1.5, mostly small. */
export const grainAt = (column: number, row: number, frame: number): number => {
  const dice = pcg3d(column, row, frame);
  return dice.reduce((sum, n) => sum + (n >>> 8) / 16_777_216, 0) - 1.5;
};
/** Grain at amount 1 is this strong: in light grey, one part in six of the way from black to white. */
export const GRAIN_REACH = 0.16;

/**
 * Pixels along a grain of `size` (pixels of a picture 720 wide) in a picture of another width. Never less than one; smaller
 * grains are weaker instead, since several of them would lie in one pixel.
 */
export const grainCell = (size: number, width: number): { readonly cell: number; readonly part: number } => {
  const pixels = (size * width) / 720;
  return { cell: Math.max(1, pixels), part: Math.min(1, pixels) };
};
