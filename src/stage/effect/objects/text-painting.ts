/**
 * A text painted on a canvas. Lines are shaped by the browser as a whole, so kerning, ligatures, joined and right-to-left scripts are as they
 * should be. On a circle letters stay upright one by one, at the places that kerning gives them; scripts whose letters join are bent instead.
 */
import type { TextObject } from '../../../core/document/schema';
import {
  hasRightToLeft,
  layOut,
  lettersOf,
  runsRightToLeft,
  textExtent,
  type PlacedLine,
  type TextLayout,
} from '../../../core/kinds/objects/text-layout';

/** Pixels for the height of a line, and most pixels along one side. */
const SHARP = 160;
const MOST = 2048;
/** Height of what is painted of a line, in line heights: what sticks out of letters, and outlines. */
const STRIP = 1.9;
/** Columns that a line is bent by, in pixels; each lies over its neighbour by as much again. */
const COLUMN = 2;

export interface PaintedText {
  readonly canvas: HTMLCanvasElement;
  /** Corners in metres. */
  readonly low: readonly [number, number];
  readonly high: readonly [number, number];
}

type Context = CanvasRenderingContext2D;

/** Sets how a line is shaped; not every browser spaces letters itself. */
const shape = (context: Context, font: string, spacing: number, line: string): void => {
  context.font = font;
  context.textAlign = 'left';
  context.textBaseline = 'middle';
  context.direction = runsRightToLeft(line) ? 'rtl' : 'ltr';
  if ('letterSpacing' in context) context.letterSpacing = `${spacing}px`;
};
const spacesItself = (context: Context): boolean => 'letterSpacing' in context;

/** Letters with the left end of each, in pixels, kerned: where the letters before it end. */
const letterPlaces = (context: Context, line: string, spacing: number) => {
  const letters = lettersOf(line);
  const after = spacesItself(context) ? 0 : spacing;
  return letters.map((letter, i) => ({
    letter,
    left: context.measureText(letters.slice(0, i).join('')).width + i * after,
  }));
};

export const paintText = (text: TextObject, family: string): PaintedText => {
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d')!;
  const font = (px: number): string => `600 ${px}px ${family}, sans-serif`;
  const measure = (line: string): number => {
    shape(context, font(100), text.spacing * 100, line);
    const own = context.measureText(line).width / 100;
    const count = lettersOf(line).length;
    // The browser puts a space behind the last letter too.
    if (spacesItself(context)) return count > 0 ? own - text.spacing : 0;
    return own + Math.max(0, count - 1) * text.spacing;
  };
  const layout = layOut(text, measure);
  const { low, high } = textExtent(text, measure);
  const [width, height] = [(high[0] - low[0]) / text.size, (high[1] - low[1]) / text.size];
  const px = Math.min(SHARP, MOST / Math.max(width, height));
  canvas.width = Math.max(2, Math.ceil(width * px));
  canvas.height = Math.max(2, Math.ceil(height * px));
  const painter = { font: font(px), px, spacing: text.spacing * px, text };
  context.translate((-low[0] / text.size) * px, (high[1] / text.size) * px);
  // All outlines first, so that none lies over a neighbour's letter.
  for (const way of text.outline > 0 ? (['stroke', 'fill'] as const) : (['fill'] as const))
    for (const line of layout.lines) paintLine(context, layout, line, way, painter);
  return { canvas, low, high };
};

interface Painter {
  readonly font: string;
  readonly px: number;
  readonly spacing: number;
  readonly text: TextObject;
}

const paintLine = (
  context: Context,
  layout: TextLayout,
  line: PlacedLine,
  way: 'stroke' | 'fill',
  { font, px, spacing, text }: Painter,
): void => {
  const style = (on: Context): void => {
    shape(on, font, spacing, line.text);
    on.lineJoin = 'round';
    on.lineWidth = text.outline * px * 2;
    on.strokeStyle = text.outlineColour;
    on.fillStyle = text.colour;
  };
  const write = (on: Context, letters: string, x: number, y: number): void => {
    if (way === 'stroke') on.strokeText(letters, x, y);
    else on.fillText(letters, x, y);
  };
  style(context);
  const { left, width, y } = line;
  if (!layout.isBent && (spacing === 0 || spacesItself(context)))
    return write(context, line.text, left * px, -y * px);
  if (hasRightToLeft(line.text))
    return bend(context, layout, line, px, (on, x, at) => {
      style(on);
      write(on, line.text, x, at);
    });
  const places = letterPlaces(context, line.text, spacing);
  places.forEach(({ letter, left: from }, i) => {
    const to = places[i + 1]?.left ?? width * px;
    const middle = layout.bent(left + (from + to) / 2 / px, y);
    context.save();
    context.translate(middle.x * px, -middle.y * px);
    context.rotate((-middle.turn * Math.PI) / 180);
    write(context, letter, (from - to) / 2, 0);
    context.restore();
  });
};

/** Bends a line as it is painted straight, column by column. */
const bend = (
  context: Context,
  layout: TextLayout,
  { left, width, y }: PlacedLine,
  px: number,
  paint: (on: Context, x: number, y: number) => void,
): void => {
  const margin = Math.ceil(0.4 * px);
  const strip = document.createElement('canvas');
  strip.width = Math.ceil(width * px) + 2 * margin;
  strip.height = Math.ceil(STRIP * px);
  paint(strip.getContext('2d')!, margin, strip.height / 2);
  for (let x = 0; x < strip.width; x += COLUMN) {
    const at = layout.bent(left + (x - margin + COLUMN / 2) / px, y);
    context.save();
    context.translate(at.x * px, -at.y * px);
    context.rotate((-at.turn * Math.PI) / 180);
    context.drawImage(
      strip,
      x,
      0,
      2 * COLUMN,
      strip.height,
      -COLUMN,
      -strip.height / 2,
      2 * COLUMN,
      strip.height,
    );
    context.restore();
  }
};
