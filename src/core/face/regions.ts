/**
 * Regions of the face in its UV layout: what make-up goes onto. Each is a list of closed outlines; `holes` are left
 * out of them. UV runs 0..1, v down; left and right are the wearer's own.
 */
import {
  BROW_LEFT,
  BROW_RIGHT,
  EYE_LEFT,
  EYE_RIGHT,
  INNER_LIP_LOWER,
  INNER_LIP_UPPER,
  NOSE,
  OUTER_LIP_LOWER,
  OUTER_LIP_UPPER,
  OVAL,
} from './landmarks';
import { FACE_LANDMARKS } from './landmarks';
import { UV } from './neutral';
import type { FaceRegion } from './region-names';

export { FACE_REGIONS, type FaceRegion } from './region-names';

export type Point = readonly [u: number, v: number];
export type Outline = readonly Point[];
export interface Region {
  readonly outlines: readonly Outline[];
  readonly holes: readonly Outline[];
  /** How soft its edge usually is, as a share of the layout's width. */
  readonly softness: number;
}

const at = (i: number): Point => [UV[2 * i]!, UV[2 * i + 1]!];
const outline = (indices: readonly number[]): Outline => indices.map(at);

/** The landmark on the other side of the face; those in the middle are their own. */
export const OTHER_SIDE: readonly number[] = Array.from({ length: FACE_LANDMARKS }, (_, i) => {
  const [u, v] = at(i);
  let best = i;
  let least = Infinity;
  for (let k = 0; k < FACE_LANDMARKS; k++) {
    const [x, y] = at(k);
    const d = (x - (1 - u)) ** 2 + (y - v) ** 2;
    if (d < least) [best, least] = [k, d];
  }
  return best;
});
const mirrored = (indices: readonly number[]): readonly number[] => indices.map((i) => OTHER_SIDE[i]!);
/** A region given on the wearer's right, on both sides. */
const both = (indices: readonly number[]): readonly Outline[] => [
  outline(indices),
  outline(mirrored(indices)),
];

/** An ellipse in the layout, `turn` in degrees. */
const ellipse = ([u, v]: Point, ru: number, rv: number, turn = 0): Outline =>
  Array.from({ length: 32 }, (_, i) => {
    const a = (i / 32) * 2 * Math.PI;
    const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
    const [x, y] = [ru * Math.cos(a), rv * Math.sin(a)];
    return [u + x * c - y * s, v + x * s + y * c];
  });
const bothEllipses = (
  centre: number,
  ru: number,
  rv: number,
  turn: number,
  shift: Point = [0, 0],
): readonly Outline[] => {
  const [u, v] = at(centre);
  const right: Point = [u + shift[0], v + shift[1]];
  return [ellipse(right, ru, rv, turn), ellipse([1 - right[0], right[1]], ru, rv, -turn)];
};

const UPPER_LID = [33, 246, 161, 160, 159, 158, 157, 173, 133];
const LID_FOLD = [190, 56, 28, 27, 29, 30, 247];
const UNDER_EYE = [33, 7, 163, 144, 145, 153, 154, 155, 133, 244, 233, 232, 231, 230, 229, 228, 31, 226];
const LIPS = [...OUTER_LIP_UPPER, ...[...OUTER_LIP_LOWER].reverse().slice(1, -1)];
const MOUTH = [...INNER_LIP_UPPER, ...[...INNER_LIP_LOWER].reverse().slice(1, -1)];
const FOREHEAD = [103, 67, 109, 10, 338, 297, 332, 333, 299, 337, 151, 108, 69, 104];
const CHIN = [152, 148, 176, 140, 171, 199, 396, 369, 400, 377];

const FOLD_RING = [189, 221, 222, 223, 224, 225, 113];
const BRIDGE = [168, 193, 122, 196, 3, 51, 5, 281, 248, 419, 351, 417];

/** From the lashes over the fold, half-way to the bone beneath the brow: where shadow is put. */
const lid = (side: (i: number) => number): Outline => [
  ...outline(UPPER_LID.map(side)),
  ...LID_FOLD.map((fold, i): Point => {
    const [a, b] = [at(side(fold)), at(side(FOLD_RING[i]!))];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  }),
];

/** An outline moved outwards by `by`, in shares of the layout, or inwards below 0. */
const moved = (line: Outline, by: number): Outline => {
  const turn = Math.sign(line.reduce((s, [u, v], i) => s + u * next(line, i)[1] - next(line, i)[0] * v, 0));
  return line.map(([u, v], i): Point => {
    const [a, b] = [line[(i + line.length - 1) % line.length]!, next(line, i)];
    const [x, y] = [b[0] - a[0], b[1] - a[1]];
    const far = Math.hypot(x, y) || 1;
    return [u + (by * turn * y) / far, v - (by * turn * x) / far];
  });
};
const next = (line: Outline, i: number): Point => line[(i + 1) % line.length]!;

