/** What tests of the server share: a database in memory, migrated as on disk, and a folder for bytes. */
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
