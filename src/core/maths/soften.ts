/** Softening of masks. */

/** Widths of the three boxes that come near a Gaussian (W3C Filter Effects, feGaussianBlur). */
const boxWidth = (deviation: number): number =>
  Math.max(1, Math.floor(deviation * 3 * Math.sqrt(2 * Math.PI) * 0.25 + 0.5) | 1);

/** One box blur along the lines of `length` values; beyond their ends there is nothing. */
const blurLines = (from: Float32Array, to: Float32Array, length: number, width: number): void => {
  const half = (width - 1) / 2;
  for (let start = 0; start < from.length; start += length) {
    const end = start + length;
    let sum = 0;
    for (let i = start; i < Math.min(start + half, end); i++) sum += from[i]!;
    for (let i = start; i < end; i++) {
      if (i + half < end) sum += from[i + half]!;
      to[i] = sum / width;
      if (i - half >= start) sum -= from[i - half]!;
    }
  }
};
/** The same with rows for columns: what lies side by side in memory is quicker to go along. */
const transpose = (from: Float32Array, to: Float32Array, length: number): void => {
  const count = from.length / length;
  for (let y = 0; y < count; y++) for (let x = 0; x < length; x++) to[x * count + y] = from[y * length + x]!;
};

/** Where a mask holds anything: left, top, and the first column and row beyond; null when it is empty. */
const held = (mask: Float32Array, width: number): readonly [number, number, number, number] | null => {
  let [left, top, right, bottom] = [width, -1, 0, 0];
  for (let i = 0; i < mask.length; i += width)
    for (let x = 0; x < width; x++)
      if (mask[i + x] !== 0) {
        if (top < 0) top = i / width;
        bottom = i / width + 1;
        left = Math.min(left, x);
        right = Math.max(right, x + 1);
      }
  return top < 0 ? null : [left, top, right, bottom];
};

/** Blurs a mask in place: about a Gaussian of this deviation in pixels, by three boxes each way. */
export const soften = (mask: Float32Array, width: number, height: number, deviation: number): void => {
  const box = boxWidth(deviation);
  const around = held(mask, width);
  if (box <= 1 || !around) return;
  // Only what the boxes reach: most masks are small parts of a face.
  const reach = (3 * (box - 1)) / 2;
  const [left, top] = [Math.max(0, around[0] - reach), Math.max(0, around[1] - reach)];
  const [columns, rows] = [
    Math.min(width, around[2] + reach) - left,
    Math.min(height, around[3] + reach) - top,
  ];
  const part = new Float32Array(columns * rows);
  const other = new Float32Array(columns * rows);
  for (let y = 0; y < rows; y++) {
    const start = (top + y) * width + left;
    part.set(mask.subarray(start, start + columns), y * columns);
  }
  for (const length of [columns, rows]) {
    blurLines(part, other, length, box);
    blurLines(other, part, length, box);
    blurLines(part, other, length, box);
    transpose(other, part, length);
  }
  for (let y = 0; y < rows; y++)
    mask.set(part.subarray(y * columns, (y + 1) * columns), (top + y) * width + left);
};
