/**
 * Colour tables painted as pictures: squares of red and green, one for each step of blue, side by side in a
 * strip (1024 x 32) or in rows (512 x 512 with eight by eight squares of 64).
 */
import type { Raster } from '../raster';
import { identityTable, type ColourTable } from './table';

interface Layout {
  readonly size: number;
  /** Squares side by side. */
  readonly across: number;
}

const layoutOf = (width: number, height: number): Layout | null => {
  if (width === height * height && height >= 4 && height <= 64) return { size: height, across: height };
  if (width === height) {
    const root = Math.round(Math.cbrt(width));
    if (root ** 3 === width && root >= 2 && root <= 8) return { size: root * root, across: root };
  }
  return null;
};

/** The table a picture stands for; null when its size is no table's. */
export const readStrip = (picture: Raster): ColourTable | null => {
  const layout = layoutOf(picture.width, picture.height);
  if (!layout) return null;
  const table = identityTable(layout.size);
  const { size, across } = layout;
  for (let blue = 0; blue < size; blue++)
    for (let green = 0; green < size; green++)
      for (let red = 0; red < size; red++) {
        const x = (blue % across) * size + red;
        const y = Math.floor(blue / across) * size + green;
        const from = (y * picture.width + x) * 4;
        const to = (red + green * size + blue * size * size) * 3;
        for (let c = 0; c < 3; c++) table.data[to + c] = picture.data[from + c]! / 255;
      }
  return table;
};

/** Whether a table does what tables do: brighter in, brighter out, on all three axes. Photographs do not. */
export const looksLikeTable = ({ size, data }: ColourTable): boolean => {
  const steps = [1, size, size * size];
  return steps.every((step, axis) => {
    let [rising, all] = [0, 0];
    for (let i = 0; i < size ** 3; i++) {
      const along = Math.floor(i / step) % size;
      if (along === size - 1) continue;
      all++;
      if (data[(i + step) * 3 + axis]! >= data[i * 3 + axis]! - 1e-6) rising++;
    }
    const end = (i: number): number => data[i * 3 + axis]!;
    return rising / all > 0.97 && end(size ** 3 - 1) - end(0) > 0.2;
  });
};
