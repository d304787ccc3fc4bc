/** Which pixels of a picture a brow takes, as it is tracked. */
import { polygonArea, isInside, type Point2 } from '../../maths/polygon';
import { clamp } from '../../maths/scalar';

/** Brows are found this much larger than the lines around them: single hairs stand out, and a face is tracked so well only. */
const BROW_SIZE = 1.5;
/** The pixels within a closed line. */
const pixelsWithin = (line: readonly Point2[], width: number, height: number): number[] => {
  const span = (k: 0 | 1, most: number): [number, number] => {
    const values = line.map((p) => p[k]);
    return [clamp(Math.floor(Math.min(...values)), 0, most), clamp(Math.ceil(Math.max(...values)), 0, most)];
  };
  const [[left, right], [low, high]] = [span(0, width), span(1, height)];
  const within: number[] = [];
  for (let y = low; y < high; y++)
    for (let x = left; x < right; x++) if (isInside([x + 0.5, y + 0.5], line)) within.push(y * width + x);
  return within;
};
/**
 * The pixels of a brow, and as many straight above it. `brow` is the line around it in pixels from the lower left, `up` where the crown points, of
 * length 1.
 */
export const browPixels = (
  brow: readonly Point2[],
  up: Point2,
  width: number,
  height: number,
): { own: number[]; above: number[] } => {
  const middle = [0, 1].map((k) => brow.reduce((sum, p) => sum + p[k as 0 | 1], 0) / brow.length) as [
    number,
    number,
  ];
  const along = brow.map((p) => (p[0] - middle[0]) * up[1] - (p[1] - middle[1]) * up[0]);
  const length = Math.max(1, Math.max(...along) - Math.min(...along));
  const step = (BROW_SIZE * Math.abs(polygonArea(brow))) / length;
  const moved = (by: number): Point2[] =>
    brow.map((p) => [
      middle[0] + BROW_SIZE * (p[0] - middle[0]) + by * up[0],
      middle[1] + BROW_SIZE * (p[1] - middle[1]) + by * up[1],
    ]);
  return { own: pixelsWithin(moved(0), width, height), above: pixelsWithin(moved(step), width, height) };
};
