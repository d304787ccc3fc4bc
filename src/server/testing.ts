/** What tests of the server share: a database in memory, migrated as on disk, and a folder for bytes. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { createApp, type AppOptions } from './app';
import { ContentFiles } from './content-files';
import { migrate, type Database } from './database';

export const memoryDatabase = async (): Promise<Database> => {
  const db = await PGlite.create();
  await migrate(db);
  return db;
};

/** An application on a database in memory. `close` leaves nothing behind. */
export const testApp = async (options: Partial<AppOptions> = {}) => {
  const folder = mkdtempSync(join(tmpdir(), 'iconia-files-'));
  const db = await memoryDatabase();
  const content = new ContentFiles(folder);
  const app = createApp({ db, content, ...options });
  return {
    db,
    content,
    app,
    close: async (): Promise<void> => {
      await db.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
};

/** Builds server and database template, unless they are up to date: for tests that start the real thing. */
export const buildServer = (): void => {
  const { status, stderr } = spawnSync(process.execPath, ['scripts/build.mjs', '--no-pages'], {
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`The server could not be built: ${stderr}`);
};
