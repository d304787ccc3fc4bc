/** Pictures as plain numbers: RGBA, 8 bits, sRGB, not premultiplied, row by row from the top left. */
import type { Pixels } from '../units';

export interface Raster {
  readonly width: Pixels;
  readonly height: Pixels;
  readonly data: Uint8Array | Uint8ClampedArray;
}

export interface Box {
  readonly left: Pixels;
  readonly top: Pixels;
  readonly width: Pixels;
  readonly height: Pixels;
}

/** Decodes and encodes pictures: the browser's own codecs in the pages, a library in tests. */
export interface PictureCodec {
  decode(bytes: Uint8Array, mime: string): Promise<Raster>;
  /** `quality` 1..100; 100 loses nothing where the format can. */
  encode(raster: Raster, format: 'png' | 'jpeg' | 'webp', quality: number): Promise<Uint8Array>;
}

/** A picture in which nothing is painted: transparent black. */
export const blank = (width: Pixels, height: Pixels): Raster => ({
  width,
  height,
  data: new Uint8Array(width * height * 4),
});

/** Copies `from` into `to` with its top left corner at (left, top); what falls outside is left out. */
export const blit = (from: Raster, to: Raster, left: Pixels, top: Pixels): void => {
  const x0 = Math.max(0, left);
  const x1 = Math.min(to.width, left + from.width);
  if (x1 <= x0) return;
  for (let y = Math.max(0, top); y < Math.min(to.height, top + from.height); y++) {
    const row = ((y - top) * from.width + (x0 - left)) * 4;
    to.data.set(from.data.subarray(row, row + (x1 - x0) * 4), (y * to.width + x0) * 4);
  }
};

/** A part of a picture; what lies outside of it is transparent. */
export const crop = (from: Raster, { left, top, width, height }: Box): Raster => {
  const out = blank(width, height);
  blit(from, out, -left, -top);
  return out;
};

/** A picture whose colours were multiplied by their opacity, with its colours as they were; in place. */
export const multipliedOut = (raster: Raster): Raster => {
  const { data } = raster;
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!;
    if (alpha === 0 || alpha === 255) continue;
    for (let k = i; k < i + 3; k++) data[k] = Math.min(255, Math.round((255 * data[k]!) / alpha));
  }
  return raster;
};

/** The smallest box around what is not wholly transparent; null when all is. */
export const opaqueBox = ({ width, height, data }: Raster): Box | null => {
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if (data[(y * width + x) * 4 + 3]! > 0) {
        if (x < left) left = x;
        if (x > right) right = x;
        if (y < top) top = y;
        bottom = y;
      }
  return right < 0 ? null : { left, top, width: right - left + 1, height: bottom - top + 1 };
};

/** Whether any pixel lets something through. */
export const isTransparent = ({ data }: Raster): boolean => {
  for (let i = 3; i < data.length; i += 4) if (data[i]! < 255) return true;
  return false;
};

/** For each target pixel: first source pixel and how much of each it covers. */
const spans = (from: Pixels, to: Pixels): readonly { start: number; weights: number[] }[] => {
  const k = from / to;
  return Array.from({ length: to }, (_, i) => {
    const [a, b] = [i * k, (i + 1) * k];
    const start = Math.floor(a);
    const weights: number[] = [];
    for (let s = start; s < Math.min(from, Math.ceil(b - 1e-9)); s++)
      weights.push((Math.min(b, s + 1) - Math.max(a, s)) / k);
    return { start, weights };
  });
};

/**
 * Makes a picture smaller: each pixel is the mean of the area it covers, weighted by opacity, so that
 * transparent edges keep their colour. Larger than it is, it is returned as it is.
 */
export const shrink = (from: Raster, width: Pixels, height: Pixels): Raster => {
  if (width >= from.width && height >= from.height) return from;
  const [w, h] = [Math.min(width, from.width), Math.min(height, from.height)];
  const columns = spans(from.width, w);
  const rows = spans(from.height, h);
  const out = new Uint8Array(w * h * 4);
  // Horizontally first, into premultiplied sums; one row of the target at a time.
  const line = new Float64Array(w * 4);
  for (let y = 0; y < h; y++) {
    line.fill(0);
    const { start, weights } = rows[y]!;
    weights.forEach((share, dy) => {
      const row = (start + dy) * from.width;
      for (let x = 0; x < w; x++) {
        const { start: left, weights: across } = columns[x]!;
        for (let dx = 0; dx < across.length; dx++) {
          const at = (row + left + dx) * 4;
          const alpha = from.data[at + 3]! * share * across[dx]!;
          line[x * 4] = line[x * 4]! + from.data[at]! * alpha;
          line[x * 4 + 1] = line[x * 4 + 1]! + from.data[at + 1]! * alpha;
          line[x * 4 + 2] = line[x * 4 + 2]! + from.data[at + 2]! * alpha;
          line[x * 4 + 3] = line[x * 4 + 3]! + alpha;
        }
      }
    });
    for (let x = 0; x < w; x++) {
      const alpha = line[x * 4 + 3]!;
      const at = (y * w + x) * 4;
      if (alpha <= 0) continue;
      for (let c = 0; c < 3; c++) out[at + c] = Math.round(line[x * 4 + c]! / alpha);
      out[at + 3] = Math.round(alpha);
    }
  }
  return { width: w, height: h, data: out };
};

/** The size with the longest side at most `longest`, in the same proportions. */
export const within = (
  width: Pixels,
  height: Pixels,
  longest: Pixels | null,
): { width: Pixels; height: Pixels } => {
  const k = longest === null ? 1 : Math.min(1, longest / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * k)), height: Math.max(1, Math.round(height * k)) };
};