/** The openings of the layout: both eyes, and the mouth between the lips. */
export const EYE_OPENINGS: readonly Outline[] = [outline(EYE_RIGHT), outline(EYE_LEFT)];
export const MOUTH_OPENING: Outline = outline(MOUTH);
/** The edge of the face: its mesh ends there. */
export const FACE_EDGE: Outline = outline(OVAL);

const REGIONS: Record<FaceRegion, Region> = {
  face: { outlines: [FACE_EDGE], holes: [], softness: 0 },
  skin: {
    outlines: [outline(OVAL)],
    holes: [outline(EYE_RIGHT), outline(EYE_LEFT), outline(LIPS)],
    softness: 0.012,
  },
  forehead: { outlines: [outline(FOREHEAD)], holes: [], softness: 0.03 },
  temples: { outlines: bothEllipses(139, 0.035, 0.075, 12), holes: [], softness: 0.03 },
  brows: { outlines: [outline(BROW_RIGHT), outline(BROW_LEFT)], holes: [], softness: 0.006 },
  lids: { outlines: [lid((i) => i), lid((i) => OTHER_SIDE[i]!)], holes: [], softness: 0.014 },
  crease: { outlines: both([...LID_FOLD, ...[...FOLD_RING].reverse()]), holes: [], softness: 0.012 },
  liner: {
    outlines: both([33, 246, 161, 160, 159, 158, 157, 173]).map((line) => {
      // A band along the upper lid, drawn out a little beyond the outer corner.
      const above = line.map(([u, v], i): Point => [u, v - 0.005 - 0.004 * (1 - i / (line.length - 1))]);
      const [u, v] = line[0]!;
      // Flat: a steep one is left standing beside the lid when the eye shuts.
      const out: Point = [u + (u < 0.5 ? -0.017 : 0.017), v - 0.006];
      return [out, ...line, ...above.reverse()];
    }),
    holes: [],
    softness: 0.002,
  },
  underEyes: { outlines: both(UNDER_EYE), holes: [], softness: 0.012 },
  nose: { outlines: [outline(NOSE)], holes: [], softness: 0.012 },
  noseBridge: { outlines: [outline(BRIDGE)], holes: [], softness: 0.012 },
  noseTip: { outlines: [ellipse(at(4), 0.03, 0.026)], holes: [], softness: 0.014 },
  // From the apple of the cheek up along the bone, nearly all of it soft edge: a disc reads as a burn.
  cheeks: { outlines: bothEllipses(50, 0.1, 0.034, 33, [-0.03, -0.016]), holes: [], softness: 0.062 },
  cheekbones: { outlines: bothEllipses(117, 0.075, 0.016, 27, [-0.03, 0.006]), holes: [], softness: 0.026 },
  contour: { outlines: bothEllipses(187, 0.1, 0.026, 32, [-0.045, 0.0]), holes: [], softness: 0.028 },
  lips: { outlines: [outline(LIPS)], holes: [outline(MOUTH)], softness: 0.004 },
  lipLiner: {
    outlines: [moved(outline(LIPS), 0.006)],
    holes: [moved(outline(LIPS), -0.008)],
    softness: 0.003,
  },
  upperLip: {
    outlines: [outline([...OUTER_LIP_UPPER, ...[...INNER_LIP_UPPER].reverse()])],
    holes: [],
    softness: 0.004,
  },
  lowerLip: {
    outlines: [outline([...OUTER_LIP_LOWER, ...[...INNER_LIP_LOWER].reverse()])],
    holes: [],
    softness: 0.004,
  },
  // Within the lips; what of it are teeth is seen in the picture.
  teeth: {
    outlines: [outline([...OUTER_LIP_UPPER, ...[...OUTER_LIP_LOWER].reverse().slice(1, -1)])],
    holes: [],
    softness: 0.002,
  },
  chin: { outlines: [outline(CHIN)], holes: [], softness: 0.025 },
  jaw: {
    outlines: both([132, 58, 172, 136, 150, 149, 176, 140, 170, 169, 135, 138, 215, 177]),
    holes: [],
    softness: 0.025,
  },
};

/** Outlines, holes and soft edge of a region of the face. */
export const faceRegion = (name: FaceRegion): Region => REGIONS[name];

/** The middle of a region's first outline: where its name is written. */
export const regionCentre = (name: FaceRegion): Point => {
  const [first] = REGIONS[name].outlines;
  const sum = first!.reduce(([u, v], p): Point => [u + p[0], v + p[1]], [0, 0] as Point);
  return [sum[0] / first!.length, sum[1] / first!.length];
};

/** An outline as the `d` of an SVG path, on a square of `size`. */
export const outlinePath = (line: Outline, size: number): string =>
  `M${line.map(([u, v]) => `${(u * size).toFixed(1)} ${(v * size).toFixed(1)}`).join('L')}Z`;
