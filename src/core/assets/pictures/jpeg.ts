/** JPEG (ITU-T T.81): walks the marker segments to the frame header, then looks for the end marker. */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import type { PictureHead } from './head';

/** Size of a JPEG, by its segments, and whether it ends. Throws `IconiaError` `picture.*`. */
export const readJpegHead = (bytes: Uint8Array, name: string): PictureHead => {
  const from = new Bytes(bytes, () => cutOff('picture', name));
  let at = 2;
  let size: { width: number; height: number } | null = null;
  while (at + 4 <= from.length) {
    if (from.u8(at) !== 0xff) refuse('picture.broken', `${name} is a damaged JPEG. Export it again.`);
    const marker = from.u8(at + 1);
    if (marker === 0xff) {
      at++;
      continue;
    }
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame && at + 9 <= from.length) size = { height: from.u16(at + 5), width: from.u16(at + 7) };
    if (marker === 0xda) break;
    at += 2 + Math.max(2, from.u16(at + 2));
  }
  if (!size) return cutOff('picture', name);
  // Cameras append previews and padding after the end marker, so look for it from the back.
  for (let i = from.length - 2; i > at; i--)
    if (bytes[i] === 0xff && bytes[i + 1] === 0xd9) return { ...size, frames: 1, alpha: false };
  return cutOff('picture', name);
};
