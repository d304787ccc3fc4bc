/** Frames of animated GIF and PNG pictures, each composed as it is seen. */
import { decodeApng } from 'fast-png';
import { GifReader } from 'omggif';
import type { Seconds } from '../../units';
import { MOST_ANIMATED_PIXELS, MOST_FRAMES } from '../limits';
import { readGifHead } from '../pictures/gif';
import { readPngHead } from '../pictures/png';
import { checkPngInflates } from '../pictures/png-inflated';
import { blank, type Raster } from '../raster';
import { refuse } from '../refuse';

export interface Animation {
  readonly frames: readonly Raster[];
  /** How long each is shown. */
  readonly delays: readonly Seconds[];
}

const checkAmount = (frames: number, pixels: number, name: string): void => {
  if (frames > MOST_FRAMES || frames * pixels > MOST_ANIMATED_PIXELS)
    refuse(
      'sequence.too-much',
      `${name} has ${frames} frames of ${pixels} pixels, more than fits into a camera effect. Keep every second frame or make it smaller.`,
    );
};

/** GIF89a: frames are patches laid on what the frame before left, by its disposal method. */
export const decodeGif = (bytes: Uint8Array, name: string): Animation => {
  const head = readGifHead(bytes, name);
  checkAmount(head.frames, head.width * head.height, name);
  try {
    const gif = new GifReader(bytes);
    const count = gif.numFrames();
    const canvas = blank(head.width, head.height);
    const frames: Raster[] = [];
    const delays: Seconds[] = [];
    for (let i = 0; i < count; i++) {
      const { x, y, width, height, disposal, delay } = gif.frameInfo(i);
      const before = disposal === 3 ? canvas.data.slice() : null;
      gif.decodeAndBlitFrameRGBA(i, canvas.data);
      frames.push({ ...canvas, data: canvas.data.slice() });
      // Browsers show delays of less than 20 ms as 100 ms, and so were these pictures drawn.
      delays.push(delay < 2 ? 0.1 : delay / 100);
      if (before) canvas.data.set(before);
      else if (disposal === 2)
        for (let row = y; row < y + height; row++) {
          const at = (row * head.width + x) * 4;
          canvas.data.fill(0, at, at + width * 4);
        }
    }
    if (frames.length === 0) throw new Error('no frames');
    return { frames, delays };
  } catch (cause) {
    return refuse('picture.broken', `${name} is a damaged GIF. Export it again.`, cause);
  }
};

/** Any PNG as 8-bit RGBA. */
export const toRgba = (png: {
  width: number;
  height: number;
  depth: number;
  channels: number;
  data: ArrayLike<number>;
  palette?: readonly (readonly number[])[];
  transparency?: ArrayLike<number>;
}): Raster => {
  const { width, height, channels, palette, transparency } = png;
  // What nearly every picture is.
  if (png.depth === 8 && channels === 4 && png.data instanceof Uint8Array)
    return { width, height, data: png.data };
  const scale = png.depth === 16 ? 1 / 257 : png.depth < 8 && !palette ? 255 / (2 ** png.depth - 1) : 1;
  const out = new Uint8Array(width * height * 4);
  for (let i = 0; i < width * height; i++) {
    const value = (c: number): number => Math.round(png.data[i * channels + c]! * scale);
    const colour = palette ? palette[png.data[i]!] : null;
    if (palette) out.set([colour?.[0] ?? 0, colour?.[1] ?? 0, colour?.[2] ?? 0, colour?.[3] ?? 255], i * 4);
    else if (channels <= 2) out.set([value(0), value(0), value(0), channels === 2 ? value(1) : 255], i * 4);
    else out.set([value(0), value(1), value(2), channels === 4 ? value(3) : 255], i * 4);
    // tRNS of grey and RGB names the one colour that is transparent.
    if (transparency && !palette && channels !== 2 && channels !== 4) {
      const same = Array.from({ length: channels }, (_, c) => png.data[i * channels + c] === transparency[c]);
      if (same.every(Boolean)) out[i * 4 + 3] = 0;
    }
  }
  return { width, height, data: out };
};

/** Animated PNG (PNG Specification, third edition). */
export const decodeAnimatedPng = (bytes: Uint8Array, name: string): Animation => {
  const head = readPngHead(bytes, name);
  checkAmount(head.frames, head.width * head.height, name);
  checkPngInflates(bytes, head.width, head.height, name);
  try {
    const png = decodeApng(bytes.slice());
    if (png.frames.length === 0 || png.frames.length > MOST_FRAMES) throw new Error('no frames');
    return {
      frames: png.frames.map((frame) => toRgba({ ...png, data: frame.data })),
      delays: png.frames.map((f) => Math.max(0.01, f.delayNumber / (f.delayDenominator || 100))),
    };
  } catch (cause) {
    return refuse('picture.broken', `${name} is a damaged animated PNG. Export it again.`, cause);
  }
};

/** One speed for all frames: from the commonest delay. */
export const rateOf = (delays: readonly Seconds[]): number => {
  const counts = new Map<number, number>();
  for (const delay of delays) counts.set(delay, (counts.get(delay) ?? 0) + 1);
  const [usual = 0.1] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0] ?? [];
  return Math.min(120, Math.max(0.1, Number((1 / Math.max(usual, 1 / 120)).toFixed(3))));
};
