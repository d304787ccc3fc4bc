/**
 * What is kept of a printed picture to find it by: descriptors of its corners as they look from near and far and from the side, and the
 * places that are followed once it is found. Made once, when a picture becomes a target.
 */
import { findCorners } from './corners';
import { cornerAngle, describe, REACH, WORDS } from './descriptors';
import { blur, Grey, pyramidOf, sampleAt } from './grey';
import type { DescriptorSet } from './hamming';
import { trackPoints, type TrackPoint } from './track-points';

/** From pixels of a view to the picture's own space: x = 0 1 2, y = 3 4 5. */
export type Affine = readonly [number, number, number, number, number, number];

export interface Described extends DescriptorSet {
  /** Where they are in the picture's own space: it is 1 wide, the origin in its middle. */
  readonly px: Float32Array;
  readonly py: Float32Array;
  /** Direction of the corner in its view, radians. */
  readonly angle: Float32Array;
  /** In which view it was seen. */
  readonly view: Uint8Array;
  readonly views: readonly Affine[];
}

export interface PictureTarget {
  /** Height over width. */
  readonly aspect: number;
  readonly described: Described;
  /** The picture, each half as large as the one before, from at most `LARGEST` pixels across. */
  readonly levels: readonly Grey[];
  /** The places that are followed, for each level. */
  readonly points: readonly (readonly TrackPoint[])[];
}

/** The widest level that is kept for following. */
export const LARGEST = 640;

/** Views straight from the front: pixels across, and how many corners of each. Nearer ones are met on the halves of the frame. */
const FRONT: readonly (readonly [number, number])[] = [
  [283, 220],
  [200, 180],
  [141, 140],
  [100, 100],
  [82, 70],
  [68, 60],
  [56, 50],
];
/** Views from the side: degrees, from how many directions, pixels across, and how many corners of one 300 across. */
const TILTED = [
  { degrees: 50, directions: 4, widths: [283, 200, 141, 100], corners: 80 },
  { degrees: 66, directions: 6, widths: [283, 200, 141], corners: 60 },
];
/** All views that are described, each with how many corners of it are kept at most. */
const VIEWS = [
  ...FRONT.map(([width, corners]) => ({ width, tilt: 0, direction: 0, corners })),
  ...TILTED.flatMap(({ degrees, directions, widths, corners }) =>
    Array.from({ length: directions }, (_, k) =>
      widths.map((width) => ({
        width,
        tilt: (degrees * Math.PI) / 180,
        direction: (Math.PI * k) / directions,
        corners: Math.round(corners * Math.min(1, width / 300)),
      })),
    ).flat(),
  ),
];
/** How much a target holds at most. */
export const MOST_VIEWS = VIEWS.length;
export const MOST_DESCRIPTORS = VIEWS.reduce((sum, { corners }) => sum + corners, 0);

/** The levels of a picture that are kept for following. */
export const keptLevels = (levels: readonly Grey[]): readonly Grey[] =>
  levels.filter((level) => level.width <= LARGEST);

/** Views of pictures that are taller than so many widths are narrower, so that they are no larger: what is seen of them is as fine. */
const TALLEST = 2;
/** Corners this near to the picture's edge, in pixels of the view, are those of what lies around it. */
const EDGE = 3;
const THRESHOLD = 9;
const { fround } = Math;

interface Seen {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
  readonly view: number;
  readonly words: Int32Array;
}

/** Goes up when targets are made another way, so that none that was kept is taken for one of today. */
export const TARGETS_MADE = 1;

/**
 * The target of a grey picture of any size. `onProgress` hears shares from 0 to 1 while it is made. A picture without corners gives a target
 * that is never found.
 */
export const makePictureTarget = (
  picture: Grey,
  onProgress: (share: number) => void = () => {},
): PictureTarget => {
  const levels = pyramidOf(picture);
  const aspect = picture.height / picture.width;
  const views: Affine[] = [];
  const seen: Seen[] = [];
  const narrower = Math.min(1, TALLEST / aspect);
  VIEWS.forEach(({ width: usual, tilt, direction, corners }, i) => {
    const width = usual * narrower;
    onProgress((0.8 * i) / VIEWS.length);
    const { image, toPicture } = viewOf(levels, width, tilt, direction);
    // A view that has no room for one descriptor says nothing.
    if (image.width < 2 * REACH + 8 || image.height < 2 * REACH + 8) return;
    seen.push(...describeView(image, toPicture, views.length, { width, corners, aspect }));
    views.push(toPicture);
  });
  const kept = keptLevels(levels);
  const words = new Int32Array(WORDS * seen.length);
  seen.forEach((s, i) => words.set(s.words, WORDS * i));
  const points = kept.map((level, i) => {
    onProgress(0.8 + (0.2 * i) / kept.length);
    return trackPoints(level);
  });
  onProgress(1);
  return {
    aspect,
    levels: kept,
    points,
    described: describedOf({
      words,
      x: seen.map((s) => s.x),
      y: seen.map((s) => s.y),
      angle: seen.map((s) => s.angle),
      view: seen.map((s) => s.view),
      views,
    }),
  };
};

