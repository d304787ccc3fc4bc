/** Bounds what the compressed data of a PNG unpacks to, before a decoder is let at it. */
import { Unzlib } from 'fflate';
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';

/** A few kilobytes at a time: deflate makes at most about a thousand times more of them. */
const PIECE = 4096;

/** Throws `IconiaError` `picture.bomb` when any frame unpacks to more than a frame of this size can hold. */
export const checkPngInflates = (bytes: Uint8Array, width: number, height: number, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('picture', name));
  // Eight bytes a pixel at most, one filter byte a row, and the rows of interlacing.
  const most = height * (width * 8 + 1) * 1.5 + 4096;
  let unpacked = 0;
  const begin = (): Unzlib => {
    unpacked = 0;
    return new Unzlib((chunk) => {
      unpacked += chunk.length;
      if (unpacked > most)
        refuse(
          'picture.bomb',
          `${name} would unpack to far more than its size says. It is not opened; export it again.`,
        );
    });
  };
  let stream = begin();
  let started = false;
  for (let at = 8; at + 12 <= from.length; at += 12 + from.u32(at)) {
    const kind = from.tag(at + 4);
    if (kind === 'fcTL' && started) stream = begin();
    const skip = kind === 'fdAT' ? 4 : 0;
    if (kind === 'IEND') return;
    if (kind !== 'IDAT' && kind !== 'fdAT') continue;
    started = true;
    const data = from.slice(at + 8 + skip, Math.max(0, from.u32(at) - skip));
    try {
      for (let i = 0; i < data.length; i += PIECE) stream.push(data.subarray(i, i + PIECE));
    } catch (cause) {
      if (unpacked > most) throw cause;
      refuse('picture.broken', `${name} is a damaged PNG. Export it again.`, cause);
    }
  }
};
