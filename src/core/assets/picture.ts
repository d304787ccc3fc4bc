/**
 * Reads what a picture file says about itself, without decoding it, and refuses what cannot become an
 * asset: bounded work, a sentence for every refusal.
 *
 *   inspectPicture(bytes, 'kelp.png') // { format: 'png', mime: 'image/png', width: 512, height: 512, ... }
 */
import { IconiaError } from '../errors';
import { sniff } from './sniff';
import type { Pixels } from '../units';

export interface PictureFacts {
  readonly format: 'png' | 'jpeg' | 'webp';
  readonly mime: 'image/png' | 'image/jpeg' | 'image/webp';
  readonly width: Pixels;
  readonly height: Pixels;
}

/** Largest picture taken in, in pixels and in bytes. */
export const MOST_PIXELS = 32_000_000;
export const MOST_BYTES = 20 * 1024 * 1024;

const WANTED = 'Choose a PNG, JPEG or WebP picture.';
const refuse = (code: string, message: string): never => {
  throw new IconiaError(`picture.${code}`, message);
};
const cutOff = (name: string): never =>
  refuse(
    'cut-off',
    `${name} ends too early: it was probably cut off while it was copied. Copy or export it again.`,
  );

const u32 = (b: Uint8Array, at: number) =>
  ((b[at]! << 24) | (b[at + 1]! << 16) | (b[at + 2]! << 8) | b[at + 3]!) >>> 0;
const u32le = (b: Uint8Array, at: number) =>
  (b[at]! | (b[at + 1]! << 8) | (b[at + 2]! << 16) | (b[at + 3]! << 24)) >>> 0;
const u24le = (b: Uint8Array, at: number) => b[at]! | (b[at + 1]! << 8) | (b[at + 2]! << 16);
const tag = (b: Uint8Array, at: number) => String.fromCharCode(b[at]!, b[at + 1]!, b[at + 2]!, b[at + 3]!);

type Size = { width: Pixels; height: Pixels };

/** PNG (ISO/IEC 15948): walks the chunks from IHDR to IEND. */
const readPng = (b: Uint8Array, name: string): Size => {
  if (b.length < 33) return cutOff(name);
  if (tag(b, 12) !== 'IHDR')
    return refuse('broken', `${name} is a damaged PNG: its header is missing. Export it again.`);
  const size = { width: u32(b, 16), height: u32(b, 20) };
  let at = 8;
  while (at + 12 <= b.length) {
    const length = u32(b, at);
    if (tag(b, at + 4) === 'IEND') return size;
    at += 12 + length;
  }
  return cutOff(name);
};

/** JPEG (ITU-T T.81): walks the marker segments to the frame header, then looks for the end marker. */
const readJpeg = (b: Uint8Array, name: string): Size => {
  let at = 2;
  let size: Size | null = null;
  while (at + 4 <= b.length) {
    if (b[at] !== 0xff) return refuse('broken', `${name} is a damaged JPEG. Export it again.`);
    const marker = b[at + 1]!;
    if (marker === 0xff) {
      at++;
      continue;
    }
    const length = (b[at + 2]! << 8) | b[at + 3]!;
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame && at + 9 <= b.length)
      size = { height: (b[at + 5]! << 8) | b[at + 6]!, width: (b[at + 7]! << 8) | b[at + 8]! };
    if (marker === 0xda) break;
    at += 2 + Math.max(2, length);
  }
  if (!size) return cutOff(name);
  // Cameras append previews and padding after the end marker, so look for it from the back.
  for (let i = b.length - 2; i > at; i--) if (b[i] === 0xff && b[i + 1] === 0xd9) return size;
  return cutOff(name);
};

/** WebP container (RFC 9649). */
const readWebp = (b: Uint8Array, name: string): Size => {
  if (b.length < 30 || u32le(b, 4) + 8 > b.length + 1) return cutOff(name);
  const kind = tag(b, 12);
  if (kind === 'VP8X') return { width: u24le(b, 24) + 1, height: u24le(b, 27) + 1 };
  if (kind === 'VP8L') {
    const bits = u32le(b, 21);
    return { width: (bits & 0x3fff) + 1, height: ((bits >>> 14) & 0x3fff) + 1 };
  }
  if (kind === 'VP8 ')
    return { width: (b[26]! | (b[27]! << 8)) & 0x3fff, height: (b[28]! | (b[29]! << 8)) & 0x3fff };
  return refuse('broken', `${name} is a damaged WebP. Export it again.`);
};

/**
 * Throws `IconiaError`: `picture.empty`, `picture.not-a-picture`, `picture.svg-script`, `picture.svg`,
 * `picture.gif`, `picture.too-heavy`, `picture.too-large`, `picture.cut-off`, `picture.broken`.
 */
export const inspectPicture = (bytes: Uint8Array, name: string): PictureFacts => {
  const kind = sniff(bytes);
  if (kind === 'empty') refuse('empty', `${name} is empty (0 bytes). Export or copy it again.`);
  if (bytes.length > MOST_BYTES)
    refuse(
      'too-heavy',
      `${name} has ${(bytes.length / 1048576).toFixed(1)} MB; a picture may have up to ${MOST_BYTES / 1048576} MB. Save it smaller, for example as WebP.`,
    );
  if (kind === 'svg') {
    const text = new TextDecoder().decode(bytes);
    if (/<script|\son\w+\s*=|javascript:/i.test(text))
      refuse(
        'svg-script',
        `${name} is an SVG that carries a script, so it is not taken in. Export the drawing as PNG.`,
      );
    refuse(
      'svg',
      `${name} is an SVG drawing, which Iconia does not read yet. Export it as PNG, about 1000 pixels wide.`,
    );
  }
  if (kind === 'gif')
    refuse('gif', `${name} is a GIF, which Iconia does not read yet. Save one frame as PNG.`);
  if (kind !== 'png' && kind !== 'jpeg' && kind !== 'webp')
    return refuse(
      'not-a-picture',
      `${name} is not a picture${kind === 'text' ? ' but a text file' : ''}, whatever its name says. ${WANTED}`,
    );
  const size = { png: readPng, jpeg: readJpeg, webp: readWebp }[kind](bytes, name);
  if (size.width === 0 || size.height === 0)
    refuse(
      'broken',
      `${name} is damaged: it says it is ${size.width} x ${size.height} pixels. Export it again.`,
    );
  if (size.width * size.height > MOST_PIXELS)
    refuse(
      'too-large',
      `${name} has ${Math.round((size.width * size.height) / 1e6)} megapixels (${size.width} x ${size.height}); up to ${MOST_PIXELS / 1e6} are taken in. Make it smaller: 2000 pixels on the longer side are plenty for a face.`,
    );
  return { format: kind, mime: `image/${kind}`, ...size };
};
