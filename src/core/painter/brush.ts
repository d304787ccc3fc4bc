/** One touch of the brush: painted, rubbed out, blurred, smudged. */
import type { Rgb } from '../maths/blend';
import type { Pixels, Unit } from '../units';
import { layOver, squareAround, type Rect, type Sheet } from './sheet';

export const BRUSH_TOOLS = ['paint', 'erase', 'smudge', 'blur'] as const;
export type BrushTool = (typeof BRUSH_TOOLS)[number];

export interface Brush {
  readonly tool: BrushTool;
  /** Across, at full pressure. */
  readonly size: Pixels;
  /** 1 ends sharp, 0 fades from its middle on. */
  readonly hardness: Unit;
  /** How much one stroke over a place does. */
  readonly flow: Unit;
  /** sRGB, 0..1. */
  readonly colour: Rgb;
}

/** A point of a stroke on the sheet, in pixels; pressure 0.5 is that of a mouse. */
export interface Touch {
  readonly x: number;
  readonly y: number;
  readonly pressure: Unit;
}

/** Touches follow each other after this share of the brush. */
export const SPACING = 0.12;
/** About as many touches reach a place in one stroke. */
const OVERLAP = 1 / (2 * SPACING);

/** How much of a touch there is at a distance from its middle. */
export const shareAt = (distance: number, radius: number, hardness: Unit): Unit => {
  // Even the hardest brush has an edge of about a pixel, so that it does not look like stairs.
  const soft = Math.max(radius * (1 - hardness), Math.min(radius, 0.8));
  const t = (radius - distance) / soft;
  if (t <= 0) return 0;
  return t >= 1 ? 1 : t * t * (3 - 2 * t);
};

/** The radius of a touch in pixels; 0 is no pressure known. */
export const radiusOf = (brush: Brush, pressure: Unit): number =>
  Math.max(0.5, (brush.size / 2) * (pressure === 0 ? 1 : 0.5 + pressure));

/** What a smudging finger carries on: the pixels under its last touch. */
export interface Carried {
  pixels: Float32Array | null;
  reach: number;
}

/** Touches the sheet; gives what was changed. `carried` goes from one touch of a stroke to the next. */
export const touch = (sheet: Sheet, brush: Brush, at: Touch, carried: Carried): Rect | null => {
  const radius = radiusOf(brush, at.pressure);
  const rect = squareAround(sheet, at.x, at.y, radius + 1);
  if (!rect) return null;
  // Many touches overlap: each does a part of what the flow says.
  const most = brush.flow >= 1 ? 1 : 1 - (1 - brush.flow) ** (1 / OVERLAP);
  const pressed = at.pressure === 0 ? 1 : Math.min(1, 2 * at.pressure);
  const each = (change: (i: number, share: Unit) => void): void => {
    for (let y = rect[1]; y < rect[3]; y++)
      for (let x = rect[0]; x < rect[2]; x++) {
        const share = pressed * shareAt(Math.hypot(x + 0.5 - at.x, y + 0.5 - at.y), radius, brush.hardness);
        if (share > 0) change(4 * (y * sheet.size + x), share);
      }
  };
  const { data } = sheet;
  const [r, g, b] = brush.colour.map((c) => 255 * c) as [number, number, number];
  switch (brush.tool) {
    case 'paint':
      each((i, share) => layOver(data, i, r, g, b, most * share));
      break;
    case 'erase':
      each((i, share) => (data[i + 3] = data[i + 3]! * (1 - most * share)));
      break;
    case 'blur':
      blurUnder(sheet, rect, Math.max(1, Math.round(radius / 6)), (i) => {
        const x = (i / 4) % sheet.size;
        const y = Math.floor(i / 4 / sheet.size);
        return most * pressed * shareAt(Math.hypot(x + 0.5 - at.x, y + 0.5 - at.y), radius, brush.hardness);
      });
      break;
    case 'smudge':
      smudge(
        sheet,
        at,
        radius,
        (d) => Math.min(0.96, brush.flow) * pressed * shareAt(d, radius, brush.hardness),
        carried,
      );
  }
  return rect;
};

