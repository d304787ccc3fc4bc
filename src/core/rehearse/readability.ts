/** Whether a text in a picture can be read: its contrast to what is around its letters, and how large it is. */
import type { Raster } from '../assets/raster';
import type { Unit } from '../units';
import { luminancesOf } from './luminances';

/** WCAG 2.2, 1.4.3: what large text needs. */
export const LEAST_CONTRAST = 3;
/** Height of a line as a share of the picture's; on a phone held upright some two and a half millimetres. */
export const LEAST_LINE: Unit = 0.018;
/** Levels of 255 by which a text changes the pixels it covers, at least. */
const CHANGED = 10;
/** Pixels around one in which its letter meets what is beside it. */
const AROUND = 2;

export interface Readability {
  /** As WCAG has it, 1 to 21. Of most pixels of letters; 1 where nothing of the text is seen. */
  readonly contrast: number;
  /** Height of one of its lines, as a share of the picture's. */
  readonly line: Unit;
}

/** `withText` and `without` are the same moment, RGBA; the text has so many `lines`. */
export const readabilityOf = (withText: Raster, without: Raster, lines: number): Readability => {
  const { width, height, data } = withText;
  const light = luminancesOf(withText);
  const isText = new Uint8Array(width * height);
  let [top, bottom] = [height, -1];
  for (let i = 0; i < width * height; i++) {
    for (let k = 0; k < 3; k++)
      if (Math.abs(data[4 * i + k]! - without.data[4 * i + k]!) > CHANGED) isText[i] = 1;
    if (!isText[i]) continue;
    top = Math.min(top, Math.floor(i / width));
    bottom = Math.max(bottom, Math.floor(i / width));
  }
  const contrasts: number[] = [];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (!isText[y * width + x]) continue;
      let [low, high] = [1, 0];
      for (let j = Math.max(0, y - AROUND); j <= Math.min(height - 1, y + AROUND); j++)
        for (let i = Math.max(0, x - AROUND); i <= Math.min(width - 1, x + AROUND); i++) {
          const l = light[j * width + i]!;
          low = Math.min(low, l);
          high = Math.max(high, l);
        }
      contrasts.push((high + 0.05) / (low + 0.05));
    }
  if (contrasts.length === 0) return { contrast: 1, line: 0 };
  contrasts.sort((a, b) => a - b);
  return {
    // Letters on a plate are less than half of it.
    contrast: contrasts[Math.floor(0.75 * (contrasts.length - 1))]!,
    line: (bottom - top + 1) / height / Math.max(1, lines),
  };
};
