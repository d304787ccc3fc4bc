/** PNG (ISO/IEC 15948): walks the chunks from IHDR to IEND, without decoding. */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import type { PictureHead } from './head';

/** Size, frames and transparency of a PNG, to its last chunk. Throws `IconiaError` `picture.*`. */
export const readPngHead = (bytes: Uint8Array, name: string): PictureHead => {
  const from = new Bytes(bytes, () => cutOff('picture', name));
  if (from.length < 33) cutOff('picture', name);
  if (from.tag(12) !== 'IHDR')
    refuse('picture.broken', `${name} is a damaged PNG: its header is missing. Export it again.`);
  const [width, height] = [from.u32(16), from.u32(20)];
  const colourType = from.u8(25);
  let frames = 1;
  let alpha = colourType === 4 || colourType === 6;
  let pixels = false;
  for (let at = 8; ; at += 12 + from.u32(at)) {
    const kind = from.tag(at + 4);
    // Animated PNG (PNG Specification, third edition).
    if (kind === 'acTL') frames = Math.max(1, from.u32(at + 8));
    if (kind === 'tRNS') alpha = true;
    if (kind === 'IDAT') pixels = true;
    if (kind === 'IEND') {
      if (!pixels) refuse('picture.broken', `${name} is a PNG without a picture in it. Export it again.`);
      if (at + 12 > from.length) cutOff('picture', name);
      return { width, height, frames, alpha };
    }
  }
};
