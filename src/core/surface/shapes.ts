/**
 * Signed distances to flat shapes: below 0 inside, in the units of the point. Round boxes and the fold of the star follow
 * Quilez, "2D distance functions" (2017); the star's edge is the exact distance to a straight line between its tip and its
 * notch.
 */
import { clamp } from '../maths/scalar';

type Point = readonly number[];

/** Distance to a circle, below 0 inside. */
export const circleAt = ([x, y]: Point, [cx, cy]: Point, radius: number): number =>
  Math.hypot(x! - cx!, y! - cy!) - radius;

/** `size` is its whole width and height, `round` the radius of its corners. */
export const boxAt = ([x, y]: Point, [cx, cy]: Point, [w, h]: Point, round: number): number => {
  const r = clamp(round, 0, Math.min(w!, h!) / 2);
  const [dx, dy] = [Math.abs(x! - cx!) - w! / 2 + r, Math.abs(y! - cy!) - h! / 2 + r];
  return Math.hypot(Math.max(dx, 0), Math.max(dy, 0)) + Math.min(Math.max(dx, dy), 0) - r;
};

/** `points` tips at `radius`, the first one upwards, and notches at `inner` times the radius. */
export const starAt = (
  [x, y]: Point,
  [cx, cy]: Point,
  radius: number,
  inner: number,
  points: number,
): number => {
  const half = Math.PI / points;
  const [dx, dy] = [x! - cx!, cy! - y!];
  const far = Math.hypot(dx, dy);
  const turn = Math.atan2(dx, dy) + half;
  const angle = Math.abs(turn - 2 * half * Math.floor(turn / (2 * half)) - half);
  const at = [far * Math.cos(angle), far * Math.sin(angle)] as const;
  const edge = [radius * (inner * Math.cos(half) - 1), radius * inner * Math.sin(half)] as const;
  const from = [at[0] - radius, at[1]] as const;
  const along = clamp(
    (from[0] * edge[0] + from[1] * edge[1]) / Math.max(1e-12, edge[0] * edge[0] + edge[1] * edge[1]),
    0,
    1,
  );
  const distance = Math.hypot(from[0] - edge[0] * along, from[1] - edge[1] * along);
  return edge[0] * from[1] - edge[1] * from[0] > 0 ? -distance : distance;
};

export const SHAPES_GLSL = /* glsl */ `
  float sfBox(vec2 p, vec2 centre, vec2 size, float corner) {
    float r = clamp(corner, 0.0, min(size.x, size.y) / 2.0);
    vec2 d = abs(p - centre) - size / 2.0 + r;
    return length(max(d, 0.0)) + min(max(d.x, d.y), 0.0) - r;
  }
  float sfStar(vec2 p, vec2 centre, float radius, float inner, float points) {
    float halfTurn = 3.14159265358979 / points;
    vec2 d = vec2(p.x - centre.x, centre.y - p.y);
    float far = length(d);
    float turn = (far > 0.0 ? atan(d.x, d.y) : 0.0) + halfTurn;
    float angle = abs(turn - 2.0 * halfTurn * floor(turn / (2.0 * halfTurn)) - halfTurn);
    vec2 at = far * vec2(cos(angle), sin(angle));
    vec2 edge = radius * vec2(inner * cos(halfTurn) - 1.0, inner * sin(halfTurn));
    vec2 from = at - vec2(radius, 0.0);
    float along = clamp(dot(from, edge) / max(1e-12, dot(edge, edge)), 0.0, 1.0);
    float away = length(from - edge * along);
    return edge.x * from.y - edge.y * from.x > 0.0 ? -away : away;
  }`;