/** Descriptors as they are sought, from where they are in the picture's own space, how they are turned, and in which view they were seen. */
export const describedOf = ({
  words,
  x,
  y,
  angle,
  view,
  views,
}: {
  readonly words: Int32Array;
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly angle: readonly number[];
  readonly view: ArrayLike<number>;
  readonly views: readonly Affine[];
}): Described => {
  const [px, py] = [Float32Array.from(x), Float32Array.from(y)];
  return {
    count: px.length,
    words,
    x: Int32Array.from(px, (v) => v * 1024),
    y: Int32Array.from(py, (v) => v * 1024),
    px,
    py,
    angle: Float32Array.from(angle),
    view: Uint8Array.from(view),
    // As they are kept in bytes.
    views: views.map(([a, b, c, d, e, f]) => [
      fround(a),
      fround(b),
      fround(c),
      fround(d),
      fround(e),
      fround(f),
    ]),
  };
};

/** The picture as it looks `width` pixels across from far away, tilted by `tilt` about an axis across `direction`, radians. */
const viewOf = (
  levels: readonly Grey[],
  width: number,
  tilt: number,
  direction: number,
): { image: Grey; toPicture: Affine } => {
  const whole = levels[0];
  const aspect = whole.height / whole.width;
  const squeeze = Math.cos(tilt);
  const [ca, sa] = [Math.cos(direction), Math.sin(direction)];
  const w = Math.ceil((Math.abs(ca) + aspect * Math.abs(sa)) * width * squeeze);
  const h = Math.ceil((Math.abs(sa) + aspect * Math.abs(ca)) * width);
  // From pixels of the view: to its middle, stretched where it is squeezed, turned.
  const [a, b, d, e] = [ca / squeeze / width, -sa / width, sa / squeeze / width, ca / width];
  const [ox, oy] = [(w - 1) / 2, (h - 1) / 2];
  const toPicture: Affine = [a, b, -(a * ox + b * oy), d, e, -(d * ox + e * oy)];
  let level = 0;
  while (level + 1 < levels.length && 2 ** (level + 1) <= whole.width / width) level++;
  const source = levels[level];
  const k = source.width;
  const image = new Grey(w, h);
  // More samples where the picture is squeezed, or finer than the view.
  const across = Math.max(2, Math.ceil(2 / squeeze));
  const down = k / width / 2 > 0.6 ? 2 : 1;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      let sum = 0;
      for (let j = 0; j < down; j++)
        for (let i = 0; i < across; i++) {
          const px = x + (i + 0.5) / across - 0.5;
          const py = y + (j + 0.5) / down - 0.5;
          const tx = a * px + b * py + toPicture[2];
          const ty = d * px + e * py + toPicture[5];
          sum += sampleAt(source, (tx + 0.5) * k - 0.5, (ty + aspect / 2) * k - 0.5);
        }
      image.data[y * w + x] = sum / (across * down) + 0.5;
    }
  return { image, toPicture };
};

const describeView = (
  image: Grey,
  t: Affine,
  view: number,
  { width, corners, aspect }: { width: number; corners: number; aspect: number },
): Seen[] => {
  const blurred = blur(image);
  const found = findCorners(image, {
    threshold: THRESHOLD,
    border: REACH + 2,
    most: 4 * corners,
    cell: Math.max(10, Math.sqrt((image.width * image.height) / corners) | 0),
  });
  const seen: Seen[] = [];
  const edge = EDGE / width;
  for (let i = 0; i < found.count && seen.length < corners; i++) {
    const [cx, cy] = [found.x[i], found.y[i]];
    const x = t[0] * cx + t[1] * cy + t[2];
    const y = t[3] * cx + t[4] * cy + t[5];
    if (Math.abs(x) > 0.5 - edge || Math.abs(y) > aspect / 2 - edge) continue;
    const angle = cornerAngle(blurred, cx, cy);
    const words = new Int32Array(WORDS);
    describe(blurred, cx, cy, angle, words, 0);
    seen.push({ x, y, angle, view, words });
  }
  return seen;
};
