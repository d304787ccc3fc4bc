/** WebP container (RFC 9649). */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import type { PictureHead } from './head';

/** Size, frames and transparency of a WebP. Throws `IconiaError` `picture.*`. */
export const readWebpHead = (bytes: Uint8Array, name: string): PictureHead => {
  const from = new Bytes(bytes, () => cutOff('picture', name));
  if (from.length < 30 || from.u32le(4) + 8 > from.length + 1) cutOff('picture', name);
  const kind = from.tag(12);
  if (kind === 'VP8X') {
    const flags = from.u8(20);
    return {
      width: from.u24le(24) + 1,
      height: from.u24le(27) + 1,
      frames: (flags & 2) !== 0 ? countFrames(from) : 1,
      alpha: (flags & 0x10) !== 0,
    };
  }
  if (kind === 'VP8L') {
    const bits = from.u32le(21);
    return {
      width: (bits & 0x3fff) + 1,
      height: ((bits >>> 14) & 0x3fff) + 1,
      frames: 1,
      alpha: ((bits >>> 28) & 1) === 1,
    };
  }
  if (kind === 'VP8 ')
    return { width: from.u16le(26) & 0x3fff, height: from.u16le(28) & 0x3fff, frames: 1, alpha: false };
  return refuse('picture.broken', `${name} is a damaged WebP. Export it again.`);
};

const countFrames = (from: Bytes): number => {
  let frames = 0;
  for (let at = 12; at + 8 <= from.length;) {
    if (from.tag(at) === 'ANMF') frames++;
    const size = from.u32le(at + 4);
    at += 8 + size + (size & 1);
  }
  return Math.max(1, frames);
};
