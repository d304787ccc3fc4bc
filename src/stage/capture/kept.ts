/** What was captured: something to look at, and the ways to have it as a file. */
import { fileOf, photoFile } from './kept-file';
import type { LoopFormat, LoopFrames } from './loop-messages';
import { makeLoop } from './make-loop';

export interface KeptChoice {
  /** The format, as it is called. */
  readonly label: string;
  /** Made when it is wanted, once. */
  readonly file: () => Promise<File>;
  /** Making it takes long: browsers save only right after a press, so it is made by one and saved by the next. */
  readonly takesLong?: boolean;
}

export interface Kept {
  readonly kind: 'photo' | 'video' | 'loop';
  readonly preview: File;
  /** The first is the preview itself. */
  readonly choices: readonly [KeptChoice, ...KeptChoice[]];
}

const once = (make: () => Promise<File>): (() => Promise<File>) => {
  let made: Promise<File> | null = null;
  return () => {
    made ??= make();
    // What failed is tried again.
    made.catch(() => (made = null));
    return made;
  };
};
const there = (label: string, file: File): KeptChoice => ({ label, file: () => Promise.resolve(file) });

/** `name` is the effect's: files are called after it. */
export const keptPhoto = async (photo: OffscreenCanvas, name: string): Promise<Kept> => {
  const preview = await photoFile(photo, 'png', name);
  return {
    kind: 'photo',
    preview,
    choices: [there('PNG', preview), { label: 'JPEG', file: once(() => photoFile(photo, 'jpeg', name)) }],
  };
};

export const keptVideo = (film: Blob, name: string): Kept => {
  const preview = fileOf(film, name);
  return {
    kind: 'video',
    preview,
    choices: [there(film.type === 'video/mp4' ? 'MP4' : 'WebM', preview)],
  };
};

/** A GIF at once, an animated WebP when it is asked for; both are made in a worker. Rejects when it is aborted. */
export const keptLoop = async (
  loop: LoopFrames,
  name: string,
  onProgress: (share: number) => void,
  signal?: AbortSignal,
): Promise<Kept> => {
  const made = async (format: LoopFormat): Promise<File> =>
    fileOf(await makeLoop(loop, format, { onProgress, signal }), name);
  const preview = await made('gif');
  return {
    kind: 'loop',
    preview,
    choices: [there('GIF', preview), { label: 'WebP', file: once(() => made('webp')), takesLong: true }],
  };
};
