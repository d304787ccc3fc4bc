/** How a wire with bends runs on a board. */
import { curveCatmullRom, line } from 'd3';
import type { BoardPlace } from '../../../../core/graph/graph';

/** So far it runs straight out of one node and into the other. */
const STRAIGHT = 18;

/** The path of a wire past its bends, for an SVG. */
export const wirePath = (from: BoardPlace, via: readonly BoardPlace[], to: BoardPlace): string => {
  const all: BoardPlace[] = [from, [from[0] + STRAIGHT, from[1]], ...via, [to[0] - STRAIGHT, to[1]], to];
  return (
    line<BoardPlace>()
      .x(([x]) => x)
      .y(([, y]) => y)
      .curve(curveCatmullRom.alpha(0.5))(all) ?? ''
  );
};

/** Square of how far a point is from a line between two others. */
const farFrom = ([x, y]: BoardPlace, [ax, ay]: BoardPlace, [bx, by]: BoardPlace): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const along = dx * dx + dy * dy;
  const t = along === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / along));
  return (x - ax - t * dx) ** 2 + (y - ay - t * dy) ** 2;
};

/** Which of its bends one that is pulled out at a place is: between the two that it lies nearest to. */
export const bendIndex = (
  at: BoardPlace,
  from: BoardPlace,
  via: readonly BoardPlace[],
  to: BoardPlace,
): number => {
  const all = [from, ...via, to];
  const far = all.slice(1).map((end, i) => farFrom(at, all[i]!, end));
  return far.indexOf(Math.min(...far));
};
