/**
 * Guesses how the cells of a sprite sheet lie. Three things tell: the lines between cells run where little is
 * painted; cells that follow each other look alike, since they are moments of one movement (the autocorrelation of
 * the sheet at the distance of a cell); and where cells are painted to their edges, the paint breaks off there.
 */
import type { Grid } from '../../schema/asset-schema';
import type { Pixels, Unit } from '../../units';
import { shrink, within, type Raster } from '../raster';
import { breakBetween, paintBetween, paintOf, viewAlong, type AxisView } from './grid-clues';
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
/** Lines between cells have at most this share of the paint of other lines. */
const EMPTY: Unit = 0.05;
/** This share of the cells is painted, up to the last that is. */
const USED: Unit = 0.6;
/** Cells are at most this many times as wide as high, or as high as wide. */
const MOST_OBLONG = 3.2;
/** How many times as sharply as around it the paint breaks off between cells painted to their edges. */
const SHARP_BREAK = 2;

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

interface Cells {
  readonly columns: number;
  readonly rows: number;
}

/** Numbers of cells along an axis that part it at empty lines. */
const partings = (view: AxisView, length: Pixels): number[] => {
  const out = [1];
  for (let n = 2; n <= MOST_CELLS && length / n >= LEAST_CELL && view.length / n >= 3; n++)
    if (paintBetween(view, n) < EMPTY) out.push(n);
  return out;
};

/**
 * The finest cells that empty lines part on both axes, so that nearly all of them hold something: frames that
 * change a lot do not look like their neighbours, but still stand apart from them.
 */
const partedCells = (
  across: AxisView,
  down: AxisView,
  sheet: Raster,
  used: (cells: Cells) => Unit,
): Cells | null => {
  const all = partings(across, sheet.width).flatMap((columns) =>
    partings(down, sheet.height).map((rows) => ({ columns, rows })),
  );
  const fitting = all
    .filter(({ columns, rows }) => {
      const oblong = Math.abs(Math.log(sheet.width / columns / (sheet.height / rows)));
      return columns * rows >= 4 && oblong < Math.log(MOST_OBLONG);
    })
    .sort((a, b) => b.columns * b.rows - a.columns * a.rows);
  return fitting.find((cells) => used(cells) >= USED) ?? null;
};

/** Cells across a strip whose cells are painted to their edges: the number that makes them squarest. */
const brokenCells = (view: AxisView, length: Pixels, other: Pixels): number => {
  let best = 1;
  const oblong = (n: number) => Math.abs(Math.log(length / n / other));
  for (let n = 2; n <= MOST_CELLS && length / n >= LEAST_CELL; n++)
    if (oblong(n) < oblong(best) && breakBetween(view, n) > SHARP_BREAK) best = n;
  return best;
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
  let cells: Cells = { columns: x.cells, rows: y.cells };
  let confidence = Math.max(
    x.cells > 1 ? x.likeness - x.between : 0,
    y.cells > 1 ? y.likeness - y.between : 0,
  );
  const parted = partedCells(across, down, sheet, ({ columns, rows }) => {
    const { grid, frames } = guessFor(paint, look, sheet, columns, rows);
    const painted = Array.from({ length: frames }, (_, i) => isPainted(paint, look, grid, sheet, i));
    return painted.filter(Boolean).length / frames;
  });
  if (parted && parted.columns * parted.rows > cells.columns * cells.rows) {
    cells = parted;
    // Many lines that are all empty are hardly chance; a few may be.
    confidence = Math.max(confidence, parted.columns + parted.rows >= 6 ? 0.6 : 0.4);
  }
  const strip = [sheet.width / cells.columns, sheet.height / cells.rows] as const;
  if (cells.columns === 1 && cells.rows > 1)
    cells = { ...cells, columns: brokenCells(across, strip[0], strip[1]) };
  else if (cells.rows === 1 && cells.columns > 1)
    cells = { ...cells, rows: brokenCells(down, strip[1], strip[0]) };
  const count = cells.columns * cells.rows;
  // Two eyes or three stars look like each other too.
  const most = count === 1 ? 0 : count < 4 ? 0.4 : 0.9;
  return {
    ...guessFor(paint, look, sheet, cells.columns, cells.rows),
    confidence: Math.min(most, Math.max(0, confidence)),
  };
};
