/** GIF (GIF89a specification): walks the blocks and their codes and counts the frames, without decoding. */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import { gifCodesHold } from './gif-codes';
import type { PictureHead } from './head';

const tableBytes = (flags: number): number => (flags & 0x80 ? 3 * 2 ** ((flags & 7) + 1) : 0);

/** Skips sub-blocks to the empty one that ends them. */
const skipBlocks = (from: Bytes, at: number): number => {
  while (from.u8(at) !== 0) at += from.u8(at) + 1;
  return at + 1;
};

/** Size, frames and transparency of a GIF, to its last block. Throws `IconiaError` `picture.*`. */
export const readGifHead = (bytes: Uint8Array, name: string): PictureHead => {
  const from = new Bytes(bytes, () => cutOff('picture', name));
  const [width, height] = [from.u16le(6), from.u16le(8)];
  let at = 13 + tableBytes(from.u8(10));
  let frames = 0;
  for (;;) {
    const block = from.u8(at);
    if (block === 0x3b) break;
    if (block === 0x21) at = skipBlocks(from, at + 2);
    else if (block === 0x2c) {
      const [left, top, w, h] = [1, 3, 5, 7].map((o) => from.u16le(at + o)) as [
        number,
        number,
        number,
        number,
      ];
      if (w === 0 || h === 0 || left + w > width || top + h > height)
        refuse(
          'picture.broken',
          `${name} is a damaged GIF: frame ${frames + 1} lies outside. Export it again.`,
        );
      const dataAt = at + 10 + tableBytes(from.u8(at + 9));
      const codeSize = from.u8(dataAt);
      if (codeSize < 1 || codeSize > 11)
        refuse(
          'picture.broken',
          `${name} is a damaged GIF: frame ${frames + 1} cannot be read. Export it again.`,
        );
      at = skipBlocks(from, dataAt + 1);
      if (!gifCodesHold(bytes, dataAt))
        refuse('picture.broken', `${name} is a damaged GIF in frame ${frames + 1}. Export it again.`);
      frames++;
    } else refuse('picture.broken', `${name} is a damaged GIF. Export it again.`);
  }
  if (frames === 0) refuse('picture.broken', `${name} is a GIF without a picture in it. Export it again.`);
  return { width, height, frames, alpha: true };
};
