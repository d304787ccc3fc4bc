/** AVIF (AV1 Image File Format, in ISO/IEC 14496-12 boxes): finds the size of the picture, without decoding. */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import type { PictureHead } from './head';

/** Boxes that hold boxes; the number is how many bytes come before them. */
const CONTAINERS: Record<string, number> = { meta: 4, iprp: 0, ipco: 0 };

/** Size and transparency of an AVIF, by its boxes. Throws `IconiaError` `picture.*`. */
export const readAvifHead = (bytes: Uint8Array, name: string): PictureHead => {
  const from = new Bytes(bytes, () => cutOff('picture', name));
  let best: { width: number; height: number } | null = null;
  let alpha = false;
  let boxes = 0;
  const walk = (start: number, end: number, depth: number): void => {
    for (let at = start; at + 8 <= end;) {
      if (++boxes > 2000) refuse('picture.broken', `${name} is a damaged AVIF. Export it again.`);
      let size = from.u32(at);
      if (size === 0) size = end - at;
      if (size < 8 || at + size > end) cutOff('picture', name);
      const kind = from.tag(at + 4);
      // Of several sizes (thumbnail, tiles) the largest is the picture.
      if (kind === 'ispe') {
        const [width, height] = [from.u32(at + 12), from.u32(at + 16)];
        if (!best || width * height > best.width * best.height) best = { width, height };
      }
      if (kind === 'auxC') alpha ||= /auxid:1|auxiliary:alpha/.test(from.text(at + 12, size - 12));
      const skip = CONTAINERS[kind];
      if (skip !== undefined && depth < 4) walk(at + 8 + skip, at + size, depth + 1);
      at += size;
    }
  };
  walk(0, from.length, 0);
  if (!best) return refuse('picture.broken', `${name} is an AVIF without a picture in it. Export it again.`);
  return { ...(best as { width: number; height: number }), frames: 1, alpha };
};
