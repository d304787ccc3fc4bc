/**
 * How well a picture can be found when it is printed, before anything is: the tracker itself looks for it in frames that are simulated.
 * Counting corners says little (a checkerboard has hundreds and is never found); what is found in simulated frames goes with what is
 * found by a camera.
 */
import { Random } from '../maths/random';
import { Frame } from './frame-features';
import { Grey, pyramidOf } from './grey';
import { WORDS } from './descriptors';
import { differingBits, findNearest, type FindNearest } from './hamming';
import { project } from './homography';
import { makePictureTarget, type PictureTarget } from './picture-target';
import { PictureTracker } from './picture-tracker';
import { cameraOf, cornersOf, homographyOf, type PlanePose } from './plane-pose';
import { randomPose, simulateFrame } from './simulated-frame';

export type StrengthGrade = 'good' | 'fair' | 'poor';

/** Why a picture is hard to find. */
export type Weakness =
  /** It has too few pixels to be printed sharply. */
  | { readonly kind: 'small' }
  | { readonly kind: 'fewDetails' }
  /** What there is looks alike in many places. */
  | { readonly kind: 'repeats' }
  /** One half of it shows nothing that can be found. */
  | { readonly kind: 'halfEmpty'; readonly half: 'left' | 'right' | 'upper' | 'lower' }
  /** Another target is taken for it, by its place in the list that was handed over. */
  | { readonly kind: 'likeAnother'; readonly other: number };

export interface PictureStrength {
  readonly grade: StrengthGrade;
  /** Share of the simulated frames in which it was found where it was. */
  readonly found: number;
  readonly weaknesses: readonly Weakness[];
  /** How much each part of the picture helps to find it, 0 to 1, by rows. */
  readonly heat: readonly number[];
  readonly columns: number;
  readonly rows: number;
  /** The least share of a frame's width from which on it is found; null when it hardly ever is. */
  readonly smallest: number | null;
}

export interface StrengthOptions {
  /** Targets that it must not be taken for. */
  readonly others?: readonly PictureTarget[];
  readonly nearest?: FindNearest;
  /** Fewer frames than usual are quicker and less sure: 0.5 is half as many. */
  readonly effort?: number;
  /** Hears shares from 0 to 1. */
  readonly onProgress?: (share: number) => void;
}

/** Cells across the heat map. */
const COLUMNS = 16;
const FRAMES = 40;
/** Shares of the frame's width that are tried, and frames of each. */
const SIZES = [0.3, 0.24, 0.2, 0.16, 0.13, 0.1] as const;
const FRAMES_A_SIZE = 4;
const FRAMES_LIKE = 6;
/** A frame counts as found when the corners are so near, pixels. */
const NEAR = 6;
/** Shares of the simulated frames from which on it is good or fair; they ask for more than a room does. */
const GOOD = 0.7;
const FAIR = 0.5;
/** Fewer corners than this, of all views from the front, do not repeat: they are few. */
const FEW_CORNERS = 60;
/** Fewer pixels than this on the shorter side are too few to print. */
const LEAST_SIDE = 120;

