/**
 * Reads a zip (PKWARE APPNOTE 6.3): its directory first, each entry only when it is asked for. What could be a
 * bomb or leave its folder is refused before anything is unpacked.
 *
 *   const zip = readZip(bytes, 'frames.zip');
 *   zip.entries[0].path      // 'frames/bubble_001.png'
 *   zip.read(zip.entries[0]) // its bytes
 */
import { inflateSync } from 'fflate';
import { Bytes } from '../bytes';
import { MOST_ENTRIES, MOST_RATIO, MOST_UNPACKED } from '../limits';
import { cutOff, megabytes, refuse } from '../refuse';

export interface ZipEntry {
  /** With forward slashes, never leading out of the zip. */
  readonly path: string;
  readonly packed: number;
  readonly size: number;
  /** 0 stored, 8 deflated. */
  readonly method: number;
  readonly headerAt: number;
  readonly crc: number;
}

export interface Zip {
  readonly entries: readonly ZipEntry[];
  /** Unpacks an entry and checks it. Throws `IconiaError` `zip.damaged`. */
  read(entry: ZipEntry): Uint8Array;
}

const END = 0x06054b50;
const ENTRY = 0x02014b50;
const LOCAL = 0x04034b50;

/** CRC-32 (ISO 3309), as zip and PNG use it. */
const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});
/** CRC-32 (ISO 3309) of bytes, as an unsigned number. */
export const crc32 = (bytes: Uint8Array): number => {
  // By index: an iterator takes eight times as long, and a zip has tens of millions of bytes.
  let c = 0xffffffff;
  for (let i = 0; i < bytes.length; i++) c = CRC_TABLE[(c ^ bytes[i]!) & 0xff]! ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
};

const findEnd = (from: Bytes, name: string): number => {
  // The end record is followed by a comment of up to 65,535 bytes.
  for (let at = from.length - 22; at >= Math.max(0, from.length - 22 - 65_535); at--)
    if (from.u32le(at) === END) return at;
  return cutOff('zip', name);
};

/** Forward slashes; a path that climbs out, is absolute or names a drive is refused. */
export const safePath = (path: string, name: string): string => {
  const clean = path.replace(/\\/g, '/');
  // eslint-disable-next-line no-control-regex -- control characters are just what must not be in a path
  if (/^\/|^[A-Za-z]:|(^|\/)\.\.(\/|$)|[\u0000-\u001f]/.test(clean))
    return refuse(
      'zip.path',
      `${name} holds a file whose name leads out of the zip (${path.replace(/[^\x20-\x7e]/g, '?').slice(0, 60)}). It is not opened; pack it again from a plain folder.`,
    );
  return clean;
};

const decodeName = (bytes: Uint8Array, utf8: boolean): string =>
  new TextDecoder(utf8 ? 'utf-8' : 'latin1').decode(bytes);

/** Opens a zip by its directory; nothing is unpacked yet. Throws `IconiaError` `zip.*` for what is damaged, locked, or a bomb. */
export const readZip = (bytes: Uint8Array, name: string): Zip => {
  const from = new Bytes(bytes, () => cutOff('zip', name));
  if (from.length < 22) cutOff('zip', name);
  const end = findEnd(from, name);
  const count = from.u16le(end + 10);
  const directoryAt = from.u32le(end + 16);
  if (count === 0xffff || directoryAt === 0xffffffff)
    refuse(
      'zip.zip64',
      `${name} is a zip of the 64-bit kind, which only very large ones need. Pack fewer files.`,
    );
  if (count > MOST_ENTRIES)
    refuse(
      'zip.entries',
      `${name} holds ${count} files; up to ${MOST_ENTRIES} are taken at once. Pack fewer.`,
    );
  const entries: ZipEntry[] = [];
  let unpacked = 0;
  let at = directoryAt;
  for (let i = 0; i < count; i++) {
    if (from.u32le(at) !== ENTRY)
      refuse('zip.damaged', `${name} is a damaged zip: its list of files is broken. Pack it again.`);
    const flags = from.u16le(at + 8);
    const method = from.u16le(at + 10);
    const [packed, size] = [from.u32le(at + 20), from.u32le(at + 24)];
    const [nameLength, extra, comment] = [from.u16le(at + 28), from.u16le(at + 30), from.u16le(at + 32)];
    const path = safePath(decodeName(from.slice(at + 46, nameLength), (flags & 0x800) !== 0), name);
    if (flags & 1)
      refuse('zip.encrypted', `${name} is locked with a password. Unpack it and drop the files instead.`);
    if (method !== 0 && method !== 8)
      refuse('zip.method', `${name} is packed in an unusual way. Pack it again as an ordinary zip.`);
    unpacked += size;
    if (unpacked > MOST_UNPACKED || size > Math.max(1, packed) * MOST_RATIO + 65_536)
      refuse(
        'zip.bomb',
        `${name} would unpack to far more than it holds (${megabytes(unpacked)} and more from ${megabytes(from.length)}). It is not opened; drop the files themselves.`,
      );
    if (!path.endsWith('/'))
      entries.push({ path, packed, size, method, headerAt: from.u32le(at + 42), crc: from.u32le(at + 16) });
    at += 46 + nameLength + extra + comment;
  }
  checkApart(entries, directoryAt, name);
  return { entries, read: (entry) => readEntry(from, entry, name) };
};

/** Entries that share bytes are the trick of bombs that look small. */
const checkApart = (entries: readonly ZipEntry[], end: number, name: string): void => {
  const sorted = [...entries].sort((a, b) => a.headerAt - b.headerAt);
  sorted.forEach((entry, i) => {
    const next = sorted[i + 1]?.headerAt ?? end;
    if (entry.headerAt + 30 + entry.packed > next)
      refuse('zip.bomb', `${name} packs several files into the same bytes. It is not opened; pack it again.`);
  });
};

const readEntry = (from: Bytes, entry: ZipEntry, name: string): Uint8Array => {
  const damaged = (cause?: unknown): never =>
    refuse('zip.damaged', `${entry.path} in ${name} is damaged. Pack the zip again.`, cause);
  if (from.u32le(entry.headerAt) !== LOCAL) damaged();
  const dataAt = entry.headerAt + 30 + from.u16le(entry.headerAt + 26) + from.u16le(entry.headerAt + 28);
  const packed = from.slice(dataAt, entry.packed);
  let content: Uint8Array;
  if (entry.method === 0) content = packed.slice();
  else
    try {
      // One byte more than announced: what does not stop there is caught by its length.
      content = inflateSync(packed, { out: new Uint8Array(entry.size + 1) });
    } catch (cause) {
      return damaged(cause);
    }
  if (content.length !== entry.size || crc32(content) !== entry.crc) damaged();
  return content;
};
