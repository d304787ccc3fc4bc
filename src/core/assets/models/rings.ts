/** The rings that a model makes about its upright axis: what a head piece is told and measured by. */
import { boundsOf } from './bounds';

/** Directions around the upright axis, and slices from the base to the top. */
const SECTORS = 24;
const SLICES = 12;
/** So many directions have to be closed for a ring. */
const CLOSED = 12;
/** And so many for one that goes all the way round. */
const ROUND = 19;

export interface Ring {
  /** Inner radius: a quarter of the directions are nearer. */
  readonly inner: number;
  readonly outer: number;
  /** How many of the directions meet it. */
  readonly closed: number;
}

/** The ring that the points between two heights make about an axis; null where they do not go round it. */
const ringBetween = (
  points: ArrayLike<number>,
  [cx, cz]: readonly [number, number],
  from: number,
  to: number,
): Ring | null => {
  const nearest = new Array<number>(SECTORS).fill(Infinity);
  let outer = 0;
  for (let i = 0; i < points.length; i += 3) {
    const y = points[i + 1]!;
    if (y < from || y > to) continue;
    const [x, z] = [points[i]! - cx, points[i + 2]! - cz];
    const r = Math.hypot(x, z);
    const sector = Math.floor(((Math.atan2(z, x) + Math.PI) / (2 * Math.PI)) * (SECTORS - 0.001));
    nearest[sector] = Math.min(nearest[sector]!, r);
    outer = Math.max(outer, r);
  }
  const around = nearest.filter((r) => Number.isFinite(r)).sort((a, b) => a - b);
  const inner = around[Math.floor(around.length / 4)] ?? 0;
  return around.length >= CLOSED && inner > outer * 0.35 ? { inner, outer, closed: around.length } : null;
};

/** The middle of what lies below a height: a crown that rises in front still closes around its base. */
const middleOf = (points: ArrayLike<number>, below: number): readonly [number, number] => {
  const [low, high] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  for (let i = 0; i < points.length; i += 3) {
    if (points[i + 1]! > below + 1e-9) continue;
    [0, 1].forEach((k) => {
      low[k] = Math.min(low[k]!, points[i + 2 * k]!);
      high[k] = Math.max(high[k]!, points[i + 2 * k]!);
    });
  }
  return [(low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2];
};

export interface Rings {
  /** Around the base. */
  readonly base: Ring | null;
  /** The lowest, or that of the base. */
  readonly hole: Ring | null;
  readonly widest: Ring | null;
  /** It draws together again above its widest ring: a crown opens upwards. */
  readonly closesAbove: boolean;
  /** The base is closed in nearly all directions: glasses and masks are open behind. */
  readonly isRound: boolean;
}

/** The rings of a model from its base to its top. `points` hold three numbers each, +Y is up. */
export const ringsOf = (points: ArrayLike<number>): Rings => {
  const { low, high } = boundsOf(points);
  const tall = high[1] - low[1];
  const middle = [(low[0] + high[0]) / 2, (low[2] + high[2]) / 2] as const;
  const base = ringBetween(points, middleOf(points, low[1] + tall * 0.15), low[1], low[1] + tall * 0.35);
  const rings = Array.from({ length: SLICES }, (_, i) =>
    ringBetween(points, middle, low[1] + (tall * i) / SLICES, low[1] + (tall * (i + 1)) / SLICES),
  );
  const widest = rings.reduce<Ring | null>(
    (most, r) => (r && (!most || r.inner > most.inner) ? r : most),
    null,
  );
  return {
    base,
    hole: rings.find((ring) => ring !== null) ?? base,
    widest,
    closesAbove: widest !== null && isClosedAbove(rings, rings.indexOf(widest)),
    isRound: base !== null && base.closed >= ROUND,
  };
};

/** Whether the rings above one draw together until there is none: points near the axis close it. */
const isClosedAbove = (rings: readonly (Ring | null)[], at: number): boolean => {
  const top = rings.at(-1);
  return at < rings.length - 1 && (top === null || (top !== undefined && top.inner < rings[at]!.inner * 0.7));
};
