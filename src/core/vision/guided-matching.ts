/**
 * Matches sought again where a pose says that they are: near the place, as large and turned as the pose has it, so that the nearest descriptor need not stand out from
 * the whole picture. From one place outward, the pose fitted anew each time, a guess from a few corners grows into one of the whole picture.
 */
import { differingBits } from './hamming';
import { WORDS } from './descriptors';
import type { FrameFeatures } from './frame-features';
import type { PictureTarget } from './picture-target';
import { fitPose, homographyOf, type Camera, type PlanePose, type Sighting } from './plane-pose';

/** Features of a frame by where they are: the numbers of those in each cell, cell after cell. */
export class FeatureGrid {
  private readonly across: number;
  private readonly down: number;
  private readonly starts: Int32Array;
  private readonly numbers: Int32Array;

  constructor(
    readonly features: FrameFeatures,
    { width, height }: Pick<Camera, 'width' | 'height'>,
  ) {
    this.across = Math.ceil(width / CELL);
    this.down = Math.ceil(height / CELL);
    const { count, x, y } = features;
    const cellOf = (i: number): number =>
      clamp((y[i] / CELL) | 0, this.down) * this.across + clamp((x[i] / CELL) | 0, this.across);
    this.starts = new Int32Array(this.across * this.down + 1);
    for (let i = 0; i < count; i++) this.starts[cellOf(i) + 1]++;
    for (let c = 0; c < this.across * this.down; c++) this.starts[c + 1] += this.starts[c];
    const filled = this.starts.slice();
    this.numbers = new Int32Array(count);
    for (let i = 0; i < count; i++) this.numbers[filled[cellOf(i)]++] = i;
  }

  /** The first and the last cell, one way, that is within `radius` of a place. */
  private span(at: number, radius: number, count: number): readonly [number, number] {
    return [clamp(((at - radius) / CELL) | 0, count), clamp(((at + radius) / CELL) | 0, count)];
  }

  /** Of the features within `radius` of (u, v) that `fits`, the one with the least `differ`, below `most`; -1 where there is none. */
  nearest(
    u: number,
    v: number,
    radius: number,
    fits: (i: number) => boolean,
    differ: (i: number, limit: number) => number,
    most: number,
  ): number {
    const { x, y } = this.features;
    const [left, right] = this.span(u, radius, this.across);
    const [top, bottom] = this.span(v, radius, this.down);
    let [best, least] = [-1, most];
    for (let row = top; row <= bottom; row++) {
      const end = this.starts[row * this.across + right + 1];
      for (let k = this.starts[row * this.across + left]; k < end; k++) {
        const i = this.numbers[k];
        const [dx, dy] = [x[i] - u, y[i] - v];
        if (dx * dx + dy * dy > radius * radius || !fits(i)) continue;
        const d = differ(i, least);
        if (d < least) [best, least] = [i, d];
      }
    }
    return best;
  }
}
/** Pixels. */
const CELL = 16;
const clamp = (at: number, count: number): number => Math.min(count - 1, Math.max(0, at));

/** Places that are nearer, in widths of the picture, are one. */
const APART = 0.025;
/** More say no more. */
const MOST_SIGHTINGS = 80;
/** Bits that may differ where the pose says where to look. */
const FARTHEST = 72;
/** A feature may be so much larger or smaller, and turned so far, radians, beside what the pose says. */
const SCALE = 1.6;
const LEAST_COS = Math.cos(0.5);
/** A view is looked through where the pose shows it hardly squeezed. */
const SQUEEZE = 1.7;

/**
 * How far from where the growth began places are taken, in widths of the picture, how far off they may be, pixels and shares of the way there, and how many have to
 * agree: nineteen of twenty guesses that are right come through, one of twenty that are not.
 */
const ROUNDS = [
  { reach: 0.3, pixels: 5, share: 0.16, least: 4 },
  { reach: 0.55, pixels: 5, share: 0.12, least: 6 },
  { reach: 2, pixels: 6, share: 0.06, least: 8 },
  { reach: 2, pixels: 5, share: 0.02, least: 8 },
];

export interface Grown {
  readonly pose: PlanePose;
  /** Places of the picture, apart from each other, that are seen where the pose says. */
  readonly agreeing: number;
}

