/** Packs the frames of a sequence into as few sheets as textures allow, and finds them again. */
import type { Grid } from '../../schema/asset-schema';
import type { Pixels } from '../../units';
import { SHEET_SIDE } from '../limits';
import { blank, blit, shrink, within, type Box, type Raster } from '../raster';

export interface SheetPlan {
  /** Of a frame; smaller than it came when it did not fit on a sheet. */
  readonly width: Pixels;
  readonly height: Pixels;
  readonly grid: Grid;
  readonly sheet: readonly [Pixels, Pixels];
  readonly sheets: number;
}

/** Keeps a frame's edge from showing its neighbour's colour when it is drawn smaller or larger. */
const GAP = 2;

/** How `count` frames of a size lie on sheets of at most `side` pixels. */
export const planSheets = (
  width: Pixels,
  height: Pixels,
  count: number,
  side: Pixels = SHEET_SIDE,
): SheetPlan => {
  const fit = within(width, height, side - GAP);
  const most = {
    columns: Math.floor((side - GAP + GAP) / (fit.width + GAP)) || 1,
    rows: Math.floor((side - GAP + GAP) / (fit.height + GAP)) || 1,
  };
  const onOne = Math.min(count, most.columns * most.rows);
  // Of all shapes that hold as many, the one with the least area.
  let [columns, rows] = [most.columns, most.rows];
  for (let c = 1; c <= most.columns; c++) {
    const r = Math.ceil(onOne / c);
    if (r > most.rows) continue;
    const area = c * r * 1000 + Math.abs(c * fit.width - r * fit.height) / side;
    const best = columns * rows * 1000 + Math.abs(columns * fit.width - rows * fit.height) / side;
    if (area < best) [columns, rows] = [c, r];
  }
  return {
    ...fit,
    grid: { columns, rows, margin: GAP / 2, gap: GAP },
    sheet: [columns * (fit.width + GAP), rows * (fit.height + GAP)],
    sheets: Math.ceil(count / (columns * rows)),
  };
};

/** The cell of frame `index` on its sheet, in pixels; frames of a sheet are counted from 0. */
export const cellBox = (grid: Grid, sheet: readonly [Pixels, Pixels], index: number): Box => {
  const { columns, rows, margin, gap } = grid;
  const width = (sheet[0] - 2 * margin - (columns - 1) * gap) / columns;
  const height = (sheet[1] - 2 * margin - (rows - 1) * gap) / rows;
  const [column, row] = [index % columns, Math.floor(index / columns) % rows];
  return { left: margin + column * (width + gap), top: margin + row * (height + gap), width, height };
};

/** Which sheet frame `index` lies on, and where, as fractions of the sheet from its top left: x, y, width, height. */
export const frameAt = (
  asset: { readonly grid: Grid; readonly sheet: readonly [Pixels, Pixels] },
  index: number,
): { readonly file: number; readonly rect: readonly [number, number, number, number] } => {
  const onSheet = asset.grid.columns * asset.grid.rows;
  const box = cellBox(asset.grid, asset.sheet, index % onSheet);
  const [w, h] = asset.sheet;
  return {
    file: Math.floor(index / onSheet),
    rect: [box.left / w, box.top / h, box.width / w, box.height / h],
  };
};

/** Which frame shows `time` seconds after the start; the sequence repeats. */
export const frameIndex = (asset: { frames: number; rate: number }, time: number): number =>
  ((Math.floor(time * asset.rate + 1e-6) % asset.frames) + asset.frames) % asset.frames;

/** Lays frames onto sheets. `frame(i)` is asked for each in turn, so that not all are held at once. */
export class SheetPacker {
  private current: Raster | null = null;
  private index = 0;

  constructor(
    private readonly plan: SheetPlan,
    private readonly count: number,
  ) {}

  /** Adds the next frame; a finished sheet is returned. */
  add(frame: Raster): Raster | null {
    const { grid, sheet, width, height } = this.plan;
    const onSheet = grid.columns * grid.rows;
    this.current ??= blank(sheet[0], sheet[1]);
    const { left, top } = cellBox(grid, sheet, this.index % onSheet);
    blit(shrink(frame, width, height), this.current, left, top);
    this.index++;
    if (this.index % onSheet !== 0 && this.index < this.count) return null;
    const finished = this.current;
    this.current = null;
    return finished;
  }
}
