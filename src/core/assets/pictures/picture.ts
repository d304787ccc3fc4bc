/**
 * Reads what a picture file says about itself, without decoding it, and refuses what cannot become an
 * asset: bounded work, a sentence for every refusal.
 *
 *   inspectPicture(bytes, 'kelp.png') // { format: 'png', width: 512, height: 512, frames: 1, alpha: true }
 */
import type { Pixels } from '../../units';
import { MOST_PICTURE_BYTES, MOST_PIXELS, MOST_SIDE } from '../limits';
import { megabytes, refuse } from '../refuse';
import { KIND_WORDS, sniff } from '../sniff';
import { readAvifHead } from './avif';
import { readGifHead } from './gif';
import type { PictureHead } from './head';
import { readJpegHead } from './jpeg';
import { readPngHead } from './png';
import { readWebpHead } from './webp';

export type PictureFormat = 'png' | 'jpeg' | 'webp' | 'gif' | 'avif';
export interface PictureFacts extends PictureHead {
  readonly format: PictureFormat;
}

const HEADS: Record<PictureFormat, (bytes: Uint8Array, name: string) => PictureHead> = {
  png: readPngHead,
  jpeg: readJpegHead,
  webp: readWebpHead,
  gif: readGifHead,
  avif: readAvifHead,
};

/**
 * Throws `IconiaError`: `picture.empty`, `picture.not-a-picture`, `picture.too-heavy`, `picture.too-large`,
 * `picture.cut-off`, `picture.broken`. SVG drawings have a reader of their own (`svg.ts`).
 */
export const inspectPicture = (bytes: Uint8Array, name: string): PictureFacts => {
  const kind = sniff(bytes);
  if (kind === 'empty') refuse('picture.empty', `${name} is empty (0 bytes). Export or copy it again.`);
  const read = kind in HEADS ? HEADS[kind as PictureFormat] : undefined;
  if (!read)
    return refuse(
      'picture.not-a-picture',
      `${name} is not a picture but ${KIND_WORDS[kind]}, whatever its name says. Choose a PNG, JPEG or WebP picture.`,
    );
  if (bytes.length > MOST_PICTURE_BYTES)
    refuse(
      'picture.too-heavy',
      `${name} has ${megabytes(bytes.length)}; a picture may have up to ${megabytes(MOST_PICTURE_BYTES)}. Save it smaller, for example as WebP.`,
    );
  const head = read(bytes, name);
  checkPictureSize(head, name);
  return { format: kind as PictureFormat, ...head };
};

/** Refuses pictures of no size and of more than can be drawn. */
export const checkPictureSize = (
  { width, height }: { width: Pixels; height: Pixels },
  name: string,
): void => {
  if (width === 0 || height === 0)
    refuse(
      'picture.broken',
      `${name} is damaged: it says it is ${width} x ${height} pixels. Export it again.`,
    );
  if (width * height > MOST_PIXELS || Math.max(width, height) > MOST_SIDE)
    refuse(
      'picture.too-large',
      `${name} has ${Math.round((width * height) / 1e6)} megapixels (${width} x ${height}); up to ${MOST_PIXELS / 1e6} are taken in. Make it smaller: 2000 pixels on the longer side are plenty for a face.`,
    );
};
