/** Files of assets: what they are stands in the database, under the SHA-256 of their content; their bytes lie beside it. */
import type { Readable } from 'node:stream';
import { MOST_KEPT_BYTES } from '../core/assets/limits';
import type { FileMime, FileRef } from '../core/document/schema';
import type { ContentFiles } from './content-files';
import type { Database, Queries } from './database';
import { OWNER } from './owner';
import type { Jobs } from './jobs/jobs';
import { Problem } from './problem';

const MB = 1024 * 1024;

export class FilesStore {
  /** What files are, once asked: content never changes. */
  private readonly known = new Map<string, FileRef>();

  constructor(
    private readonly db: Database,
    private readonly content: ContentFiles,
    private readonly jobs: Jobs,
    /** Bytes an account may keep. */
    private readonly quota: number,
  ) {}

  /** Checks and keeps a file. Nothing is kept when it throws. */
  async add(stream: Readable, name: string): Promise<FileRef> {
    const incoming = await this.content.take(stream, MOST_KEPT_BYTES);
    try {
      const mime = await this.jobs.check(incoming.path, name);
      const { sha256, bytes } = incoming;
      if (!(await this.find(sha256))) await this.needQuota(bytes, name);
      await this.content.keep(incoming);
      return await this.record(this.db, { sha256, mime, bytes });
    } catch (error) {
      await this.content.discard(incoming);
      throw error;
    }
  }

  /** Says in the database what a file is whose bytes are kept. */
  async record(queries: Queries, file: FileRef): Promise<FileRef> {
    await queries.query(
      `insert into files (owner, sha256, mime, size) values ($1, $2, $3, $4)
       on conflict (owner, sha256) do update set created_at = now()`,
      [OWNER, file.sha256, file.mime, file.bytes],
    );
    return file;
  }

  private async needQuota(bytes: number, name: string): Promise<void> {
    const { rows } = await this.db.query<{ kept: number }>(
      'select coalesce(sum(size), 0)::float8 as kept from files where owner = $1',
      [OWNER],
    );
    const over = rows[0]!.kept + bytes - this.quota;
    if (over > 0)
      throw new Problem(
        507,
        'files.quota',
        `${name} does not fit: your files may take ${Math.round(this.quota / MB)} MB, and ${Math.ceil(over / MB)} MB too much would be kept. Delete effects or assets you no longer need.`,
      );
  }

  /** What is kept under this content; null when it is not kept. */
  async find(sha256: string): Promise<FileRef | null> {
    const known = this.known.get(sha256);
    if (known) return known;
    const { rows } = await this.db.query<{ sha256: string; mime: FileMime; bytes: number }>(
      'select sha256, mime, size as bytes from files where owner = $1 and sha256 = $2',
      [OWNER, sha256],
    );
    const [found] = rows;
    if (found) {
      if (this.known.size > 10_000) this.known.clear();
      this.known.set(sha256, found);
    }
    return found ?? null;
  }

  /** Where its bytes lie, and what they are. */
  async locate(sha256: string): Promise<{ path: string; file: FileRef }> {
    const file = await this.find(sha256);
    if (!file) throw new Problem(404, 'file.missing', 'This file is not kept here. Bring it in again.');
    return { path: this.content.path(sha256), file };
  }

  forget(sha256: string): void {
    this.known.delete(sha256);
  }
}
