/** The jobs where they are called: in the thread that is there for them, and in tests. */
import { readFile } from 'node:fs/promises';
import sharp from 'sharp';
import { checkKeptFile } from '../../core/assets/kept-file';
import { MOST_PIXELS } from '../../core/assets/limits';
import { usedFiles } from '../../core/document/queries';
import { IconiaError } from '../../core/errors';
import { writePackage } from '../../core/package/effect-package';
import { readPackage } from '../../core/package/read-package';
import { soughtPictures } from '../../core/requirements/sought-pictures';
import type { Jobs } from './jobs';
import { targetOf } from './printed-target';

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
    const targets = new Map<string, Uint8Array>();
    for (const { file, target } of soughtPictures(effect))
      if (!targets.has(file.sha256))
        targets.set(file.sha256, await targetOf(paths[file.sha256]!, target.name));
    const zip = writePackage(effect, release, ({ sha256 }) => bytes.get(sha256)!, targets);
    // Read back: what viewers get is what was meant.
    const { manifest } = readPackage(zip);
    return { zip, name: manifest.name, manifest };
  },
  async stop() {},
};
