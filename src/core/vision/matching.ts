/**
 * Which corners of a frame are which of a picture, and as what homographies of the picture they may be read. Each match brings a whole
 * affine guess with it, since the view it was described in is known; the others vote on it. Sets of matches that agree are then fitted by
 * random samples (RANSAC, Fischler and Bolles 1981), the likely matches first (PROSAC, Chum and Matas 2005).
 */
import type { Random } from '../maths/random';
import type { FrameFeatures } from './frame-features';
import type { Nearest } from './hamming';
import { homographyOf4, project, type Homography, type Pairs } from './homography';
import { cornersOf } from './plane-pose';
import type { Described, PictureTarget } from './picture-target';

/** Matches, the likeliest first: where on the picture, where in the frame, within how many pixels it has to fit. */
export interface Matches extends Pairs {
  readonly count: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly u: Float64Array;
  readonly v: Float64Array;
  readonly tolerance: Float64Array;
  /** Their numbers among the features of the frame, and in the target. */
  readonly feature: readonly number[];
  readonly described: readonly number[];
}

/** The nearest has to be so much nearer than what looks most like it elsewhere. */
const RATIO = 0.86;
/** Bits that may differ. */
const FARTHEST = 80;
const MOST_MATCHES = 400;

export const matchesOf = (features: FrameFeatures, target: PictureTarget, nearest: Nearest): Matches => {
  const likely: number[] = [];
  for (let i = 0; i < features.count; i++)
    if (
      nearest.index[i] >= 0 &&
      nearest.distance[i] < FARTHEST &&
      nearest.distance[i] < RATIO * nearest.second[i]
    )
      likely.push(i);
  const doubt = (i: number): number => nearest.distance[i] / nearest.second[i] + nearest.distance[i] / 256;
  const feature = likely.sort((p, q) => doubt(p) - doubt(q)).slice(0, MOST_MATCHES);
  const described = feature.map((i) => nearest.index[i]);
  return {
    count: feature.length,
    x: Float64Array.from(described, (j) => target.described.px[j]),
    y: Float64Array.from(described, (j) => target.described.py[j]),
    u: Float64Array.from(feature, (i) => features.x[i]),
    v: Float64Array.from(feature, (i) => features.y[i]),
    tolerance: Float64Array.from(feature, (i) => 2 + 1.5 * features.scale[i]),
    feature,
    described,
  };
};

/** Matches whose guesses are voted on, and sets that agree which are gone into. */
const MOST_GUESSES = 400;
const MOST_SETS = 16;

/** Matches that agree with the affine guess of one of them. */
export interface AgreeingSet {
  readonly members: readonly number[];
  /** The match whose guess it is, and how the frame lies about it: pixels over widths of the picture, by rows. */
  readonly of: number;
  readonly affine: readonly [number, number, number, number];
}

/** How the frame lies about a match, by the view that it was described in: pixels over widths of the picture, by rows. */
export const affineOf = (
  m: Matches,
  g: number,
  features: FrameFeatures,
  described: Described,
): readonly [number, number, number, number] => {
  const [i, j] = [m.feature[g], m.described[g]];
  const t = described.views[described.view[j]];
  const turn = features.angle[i] - described.angle[j];
  const c = Math.cos(turn) * features.scale[i];
  const s = Math.sin(turn) * features.scale[i];
  // From the picture into its view, then turned and scaled into the frame.
  const det = t[0] * t[4] - t[1] * t[3];
  const [i0, i1, i2, i3] = [t[4] / det, -t[1] / det, -t[3] / det, t[0] / det];
  return [c * i0 - s * i2, c * i1 - s * i3, s * i0 + c * i2, s * i1 + c * i3];
};

/** Such sets, the best first; no two nearly the same, and none whose guess is no picture that `isSensible`. */
export const agreeingSets = (
  m: Matches,
  features: FrameFeatures,
  { described }: PictureTarget,
  isSensible: (h: Homography) => boolean,
): readonly AgreeingSet[] => {
  const guesses: (AgreeingSet & { readonly votes: number })[] = [];
  const guess = new Float64Array(9);
  guess[8] = 1;
  for (let g = 0; g < Math.min(m.count, MOST_GUESSES); g++) {
    const affine = affineOf(m, g, features, described);
    const [b0, b1, b2, b3] = affine;
    guess.set([b0, b1, m.u[g] - b0 * m.x[g] - b1 * m.y[g], b2, b3, m.v[g] - b2 * m.x[g] - b3 * m.y[g]]);
    if (!isSensible(guess)) continue;
    const tolerance = Math.max(6, 0.09 * Math.sqrt(Math.abs(b0 * b3 - b1 * b2)));
    const members: number[] = [];
    let votes = 0;
    for (let q = 0; q < m.count; q++) {
      const [dx, dy] = [m.x[q] - m.x[g], m.y[q] - m.y[g]];
      const eu = m.u[g] + b0 * dx + b1 * dy - m.u[q];
      const ev = m.v[g] + b2 * dx + b3 * dy - m.v[q];
      const off = eu * eu + ev * ev;
      // Perspective bends what is far from the guess.
      const limit = (tolerance * (1 + 1.5 * Math.hypot(dx, dy))) ** 2;
      if (off >= limit) continue;
      members.push(q);
      votes += 1 - (0.5 * off) / limit;
    }
    guesses.push({ votes, members, of: g, affine });
  }
  guesses.sort((a, b) => b.votes - a.votes);
  const sets: Set<number>[] = [];
  const chosen: AgreeingSet[] = [];
  for (const set of guesses) {
    const { members } = set;
    if (members.length < 4 || sets.length >= MOST_SETS) break;
    const isKnown = sets.some((known) => members.filter((q) => known.has(q)).length > 0.7 * members.length);
    if (isKnown) continue;
    sets.push(new Set(members));
    chosen.push(set);
  }
  return chosen;
};

