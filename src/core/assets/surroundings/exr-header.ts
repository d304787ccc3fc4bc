/** The header of an OpenEXR picture (OpenEXR file layout, version 2), checked before a decoder is let at it. */
import { Bytes } from '../bytes';
import { MOST_PIXELS } from '../limits';
import { cutOff, refuse } from '../refuse';

export interface ExrHeader {
  readonly width: number;
  readonly height: number;
}

/** How the rows are packed, by number; those that are not read have no name here. */
const COMPRESSIONS = ['none', 'RLE', 'ZIPS', 'ZIP', 'PIZ', 'PXR24', null, null, 'DWAA', 'DWAB'];

/** Throws `IconiaError`: `surroundings.*`. */
export const readExrHeader = (bytes: Uint8Array, name: string): ExrHeader => {
  const from = new Bytes(bytes, () => cutOff('surroundings', name));
  const broken = (): never =>
    refuse('surroundings.broken', `${name} is a damaged OpenEXR picture. Export it again.`);
  const flags = from.u32le(4);
  if ((flags & 0xff) !== 2) broken();
  if (flags & 0x1a00)
    refuse('surroundings.parts', `${name} is OpenEXR of several or deep parts. Export one flat picture.`);
  let at = 8;
  const name0 = (): string => {
    const start = at;
    while (from.u8(at) !== 0) if (at++ - start > 255) broken();
    at++;
    return from.text(start, at - 1 - start);
  };
  let size: ExrHeader | null = null;
  for (let count = 0; from.u8(at) !== 0; count++) {
    if (count > 500) broken();
    const attribute = name0();
    name0();
    const length = from.u32le(at);
    at += 4;
    from.slice(at, length);
    if (attribute === 'dataWindow') {
      const [x0, y0, x1, y1] = [0, 4, 8, 12].map((o) => from.i32le(at + o)) as [
        number,
        number,
        number,
        number,
      ];
      size = { width: x1 - x0 + 1, height: y1 - y0 + 1 };
    }
    if (attribute === 'compression' && !COMPRESSIONS[from.u8(at)])
      refuse(
        'surroundings.format',
        `${name} is packed in a way that is not read. Export it with ZIP compression.`,
      );
    at += length;
  }
  if (!size || size.width < 1 || size.height < 1) return broken();
  if (size.width * size.height > MOST_PIXELS)
    refuse(
      'surroundings.too-large',
      `${name} has ${Math.round((size.width * size.height) / 1e6)} megapixels; light surroundings need no more than 4096 x 2048. Make them smaller.`,
    );
  return size;
};
