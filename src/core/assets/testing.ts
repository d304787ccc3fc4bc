/** Files made for tests: small, by rule, with nothing left to chance. */
import { strToU8, zlibSync } from 'fflate';
import { crc32 } from './archive/zip';
import type { PlainMesh } from './models/plain-model';
import { blank, type Raster } from './raster';

export const text = (s: string): Uint8Array => strToU8(s);

/** Joins pieces: numbers are single bytes, strings ASCII. */
export const join = (...pieces: readonly (Uint8Array | readonly number[] | string)[]): Uint8Array => {
  const parts = pieces.map((p) => (typeof p === 'string' ? text(p) : Uint8Array.from(p)));
  const out = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
};
export const u16 = (n: number): number[] => [(n >>> 8) & 255, n & 255];
export const u32 = (n: number): number[] => [(n >>> 24) & 255, (n >>> 16) & 255, (n >>> 8) & 255, n & 255];
export const u16le = (n: number): number[] => u16(n).reverse();
export const u32le = (n: number): number[] => u32(n).reverse();

export type Rgba = readonly [number, number, number, number];

/** A picture whose pixels a function gives. */
export const painted = (width: number, height: number, colour: (x: number, y: number) => Rgba): Raster => {
  const raster = blank(width, height);
  let at = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [r, g, b, a] = colour(x, y);
      raster.data[at++] = r;
      raster.data[at++] = g;
      raster.data[at++] = b;
      raster.data[at++] = a;
    }
  return raster;
};
export const plain = (width: number, height: number, colour: Rgba): Raster =>
  painted(width, height, () => colour);

/** A filled circle on nothing. */
export const disc = (size: number, radius: number, colour: Rgba, dx = 0, dy = 0): Raster =>
  painted(size, size, (x, y) =>
    Math.hypot(x + 0.5 - size / 2 - dx, y + 0.5 - size / 2 - dy) < radius ? colour : [0, 0, 0, 0],
  );

const chunk = (kind: string, data: Uint8Array): Uint8Array => {
  const body = join(kind, data);
  return join(u32(data.length), body, u32(crc32(body)));
};
const scanlines = ({ width, height, data }: Raster): Uint8Array => {
  const out = new Uint8Array(height * (width * 4 + 1));
  for (let y = 0; y < height; y++)
    out.set(data.subarray(y * width * 4, (y + 1) * width * 4), y * (width * 4 + 1) + 1);
  return zlibSync(out);
};
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const ihdr = ({ width, height }: Raster): Uint8Array =>
  chunk('IHDR', join(u32(width), u32(height), [8, 6, 0, 0, 0]));

export const png = (raster: Raster): Uint8Array =>
  join(PNG, ihdr(raster), chunk('IDAT', scanlines(raster)), chunk('IEND', join()));

/** An animated PNG; every frame covers the whole picture and replaces what was there. */
export const apng = (frames: readonly Raster[], delayMs: number): Uint8Array => {
  let serial = 0;
  const control = ({ width, height }: Raster): Uint8Array =>
    chunk(
      'fcTL',
      join(u32(serial++), u32(width), u32(height), u32(0), u32(0), u16(delayMs), u16(1000), [0, 0]),
    );
  return join(
    PNG,
    ihdr(frames[0]!),
    chunk('acTL', join(u32(frames.length), u32(0))),
    ...frames.flatMap((frame, i) => [
      control(frame),
      i === 0 ? chunk('IDAT', scanlines(frame)) : chunk('fdAT', join(u32(serial++), scanlines(frame))),
    ]),
    chunk('IEND', join()),
  );
};

