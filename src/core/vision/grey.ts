/** Grey pictures for computer vision: one byte a pixel. A whole coordinate is the middle of its pixel; the origin is the first one. */

export class Grey {
  constructor(
    readonly width: number,
    readonly height: number,
    readonly data: Uint8Array<ArrayBuffer> = new Uint8Array(width * height),
  ) {}
}

/** Brightness of red, green, blue, alpha bytes (Rec. 601 weights, as cameras use them); alpha is left out. */
export const greyOfRgba = (rgba: ArrayLike<number>, into: Grey): Grey => {
  const { data } = into;
  for (let i = 0, k = 0; i < data.length; i++, k += 4)
    data[i] = (77 * rgba[k] + 150 * rgba[k + 1] + 29 * rgba[k + 2] + 128) >> 8;
  return into;
};

/** The size that a picture is looked at with: at most `most` on the longer side. Multiples of four across are the quickest to look at. */
export const sizeWithin = (
  { width, height }: { readonly width: number; readonly height: number },
  most: number,
): { width: number; height: number } => {
  const scale = Math.min(1, most / Math.max(width, height));
  return {
    width: Math.max(4, Math.round((width * scale) / 4) * 4),
    height: Math.max(1, Math.round(height * scale)),
  };
};
/** Of a printed picture more pixels are not needed: it is never seen so near. */
export const MOST_PRINTED = 1280;

/** Half as large, each pixel the mean of four. An odd last row or column is left out. */
export const halve = (from: Grey, into = new Grey(from.width >> 1, from.height >> 1)): Grey => {
  const { width, height, data } = into;
  const [source, stride] = [from.data, from.width];
  for (let y = 0, to = 0; y < height; y++)
    for (let x = 0, i = 2 * y * stride; x < width; x++, i += 2)
      data[to++] = (source[i] + source[i + 1] + source[i + stride] + source[i + stride + 1] + 2) >> 2;
  return into;
};

/** The picture and its halves down to `least` pixels on the shorter side. */
export const pyramidOf = (picture: Grey, least = 12): Grey[] => {
  const levels = [picture];
  for (let last = picture; last.width >= 2 * least && last.height >= 2 * least;) {
    last = halve(last);
    levels.push(last);
  }
  return levels;
};

/** Rows of the blur that is under way; one is enough, since it never waits. */
let blurredRow = new Uint16Array(0);

/** Smoothed by the binomial kernel 1 4 6 4 1 in both directions; beyond the edge the edge goes on. */
export const blur = (from: Grey, into = new Grey(from.width, from.height)): Grey => {
  const { width, height, data } = from;
  if (width % 4 !== 0 || data.byteOffset % 4 !== 0) return blurAnyWidth(from, into);
  if (blurredRow.length < width + 4) blurredRow = new Uint16Array(width + 4);
  const row = blurredRow;
  const out = into.data;
  // Four pixels a word: the even and the odd ones are summed side by side, 16 bits each.
  const words = new Uint32Array(data.buffer, data.byteOffset, (width * height) >> 2);
  const stride = width >> 2;
  const EVEN = 0x00ff00ff;
  for (let y = 0; y < height; y++) {
    const r0 = Math.max(0, y - 2) * stride;
    const r1 = Math.max(0, y - 1) * stride;
    const r2 = y * stride;
    const r3 = Math.min(height - 1, y + 1) * stride;
    const r4 = Math.min(height - 1, y + 2) * stride;
    for (let x = 0, to = 2; x < stride; x++, to += 4) {
      const a = words[r0 + x];
      const b = words[r1 + x];
      const c = words[r2 + x];
      const d = words[r3 + x];
      const e = words[r4 + x];
      const even = (a & EVEN) + (e & EVEN) + (((b & EVEN) + (d & EVEN)) << 2) + (c & EVEN) * 6;
      const odd =
        ((a >>> 8) & EVEN) +
        ((e >>> 8) & EVEN) +
        ((((b >>> 8) & EVEN) + ((d >>> 8) & EVEN)) << 2) +
        ((c >>> 8) & EVEN) * 6;
      row[to] = even;
      row[to + 1] = odd;
      row[to + 2] = even >>> 16;
      row[to + 3] = odd >>> 16;
    }
    row[0] = row[1] = row[2];
    row[width + 2] = row[width + 3] = row[width + 1];
    let [p0, p1, p2, p3] = [row[0], row[1], row[2], row[3]];
    for (let x = 0, i = y * width; x < width; x++, i++) {
      const p4 = row[x + 4];
      out[i] = (p0 + p4 + ((p1 + p3) << 2) + 6 * p2 + 128) >> 8;
      p0 = p1;
      p1 = p2;
      p2 = p3;
      p3 = p4;
    }
  }
  return into;
};

const KERNEL = [1, 4, 6, 4, 1] as const;
const clamp = (x: number, most: number): number => (x < 0 ? 0 : x > most ? most : x);

const blurAnyWidth = (from: Grey, into: Grey): Grey => {
  const { width, height, data } = from;
  const row = new Float32Array(width);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++)
      row[x] = KERNEL.reduce((sum, k, i) => sum + k * data[clamp(y + i - 2, height - 1) * width + x], 0);
    for (let x = 0; x < width; x++)
      into.data[y * width + x] =
        (KERNEL.reduce((sum, k, i) => sum + k * row[clamp(x + i - 2, width - 1)], 0) + 128) >> 8;
  }
  return into;
};

/** The brightness between pixels, bilinear; beyond the edge the edge goes on. */
export const sampleAt = (picture: Grey, x: number, y: number): number => {
  const { width, data } = picture;
  const [right, low] = [width - 1.001, picture.height - 1.001];
  x = x < 0 ? 0 : x > right ? right : x;
  y = y < 0 ? 0 : y > low ? low : y;
  const xi = x | 0;
  const yi = y | 0;
  const fx = x - xi;
  const i = yi * width + xi;
  const a = data[i];
  const b = data[i + width];
  const above = a + (data[i + 1] - a) * fx;
  return above + (b + (data[i + width + 1] - b) * fx - above) * (y - yi);
};
