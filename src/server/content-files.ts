/**
 * Bytes by their content: `files/ab/ab12...`, named by SHA-256. Written beside, synced and renamed, so a name stands for whole
 * content or is not there. Who may have them, and as what, stands in the database.
 */
import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream, existsSync, mkdirSync, rmSync } from 'node:fs';
import { readFile, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { diskFull, isDiskFull, moveInto, syncFile, syncFolder } from './disk';
import { Problem } from './problem';

/** A file that has come in whole and is not kept yet. */
export interface Incoming {
  readonly path: string;
  readonly sha256: string;
  readonly bytes: number;
}

export class ContentFiles {
  private readonly incoming: string;

  /** What was on its way when the server stopped is cleared. */
  constructor(readonly folder: string) {
    this.incoming = join(folder, '.incoming');
    rmSync(this.incoming, { recursive: true, force: true });
    mkdirSync(this.incoming, { recursive: true });
  }

  path(sha256: string): string {
    return join(this.folder, sha256.slice(0, 2), sha256);
  }

  /** Takes a stream in, to be looked at before it is kept. Throws 413 beyond `most` bytes and leaves nothing behind. */
  async take(stream: Readable, most: number): Promise<Incoming> {
    const path = join(this.incoming, randomUUID());
    const hash = createHash('sha256');
    let bytes = 0;
    const measured = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        bytes += chunk.length;
        if (bytes > most)
          return done(new Problem(413, 'request.too-large', 'That is more than is taken at once.'));
        hash.update(chunk);
        done(null, chunk);
      },
    });
    const file = createWriteStream(path);
    try {
      await pipeline(stream, measured, file);
    } catch (error) {
      // A file that is still being opened would be made after it was removed.
      if (!file.closed) await new Promise<void>((done) => file.once('close', done));
      await rm(path, { force: true });
      throw isDiskFull(error) ? diskFull(bytes) : error;
    }
    return { path, sha256: hash.digest('hex'), bytes };
  }

  /** Keeps what has come in under its content. */
  async keep({ path, sha256, bytes }: Incoming): Promise<void> {
    const to = this.path(sha256);
    try {
      if (existsSync(to)) return await rm(path, { force: true });
      await syncFile(path);
      if (!existsSync(dirname(to))) {
        mkdirSync(dirname(to), { recursive: true });
        syncFolder(this.folder);
      }
      await moveInto(path, to);
    } catch (error) {
      await rm(path, { force: true });
      throw isDiskFull(error) ? diskFull(bytes) : error;
    }
  }

  async discard({ path }: Incoming): Promise<void> {
    await rm(path, { force: true });
  }

  /** Keeps bytes that are here already; gives their SHA-256. */
  async put(bytes: Uint8Array): Promise<string> {
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const path = join(this.incoming, randomUUID());
    try {
      await writeFile(path, bytes);
    } catch (error) {
      await rm(path, { force: true });
      throw isDiskFull(error) ? diskFull(bytes.length) : error;
    }
    await this.keep({ path, sha256, bytes: bytes.length });
    return sha256;
  }

  async read(sha256: string): Promise<Uint8Array> {
    return new Uint8Array(await readFile(this.path(sha256)));
  }

  /** All that is kept, with when it came. */
  async *all(): AsyncGenerator<{ sha256: string; at: Date; bytes: number }> {
    for (const part of (await readdir(this.folder)).sort())
      if (/^[0-9a-f]{2}$/.test(part))
        for (const sha256 of await readdir(join(this.folder, part))) {
          const { mtime, size } = await stat(this.path(sha256));
          yield { sha256, at: mtime, bytes: size };
        }
  }

  async remove(sha256: string): Promise<void> {
    await rm(this.path(sha256), { force: true });
  }
}
