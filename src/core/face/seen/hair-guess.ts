/**
 * Which pixels of a camera picture are hair, where nobody knows: what lies over the forehead shows how the hair of this head
 * looks; whatever hangs together with it, looks like it rather than like skin, and belongs to a person is hair.
 */
import type { Point2 } from '../../maths/polygon';
import { clamp, smoothstep } from '../../maths/scalar';
import type { FaceOutline } from '../morph/outline';
import { browPixels } from './brow-pixels';

export interface SmallPicture {
  /** RGBA, the lowest row first. */
  readonly data: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/** A head in the picture; pixels from the lower left. */
export interface HeadSeen {
  /** The outline of the face. */
  readonly outline: FaceOutline;
  /** Where the crown points, of length 1. */
  readonly up: readonly [number, number];
  /** Lines around the brows. */
  readonly brows: readonly (readonly Point2[])[];
}

/** Light, warm, yellow. */
type Look = readonly [light: number, warm: number, yellow: number];
const LOGS = Float32Array.from({ length: 256 }, (_, byte) => Math.log((byte / 255) ** 2.2 + 0.01));
/** How every pixel looks, three numbers each. */
const looksOf = ({ data, width, height }: SmallPicture): Float32Array => {
  const looks = new Float32Array(3 * width * height);
  for (let i = 0; i < width * height; i++) {
    const [r, g, b] = [LOGS[data[4 * i]!]!, LOGS[data[4 * i + 1]!]!, LOGS[data[4 * i + 2]!]!];
    looks[3 * i] = (r + g + b) / 3;
    looks[3 * i + 1] = r - g;
    looks[3 * i + 2] = g - b;
  }
  return looks;
};

interface Cloud {
  readonly middle: Look;
  readonly width: Look;
}
const median = (values: Float32Array): number => values.sort()[values.length >> 1] ?? 0;
/** Where the looks of most of some pixels lie: medians, and the median of what departs from them. */
const cloudOf = (
  looks: Float32Array,
  pixels: readonly number[],
  least: Look,
  most: Look = [9, 9, 9],
): Cloud => {
  const each = (f: (k: 0 | 1 | 2) => number): Look => [f(0), f(1), f(2)];
  const middle = each((k) => median(Float32Array.from(pixels, (i) => looks[3 * i + k]!)));
  const width = each((k) =>
    clamp(
      1.48 * median(Float32Array.from(pixels, (i) => Math.abs(looks[3 * i + k]! - middle[k]))),
      least[k],
      most[k],
    ),
  );
  return { middle, width };
};
/** Squared distance of a pixel's look from a cloud, in its widths. */
const far = (looks: Float32Array, i: number, { middle, width }: Cloud): number =>
  ((looks[3 * i]! - middle[0]) / width[0]) ** 2 +
  ((looks[3 * i + 1]! - middle[1]) / width[1]) ** 2 +
  ((looks[3 * i + 2]! - middle[2]) / width[2]) ** 2;

/** How far pixels are from the middle of the face, in shares of the outline there, and how far up they are, -1 to 1. */
interface Places {
  readonly reach: Float32Array;
  readonly rise: Float32Array;
}
const placesOf = ({ outline, up }: HeadSeen, width: number, height: number): Places => {
  const [reach, rise] = [new Float32Array(width * height), new Float32Array(width * height)];
  const n = outline.radii.length;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [x + 0.5 - outline.centre[0], y + 0.5 - outline.centre[1]];
      const away = Math.sqrt(dx * dx + dy * dy);
      const radius = outline.radii[(Math.round((Math.atan2(dy, dx) / (2 * Math.PI)) * n) + n) % n]!;
      reach[y * width + x] = away / (radius || 1);
      rise[y * width + x] = away > 0 ? (dx * up[0] + dy * up[1]) / away : 0;
    }
  return { reach, rise };
};

/** Over the forehead, where hair begins: in shares of the outline. */
const SEEDS = [1.04, 1.6] as const;
/** Squared distance from the skin of the face, in its own widths, beyond which something is none. */
const NO_SKIN = 7;
/** Skin is learnt from here upwards: below there may be a beard. */
const SKIN_FROM = -0.3;
/** The skin next to where hair begins: what the light does to the rest of the face says nothing of it. */
const FOREHEAD = { from: 0.6, to: 0.95, rise: 0.55 } as const;
/** Squared distance from hair, in its own widths, up to which something may be it; and on the head. */
const LIKE = 12;
const LIKE_ON_HEAD = 60;
/** Over a brow lies a fringe, when this share of as much again over it is hair. */
const FRINGE = 0.6;
/** From the look of the forehead to that of the hair. */
const HALF_WAY = 0.5;
/** Lower than this, and nearer than this to the face, hair is a beard; it keeps its colour. */
const BEARD = [-0.65, 1.15] as const;
/** Straight beneath a face are a neck and clothes, however much they look like its hair. */
const BENEATH = -0.95;
/** Farther than this from the face is no hair of this head. */
const FARTHEST = 3.2;

