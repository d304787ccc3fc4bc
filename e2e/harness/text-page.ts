/** Runs in a blank page: texts as the stage paints them, beside what the browser makes of the same words in one piece. */
import { newText } from '../../src/core/kinds/objects/text';
import type { ObjectId, TextObject } from '../../src/core/document/schema';
import { paintText } from '../../src/stage/effect/objects/text-painting';

const FONT = 'DejaVu Sans';

export interface Ink {
  /** Width of what is painted, as a share of the height of a line. */
  readonly width: number;
  /** Share of the painted pixels that differ from the same line written in one piece. */
  readonly off: number;
  /** Share of the ink that lies in the left half of it. */
  readonly left: number;
  /** Where the middle of the ink is, as a share of the width. */
  readonly middle: number;
  /** Runs of columns without ink within it: places where letters do not touch. */
  readonly gaps: number;
  readonly pixels: number;
}

export interface TextPage {
  paint(text: string, change?: Partial<TextObject>): Ink;
}

/** Opaque where there is ink. */
const inkOf = (canvas: HTMLCanvasElement): { ink: Uint8Array; width: number; height: number } => {
  const { width, height } = canvas;
  const { data } = canvas.getContext('2d')!.getImageData(0, 0, width, height);
  return { ink: Uint8Array.from({ length: width * height }, (_, i) => data[4 * i + 3]!), width, height };
};
/** Columns in which there is ink. */
const columns = ({ ink, width, height }: ReturnType<typeof inkOf>): number[] =>
  Array.from({ length: width }, (_, x) => {
    let sum = 0;
    for (let y = 0; y < height; y++) sum += ink[y * width + x]! > 100 ? 1 : 0;
    return sum;
  });

const page: TextPage = {
  paint: (words, change = {}) => {
    const text = { ...newText('obj_text' as ObjectId, words, 0), size: 0.02, ...change };
    const { canvas, low, high } = paintText(text, `'${FONT}'`);
    const painted = inkOf(canvas);
    const counts = columns(painted);
    const from = counts.findIndex((n) => n > 0);
    const to = counts.findLastIndex((n) => n > 0);
    const px = Math.min(160, 2048 / ((high[0] - low[0]) / text.size));

    // The same line, in one piece, its ink's left end at the same place.
    const whole = document.createElement('canvas');
    [whole.width, whole.height] = [painted.width, painted.height];
    const context = whole.getContext('2d')!;
    context.font = `600 ${px}px '${FONT}', sans-serif`;
    context.textBaseline = 'middle';
    context.textAlign = 'left';
    context.direction = /^[\u0590-\u08ff]/.test(words) ? 'rtl' : 'ltr';
    context.fillStyle = text.colour;
    const [middle, top] = [(-low[0] / text.size) * px, (high[1] / text.size) * px];
    context.fillText(words, middle - context.measureText(words).width / 2, top);
    const wanted = inkOf(whole);
    let [off, ink, left] = [0, 0, 0];
    painted.ink.forEach((alpha, i) => {
      if (Math.abs(alpha - wanted.ink[i]!) > 60) off++;
      if (alpha > 100) {
        ink++;
        if (i % painted.width < (from + to) / 2) left++;
      }
    });
    let gaps = 0;
    for (let x = from; x < to; x++) if (counts[x] === 0 && counts[x - 1]! > 0) gaps++;
    return {
      width: (to - from) / px,
      off: off / Math.max(1, ink),
      left: left / Math.max(1, ink),
      gaps,
      middle: (from + to) / 2 / painted.width,
      pixels: ink,
    };
  },
};
(window as unknown as { textPage: TextPage }).textPage = page;
