/** Fonts: TrueType, OpenType, WOFF and WOFF2 (OpenType 1.9, WOFF File Format 2.0). */
import * as fontkit from 'fontkit';
import { Bytes } from '../bytes';
import { cutOff, megabytes, refuse } from '../refuse';
import { KIND_WORDS, sniff } from '../sniff';
import { cutText } from '../../text';

export interface FontFacts {
  readonly mime: 'font/ttf' | 'font/otf' | 'font/woff' | 'font/woff2';
  readonly family: string;
  readonly style: string;
  readonly glyphs: number;
  /** Whether its maker lets it be shipped with an effect. */
  readonly embedding: 'free' | 'preview' | 'editable' | 'restricted';
}

const MOST_BYTES = 16 * 1024 * 1024;
const MOST_UNPACKED = 48 * 1024 * 1024;

/** Checks that the tables lie inside the file; WOFF2 keeps them packed, so only sizes can be checked there. */
const checkDirectory = (bytes: Uint8Array, kind: 'ttf' | 'otf' | 'woff' | 'woff2', name: string): void => {
  const from = new Bytes(bytes, () => cutOff('font', name));
  const bomb = (): never =>
    refuse('font.bomb', `${name} would unpack to far more than a font has. It is not opened.`);
  if (kind === 'woff' || kind === 'woff2') {
    if (from.u32(8) !== from.length) cutOff('font', name);
    if (from.u32(16) > MOST_UNPACKED) bomb();
    if (kind === 'woff2') return;
  }
  const wrapped = kind === 'woff';
  const count = from.u16(wrapped ? 12 : 4);
  const start = wrapped ? 44 : 12;
  let unpacked = 0;
  for (let i = 0; i < count; i++) {
    const at = start + i * (wrapped ? 20 : 16);
    from.slice(from.u32(at + (wrapped ? 4 : 8)), from.u32(at + (wrapped ? 8 : 12)));
    unpacked += from.u32(at + 12);
    if (wrapped && unpacked > MOST_UNPACKED) bomb();
  }
};

interface Permissions {
  readonly noEmbedding?: boolean;
  readonly viewOnly?: boolean;
  readonly editable?: boolean;
}

/** Throws `IconiaError`: `font.*`. */
export const readFont = (bytes: Uint8Array, name: string): FontFacts => {
  const kind = sniff(bytes);
  if (kind !== 'ttf' && kind !== 'otf' && kind !== 'woff' && kind !== 'woff2')
    return refuse(
      'font.not-a-font',
      `${name} is not a font but ${KIND_WORDS[kind]}. Choose a TTF, OTF or WOFF2 file.`,
    );
  if (bytes.length > MOST_BYTES)
    refuse(
      'font.too-heavy',
      `${name} has ${megabytes(bytes.length)}; fonts of an effect have up to 16 MB. Choose one with fewer scripts.`,
    );
  checkDirectory(bytes, kind, name);
  try {
    const font = fontkit.create(bytes as never) as unknown as {
      familyName: string | null;
      subfamilyName: string | null;
      numGlyphs: number;
      characterSet: readonly number[];
      fonts?: unknown;
      'OS/2'?: { fsType: Permissions };
    };
    if (font.fonts)
      refuse('font.collection', `${name} is a collection of fonts. Choose one with a single font in it.`);
    const { noEmbedding, viewOnly, editable } = font['OS/2']?.fsType ?? {};
    if (font.numGlyphs < 1 || font.characterSet.length < 1) throw new Error('no glyphs');
    return {
      mime: `font/${kind}`,
      family: cutText(font.familyName ?? '', 200) || name.replace(/\.[^.]+$/, ''),
      style: cutText(font.subfamilyName ?? '', 200) || 'Regular',
      glyphs: font.numGlyphs,
      embedding: noEmbedding ? 'restricted' : viewOnly ? 'preview' : editable ? 'editable' : 'free',
    };
  } catch (cause) {
    return refuse('font.broken', `${name} is a damaged font. Get or export it again.`, cause);
  }
};
