/** Nodes brought into line on the board. */
import type { BoardPlace } from './graph';

/** What lies on a board, with its size; pixels of the board. */
export interface Laid<Id extends string = string> {
  readonly id: Id;
  readonly at: BoardPlace;
  readonly size: BoardPlace;
}

export const ALIGNMENTS = {
  left: 'Left edges',
  centre: 'Centres, side to side',
  right: 'Right edges',
  top: 'Upper edges',
  middle: 'Middles, up and down',
  bottom: 'Lower edges',
  across: 'Even gaps across',
  down: 'Even gaps down',
} as const;
export type Alignment = keyof typeof ALIGNMENTS;

/** 0 is x, 1 is y; `share` of its size is what is brought into line. */
const LINES: Partial<Record<Alignment, readonly [axis: 0 | 1, share: number]>> = {
  left: [0, 0],
  centre: [0, 0.5],
  right: [0, 1],
  top: [1, 0],
  middle: [1, 0.5],
  bottom: [1, 1],
};

const moved = (at: BoardPlace, axis: 0 | 1, to: number): BoardPlace =>
  axis === 0 ? [to, at[1]] : [at[0], to];

/**
 * Where they lie then. Edges go to the outermost one, centres to the middle of all; even gaps keep the first and the last in their places.
 * Fewer than two stay where they are.
 */
export const alignedPlaces = <Id extends string>(
  all: readonly Laid<Id>[],
  how: Alignment,
): Map<Id, BoardPlace> => {
  if (all.length < 2) return new Map();
  const line = LINES[how];
  if (!line) return spreadPlaces(all, how === 'across' ? 0 : 1);
  const [axis, share] = line;
  const least = Math.min(...all.map(({ at }) => at[axis]));
  const most = Math.max(...all.map(({ at, size }) => at[axis] + size[axis]));
  const to = least + (most - least) * share;
  return new Map(all.map(({ id, at, size }) => [id, moved(at, axis, to - size[axis] * share)]));
};

const spreadPlaces = <Id extends string>(all: readonly Laid<Id>[], axis: 0 | 1): Map<Id, BoardPlace> => {
  const inOrder = [...all].sort((a, b) => a.at[axis] - b.at[axis]);
  const first = inOrder[0]!.at[axis];
  const last = inOrder.at(-1)!;
  const taken = inOrder.slice(0, -1).reduce((sum, { size }) => sum + size[axis], 0);
  const gap = (last.at[axis] - first - taken) / (inOrder.length - 1);
  // They lie over one another so far that one would come before its neighbour: their edges are spread instead.
  const crowded = inOrder.slice(0, -1).some(({ size }) => size[axis] + gap <= 0);
  const step = (last.at[axis] - first) / (inOrder.length - 1);
  let next = first;
  return new Map(
    inOrder.map(({ id, at, size }) => {
      const place = moved(at, axis, next);
      next += crowded ? step : size[axis] + gap;
      return [id, place];
    }),
  );
};
