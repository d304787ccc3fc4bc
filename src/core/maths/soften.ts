/** Softening of masks. */

/** Widths of the three boxes that come near a Gaussian (W3C Filter Effects, feGaussianBlur). */
const boxWidth = (deviation: number): number =>
  Math.max(1, Math.floor(deviation * 3 * Math.sqrt(2 * Math.PI) * 0.25 + 0.5) | 1);

/** One box blur along lines: `count` lines, `length` values each, `along` and `across` apart. */
const boxes = (
  from: Float32Array,
  to: Float32Array,
  [count, across]: readonly [number, number],
  [length, along]: readonly [number, number],
  width: number,
): void => {
  const half = (width - 1) / 2;
  for (let line = 0; line < count; line++) {
    const start = line * across;
    let sum = 0;
    // Beyond the edge there is nothing.
    for (let i = 0; i < Math.min(half, length); i++) sum += from[start + i * along]!;
    for (let i = 0; i < length; i++) {
      if (i + half < length) sum += from[start + (i + half) * along]!;
      to[start + i * along] = sum / width;
      if (i - half >= 0) sum -= from[start + (i - half) * along]!;
    }
  }
};

/** Blurs a mask in place: about a Gaussian of this deviation in pixels, by three boxes each way. */
export const soften = (mask: Float32Array, width: number, height: number, deviation: number): void => {
  const box = boxWidth(deviation);
  if (box <= 1) return;
  const other = new Float32Array(mask.length);
  const three = (count: number, across: number, length: number, along: number): void => {
    boxes(mask, other, [count, across], [length, along], box);
    boxes(other, mask, [count, across], [length, along], box);
    boxes(mask, other, [count, across], [length, along], box);
    mask.set(other);
  };
  three(height, width, width, 1);
  three(width, 1, height, width);
};
