/** What tests of the face's layout share. */
import type { Outline } from './regions';

/** Whether a point lies inside an outline: a ray from it crosses the outline an odd number of times. */
export const isInside = ([u, v]: readonly [number, number], line: Outline): boolean => {
  let inside = false;
  line.forEach(([x, y], i) => {
    const [p, q] = line[(i + 1) % line.length]!;
    if (y > v !== q > v && u < ((p - x) * (v - y)) / (q - y) + x) inside = !inside;
  });
  return inside;
};
