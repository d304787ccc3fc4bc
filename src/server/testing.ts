/** What tests of the server share: a database of their own that starts quickly, and a folder for bytes. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { createApp, type AppOptions } from './app';
import { ContentFiles } from './content-files';
import { migrate, type Database } from './database';
import { inlineJobs } from './jobs/inline-jobs';
import { unpackInto } from './template';

const TEMPLATE = 'dist/server/template.zip.gz';

/** Builds server and database template, unless they are up to date: for tests that start the real thing. */
export const buildServer = (): void => {
  const { status, stderr } = spawnSync(process.execPath, ['scripts/build.mjs', '--no-pages'], {
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`The server could not be built: ${stderr}`);
};

/** A database in a folder, from the template (creating one takes seconds), brought up to date. Its writes are not synced. */
const databaseIn = async (folder: string): Promise<Database> => {
  if (!existsSync(TEMPLATE)) buildServer();
  unpackInto(readFileSync(TEMPLATE), folder);
  const db = await PGlite.create(folder);
  await migrate(db);
  return db;
};

/** An application on a database of its own. `close` leaves nothing behind. */
export const testApp = async (options: Partial<AppOptions> = {}) => {
  const folder = mkdtempSync(join(tmpdir(), 'iconia-test-'));
  const db = await databaseIn(join(folder, 'database'));
  const content = new ContentFiles(join(folder, 'files'));
  const app = createApp({ db, content, jobs: inlineJobs, ...options });
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