/** Mixes each pixel with the mean of those around it; colours weigh by their opacity. */
const blurUnder = (
  { size, data }: Sheet,
  [left, top, right, bottom]: Rect,
  reach: number,
  shareOf: (i: number) => Unit,
): void => {
  const [l, t, r, b] = [
    Math.max(0, left - reach),
    Math.max(0, top - reach),
    Math.min(size, right + reach),
    Math.min(size, bottom + reach),
  ];
  const width = r - l;
  // Sums over rectangles from the top left (summed-area table, Crow 1984), one row and column of zeros before.
  const sums = [0, 1, 2, 3].map(() => new Float64Array((width + 1) * (b - t + 1)));
  for (let y = t; y < b; y++)
    for (let k = 0; k < 4; k++) {
      const table = sums[k]!;
      let row = 0;
      for (let x = l; x < r; x++) {
        const i = 4 * (y * size + x);
        const alpha = data[i + 3]!;
        row += k === 3 ? alpha : (data[i + k]! * alpha) / 255;
        const at = (y - t + 1) * (width + 1) + (x - l + 1);
        table[at] = table[at - width - 1]! + row;
      }
    }
  const copy: [number, number, number, number, number][] = [];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const i = 4 * (y * size + x);
      const share = shareOf(i);
      if (share <= 0) continue;
      const [x0, y0] = [Math.max(l, x - reach), Math.max(t, y - reach)];
      const [x1, y1] = [Math.min(r, x + reach + 1), Math.min(b, y + reach + 1)];
      const area = (x1 - x0) * (y1 - y0);
      const mean = (k: number): number => {
        const table = sums[k]!;
        const at = (px: number, py: number) => table[(py - t) * (width + 1) + (px - l)]!;
        return (at(x1, y1) - at(x0, y1) - at(x1, y0) + at(x0, y0)) / area;
      };
      const own = data[i + 3]!;
      const alpha = (1 - share) * own + share * mean(3);
      const mixed = (k: number): number =>
        alpha > 0 ? (((1 - share) * (data[i + k]! * own)) / 255 + share * mean(k)) / (alpha / 255) : 0;
      copy.push([i, mixed(0), mixed(1), mixed(2), alpha]);
    }
  for (const [i, cr, cg, cb, alpha] of copy) {
    [data[i], data[i + 1], data[i + 2]] = [cr, cg, cb];
    data[i + 3] = alpha;
  }
};

/** Drags along what lay under the last touch. */
const smudge = (
  { size, data }: Sheet,
  at: Touch,
  radius: number,
  shareOf: (distance: number) => Unit,
  carried: Carried,
): void => {
  const reach = Math.ceil(radius) + 1;
  const side = 2 * reach + 1;
  const [cx, cy] = [Math.floor(at.x), Math.floor(at.y)];
  const before = carried.reach === reach ? carried.pixels : null;
  const pixels = new Float32Array(side * side * 4);
  for (let y = -reach; y <= reach; y++)
    for (let x = -reach; x <= reach; x++) {
      const [px, py] = [cx + x, cy + y];
      const k = 4 * ((y + reach) * side + x + reach);
      if (px < 0 || py < 0 || px >= size || py >= size) {
        // Beyond the edge there is nothing to carry on.
        if (before) for (let c = 0; c < 4; c++) pixels[k + c] = before[k + c]!;
        continue;
      }
      const i = 4 * (py * size + px);
      const share = before ? shareOf(Math.hypot(x, y)) : 0;
      // Carried colours are multiplied by their opacity.
      const own = data[i + 3]!;
      const alpha = share > 0 ? (1 - share) * own + share * before![k + 3]! : own;
      for (let c = 0; c < 3; c++) {
        const mixed = ((1 - share) * (data[i + c]! * own)) / 255 + (share > 0 ? share * before![k + c]! : 0);
        pixels[k + c] = mixed;
        if (share > 0) data[i + c] = alpha > 0 ? (mixed * 255) / alpha : 0;
      }
      pixels[k + 3] = alpha;
      if (share > 0) data[i + 3] = alpha;
    }
  carried.pixels = pixels;
  carried.reach = reach;
};
