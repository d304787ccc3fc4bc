/**
 * Containers of sounds and videos, walked without decoding: is what has to be there, there? Decoding is the
 * browser's business.
 */
import { Bytes } from './bytes';
import { cutOff, refuse } from './refuse';

/** MP4 (ISO/IEC 14496-12): top-level boxes fit the file; an index and content are among them. */
export const checkMp4 = (bytes: Uint8Array, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('media', name));
  const seen = new Set<string>();
  let boxes = 0;
  for (let at = 0; at < from.length;) {
    if (++boxes > 10_000) refuse('media.broken', `${name} is a damaged MP4. Export it again.`);
    let size = from.u32(at);
    const kind = from.tag(at + 4);
    if (size === 1) size = from.u32(at + 8) * 2 ** 32 + from.u32(at + 12);
    if (size === 0) size = from.length - at;
    if (size < 8) refuse('media.broken', `${name} is a damaged MP4. Export it again.`);
    if (at + size > from.length) cutOff('media', name);
    seen.add(kind);
    at += size;
  }
  if (!seen.has('moov')) cutOff('media', name);
  if (!seen.has('mdat') && !seen.has('moof'))
    refuse('media.empty', `${name} holds neither picture nor sound. Export it again.`);
};

/** A number of variable length (RFC 8794), without its marker. */
const vint = (from: Bytes, at: number): { value: number; size: number } => {
  const first = from.u8(at);
  const size = Math.clz32(first) - 23;
  if (size > 8 || size < 1) return { value: -1, size: 1 };
  let value = first & (0xff >> size);
  let unknown = value === 0xff >> size;
  for (let i = 1; i < size; i++) {
    const byte = from.u8(at + i);
    unknown &&= byte === 0xff;
    value = value * 256 + byte;
  }
  return { value: unknown ? Infinity : value, size };
};

/** WebM (Matroska, RFC 9559): the header says webm or matroska, and a segment with content follows. */
export const checkWebm = (bytes: Uint8Array, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('media', name));
  const header = vint(from, 4);
  const end = 4 + header.size + header.value;
  if (header.value < 0 || !Number.isFinite(header.value))
    refuse('media.broken', `${name} is a damaged WebM. Export it again.`);
  const head = from.text(4, Math.min(end, from.length) - 4);
  if (!head.includes('webm') && !head.includes('matroska'))
    refuse('media.broken', `${name} is a damaged WebM. Export it again.`);
  if (from.u32(end) !== 0x18538067)
    refuse('media.empty', `${name} holds neither picture nor sound. Export it again.`);
  const segment = vint(from, end + 4);
  const there = from.length - end - 4 - segment.size;
  if (there <= 0 || (Number.isFinite(segment.value) && segment.value > there)) cutOff('media', name);
};

/** Ogg (RFC 3533): pages follow each other, and more than the headers are there. */
export const checkOgg = (bytes: Uint8Array, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('media', name));
  let length = 0;
  for (let at = 0; at < from.length;) {
    if (from.tag(at) !== 'OggS') refuse('media.broken', `${name} is a damaged OGG. Export it again.`);
    const segments = from.u8(at + 26);
    let size = 0;
    for (let i = 0; i < segments; i++) size += from.u8(at + 27 + i);
    from.slice(at + 27 + segments, size);
    // The last position that is not "none of a packet ends here".
    if (from.u32le(at + 6) !== 0xffffffff)
      length = Math.max(length, from.u32le(at + 6) + from.u32le(at + 10) * 2 ** 32);
    at += 27 + segments + size;
  }
  if (length === 0)
    refuse('sound.no-length', `${name} has no length: there is nothing to hear. Export it again.`);
};

/** FLAC (RFC 9639): the stream says how long it is, and sound follows the metadata. */
export const checkFlac = (bytes: Uint8Array, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('media', name));
  let at = 4;
  for (let last = false; !last;) {
    const head = from.u8(at);
    last = (head & 0x80) !== 0;
    at += 4 + (from.u32(at) % 2 ** 24);
  }
  if (from.u16(at) >> 2 !== 0x3ffe) refuse('media.broken', `${name} is a damaged FLAC. Export it again.`);
};

/** MP3 (ISO/IEC 11172-3, ID3v2): a frame of sound follows the tags. */
export const checkMp3 = (bytes: Uint8Array, name: string): void => {
  const from = new Bytes(bytes, () => cutOff('media', name));
  let at = 0;
  if (from.text(0, 3) === 'ID3')
    at =
      10 +
      ((from.u8(6) & 127) << 21) +
      ((from.u8(7) & 127) << 14) +
      ((from.u8(8) & 127) << 7) +
      (from.u8(9) & 127);
  const end = Math.min(from.length - 4, at + 65_536);
  for (; at < end; at++)
    if (
      bytes[at] === 0xff &&
      (bytes[at + 1]! & 0xe0) === 0xe0 &&
      (bytes[at + 1]! & 0x06) !== 0 &&
      (bytes[at + 2]! & 0xf0) !== 0xf0
    )
      return;
  if (at >= from.length - 4 && from.length < 200) cutOff('media', name);
  refuse('media.broken', `${name} is a damaged MP3: no sound is in it. Export it again.`);
};
