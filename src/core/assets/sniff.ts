/** What a file is, told by its bytes; its name is never believed. */
export type FileKind = 'png' | 'jpeg' | 'webp' | 'svg' | 'gif' | 'empty' | 'text' | 'unknown';

const starts = (bytes: Uint8Array, signature: readonly number[], at = 0): boolean =>
  signature.every((byte, i) => bytes[at + i] === byte);
const ascii = (text: string): number[] => [...text].map((c) => c.charCodeAt(0));

export const sniff = (bytes: Uint8Array): FileKind => {
  if (bytes.length === 0) return 'empty';
  if (starts(bytes, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return 'png';
  if (starts(bytes, [0xff, 0xd8, 0xff])) return 'jpeg';
  if (starts(bytes, ascii('RIFF')) && starts(bytes, ascii('WEBP'), 8)) return 'webp';
  if (starts(bytes, ascii('GIF8'))) return 'gif';
  const head = new TextDecoder('utf-8', { fatal: false }).decode(bytes.subarray(0, 4096));
  if (/^\uFEFF?\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE[^>]*>\s*)?<svg[\s>]/i.test(head))
    return 'svg';
  const printable = bytes.subarray(0, 4096).every((b) => b === 9 || b === 10 || b === 13 || b >= 32);
  return printable ? 'text' : 'unknown';
};
