/** What is painted on: a square of pixels, and rectangles of it. */
import type { Pixels } from '../units';

/** Pixels along each side of everything the painter makes. */
export const SHEET_SIZE: Pixels = 1024;

export interface Sheet {
  /** Pixels along each side. */
  readonly size: Pixels;
  /** Red, green, blue, opacity of each pixel from the top left; colours are not multiplied by their opacity. */
  readonly data: Uint8ClampedArray<ArrayBuffer>;
}

/** Left, top, right, bottom in pixels; right and bottom are the first that are left out. */
export type Rect = readonly [number, number, number, number];

/** A sheet on which nothing is painted. */
export const blankSheet = (size: Pixels = SHEET_SIZE): Sheet => ({
  size,
  data: new Uint8ClampedArray(size * size * 4),
});

/** A square around a point, within the sheet; null when it lies outside. */
export const squareAround = ({ size }: Sheet, x: number, y: number, reach: number): Rect | null => {
  const rect: Rect = [
    Math.max(0, Math.floor(x - reach)),
    Math.max(0, Math.floor(y - reach)),
    Math.min(size, Math.ceil(x + reach) + 1),
    Math.min(size, Math.ceil(y + reach) + 1),
  ];
  return rect[0] < rect[2] && rect[1] < rect[3] ? rect : null;
};

/** What a sheet is as a mask, in greys that cover everything: white where it shows, black where it hides (see `maskOf` of the stage). */
export const inGreys = ({ size, data }: Sheet): Sheet => {
  const greys = blankSheet(size);
  for (let i = 0; i < data.length; i += 4) {
    const grey = (0.2126 * data[i]! + 0.7152 * data[i + 1]! + 0.0722 * data[i + 2]!) * (data[i + 3]! / 255);
    greys.data.set([grey, grey, grey, 255], i);
  }
  return greys;
};

/** The rectangle around two; null is none. */
export const union = (a: Rect | null, b: Rect | null): Rect | null =>
  a && b
    ? [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[2], b[2]), Math.max(a[3], b[3])]
    : (a ?? b);

/** Lays a colour over the pixel at `i`, with this much of it (W3C Compositing, source over). */
export const layOver = (
  data: Uint8ClampedArray,
  i: number,
  r: number,
  g: number,
  b: number,
  share: number,
): void => {
  if (share <= 0) return;
  const under = (data[i + 3]! / 255) * (1 - share);
  const alpha = share + under;
  data[i] = (share * r + under * data[i]!) / alpha;
  data[i + 1] = (share * g + under * data[i + 1]!) / alpha;
  data[i + 2] = (share * b + under * data[i + 2]!) / alpha;
  data[i + 3] = 255 * alpha;
};
