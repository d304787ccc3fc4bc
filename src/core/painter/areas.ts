/** What is painted over whole areas: fills, gradients, outlines drawn by hand, one half taken over to the other. */
import type { Rgb } from '../maths/blend';
import { fillOutlines } from '../face/region-mask';
import type { Unit } from '../units';
import { layOver, type Rect, type Sheet } from './sheet';

/** Does something to every pixel of the sheet, by its share. */
const over = (
  sheet: Sheet,
  shareOf: (x: number, y: number) => Unit,
  change: (i: number, share: Unit) => void,
): Rect => {
  for (let y = 0; y < sheet.size; y++)
    for (let x = 0; x < sheet.size; x++) {
      const share = shareOf(x, y);
      if (share > 0) change(4 * (y * sheet.size + x), share);
    }
  return [0, 0, sheet.size, sheet.size];
};

const painter = (sheet: Sheet, colour: Rgb, erases: boolean) => {
  const [r, g, b] = colour.map((c) => 255 * c) as [number, number, number];
  return (i: number, share: Unit): void => {
    if (erases) sheet.data[i + 3] = sheet.data[i + 3]! * (1 - share);
    else layOver(sheet.data, i, r, g, b, share);
  };
};

/** Fills all of the sheet. */
export const fill = (sheet: Sheet, colour: Rgb, opacity: Unit): Rect =>
  over(sheet, () => opacity, painter(sheet, colour, false));

/** Empties all of the sheet. */
export const clear = (sheet: Sheet): Rect => {
  sheet.data.fill(0);
  return [0, 0, sheet.size, sheet.size];
};

/** Runs out from a point, where it is whole, to another; points in pixels. */
export const gradient = (
  sheet: Sheet,
  [fromX, fromY]: readonly [number, number],
  [toX, toY]: readonly [number, number],
  colour: Rgb,
  opacity: Unit,
  erases = false,
): Rect | null => {
  const [dx, dy] = [toX - fromX, toY - fromY];
  const far = dx * dx + dy * dy;
  if (far < 1) return null;
  const share = (x: number, y: number): Unit =>
    opacity * Math.min(1, Math.max(0, 1 - ((x + 0.5 - fromX) * dx + (y + 0.5 - fromY) * dy) / far));
  return over(sheet, share, painter(sheet, colour, erases));
};

/** Fills an outline drawn by hand, in pixels; null when it holds no area. */
export const fillLasso = (
  sheet: Sheet,
  outline: readonly (readonly [number, number])[],
  colour: Rgb,
  opacity: Unit,
  { erases = false, mirrored = false }: { readonly erases?: boolean; readonly mirrored?: boolean } = {},
): Rect | null => {
  if (outline.length < 3) return null;
  const line = outline.map(([x, y]) => [x / sheet.size, y / sheet.size] as const);
  const own = fillOutlines([line], sheet.size);
  const other = mirrored ? fillOutlines([line.map(([u, v]) => [1 - u, v] as const)], sheet.size) : null;
  const share = (x: number, y: number): Unit => {
    const at = y * sheet.size + x;
    return opacity * Math.min(1, Math.max(own[at]!, other?.[at] ?? 0));
  };
  if (!own.some((m) => m > 0.001)) return null;
  return over(sheet, share, painter(sheet, colour, erases));
};

/** Takes one half over to the other, turned around; `from` is the half as it lies on the sheet. */
export const mirrorHalf = (sheet: Sheet, from: 'left' | 'right'): Rect => {
  const { size, data } = sheet;
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size / 2; x++) {
      const left = 4 * (y * size + x);
      const right = 4 * (y * size + size - 1 - x);
      const [to, source] = from === 'left' ? [right, left] : [left, right];
      for (let k = 0; k < 4; k++) data[to + k] = data[source + k]!;
    }
  return [0, 0, size, size];
};

/** Exchanges left and right. */
export const flip = (sheet: Sheet): Rect => {
  const { size, data } = sheet;
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size / 2; x++)
      for (let k = 0; k < 4; k++) {
        const left = 4 * (y * size + x) + k;
        const right = 4 * (y * size + size - 1 - x) + k;
        [data[left], data[right]] = [data[right]!, data[left]!];
      }
  return [0, 0, size, size];
};

/**
 * Lays a picture over part of the sheet: text, a sticker. `pixels` are those of the rectangle, colours not multiplied by
 * their opacity.
 */
export const paste = (sheet: Sheet, pixels: Uint8ClampedArray, [left, top, right, bottom]: Rect): Rect => {
  const width = right - left;
  for (let y = Math.max(0, top); y < Math.min(sheet.size, bottom); y++)
    for (let x = Math.max(0, left); x < Math.min(sheet.size, right); x++) {
      const from = 4 * ((y - top) * width + (x - left));
      layOver(
        sheet.data,
        4 * (y * sheet.size + x),
        pixels[from]!,
        pixels[from + 1]!,
        pixels[from + 2]!,
        pixels[from + 3]! / 255,
      );
    }
  return [left, top, right, bottom];
};
