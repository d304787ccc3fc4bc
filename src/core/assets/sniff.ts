/** What a file is, told by its bytes; its name is never believed. */
export const FILE_KINDS = [
  'png',
  'jpeg',
  'webp',
  'gif',
  'avif',
  'svg',
  'openraster',
  'psd',
  'zip',
  'glb',
  'gltf',
  'obj',
  'mtl',
  'fbx',
  'stl',
  'ktx2',
  'wav',
  'mp3',
  'ogg',
  'flac',
  'mp4',
  'webm',
  'cube',
  'radiance',
  'openexr',
  'ttf',
  'otf',
  'woff',
  'woff2',
  'empty',
  'text',
  'unknown',
] as const;
export type FileKind = (typeof FILE_KINDS)[number];

const starts = (bytes: Uint8Array, signature: readonly number[], at = 0): boolean =>
  signature.every((byte, i) => bytes[at + i] === byte);
const ascii = (text: string): number[] => [...text].map((c) => c.charCodeAt(0));
const u32le = (b: Uint8Array, at: number) =>
  (b[at]! | (b[at + 1]! << 8) | (b[at + 2]! << 16) | (b[at + 3]! << 24)) >>> 0;

/** Signatures at fixed places. Order matters only where one is the beginning of another. */
const SIGNATURES: readonly (readonly [FileKind, readonly number[], number?])[] = [
  ['png', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]],
  ['jpeg', [0xff, 0xd8, 0xff]],
  ['gif', ascii('GIF87a')],
  ['gif', ascii('GIF89a')],
  ['psd', ascii('8BPS')],
  ['glb', ascii('glTF')],
  ['fbx', ascii('Kaydara FBX Binary')],
  ['ktx2', [0xab, 0x4b, 0x54, 0x58, 0x20, 0x32, 0x30, 0xbb]],
  ['ogg', ascii('OggS')],
  ['flac', ascii('fLaC')],
  ['webm', [0x1a, 0x45, 0xdf, 0xa3]],
  ['radiance', ascii('#?RADIANCE')],
  ['radiance', ascii('#?RGBE')],
  ['openexr', [0x76, 0x2f, 0x31, 0x01]],
  ['ttf', [0, 1, 0, 0]],
  ['ttf', ascii('true')],
  ['otf', ascii('OTTO')],
  ['woff', ascii('wOFF')],
  ['woff2', ascii('wOF2')],
  ['mp3', ascii('ID3')],
];

/** MPEG audio frame header (ISO/IEC 11172-3): sync, then a layer, bit rate and sample rate that exist. */
const isMp3Frame = (b: Uint8Array): boolean =>
  b.length > 4 &&
  b[0] === 0xff &&
  (b[1]! & 0xe0) === 0xe0 &&
  (b[1]! & 0x06) === 0x02 &&
  (b[2]! & 0xf0) !== 0xf0 &&
  (b[2]! & 0xf0) !== 0 &&
  (b[2]! & 0x0c) !== 0x0c;

/** A binary STL has no signature: its length follows from the number of triangles. */
const isBinaryStl = (b: Uint8Array, size: number): boolean =>
  b.length >= 84 && size === 84 + 50 * u32le(b, 80);

const zipKind = (b: Uint8Array): FileKind =>
  // OpenRaster: the first entry is an uncompressed file `mimetype`.
  starts(b, ascii('mimetypeimage/openraster'), 30) ? 'openraster' : 'zip';

const isoKind = (b: Uint8Array): FileKind => {
  const brands = new TextDecoder('latin1').decode(b.subarray(8, Math.min(b.length, 64)));
  return /^avi[fs]|^mif1.*avi[fs]/s.test(brands) ? 'avif' : 'mp4';
};

const textKind = (head: string): FileKind | null => {
  if (
    /^\uFEFF?\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE[^>]*(\[[\s\S]*?\]\s*)?>\s*)?<svg[\s>/]/i.test(
      head,
    )
  )
    return 'svg';
  if (/^\s*;\s*FBX \d/.test(head)) return 'fbx';
  if (/^\s*\{/.test(head) && /"asset"\s*:\s*\{/.test(head)) return 'gltf';
  const lines = head
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line && !line.startsWith('#'));
  if (lines.some((line) => /^LUT_[13]D_SIZE\s/.test(line))) return 'cube';
  if (/^solid\b/.test(lines[0] ?? '') && lines.some((line) => /^facet\s+normal\b/.test(line))) return 'stl';
  if (lines.some((line) => /^newmtl\s/.test(line))) return 'mtl';
  if (lines.some((line) => /^v\s+\S+\s+\S+\s+\S/.test(line))) return 'obj';
  return null;
};

/** The first 64 kB are enough; `size` is then the length of the whole file. */
export const sniff = (bytes: Uint8Array, size = bytes.length): FileKind => {
  if (bytes.length === 0) return 'empty';
  for (const [kind, signature, at] of SIGNATURES) if (starts(bytes, signature, at)) return kind;
  if (starts(bytes, ascii('RIFF')) && starts(bytes, ascii('WEBP'), 8)) return 'webp';
  if (starts(bytes, ascii('RIFF')) && starts(bytes, ascii('WAVE'), 8)) return 'wav';
  if (starts(bytes, [0x50, 0x4b, 3, 4]) || starts(bytes, [0x50, 0x4b, 5, 6])) return zipKind(bytes);
  if (starts(bytes, ascii('ftyp'), 4)) return isoKind(bytes);
  if (isBinaryStl(bytes, size)) return 'stl';
  if (isMp3Frame(bytes)) return 'mp3';
  // Vertices may follow after a long comment.
  const head = bytes.subarray(0, 65_536);
  const printable = head.every((b) => b === 9 || b === 10 || b === 12 || b === 13 || b >= 32);
  if (!printable) return 'unknown';
  return textKind(new TextDecoder('utf-8', { fatal: false }).decode(head)) ?? 'text';
};

/** What the kinds are called in sentences. */
export const KIND_WORDS: Record<FileKind, string> = {
  png: 'a PNG picture',
  jpeg: 'a JPEG picture',
  webp: 'a WebP picture',
  gif: 'a GIF',
  avif: 'an AVIF picture',
  svg: 'an SVG drawing',
  openraster: 'OpenRaster artwork',
  psd: 'PSD artwork',
  zip: 'a zip',
  glb: 'a GLB model',
  gltf: 'a glTF model',
  obj: 'an OBJ model',
  mtl: 'materials of an OBJ model',
  fbx: 'an FBX model',
  stl: 'an STL model',
  ktx2: 'a KTX2 texture',
  wav: 'a WAV sound',
  mp3: 'an MP3 sound',
  ogg: 'an OGG sound',
  flac: 'a FLAC sound',
  mp4: 'an MP4 video or sound',
  webm: 'a WebM video or sound',
  cube: 'a colour table',
  radiance: 'light surroundings (Radiance)',
  openexr: 'light surroundings (OpenEXR)',
  ttf: 'a font',
  otf: 'a font',
  woff: 'a font',
  woff2: 'a font',
  empty: 'empty',
  text: 'a text file',
  unknown: 'of a kind that Iconia does not know',
};
