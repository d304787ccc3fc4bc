/** Polygons in the plane. */
export type Point2 = readonly [x: number, y: number];

/** Whether a point lies within a closed line, by the even-odd rule: a ray to the right crosses its edges an odd number of times. */
export const isInside = ([x, y]: Point2, line: readonly Point2[]): boolean => {
  let inside = false;
  for (let i = 0, j = line.length - 1; i < line.length; j = i++) {
    const [ax, ay] = line[i]!;
    const [bx, by] = line[j]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
};

/** The area within a closed line, positive counter-clockwise where y points up: the shoelace formula. */
export const polygonArea = (line: readonly Point2[]): number =>
  line.reduce((sum, [ax, ay], i) => {
    const [bx, by] = line[(i + 1) % line.length]!;
    return sum + (ax * by - bx * ay) / 2;
  }, 0);
