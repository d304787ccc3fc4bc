/** Files of assets in the database: under the SHA-256 of their content, so the same content is kept once. */
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { checkKeptFile } from '../core/assets/kept-file';
import { MOST_PIXELS } from '../core/assets/limits';
import type { FileRef } from '../core/document/schema';
import { IconiaError } from '../core/errors';
import type { Database } from './database';
import { OWNER } from './effects-store';
import { Problem } from './problem';

/** Decodes a picture once in full, so that a damaged one is found now and not on a viewer's phone. */
const decodeFully = async (bytes: Uint8Array, name: string): Promise<void> => {
  try {
    await sharp(bytes, { failOn: 'truncated', limitInputPixels: MOST_PIXELS }).stats();
  } catch (cause) {
    throw new IconiaError('picture.broken', `${name} is damaged and cannot be drawn. Export it again.`, {
      cause,
    });
  }
};

export class FilesStore {
  constructor(private readonly db: Database) {}

  /** Checks and keeps a file. Nothing is kept when it throws. */
  async add(bytes: Uint8Array, name: string): Promise<FileRef> {
    const mime = checkKeptFile(bytes, name);
    if (mime === 'image/png' || mime === 'image/jpeg' || mime === 'image/webp')
      await decodeFully(bytes, name);
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    await this.db.query(
      `insert into files (owner, sha256, mime, size, bytes) values ($1, $2, $3, $4, $5)
       on conflict (owner, sha256) do nothing`,
      [OWNER, sha256, mime, bytes.length, bytes],
    );
    return { sha256, mime, bytes: bytes.length };
  }

  /** What is kept under this content, without its bytes; null when it is not kept. */
  async find(sha256: string): Promise<FileRef | null> {
    const { rows } = await this.db.query<FileRef>(
      'select sha256, mime, size as bytes from files where owner = $1 and sha256 = $2',
      [OWNER, sha256],
    );
    return rows[0] ?? null;
  }

  async read(sha256: string): Promise<{ bytes: Uint8Array; mime: string }> {
    const { rows } = await this.db.query<{ bytes: Uint8Array; mime: string }>(
      'select bytes, mime from files where owner = $1 and sha256 = $2',
      [OWNER, sha256],
    );
    if (!rows[0]) throw new Problem(404, 'file.missing', 'This file is not kept here. Bring it in again.');
    return rows[0];
  }
}