/** Looks for the picture in simulated frames: some seconds of work. The same picture always gets the same answer. */
export const pictureStrength = (
  picture: Grey,
  { others = [], nearest = findNearest, effort = 1, onProgress = () => {} }: StrengthOptions = {},
): PictureStrength => {
  const camera = cameraOf(480, 360, 44);
  const target = makePictureTarget(picture);
  const levels = pyramidOf(picture);
  const tracker = new PictureTracker(target, camera, nearest);
  const frame = new Frame(camera.width, camera.height);
  const random = new Random(3);
  const rows = Math.max(4, Math.min(48, Math.round(COLUMNS * target.aspect)));
  const heat = new Float64Array(COLUMNS * rows);
  const frames = Math.ceil(effort * FRAMES);
  const framesOfSize = Math.ceil(effort * FRAMES_A_SIZE);
  const all = frames + SIZES.length * framesOfSize + others.length * FRAMES_LIKE;
  let done = 0;
  const step = (): void => onProgress(++done / all);

  /** Whether it is found in a pose; what leads to it warms its places. */
  const isFound = (pose: PlanePose, cover: number, blurred: number, noise: number): boolean => {
    frame.load(simulateFrame(levels, camera, pose, { cover, blur: blurred, noise }, random));
    const { matches, sight } = tracker.search(frame, frame.features());
    const truth = homographyOf(pose, camera);
    for (let q = 0; q < matches.count; q++) {
      const [u, v] = project(truth, matches.x[q], matches.y[q]);
      if (Math.hypot(u - matches.u[q], v - matches.v[q]) >= NEAR) continue;
      const column = Math.min(COLUMNS - 1, Math.floor((matches.x[q] + 0.5) * COLUMNS));
      const row = Math.min(rows - 1, Math.floor((matches.y[q] / target.aspect + 0.5) * rows));
      heat[row * COLUMNS + column]++;
    }
    return sight !== null && cornersApart(homographyOf(sight.pose, camera), truth, target.aspect) < NEAR;
  };

  let found = 0;
  for (let n = 0; n < frames; n++, step()) {
    const share = 0.16 * (0.75 / 0.16) ** random.next();
    const tilt = (65 * Math.PI * random.next()) / 180;
    const cover = n < 0.4 * frames ? 0 : random.between(0, 0.5);
    if (isFound(randomPose(camera, share, tilt, random), cover, n % 3, random.between(3, 7))) found++;
  }
  let smallest: number | null = null;
  let isStill = true;
  for (const share of SIZES) {
    let right = 0;
    for (let n = 0; n < framesOfSize; n++, step())
      if (isStill && isFound(randomPose(camera, share, 0.35, random), 0, 0, 3)) right++;
    isStill &&= right >= 0.75 * framesOfSize;
    if (isStill) smallest = share;
  }
  const alike = others.findIndex((other) => {
    let taken = 0;
    const theirs = new PictureTracker(other, camera, nearest);
    for (let n = 0; n < FRAMES_LIKE; n++, step()) {
      frame.load(simulateFrame(levels, camera, randomPose(camera, 0.5, 0.4, random), {}, random));
      if (theirs.find(frame, frame.features())) taken++;
    }
    return taken > 1;
  });
  onProgress(1);

  const warmest = Math.max(1, ...heat);
  const warm = Array.from(heat, (h) => h / warmest);
  const share = found / frames;
  const weaknesses: Weakness[] = [
    ...(Math.min(picture.width, picture.height) < LEAST_SIDE ? [{ kind: 'small' } as const] : []),
    // A picture that is found has what it takes, whatever it is made of.
    ...(share < GOOD ? [detailsOf(target)] : []),
    ...emptyHalf(warm, rows),
    ...(alike >= 0 ? [{ kind: 'likeAnother', other: alike } as const] : []),
  ];
  // Of a picture that is empty on one side nothing is left when the other is covered.
  const isEven = !weaknesses.some((w) => w.kind === 'halfEmpty');
  const grade = alike >= 0 || share < FAIR ? 'poor' : share >= GOOD && isEven ? 'good' : 'fair';
  return { grade, found: share, weaknesses, heat: warm, columns: COLUMNS, rows, smallest };
};

const cornersApart = (a: ArrayLike<number>, b: ArrayLike<number>, aspect: number): number =>
  cornersOf(aspect).reduce((sum, [x, y]) => {
    const [p, q] = [project(a, x, y), project(b, x, y)];
    return sum + Math.hypot(p[0] - q[0], p[1] - q[1]) / 4;
  }, 0);

/** Descriptors that differ by so many bits are told apart. */
const APART = 24;
/** Places this near, in 1024ths of the width, are one. */
const ONE_PLACE = 51;

/** Whether most of its corners look like others elsewhere, or there are too few of them. */
const detailsOf = ({ described }: PictureTarget): Weakness => {
  // Views from the front are neither turned nor squeezed.
  const isFront = described.views.map(([a, b, , , e]) => Math.abs(b) < 1e-9 && Math.abs(a - e) < 1e-9);
  const front: number[] = [];
  for (let i = 0; i < described.count; i++) if (isFront[described.view[i]]) front.push(i);
  if (front.length < FEW_CORNERS) return { kind: 'fewDetails' };
  // A few hundred say as much as all.
  const some = front.filter((_, i) => i % Math.ceil(front.length / 250) === 0);
  const unique = some.filter((i) =>
    front.every(
      (j) =>
        (Math.abs(described.x[i] - described.x[j]) < ONE_PLACE &&
          Math.abs(described.y[i] - described.y[j]) < ONE_PLACE) ||
        differingBits(described.words, WORDS * i, described.words, WORDS * j, 257) > APART,
    ),
  );
  return { kind: unique.length < 0.5 * some.length ? 'repeats' : 'fewDetails' };
};
/** A half with less than this of all warmth shows nothing. */
const EMPTY = 0.06;

const emptyHalf = (heat: readonly number[], rows: number): Weakness[] => {
  const total = heat.reduce((sum, h) => sum + h, 0);
  if (total === 0) return [];
  const share = (is: (column: number, row: number) => boolean): number =>
    heat.reduce((sum, h, i) => sum + (is(i % COLUMNS, Math.floor(i / COLUMNS)) ? h : 0), 0) / total;
  const halves = [
    ['left', share((c) => c < COLUMNS / 2)],
    ['right', share((c) => c >= COLUMNS / 2)],
    ['upper', share((_, r) => r < rows / 2)],
    ['lower', share((_, r) => r >= rows / 2)],
  ] as const;
  const emptiest = halves.reduce((a, b) => (b[1] < a[1] ? b : a));
  return emptiest[1] < EMPTY ? [{ kind: 'halfEmpty', half: emptiest[0] }] : [];
};
