/** Decodes a PNG exactly, without the losses of a canvas that multiplies colour by opacity. */
import { decode } from 'fast-png';
import { toRgba } from '../frames/animated';
import type { Raster } from '../raster';
import { refuse } from '../refuse';
import { checkPictureSize } from './picture';
import { readPngHead } from './png';
import { checkPngInflates } from './png-inflated';

/** Throws `IconiaError` `picture.*`. */
export const decodePng = (bytes: Uint8Array, name: string): Raster => {
  const head = readPngHead(bytes, name);
  checkPictureSize(head, name);
  checkPngInflates(bytes, head.width, head.height, name);
  try {
    const png = decode(bytes.slice());
    // Colours of fewer than eight bits stay packed; these few files are opened up bit by bit.
    return toRgba(png.depth < 8 ? { ...png, data: unpack(png) } : png);
  } catch (cause) {
    return refuse('picture.broken', `${name} is a damaged PNG. Export it again.`, cause);
  }
};

const unpack = (png: {
  width: number;
  height: number;
  depth: number;
  data: ArrayLike<number>;
}): Uint8Array => {
  const { width, height, depth, data } = png;
  if (data.length === width * height) return Uint8Array.from(data);
  const rowBytes = Math.ceil((width * depth) / 8);
  const out = new Uint8Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const bit = x * depth;
      const byte = data[y * rowBytes + (bit >> 3)]!;
      out[y * width + x] = (byte >> (8 - depth - (bit & 7))) & (2 ** depth - 1);
    }
  return out;
};
