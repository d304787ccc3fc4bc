/**
 * Guesses how the cells of a sprite sheet lie. Two things tell: the lines between cells run where little is
 * painted, and cells that follow each other look alike, since they are moments of one movement. The second is
 * the autocorrelation of the sheet at the distance of a cell.
 */
import type { Grid } from '../../document/asset-schema';
import type { Pixels, Unit } from '../../units';
import { shrink, within, type Raster } from '../raster';
import { cellBox } from './sheets';

export interface GridGuess {
  readonly grid: Grid;
  /** Cells in use: those after the last painted one are empty. */
  readonly frames: number;
  /** How sure: below a half the picture is rather a single one. */
  readonly confidence: Unit;
}

/** The sheet is looked at in this size at most. */
const LOOK: Pixels = 512;
const MOST_CELLS = 32;
/** A cell is at least this wide and high in the sheet itself. */
const LEAST_CELL: Pixels = 8;
/** How alike neighbouring cells look on a sheet, as their correlation. */
const ALIKE: Unit = 0.45;
const SOMEWHAT_ALIKE: Unit = 0.15;

/** What is painted: opacity, or on sheets without transparency the distance from the colour of the corners. */
const paintOf = ({ width, height, data }: Raster): Float32Array => {
  const paint = new Float32Array(width * height);
  let transparent = 0;
  for (let i = 0; i < paint.length; i++) {
    paint[i] = data[i * 4 + 3]! / 255;
    if (paint[i]! < 0.5) transparent++;
  }
  if (transparent > paint.length * 0.02) return paint;
  const corners = [0, width - 1, (height - 1) * width, height * width - 1];
  const ground = [0, 1, 2].map((c) => corners.map((i) => data[i * 4 + c]!).sort((a, b) => a - b)[1]!) as [
    number,
    number,
    number,
  ];
  for (let i = 0; i < paint.length; i++) {
    const far = Math.max(...ground.map((g, c) => Math.abs(data[i * 4 + c]! - g)));
    paint[i] = far < 12 ? 0 : Math.min(1, far / 96);
  }
  return paint;
};

interface AxisView {
  /** Length along the axis, in looked-at pixels. */
  readonly length: number;
  /** Mean paint of each line across the axis. */
  readonly lines: Float32Array;
  /** Likeness of the sheet with itself moved by `distance` along the axis, 0..1. */
  likeness(distance: number): Unit;
}

const viewAlong = (paint: Float32Array, width: number, height: number, axis: 'x' | 'y'): AxisView => {
  const length = axis === 'x' ? width : height;
  const across = axis === 'x' ? height : width;
  const at = (along: number, over: number): number =>
    axis === 'x' ? paint[over * width + along]! : paint[along * width + over]!;
  const lines = new Float32Array(length);
  for (let i = 0; i < length; i++) {
    for (let j = 0; j < across; j++) lines[i] = lines[i]! + at(i, j);
    lines[i] = lines[i]! / across;
  }
  return {
    length,
    lines,
    likeness: (distance) => {
      // Normalised cross-correlation of what is painted on both sides; lines where either is blank do not count.
      let [both, left, right] = [0, 0, 0];
      for (let i = 0; i + distance < length; i++) {
        if (lines[i]! < 1e-4 && lines[Math.round(i + distance)]! < 1e-4) continue;
        const k = Math.round(i + distance);
        if (k >= length) break;
        for (let j = 0; j < across; j++) {
          const [a, b] = [at(i, j), at(k, j)];
          both += a * b;
          left += a * a;
          right += b * b;
        }
      }
      return left === 0 || right === 0 ? 0 : both / Math.sqrt(left * right);
    },
  };
};

/** How much is painted along the lines between `n` cells, against the mean of all lines. */
const paintBetween = (view: AxisView, n: number): number => {
  const mean = view.lines.reduce((sum, x) => sum + x, 0) / view.length || 1;
  let sum = 0;
  for (let k = 1; k < n; k++) {
    const at = (k * view.length) / n;
    // The line itself lies between two pixels; the emptier neighbour counts, for sheets cut with a small offset.
    const near = [at - 1, at].map((x) => view.lines[Math.min(view.length - 1, Math.max(0, Math.round(x)))]!);
    sum += Math.min(...near);
  }
  return n === 1 ? 0 : sum / (n - 1) / mean;
};

interface AxisGuess {
  readonly cells: number;
  readonly likeness: Unit;
  readonly between: number;
}