/** A GIF of two colours and transparency (index 0), uncompressed codes; each frame a list of indices. */
export const gif = (
  width: number,
  height: number,
  frames: readonly {
    indices: readonly number[];
    left?: number;
    top?: number;
    width?: number;
    height?: number;
    disposal?: number;
  }[],
  delayCs = 10,
): Uint8Array => {
  const image = (indices: readonly number[]): number[] => {
    // Codes of three bits; a clear code before each pair keeps the table from growing.
    let bits = '';
    const put = (code: number): void => {
      bits = code.toString(2).padStart(3, '0') + bits;
    };
    indices.forEach((index, i) => {
      if (i % 2 === 0) put(4);
      put(index);
    });
    put(5);
    const bytes: number[] = [];
    for (let end = bits.length; end > 0; end -= 8)
      bytes.push(parseInt(bits.slice(Math.max(0, end - 8), end), 2));
    const blocks: number[] = [];
    for (let i = 0; i < bytes.length; i += 255)
      blocks.push(Math.min(255, bytes.length - i), ...bytes.slice(i, i + 255));
    return [2, ...blocks, 0];
  };
  return join(
    'GIF89a',
    u16le(width),
    u16le(height),
    [0x81, 0, 0],
    [0, 0, 0, 255, 0, 0, 0, 255, 0, 0, 0, 255],
    ...frames.flatMap(
      ({ indices, left = 0, top = 0, width: w = width, height: h = height, disposal = 1 }) => [
        [0x21, 0xf9, 4, (disposal << 2) | 1, ...u16le(delayCs), 0, 0],
        [0x2c, ...u16le(left), ...u16le(top), ...u16le(w), ...u16le(h), 0],
        image(indices),
      ],
    ),
    [0x3b],
  );
};

/** A ring of points around the y axis, with spikes: a crown. `unit` is how many of its units make a metre. */
export const crownMesh = (unit: number, corner: boolean, segments = 96, around = 14): PlainMesh[] => {
  const positions: number[] = [];
  const point = (i: number, j: number): [number, number, number] => {
    const a = (i / segments) * 2 * Math.PI;
    const b = (j / around) * 2 * Math.PI;
    const spike = Math.max(0, Math.cos(a * 8)) ** 3 * 0.05 * Math.max(0, Math.sin(b));
    const r = 0.089 + 0.009 * Math.cos(b) + 0.008;
    const p = [r * Math.cos(a), 0.014 * Math.sin(b) + 0.014 + spike, r * Math.sin(a)] as const;
    // With the origin at a corner of the box, as scanners and some exporters leave it.
    const shift = corner ? [0.106, 0, 0.106] : [0, 0, 0];
    return p.map((x, k) => (x + shift[k]!) * unit) as [number, number, number];
  };
  for (let i = 0; i < segments; i++)
    for (let j = 0; j < around; j++) {
      const [a, b, c, d] = [point(i, j), point(i, j + 1), point(i + 1, j), point(i + 1, j + 1)];
      positions.push(...a, ...b, ...c, ...b, ...d, ...c);
    }
  return [{ part: 'Crown', material: 'Kelp', positions, uvs: [], normals: [] }];
};

/** Glasses with their origin between the ends of the temples, `unit` to the metre: two lenses, a bridge, two temples. */
export const glassesMesh = (unit: number): PlainMesh[] => {
  const positions: number[] = [];
  const block = (low: readonly number[], high: readonly number[]): void => {
    const corner = (i: number): number[] => [0, 1, 2].map((k) => ((i >> k) & 1 ? high[k]! : low[k]!) * unit);
    const faces = [0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6];
    positions.push(...[...faces, 1, 3, 5, 3, 7, 5].flatMap(corner));
  };
  for (const side of [-1, 1]) {
    const [a, b] = [side * 0.012, side * 0.066].sort((x, y) => x - y) as [number, number];
    block([a, -0.022, 0.138], [b, 0.022, 0.142]);
    const [c, d] = [side * 0.066, side * 0.07].sort((x, y) => x - y) as [number, number];
    block([c, 0.008, 0], [d, 0.014, 0.142]);
  }
  block([-0.012, 0.006, 0.138], [0.012, 0.012, 0.142]);
  return [{ part: 'Frame', material: 'Kelp', positions, uvs: [], normals: [] }];
};
