/**
 * Walks the sections and layer records of a PSD (its published file format specification, versions 1 and 2)
 * and checks that what they announce fits the file, before a decoder is let at it.
 */
import { Bytes } from '../bytes';
import { cutOff, refuse } from '../refuse';
import { checkArtwork } from './artwork';

export interface PsdStructure {
  readonly width: number;
  readonly height: number;
  /** Records in the file; groups count twice. */
  readonly records: number;
}

/** How colours are kept; by the number in the header. */
const MODES: Record<number, string> = {
  0: 'black and white bitmap',
  2: 'indexed colour',
  7: 'multichannel',
  8: 'duotone',
  9: 'Lab colour',
};

/** Walks a PSD without decoding it. Throws `IconiaError` `artwork.*` for what is damaged, too large, or not RGB with 8 or 16 bits. */
export const checkPsd = (bytes: Uint8Array, name: string): PsdStructure => {
  const from = new Bytes(bytes, () => cutOff('artwork', name));
  const broken = (): never => refuse('artwork.broken', `${name} is damaged. Save it again.`);
  const version = from.u16(4);
  if (version !== 1 && version !== 2) broken();
  const large = version === 2;
  const [height, width] = [from.u32(14), from.u32(18)];
  const [depth, mode] = [from.u16(22), from.u16(24)];
  checkArtwork({ width, height, layers: 0, pixels: 0 }, name);
  if (MODES[mode])
    refuse(
      'artwork.mode',
      `${name} is painted in ${MODES[mode]}. Turn it into RGB colour and save it again.`,
    );
  if (mode !== 1 && mode !== 3 && mode !== 4) broken();
  if (depth !== 8 && depth !== 16 && depth !== 32) broken();
  // Lengths of four bytes; of eight in the large version.
  const length = (at: number): number => (large ? from.u32(at) * 2 ** 32 + from.u32(at + 4) : from.u32(at));
  const wide = large ? 8 : 4;
  let at = 26;
  at += 4 + from.u32(at);
  at += 4 + from.u32(at);
  const sectionLength = length(at);
  const sectionEnd = at + wide + sectionLength;
  if (sectionEnd > from.length) cutOff('artwork', name);
  at += wide;
  let records = 0;
  if (sectionLength > 0 && length(at) > 0) {
    const infoEnd = at + wide + length(at);
    if (infoEnd > sectionEnd) broken();
    records = Math.abs(from.i16(at + wide));
    checkRecords(from, at + wide + 2, infoEnd, records, { name, width, height, wide, length, broken });
  }
  return { width, height, records };
};

interface Walk {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly wide: number;
  readonly length: (at: number) => number;
  readonly broken: () => never;
}

const checkRecords = (from: Bytes, start: number, end: number, count: number, walk: Walk): void => {
  const { name, width, height, wide, length, broken } = walk;
  // A record has at least 34 bytes: what announces more than fits is lying.
  if (count * 34 > end - start) broken();
  checkArtwork({ width, height, layers: Math.ceil(count / 2), pixels: 0 }, name);
  let at = start;
  let pixels = 0;
  let data = 0;
  for (let i = 0; i < count; i++) {
    const [top, left, bottom, right] = [0, 4, 8, 12].map((o) => from.i32(at + o)) as [
      number,
      number,
      number,
      number,
    ];
    if (bottom < top || right < left || bottom - top > 300_000 || right - left > 300_000) broken();
    pixels += (bottom - top) * (right - left);
    checkArtwork({ width, height, layers: 0, pixels }, name);
    const channels = from.u16(at + 16);
    if (channels > 56) broken();
    at += 18;
    for (let c = 0; c < channels; c++) {
      data += length(at + 2);
      at += 2 + wide;
    }
    const signature = from.tag(at);
    if (signature !== '8BIM' && signature !== '8B64') broken();
    const extra = from.u32(at + 12);
    at += 16 + extra;
    if (at > end) broken();
  }
  if (at + data > end) broken();
};
