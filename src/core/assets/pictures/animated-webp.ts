/**
 * Writes animated WebP (RFC 9649): pictures that were encoded one by one, put together with how long each is shown. Browsers encode
 * single pictures only.
 *
 *   animatedWebp([{ webp, milliseconds: 80 }], 180, 320)
 */
import { IconiaError } from '../../errors';
import type { Milliseconds, Pixels } from '../../units';

export interface WebpFrame {
  /** A whole still WebP file, as large as the animation. */
  readonly webp: Uint8Array;
  readonly milliseconds: Milliseconds;
}

const text = (name: string): number[] => [...name].map((c) => c.charCodeAt(0));
const le = (value: number, bytes: number): number[] =>
  Array.from({ length: bytes }, (_, i) => Math.floor(value / 2 ** (8 * i)) & 255);
const nameAt = (bytes: Uint8Array, at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));
const lengthAt = (bytes: Uint8Array, at: number): number =>
  new DataView(bytes.buffer, bytes.byteOffset).getUint32(at, true);

const chunk = (name: string, data: Uint8Array): Uint8Array => {
  const padded = data.length + (data.length % 2);
  const out = new Uint8Array(8 + padded);
  out.set([...text(name), ...le(data.length, 4)]);
  out.set(data, 8);
  return out;
};
const joined = (parts: readonly Uint8Array[]): Uint8Array => {
  const out = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
};

/** The chunks of a still picture that a frame is made of: its transparency, and itself. */
const pictureChunks = (webp: Uint8Array): Uint8Array => {
  if (webp.length < 20 || nameAt(webp, 0) !== 'RIFF' || nameAt(webp, 8) !== 'WEBP')
    throw new IconiaError('webp.no-frame', 'A picture of the loop is no WebP. Use GIF instead.');
  const parts: Uint8Array[] = [];
  for (let at = 12; at + 8 <= webp.length;) {
    const length = lengthAt(webp, at + 4);
    const end = at + 8 + length + (length % 2);
    if (['ALPH', 'VP8 ', 'VP8L'].includes(nameAt(webp, at)))
      parts.push(webp.subarray(at, Math.min(end, webp.length)));
    at = end;
  }
  if (parts.length === 0)
    throw new IconiaError('webp.no-frame', 'A picture of the loop has nothing in it. Use GIF instead.');
  return joined(parts);
};

/** Flags of the header: it moves, and may be seen through. */
const ANIMATED = 0x02;
const ALPHA = 0x10;
/** Of a frame: it takes the place of what was there. */
const REPLACES = 0x02;

/** Plays for ever. All frames are `width` x `height`. Throws `webp.no-frame`. */
export const animatedWebp = (frames: readonly WebpFrame[], width: Pixels, height: Pixels): Uint8Array => {
  const size = [...le(width - 1, 3), ...le(height - 1, 3)];
  const body = joined([
    new Uint8Array(text('WEBP')),
    chunk('VP8X', new Uint8Array([ANIMATED | ALPHA, 0, 0, 0, ...size])),
    // No background of its own; 0 loops is for ever.
    chunk('ANIM', new Uint8Array([0, 0, 0, 0, 0, 0])),
    ...frames.map(({ webp, milliseconds }) =>
      chunk(
        'ANMF',
        joined([
          new Uint8Array([
            ...le(0, 3),
            ...le(0, 3),
            ...size,
            ...le(Math.max(1, Math.round(milliseconds)), 3),
            REPLACES,
          ]),
          pictureChunks(webp),
        ]),
      ),
    ),
  ]);
  return joined([new Uint8Array([...text('RIFF'), ...le(body.length, 4)]), body]);
};