/** What can be reached from the seeds over pixels that are alike. */
const hangingTogether = (seeds: readonly number[], like: Uint8Array, width: number): Uint8Array => {
  const met = new Uint8Array(like.length);
  const stack: number[] = [];
  const meet = (i: number): void => {
    if (!like[i] || met[i]) return;
    met[i] = 1;
    stack.push(i);
  };
  seeds.forEach(meet);
  while (stack.length > 0) {
    const i = stack.pop()!;
    const x = i % width;
    if (x > 0) meet(i - 1);
    if (x < width - 1) meet(i + 1);
    if (i >= width) meet(i - width);
    if (i + width < met.length) meet(i + width);
  }
  return met;
};
/** 0 to 255: single pixels follow those around them. */
const smoothed = (met: Uint8Array, width: number, height: number): Uint8Array => {
  const out = new Uint8Array(met.length);
  for (let y = 0; y < height; y++) {
    const rows = [Math.max(0, y - 1) * width, y * width, Math.min(height - 1, y + 1) * width] as const;
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - 1), Math.min(width - 1, x + 1)];
      let sum = met[rows[1] + x]!;
      for (const row of rows) sum += met[row + left]! + met[row + x]! + met[row + right]!;
      out[y * width + x] = Math.round(255 * smoothstep(0.25, 0.75, sum / 10));
    }
  }
  return out;
};

/**
 * How much each pixel is hair, 0 to 255. `people` says likewise which pixels are people; null when that is not known. A bare
 * head has none.
 */
export const guessHair = (picture: SmallPicture, people: Uint8Array | null, head: HeadSeen): Uint8Array => {
  const { width, height } = picture;
  const out = new Uint8Array(width * height);
  const looks = looksOf(picture);
  const { reach, rise } = placesOf(head, width, height);
  const skin: number[] = [];
  const forehead: number[] = [];
  const above: number[] = [];
  let room = 0;
  for (let i = 0; i < out.length; i++) {
    if (reach[i]! < 0.8 && rise[i]! > SKIN_FROM && rise[i]! < 0.6) skin.push(i);
    if (reach[i]! > FOREHEAD.from && reach[i]! < FOREHEAD.to && rise[i]! > FOREHEAD.rise) forehead.push(i);
    if (reach[i]! < SEEDS[0] || reach[i]! > SEEDS[1] || rise[i]! < 0.55) continue;
    room++;
    if (!people || people[i]! >= 128) above.push(i);
  }
  if (skin.length < 12 || forehead.length < 4 || above.length < 8) return out;
  const skinCloud = cloudOf(looks, skin, [0.35, 0.12, 0.12]);
  const foreheadCloud = cloudOf(looks, forehead, [0.25, 0.1, 0.1], [0.5, 0.16, 0.16]);
  // Bare skin goes on over the forehead; where it ends, hair begins.
  const seeds = above.filter((i) => far(looks, i, foreheadCloud) > NO_SKIN);
  if (seeds.length < 8 || seeds.length < 0.12 * room) return out;
  const hairCloud = cloudOf(looks, seeds, [0.5, 0.22, 0.22]);
  // How bright skin is differs over a face, what colour it has hardly.
  const widths: Look = [skinCloud.width[0], foreheadCloud.width[1], foreheadCloud.width[2]];
  const from = foreheadCloud.middle;
  const way = widths.map((w, k) => (hairCloud.middle[k]! - from[k]!) / w) as unknown as Look;
  const long = way[0] ** 2 + way[1] ** 2 + way[2] ** 2;
  const towardsHair = (i: number): number =>
    ((way[0] * (looks[3 * i]! - from[0])) / widths[0] +
      (way[1] * (looks[3 * i + 1]! - from[1])) / widths[1] +
      (way[2] * (looks[3 * i + 2]! - from[2])) / widths[2]) /
    long;
  const like = new Uint8Array(width * height);
  for (let i = 0; i < like.length; i++) {
    if (people && people[i]! < 128) continue;
    const [away, high] = [reach[i]!, rise[i]!];
    // Within the face only a fringe: eyes are dark too.
    if (away < 0.72 || (away < 0.97 && high < 0.1) || away > FARTHEST) continue;
    if (high < BENEATH || (high < BEARD[0] && away < BEARD[1])) continue;
    const off = far(looks, i, hairCloud);
    const beside =
      off < LIKE &&
      off < far(looks, i, skinCloud) &&
      // A glint on the forehead looks like grey hair.
      (away > 1 || far(looks, i, foreheadCloud) > NO_SKIN);
    // On the head itself there is nothing but skin and hair.
    const onHead = high > 0.3 && away > 0.9 && off < LIKE_ON_HEAD && towardsHair(i) > HALF_WAY;
    if (beside || onHead) like[i] = 1;
  }
  // Brows are as dark as hair, and often hang together with it.
  const brows = head.brows.map((brow) => browPixels(brow, head.up, width, height));
  const browLike = brows.map(({ own }) => own.filter((i) => like[i]));
  for (const i of browLike.flat()) like[i] = 0;
  const met = hangingTogether(seeds, like, width);
  brows.forEach(({ above }, k) => {
    if (above.filter((i) => met[i]).length > FRINGE * above.length) for (const i of browLike[k]!) met[i] = 1;
  });
  return smoothed(met, width, height);
};