/** `least` is how alike cells have to look. */
const guessAxis = (view: AxisView, length: Pixels, least: Unit): AxisGuess => {
  const candidates: AxisGuess[] = [];
  for (let n = 2; n <= MOST_CELLS && length / n >= LEAST_CELL && view.length / n >= 3; n++)
    candidates.push({
      cells: n,
      likeness: view.likeness(view.length / n),
      between: paintBetween(view, n),
    });
  const clear = candidates.filter((c) => c.between < 0.12 && c.likeness > least);
  const single: AxisGuess = { cells: 1, likeness: 0, between: 0 };
  if (clear.length === 0) return single;
  const best = Math.max(...clear.map((c) => c.likeness));
  // Half a cell does not look like the other half, but two cells look like the next two: the finest that is
  // nearly as good as the best is the right one.
  const fine = clear.filter((c) => c.likeness >= best * 0.9).sort((a, b) => b.cells - a.cells)[0]!;
  return fine;
};

const HINT = /(?:^|[^\d])(\d{1,2})\s*[x×]\s*(\d{1,2})(?:[^\d]|$)/i;

/** Whether anything is painted in a cell. */
const isPainted = (paint: Float32Array, look: Raster, grid: Grid, sheet: Raster, index: number): boolean => {
  const k = look.width / sheet.width;
  const box = cellBox(grid, [sheet.width, sheet.height], index);
  const [x0, x1] = [Math.ceil(box.left * k), Math.floor((box.left + box.width) * k)];
  const [y0, y1] = [Math.ceil(box.top * k), Math.floor((box.top + box.height) * k)];
  let painted = 0;
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) if (paint[y * look.width + x]! > 0.05) painted++;
  return painted > Math.max(1, (x1 - x0) * (y1 - y0) * 0.0008);
};

const guessFor = (
  paint: Float32Array,
  look: Raster,
  sheet: Raster,
  columns: number,
  rows: number,
): Omit<GridGuess, 'confidence'> => {
  const grid: Grid = { columns, rows, margin: 0, gap: 0 };
  let frames = columns * rows;
  while (frames > 1 && !isPainted(paint, look, grid, sheet, frames - 1)) frames--;
  return { grid, frames };
};

/** `name` may carry a hint such as "bubbles_4x3.png" (columns x rows). */
export const guessGrid = (sheet: Raster, name = ''): GridGuess => {
  const size = within(sheet.width, sheet.height, LOOK);
  const look = shrink(sheet, size.width, size.height);
  const paint = paintOf(look);
  const across = viewAlong(paint, look.width, look.height, 'x');
  const down = viewAlong(paint, look.width, look.height, 'y');
  const hint = HINT.exec(name);
  if (hint) {
    const [columns, rows] = [Number(hint[1]), Number(hint[2])];
    const fits =
      columns * rows > 1 && sheet.width / columns >= LEAST_CELL && sheet.height / rows >= LEAST_CELL;
    if (fits && paintBetween(across, columns) < 0.6 && paintBetween(down, rows) < 0.6)
      return { ...guessFor(paint, look, sheet, columns, rows), confidence: 0.95 };
  }
  let [x, y] = [guessAxis(across, sheet.width, ALIKE), guessAxis(down, sheet.height, ALIKE)];
  // On what is a sheet one way, less is asked the other way, if that makes cells more square.
  const squareness = (columns: number, rows: number): number =>
    Math.abs(Math.log(sheet.width / columns / (sheet.height / rows)));
  if (x.cells > 1 && y.cells === 1) {
    const weaker = guessAxis(down, sheet.height, SOMEWHAT_ALIKE);
    if (squareness(x.cells, weaker.cells) < squareness(x.cells, 1)) y = weaker;
  } else if (y.cells > 1 && x.cells === 1) {
    const weaker = guessAxis(across, sheet.width, SOMEWHAT_ALIKE);
    if (squareness(weaker.cells, y.cells) < squareness(1, y.cells)) x = weaker;
  }
  const sure = Math.max(x.cells > 1 ? x.likeness - x.between : 0, y.cells > 1 ? y.likeness - y.between : 0);
  const single = x.cells * y.cells === 1;
  return {
    ...guessFor(paint, look, sheet, x.cells, y.cells),
    confidence: single ? 0 : Math.min(0.9, Math.max(0, sure)),
  };
};
