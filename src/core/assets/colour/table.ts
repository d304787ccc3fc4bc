/** Colour tables: what a grade makes of every colour. Values are as in the picture (sRGB), 0..1 in their domain. */
import { clamp, lerp } from '../../maths/scalar';
import type { Rgb } from '../../maths/blend';

export interface ColourTable {
  readonly title: string;
  readonly dimensions: 1 | 3;
  /** Entries along one axis. */
  readonly size: number;
  /** Colours that the first and the last entry stand for. */
  readonly low: Rgb;
  readonly high: Rgb;
  /** Red, green, blue of each entry; in three dimensions red runs fastest, then green, then blue. */
  readonly data: Float32Array;
}

/** The table that changes nothing. */
export const identityTable = (size: number, dimensions: 1 | 3 = 3): ColourTable => {
  const count = dimensions === 3 ? size ** 3 : size;
  const data = new Float32Array(count * 3);
  for (let i = 0; i < count; i++) {
    const at =
      dimensions === 3 ? [i % size, Math.floor(i / size) % size, Math.floor(i / size ** 2)] : [i, i, i];
    for (let c = 0; c < 3; c++) data[i * 3 + c] = at[c]! / (size - 1);
  }
  return { title: '', dimensions, size, low: [0, 0, 0], high: [1, 1, 1], data };
};

/** A table from what it does to each colour. */
export const tableOf = (title: string, size: number, change: (colour: Rgb) => Rgb): ColourTable => {
  const table = identityTable(size);
  for (let i = 0; i < table.data.length; i += 3)
    table.data.set(change([table.data[i]!, table.data[i + 1]!, table.data[i + 2]!]), i);
  return { ...table, title };
};

/**
 * What the table makes of a colour. One dimension: linear. Three: tetrahedral, after Kasson, Plouffe and Nin,
 * "A Tetrahedral Interpolation Technique for Color Space Conversion", 1993.
 */
export const lookUp = ({ dimensions, size, low, high, data }: ColourTable, colour: Rgb): Rgb => {
  const at = colour.map((x, c) =>
    clamp(((x - low[c]!) / (high[c]! - low[c]!)) * (size - 1), 0, size - 1),
  ) as unknown as Rgb;
  if (dimensions === 1)
    return at.map((x, c) => {
      const i = Math.min(size - 2, Math.floor(x));
      return lerp(data[i * 3 + c]!, data[(i + 1) * 3 + c]!, x - i);
    }) as unknown as Rgb;
  const cell = at.map((x) => Math.min(size - 2, Math.floor(x)));
  const part = at.map((x, c) => x - cell[c]!);
  const step = [1, size, size * size];
  const start = cell[0]! + cell[1]! * size + cell[2]! * size * size;
  // From the lowest corner along the axes, the one with the largest part first.
  const order = [0, 1, 2].sort((a, b) => part[b]! - part[a]!);
  const corners = [start];
  for (const axis of order) corners.push(corners.at(-1)! + step[axis]!);
  const weights = [
    1 - part[order[0]!]!,
    part[order[0]!]! - part[order[1]!]!,
    part[order[1]!]! - part[order[2]!]!,
    part[order[2]!]!,
  ];
  return [0, 1, 2].map((c) =>
    corners.reduce((sum, corner, k) => sum + weights[k]! * data[corner * 3 + c]!, 0),
  ) as unknown as Rgb;
};