const SAMPLES = 300;

/** The homography of a set with which most matches agree; null where none makes sense. */
export const homographyOfSet = (
  m: Matches,
  { members: set }: AgreeingSet,
  random: Random,
  isSensible: (h: Homography) => boolean,
): { readonly homography: Homography; readonly score: number } | null => {
  const h = new Float64Array(9);
  const best = new Float64Array(9);
  let bestScore = 0;
  const n = set.length;
  // Few matches have few fours; each is drawn about three times.
  const samples = Math.min(SAMPLES, (n * (n - 1) * (n - 2) * (n - 3)) / 8);
  for (let round = 0; round < samples; round++) {
    // The first samples are drawn from the likeliest matches.
    const pool = Math.min(n, 5 + Math.ceil((round * n) / (samples / 2)));
    const four = drawFour(m, set, pool, random);
    if (!four || !isConvex(m, four) || !homographyOf4(m, four, h)) continue;
    let score = 0;
    for (let q = 0; q < m.count; q++) {
      const w = 1 / (h[6] * m.x[q] + h[7] * m.y[q] + 1);
      if (w <= 0) continue;
      const eu = (h[0] * m.x[q] + h[1] * m.y[q] + h[2]) * w - m.u[q];
      const ev = (h[3] * m.x[q] + h[4] * m.y[q] + h[5]) * w - m.v[q];
      const off = (eu * eu + ev * ev) / (m.tolerance[q] * m.tolerance[q]);
      if (off < 1) score += 1 - 0.6 * off;
    }
    if (score <= bestScore || !isSensible(h)) continue;
    bestScore = score;
    best.set(h);
  }
  return bestScore >= 3 ? { homography: best, score: bestScore } : null;
};

/** Four matches that do not lie on one another. */
const drawFour = (
  m: Matches,
  set: readonly number[],
  pool: number,
  random: Random,
): readonly number[] | null => {
  const four: number[] = [];
  for (let attempt = 0; four.length < 4 && attempt < 30; attempt++) {
    const q = set[(random.next() * pool) | 0];
    if (four.every((o) => Math.abs(m.x[o] - m.x[q]) + Math.abs(m.y[o] - m.y[q]) >= 0.02)) four.push(q);
  }
  return four.length === 4 ? four : null;
};

/** Going round the four turns the same way on the picture as in the frame, and no three lie on a line. */
const isConvex = (m: Matches, four: readonly number[]): boolean => {
  for (let a = 0; a < 4; a++) {
    const [i, j, k] = [four[a], four[(a + 1) % 4], four[(a + 2) % 4]];
    const onPicture = (m.x[j] - m.x[i]) * (m.y[k] - m.y[i]) - (m.x[k] - m.x[i]) * (m.y[j] - m.y[i]);
    const inFrame = (m.u[j] - m.u[i]) * (m.v[k] - m.v[i]) - (m.u[k] - m.u[i]) * (m.v[j] - m.v[i]);
    if (onPicture * inFrame <= 0 || Math.abs(onPicture) < 0.0015) return false;
  }
  return true;
};

/** The matches that a homography agrees with. */
export const agreeingWith = (m: Matches, h: Homography): number[] => {
  const agreeing: number[] = [];
  for (let q = 0; q < m.count; q++) {
    const [u, v] = project(h, m.x[q], m.y[q]);
    if (Math.hypot(u - m.u[q], v - m.v[q]) < m.tolerance[q]) agreeing.push(q);
  }
  return agreeing;
};

/** Less of the frame than this is too little to go by. */
const LEAST_SHARE = 0.0035;

/** Whether a picture can be seen so: all before the camera, not mirrored, convex, neither tiny nor far larger than the frame. */
export const isPictureSeen = (
  h: ArrayLike<number>,
  aspect: number,
  { width, height }: { readonly width: number; readonly height: number },
  leastShare = LEAST_SHARE,
): boolean => {
  const seen = cornersOf(aspect).map(([x, y]) => project(h, x, y));
  if (seen.some(([, , depth]) => depth <= 0.05 * h[8])) return false;
  let area = 0;
  for (let i = 0; i < 4; i++) {
    const [p, q, r] = [seen[i], seen[(i + 1) % 4], seen[(i + 2) % 4]];
    if ((q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]) <= 0) return false;
    if (Math.hypot(p[0] - q[0], p[1] - q[1]) > 3 * width) return false;
    area += p[0] * q[1] - p[1] * q[0];
  }
  return area / 2 > leastShare * width * height;
};
