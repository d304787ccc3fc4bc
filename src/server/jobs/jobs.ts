/**
 * Work that would block the server's thread: looking a file over, building a package. `inline` does it where it is called (tests),
 * `worker-jobs.ts` in a thread of its own.
 */
import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { checkKeptFile } from '../../core/assets/kept-file';
import { MOST_PIXELS } from '../../core/assets/limits';
import { usedFiles } from '../../core/document/queries';
import type { Effect, FileMime } from '../../core/document/schema';
import { IconiaError } from '../../core/errors';
import { readPackage, writePackage } from '../../core/package/effect-package';

export interface BuiltPackage {
  readonly zip: Uint8Array;
  readonly name: string;
  readonly manifest: unknown;
}

export interface Jobs {
  /** What a file is kept as; throws `IconiaError` with what is wrong with it. */
  check(path: string, name: string): Promise<FileMime>;
  /** The released package; `paths` are the files of the effect by content. */
  build(effect: Effect, release: number, paths: Readonly<Record<string, string>>): Promise<BuiltPackage>;
  stop(): Promise<void>;
}

/** Decodes a picture once in full, so that a damaged one is found now and not on a viewer's phone. */
const decodeFully = async (path: string, name: string): Promise<void> => {
  try {
    await sharp(path, { failOn: 'truncated', limitInputPixels: MOST_PIXELS }).stats();
  } catch (cause) {
    throw new IconiaError('picture.broken', `${name} is damaged and cannot be drawn. Export it again.`, {
      cause,
    });
  }
};

export const inlineJobs: Jobs = {
  async check(path, name) {
    const mime = checkKeptFile(new Uint8Array(await readFile(path)), name);
    if (mime === 'image/png' || mime === 'image/jpeg' || mime === 'image/webp') await decodeFully(path, name);
    return mime;
  },
  async build(effect, release, paths) {
    const bytes = new Map<string, Uint8Array>();
    for (const { sha256 } of usedFiles(effect))
      bytes.set(sha256, new Uint8Array(await readFile(paths[sha256]!)));
    const zip = writePackage(effect, release, ({ sha256 }) => bytes.get(sha256)!);
    // Read back: what viewers get is what was meant.
    const { manifest } = readPackage(zip);
    return { zip, name: manifest.name, manifest };
  },
  async stop() {},
};