/** A guess, good about the place (x, y) of the picture, grown over it. Null where too little agrees. */
export const growPose = (
  guess: PlanePose,
  [x0, y0]: readonly [number, number],
  grid: FeatureGrid,
  target: PictureTarget,
  camera: Camera,
): Grown | null => {
  let pose = guess;
  let sightings: Sighting[] = [];
  for (const round of ROUNDS) {
    sightings = guided(pose, [x0, y0], round, grid, target, camera);
    if (sightings.length < round.least) return null;
    ({ pose } = fitPose(pose, sightings, camera, { floor: 1, rounds: 5, hold: 0.02 }));
    if (placesOf(sightings) < round.least) return null;
    if (!pose.position.every(Number.isFinite)) return null;
  }
  return { pose, agreeing: placesOf(sightings) };
};

/** Places of the picture, apart from each other, that are seen where the pose of the last fit says. */
const placesOf = (sightings: readonly Sighting[]): number => {
  const places: Sighting[] = [];
  for (const s of sightings)
    if (s.residual < 2.5 && places.every((p) => (p.x - s.x) ** 2 + (p.y - s.y) ** 2 > APART ** 2))
      places.push(s);
  return places.length;
};

/** What is seen of the picture about where a pose says. */
const guided = (
  pose: PlanePose,
  [x0, y0]: readonly [number, number],
  { reach, pixels, share }: (typeof ROUNDS)[number],
  grid: FeatureGrid,
  { described }: PictureTarget,
  camera: Camera,
): Sighting[] => {
  const h = homographyOf(pose, camera);
  const { features } = grid;
  // How the frame lies about where the growth began.
  const w0 = 1 / (h[6] * x0 + h[7] * y0 + h[8]);
  if (w0 <= 0) return [];
  const u0 = (h[0] * x0 + h[1] * y0 + h[2]) * w0;
  const v0 = (h[3] * x0 + h[4] * y0 + h[5]) * w0;
  const [a, b, c, d] = [h[0] - h[6] * u0, h[1] - h[7] * u0, h[3] - h[6] * v0, h[4] - h[7] * v0].map(
    (k) => k * w0,
  );
  const perWidth = Math.sqrt(Math.abs(a * d - b * c));
  // How each view is seen: by how much larger, turned how far; none that is squeezed.
  const views = described.views.map((t) => {
    const m = [a * t[0] + b * t[3], a * t[1] + b * t[4], c * t[0] + d * t[3], c * t[1] + d * t[4]];
    const det = m[0] * m[3] - m[1] * m[2];
    const squares = m[0] ** 2 + m[1] ** 2 + m[2] ** 2 + m[3] ** 2;
    // The singular values are apart by what the squares say beside the determinant.
    const ratio = squares / (2 * det);
    const squeezed = ratio + Math.sqrt(Math.max(0, ratio * ratio - 1));
    const scale = Math.sqrt(det);
    return det > 0 && squeezed < SQUEEZE && scale > 1 / SCALE && scale < 4 * SCALE
      ? { scale, turn: Math.atan2(m[2] - m[1], m[0] + m[3]) }
      : null;
  });
  const best = new Map<number, { readonly j: number; readonly bits: number }>();
  let [j, view] = [0, views[0]];
  const fits = (i: number): boolean => {
    const size = features.scale[i] / view!.scale;
    return (
      size < SCALE &&
      size > 1 / SCALE &&
      Math.cos(features.angle[i] - described.angle[j] - view!.turn) > LEAST_COS
    );
  };
  const differ = (i: number, limit: number): number =>
    differingBits(features.words, WORDS * i, described.words, WORDS * j, limit);
  for (j = 0; j < described.count; j++) {
    view = views[described.view[j]];
    if (!view) continue;
    const [x, y] = [described.px[j], described.py[j]];
    const far = Math.sqrt((x - x0) * (x - x0) + (y - y0) * (y - y0));
    if (far > reach) continue;
    const w = 1 / (h[6] * x + h[7] * y + h[8]);
    if (w <= 0) continue;
    const u = (h[0] * x + h[1] * y + h[2]) * w;
    const v = (h[3] * x + h[4] * y + h[5]) * w;
    if (u < 0 || v < 0 || u > camera.width || v > camera.height) continue;
    const i = grid.nearest(u, v, pixels + share * far * perWidth, fits, differ, FARTHEST);
    if (i < 0) continue;
    const bits = differ(i, FARTHEST);
    if (bits < (best.get(i)?.bits ?? FARTHEST)) best.set(i, { j, bits });
  }
  const likeliest = [...best].sort((p, q) => p[1].bits - q[1].bits).slice(0, MOST_SIGHTINGS);
  return likeliest.map(([i, { j: of }]) => {
    const information = 1 / (1 + features.scale[i]) ** 2;
    return {
      x: described.px[of],
      y: described.py[of],
      u: features.x[i],
      v: features.y[i],
      a: information,
      b: 0,
      c: information,
      residual: 0,
    };
  });
};
