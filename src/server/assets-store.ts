/** Assets in the database: bytes under the SHA-256 of their content, so the same picture is kept once. */
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { inspectPicture, MOST_PIXELS, type PictureFacts } from '../core/assets/picture';
import { IconiaError } from '../core/errors';
import type { Database } from './database';
import { OWNER } from './effects-store';
import { Problem } from './problem';

export interface StoredAsset {
  readonly sha256: string;
  readonly mime: PictureFacts['mime'];
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
}

/** Decodes the whole picture once, so that a damaged one is found now and not on a viewer's phone. */
const decodeFully = async (bytes: Uint8Array, name: string): Promise<{ width: number; height: number }> => {
  try {
    const picture = sharp(bytes, { failOn: 'truncated', limitInputPixels: MOST_PIXELS });
    const { width, height, orientation = 1 } = await picture.metadata();
    await picture.stats();
    // EXIF orientations 5 to 8 lie on their side; browsers draw them upright.
    return orientation >= 5 ? { width: height, height: width } : { width, height };
  } catch (cause) {
    throw new IconiaError('picture.broken', `${name} is damaged and cannot be drawn. Export it again.`, {
      cause,
    });
  }
};

export class AssetsStore {
  constructor(private readonly db: Database) {}

  /** Checks and keeps a picture. Nothing is kept when it throws. */
  async add(bytes: Uint8Array, name: string): Promise<StoredAsset> {
    const facts = inspectPicture(bytes, name);
    const size = await decodeFully(bytes, name);
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    await this.db.query(
      `insert into assets (owner, sha256, mime, size, width, height, bytes) values ($1, $2, $3, $4, $5, $6, $7)
       on conflict (owner, sha256) do nothing`,
      [OWNER, sha256, facts.mime, bytes.length, size.width, size.height, bytes],
    );
    return { sha256, mime: facts.mime, bytes: bytes.length, ...size };
  }

  async read(sha256: string): Promise<{ bytes: Uint8Array; mime: string }> {
    const { rows } = await this.db.query<{ bytes: Uint8Array; mime: string }>(
      'select bytes, mime from assets where owner = $1 and sha256 = $2',
      [OWNER, sha256],
    );
    if (!rows[0])
      throw new Problem(404, 'asset.missing', 'This picture is not kept here. Bring it in again.');
    return rows[0];
  }
}
