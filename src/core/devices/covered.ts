/** What lies over the picture on a device, and what of an effect lies under it. CSS pixels of the screen. */
import type { HeldScreen, Rect } from './screens';

/** Why a place is no good: the screen is cut there, it is not safe, or a camera app has a button there. */
export type CoverWhat = 'notch' | 'hole' | 'bar' | 'corner' | 'button';
export interface Cover extends Rect {
  readonly what: CoverWhat;
  readonly name: string;
}

const CUT_NAMES: Readonly<Record<'notch' | 'hole' | 'bar', string>> = {
  notch: 'the notch',
  hole: 'the camera hole',
  bar: 'the bar at the foot',
};

/** Of a button to tap, and of the one that records. */
const BUTTON = 44;
const RECORD = 72;
const GAP = 12;

/** Buttons of an invented camera app: leave, the sound, the other camera at the top; record and the last picture at the foot. */
export const appButtons = ({ width, height, safe }: HeldScreen): readonly Cover[] => {
  const top = safe.top + 8;
  const foot = height - safe.bottom - GAP;
  const button = (name: string, left: number, at: number, wide = BUTTON, high = BUTTON): Cover => ({
    what: 'button',
    name,
    left,
    top: at,
    width: wide,
    height: high,
  });
  return [
    button('the button to leave', safe.left + GAP, top),
    button('the name of the sound', width / 2 - 75, top, 150, 34),
    button('the button for the other camera', width - safe.right - GAP - BUTTON, top),
    button('the record button', width / 2 - RECORD / 2, foot - RECORD, RECORD, RECORD),
    button('the last picture', safe.left + GAP + 20, foot - RECORD / 2 - BUTTON / 2),
    button('the list of effects', width - safe.right - GAP - 20 - BUTTON, foot - RECORD / 2 - BUTTON / 2),
  ];
};

/** Of the square around a rounded corner, the share of its side that is nowhere seen along the diagonal. */
const CUT_OFF = 1 - Math.SQRT1_2;
const cornersOf = ({ width, height, corners }: HeldScreen): readonly Cover[] => {
  const side = corners * CUT_OFF;
  if (side < 1) return [];
  return (['top left', 'top right', 'bottom left', 'bottom right'] as const).map((where) => ({
    what: 'corner',
    name: `the round corner at the ${where}`,
    left: where.endsWith('left') ? 0 : width - side,
    top: where.startsWith('top') ? 0 : height - side,
    width: side,
    height: side,
  }));
};

/** All that lies over the picture, or takes of it. */
export const coversOf = (screen: HeldScreen, withApp: boolean): readonly Cover[] => [
  ...screen.cut.map((cut): Cover => ({ ...cut, name: CUT_NAMES[cut.what] })),
  ...cornersOf(screen),
  ...(withApp ? appButtons(screen) : []),
];

export const overlap = (a: Rect, b: Rect): number =>
  Math.max(0, Math.min(a.left + a.width, b.left + b.width) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.top + a.height, b.top + b.height) - Math.max(a.top, b.top));

/** Less than this share of a thing under something is let be. */
const LET_BE = 0.02;

/** What lies over a thing, the most of it first. */
export const coversOver = (thing: Rect, covers: readonly Cover[]): readonly Cover[] => {
  const area = Math.max(1, thing.width * thing.height);
  return covers
    .map((cover) => ({ cover, share: overlap(thing, cover) / Math.min(area, cover.width * cover.height) }))
    .filter(({ share }) => share > LET_BE)
    .sort((a, b) => b.share - a.share)
    .map(({ cover }) => cover);
};

/** So much of the screen is covered by what is meant to lie under everything: a frame, a tint. */
const GROUND = 0.6;
/** Fills the screen: it is no fault of it to lie under something, or to reach beyond the edge. */
export const isGround = (thing: Rect, { width, height }: Pick<HeldScreen, 'width' | 'height'>): boolean =>
  overlap(thing, { left: 0, top: 0, width, height }) >= GROUND * width * height;

/** What of a thing lies off the screen, as a share of it. */
export const shareOff = (thing: Rect, { width, height }: Pick<HeldScreen, 'width' | 'height'>): number => {
  const area = thing.width * thing.height;
  return area <= 0 ? 0 : 1 - overlap(thing, { left: 0, top: 0, width, height }) / area;
};

/**
 * How far down (or up, below 0) a thing has to go to lie clear of everything, the shorter way; null where there is no room. 0 where it lies
 * clear already, unless it `mustMove`: then it is not within the safe part.
 */
export const wayClear = (
  thing: Rect,
  covers: readonly Cover[],
  { height, safe }: Pick<HeldScreen, 'height' | 'safe'>,
  mustMove = false,
): number | null => {
  const isClear = (by: number): boolean => coversOver({ ...thing, top: thing.top + by }, covers).length === 0;
  if (!mustMove && isClear(0)) return 0;
  const lowest = height - safe.bottom - thing.height;
  for (let by = 1; by < height; by++)
    for (const way of [by, -by]) {
      const top = thing.top + way;
      if (top >= safe.top && top <= lowest && isClear(way)) return way;
    }
  return null;
};
