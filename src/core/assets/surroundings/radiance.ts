/** Radiance HDR pictures (Ward, "Real Pixels", Graphics Gems II, 1991): read and written. */
import { MOST_PIXELS } from '../limits';
import { cutOff, refuse } from '../refuse';
import type { FloatRaster } from './float-raster';

interface Header {
  readonly width: number;
  readonly height: number;
  readonly exposure: number;
  readonly flipped: boolean;
  readonly dataAt: number;
}

const readHeader = (bytes: Uint8Array, name: string): Header => {
  const broken = (): never =>
    refuse('surroundings.broken', `${name} is a damaged Radiance picture. Export it again.`);
  let at = 0;
  const line = (): string => {
    const start = at;
    while (at < bytes.length && bytes[at] !== 10) {
      if (at - start > 2000) broken();
      at++;
    }
    if (at >= bytes.length) cutOff('surroundings', name);
    at++;
    return String.fromCharCode(...bytes.subarray(start, at - 1)).replace(/\r$/, '');
  };
  let exposure = 1;
  line();
  for (let count = 0; ; count++) {
    const text = line();
    if (text === '') break;
    if (count > 200) broken();
    const [key, value] = text.split('=').map((x) => x.trim());
    if (key === 'FORMAT' && value !== '32-bit_rle_rgbe')
      refuse('surroundings.format', `${name} keeps its colours as ${value}. Export it as RGBE.`);
    if (key === 'EXPOSURE' && Number(value) > 0 && Number.isFinite(Number(value))) exposure *= Number(value);
  }
  const size = /^([-+])Y\s+(\d+)\s+\+X\s+(\d+)$/.exec(line().trim());
  if (!size)
    return refuse(
      'surroundings.turned',
      `${name} is stored on its side. Export it upright, as other programs do.`,
    );
  const [height, width] = [Number(size[2]), Number(size[3])];
  if (width < 1 || height < 1) broken();
  if (width * height > MOST_PIXELS)
    refuse(
      'surroundings.too-large',
      `${name} has ${Math.round((width * height) / 1e6)} megapixels; light surroundings need no more than 4096 x 2048. Make them smaller.`,
    );
  return { width, height, exposure, flipped: size[1] === '+', dataAt: at };
};

/** Whether header and size hold together, without reading the pixels. Throws `IconiaError`: `surroundings.*`. */
export const checkRadiance = (bytes: Uint8Array, name: string): void => {
  const { width, height, dataAt } = readHeader(bytes, name);
  // Runs hold at most 127 of a kind, so a row cannot be smaller than this.
  if (bytes.length - dataAt < height * Math.min(4, width / 32)) cutOff('surroundings', name);
};

/** Throws `IconiaError`: `surroundings.*`. */
export const readRadiance = (bytes: Uint8Array, name: string): FloatRaster => {
  const { width, height, exposure, flipped, dataAt } = readHeader(bytes, name);
  const broken = (): never =>
    refuse('surroundings.broken', `${name} is a damaged Radiance picture. Export it again.`);
  checkRadiance(bytes, name);
  const data = new Float32Array(width * height * 3);
  const row = new Uint8Array(width * 4);
  let at = dataAt;
  const next = (): number => (at < bytes.length ? bytes[at++]! : cutOff('surroundings', name));
  for (let y = 0; y < height; y++) {
    const packed =
      width >= 8 && width < 32_768 && bytes[at] === 2 && bytes[at + 1] === 2 && (bytes[at + 2]! & 0x80) === 0;
    if (packed) {
      at += 2;
      if (next() * 256 + next() !== width) broken();
      // Each of the four bytes of all pixels in turn, in runs.
      for (let channel = 0; channel < 4; channel++)
        for (let x = 0; x < width;) {
          const code = next();
          const count = code > 128 ? code - 128 : code;
          if (count === 0 || x + count > width) broken();
          const value = code > 128 ? next() : 0;
          for (let i = 0; i < count; i++) row[(x + i) * 4 + channel] = code > 128 ? value : next();
          x += count;
        }
    } else
      for (let x = 0, shift = 0; x < width;) {
        const pixel = [next(), next(), next(), next()];
        if (pixel[0] === 1 && pixel[1] === 1 && pixel[2] === 1) {
          // The old way of runs: repeat the pixel before.
          const count = pixel[3]! << shift;
          if (x === 0 || x + count > width) broken();
          for (let i = 0; i < count; i++) row.copyWithin((x + i) * 4, (x - 1) * 4, x * 4);
          x += count;
          shift += 8;
          if (shift > 24) broken();
        } else {
          row.set(pixel, x * 4);
          x++;
          shift = 0;
        }
      }
    const to = (flipped ? height - 1 - y : y) * width * 3;
    for (let x = 0; x < width; x++) {
      const e = row[x * 4 + 3]!;
      const k = e === 0 ? 0 : 2 ** (e - 136) / exposure;
      for (let c = 0; c < 3; c++) data[to + x * 3 + c] = e === 0 ? 0 : (row[x * 4 + c]! + 0.5) * k;
    }
  }
  return { width, height, data };
};

/** Writes a channel of one row in runs at `at`; gives where it ends. */
const packRow = (values: Uint8Array, out: Uint8Array, at: number): number => {
  for (let x = 0; x < values.length;) {
    let run = 1;
    while (run < 127 && x + run < values.length && values[x + run] === values[x]) run++;
    if (run >= 3) {
      out[at++] = 128 + run;
      out[at++] = values[x]!;
      x += run;
      continue;
    }
    const start = x;
    while (x < values.length && x - start < 128) {
      if (x + 2 < values.length && values[x] === values[x + 1] && values[x] === values[x + 2]) break;
      x++;
    }
    out[at++] = x - start;
    out.set(values.subarray(start, x), at);
    at += x - start;
  }
  return at;
};

/** Light as a Radiance picture (RGBE, run by run); values are linear. */
export const writeRadiance = ({ width, height, data }: FloatRaster): Uint8Array => {
  const header = new TextEncoder().encode(`#?RADIANCE\nFORMAT=32-bit_rle_rgbe\n\n-Y ${height} +X ${width}\n`);
  // What does not repeat costs one byte more for each 128.
  const out = new Uint8Array(header.length + height * (4 + 4 * (width + Math.ceil(width / 128) + 2)));
  out.set(header);
  let at = header.length;
  const rgbe = new Uint8Array(width * 4);
  const channel = new Uint8Array(width);
  const packs = width >= 8 && width < 32_768;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const from = (y * width + x) * 3;
      const value = (c: number): number => {
        const v = data[from + c]!;
        return v > 0 && Number.isFinite(v) ? v : 0;
      };
      const most = Math.max(value(0), value(1), value(2));
      if (most < 1e-32) {
        rgbe.fill(0, x * 4, x * 4 + 4);
        continue;
      }
      const e = Math.min(127, Math.ceil(Math.log2(most) + 1e-9));
      const k = 256 / 2 ** e;
      for (let c = 0; c < 3; c++) rgbe[x * 4 + c] = Math.min(255, Math.floor(value(c) * k));
      rgbe[x * 4 + 3] = e + 128;
    }
    if (!packs) {
      out.set(rgbe, at);
      at += rgbe.length;
      continue;
    }
    out.set([2, 2, width >> 8, width & 255], at);
    at += 4;
    for (let c = 0; c < 4; c++) {
      for (let x = 0; x < width; x++) channel[x] = rgbe[x * 4 + c]!;
      at = packRow(channel, out, at);
    }
  }
  return out.slice(0, at);
};
