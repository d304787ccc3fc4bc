/**
 * Which pixels of a camera picture are hair, where nobody knows: what lies over the forehead shows how the hair of this head
 * looks; whatever hangs together with it, looks like it rather than like skin, and belongs to a person is hair.
 */
import { clamp } from '../../maths/scalar';
import type { FaceOutline } from '../morph/outline';

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
}

type Look = readonly [light: number, warm: number, yellow: number];
const LOGS = Float32Array.from({ length: 256 }, (_, byte) => Math.log((byte / 255) ** 2.2 + 0.01));
const lookAt = (data: Uint8Array, i: number): Look => {
  const [r, g, b] = [LOGS[data[4 * i]!]!, LOGS[data[4 * i + 1]!]!, LOGS[data[4 * i + 2]!]!];
  return [(r + g + b) / 3, r - g, g - b];
};

interface Cloud {
  readonly middle: Look;
  readonly width: Look;
}
const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;
/** Where most of the looks lie: medians, and the median of what departs from them. */
const cloudOf = (looks: readonly Look[], least: Look, most: Look = [9, 9, 9]): Cloud => {
  const middle = [0, 1, 2].map((k) => median(looks.map((l) => l[k]!))) as unknown as Look;
  const width = [0, 1, 2].map((k) =>
    clamp(1.48 * median(looks.map((l) => Math.abs(l[k]! - middle[k]!))), least[k]!, most[k]!),
  ) as unknown as Look;
  return { middle, width };
};
const far = (look: Look, { middle, width }: Cloud): number =>
  ((look[0] - middle[0]) / width[0]) ** 2 +
  ((look[1] - middle[1]) / width[1]) ** 2 +
  ((look[2] - middle[2]) / width[2]) ** 2;

/** How far a pixel is from the middle of the face, in shares of the outline there, and how far up it is, -1 to 1. */
const placeOf = (
  { outline, up }: HeadSeen,
  x: number,
  y: number,
): { reach: number; rise: number; size: number } => {
  const [dx, dy] = [x - outline.centre[0], y - outline.centre[1]];
  const n = outline.radii.length;
  const radius = outline.radii[(Math.round((Math.atan2(dy, dx) / (2 * Math.PI)) * n) + n) % n]!;
  const away = Math.hypot(dx, dy);
  return { reach: away / (radius || 1), rise: away > 0 ? (dx * up[0] + dy * up[1]) / away : 0, size: away };
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
/** From the look of the forehead to that of the hair. */
const HALF_WAY = 0.5;
/** Lower than this, and nearer than this to the face, hair is a beard; it keeps its colour. */
const BEARD = [-0.65, 1.15] as const;
/** Straight beneath a face are a neck and clothes, however much they look like its hair. */
const BENEATH = -0.95;
/** Farther than this from the face is no hair of this head. */
const FARTHEST = 3.2;

/**
 * How much each pixel is hair, 0 to 255. `people` says likewise which pixels are people; null when that is not known. A bare
 * head has none.
 */
export const guessHair = (
  { data, width, height }: SmallPicture,
  people: Uint8Array | null,
  head: HeadSeen,
): Uint8Array => {
  const out = new Uint8Array(width * height);
  const skin: Look[] = [];
  const forehead: Look[] = [];
  const above: number[] = [];
  let room = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const { reach, rise } = placeOf(head, x + 0.5, y + 0.5);
      if (reach < 0.8 && rise > SKIN_FROM && rise < 0.6) skin.push(lookAt(data, i));
      if (reach > FOREHEAD.from && reach < FOREHEAD.to && rise > FOREHEAD.rise)
        forehead.push(lookAt(data, i));
      if (reach < SEEDS[0] || reach > SEEDS[1] || rise < 0.55) continue;
      room++;
      if (!people || people[i]! >= 128) above.push(i);
    }
  if (skin.length < 12 || forehead.length < 4 || above.length < 8) return out;
  const skinCloud = cloudOf(skin, [0.35, 0.12, 0.12]);
  const foreheadCloud = cloudOf(forehead, [0.25, 0.1, 0.1], [0.5, 0.16, 0.16]);
  // Bare skin goes on over the forehead; where it ends, hair begins.
  const seeds = above.filter((i) => far(lookAt(data, i), foreheadCloud) > NO_SKIN);
  if (seeds.length < 8 || seeds.length < 0.12 * room) return out;
  const hairCloud = cloudOf(
    seeds.map((i) => lookAt(data, i)),
    [0.5, 0.22, 0.22],
  );
  // How bright skin is differs over a face, what colour it has hardly.
  const [widths, from] = [
    [skinCloud.width[0], foreheadCloud.width[1], foreheadCloud.width[2]],
    foreheadCloud.middle,
  ];
  const way = widths.map((w, k) => (hairCloud.middle[k]! - from[k]!) / w);
  const long = way.reduce((sum, x) => sum + x * x, 0);
  const towardsHair = (look: Look): number =>
    widths.reduce((sum, w, k) => sum + (way[k]! * (look[k]! - from[k]!)) / w, 0) / long;
  const like = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (people && people[i]! < 128) continue;
      const { reach, rise } = placeOf(head, x + 0.5, y + 0.5);
      // Within the face only a fringe: brows and eyes are dark too.
      if (reach < 0.72 || (reach < 0.97 && rise < 0.1) || reach > FARTHEST) continue;
      if (rise < BENEATH || (rise < BEARD[0] && reach < BEARD[1])) continue;
      const look = lookAt(data, i);
      const off = far(look, hairCloud);
      const beside = off < LIKE && off < far(look, skinCloud);
      // On the head itself there is nothing but skin and hair.
      const onHead = rise > 0.3 && reach > 0.9 && off < LIKE_ON_HEAD && towardsHair(look) > HALF_WAY;
      if (beside || onHead) like[i] = 1;
    }
  // What hangs together with the seeds.
  const stack = seeds.filter((i) => like[i]);
  const met = new Uint8Array(width * height);
  for (const i of stack) met[i] = 1;
  while (stack.length > 0) {
    const i = stack.pop()!;
    const x = i % width;
    for (const k of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width])
      if (k >= 0 && k < met.length && like[k] && !met[k]) {
        met[k] = 1;
        stack.push(k);
      }
  }
  // Single pixels follow those around them.
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [sum, count] = [0, 0];
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [u, v] = [x + dx, y + dy];
          if (u < 0 || v < 0 || u >= width || v >= height) continue;
          sum += met[v * width + u]! * (dx === 0 && dy === 0 ? 2 : 1);
          count += dx === 0 && dy === 0 ? 2 : 1;
        }
      const t = Math.min(1, Math.max(0, (sum / count - 0.25) / 0.5));
      out[y * width + x] = Math.round(255 * t * t * (3 - 2 * t));
    }
  return out;
};
