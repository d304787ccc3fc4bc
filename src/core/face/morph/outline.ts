/**
 * The outline of a face in the picture, seen from its middle: how far it reaches in each direction. Faces are seen as
 * star-shaped from there, turned ones too, where the far cheek and not the oval is the outline.
 */
export interface FaceOutline {
  /** Where it is seen from, in the units of the points. */
  readonly centre: readonly [number, number];
  /** Reach in each direction: the first to the right, then counter-clockwise where y points up. */
  readonly radii: Float32Array;
}

const TURN = 2 * Math.PI;

/** The middle of points given x, y one after the other. */
export const middleOfPoints = (points: ArrayLike<number>): [number, number] => {
  let [x, y] = [0, 0];
  for (let i = 0; i < points.length; i += 2) {
    x += points[i]!;
    y += points[i + 1]!;
  }
  return [(2 * x) / points.length, (2 * y) / points.length];
};

/**
 * `points` are x, y one after the other, `triangles` three indices each. In every one of `count` directions the farthest
 * crossing with an edge counts; 0 where none is crossed.
 */
export const outlineFrom = (
  centre: readonly [number, number],
  points: ArrayLike<number>,
  triangles: ArrayLike<number>,
  count: number,
): FaceOutline => {
  const radii = new Float32Array(count);
  const edge = (i: number, k: number): void => {
    const [ax, ay] = [points[2 * i]! - centre[0], points[2 * i + 1]! - centre[1]];
    const [bx, by] = [points[2 * k]! - centre[0], points[2 * k + 1]! - centre[1]];
    const from = Math.atan2(ay, ax);
    let sweep = Math.atan2(by, bx) - from;
    if (sweep > Math.PI) sweep -= TURN;
    if (sweep < -Math.PI) sweep += TURN;
    const [low, high] = sweep >= 0 ? [from, from + sweep] : [from + sweep, from];
    const area = ax * by - ay * bx;
    for (let n = Math.ceil((low / TURN) * count); n <= Math.floor((high / TURN) * count); n++) {
      const [c, s] = [Math.cos((n / count) * TURN), Math.sin((n / count) * TURN)];
      const across = c * (by - ay) - s * (bx - ax);
      const reach = Math.abs(across) < 1e-12 ? Math.hypot(ax, ay) : area / across;
      const at = ((n % count) + count) % count;
      if (reach > radii[at]!) radii[at] = reach;
    }
  };
  for (let t = 0; t < triangles.length; t += 3) {
    edge(triangles[t]!, triangles[t + 1]!);
    edge(triangles[t + 1]!, triangles[t + 2]!);
    edge(triangles[t + 2]!, triangles[t]!);
  }
  return { centre, radii };
};
