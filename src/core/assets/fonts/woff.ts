/**
 * Unpacks a WOFF font into the plain OpenType file it was made from (WOFF File Format 1.0, sections 3 to 5), for programs that read
 * nothing else.
 */
import { unzlibSync } from 'fflate';
import { Bytes } from '../bytes';
import { cutOff } from '../refuse';

const HEADER = 44;
const ENTRY = 20;

/** `name` is for the sentence of a refusal. Throws `IconiaError` `font.cut-off`. */
export const unpackWoff = (woff: Uint8Array, name: string): Uint8Array => {
  const broken = (): never => cutOff('font', name);
  const from = new Bytes(woff, broken);
  const tables = Array.from({ length: from.u16(12) }, (_, i) => {
    const at = HEADER + i * ENTRY;
    const [offset, packed, size] = [from.u32(at + 4), from.u32(at + 8), from.u32(at + 12)];
    const bytes = from.slice(offset, packed);
    const data = packed < size ? unzlibSync(bytes, { out: new Uint8Array(size) }) : bytes;
    return { tag: from.u32(at), checksum: from.u32(at + 16), data };
  });
  const count = tables.length;
  // Numbers for a binary search over the tables (OpenType 1.9, "Table directory").
  const power = Math.floor(Math.log2(Math.max(1, count)));
  const range = 16 * 2 ** power;
  const start = 12 + 16 * count;
  const ends = tables.reduce((end, { data }) => end + 4 * Math.ceil(data.length / 4), start);
  const out = new Uint8Array(ends);
  const view = new DataView(out.buffer);
  view.setUint32(0, from.u32(4));
  [count, range, power, 16 * count - range].forEach((value, i) => view.setUint16(4 + 2 * i, value));
  let at = start;
  tables.forEach(({ tag, checksum, data }, i) => {
    [tag, checksum, at, data.length].forEach((value, k) => view.setUint32(12 + 16 * i + 4 * k, value));
    out.set(data, at);
    at += 4 * Math.ceil(data.length / 4);
  });
  return out;
};
