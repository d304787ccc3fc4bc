/** Opens the database in a folder on disk and brings it up to date. */
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { PGlite, type Transaction } from '@electric-sql/pglite';
import { freeBytes, isDiskFull, needRoom, syncFolder, syncTree, type FreeBytes } from './disk';
import { MIGRATIONS } from './migrations/index';
import { SYNCED_PARAMS, SyncedFs } from './synced-fs';
import { isCluster, unpackFolder } from './template';

export type Database = PGlite;
/** The database, or a transaction under way in it. */
export type Queries = Pick<Transaction, 'query'>;

/** What a new database takes, and what it needs to grow at all. */
const FRESH_BYTES = 96 * 1024 * 1024;

export interface OpenOptions {
  /** An empty database, packed; without it one is created. */
  readonly templateFile?: string;
  /** Told of each file of the database that was synced. */
  readonly onSync?: (path: string) => void;
  readonly free?: FreeBytes;
}

/** Runs the migrations that are still missing, each in one transaction with its version stamp. */
export const migrate = async (db: Database, migrations = MIGRATIONS): Promise<void> => {
  await db.exec(
    'create table if not exists schema_version (number integer primary key, name text not null, at timestamptz not null default now())',
  );
  const { rows } = await db.query<{ last: number | null }>('select max(number) as last from schema_version');
  const last = rows[0]?.last ?? 0;
  const newest = migrations.at(-1)?.number ?? 0;
  if (last > newest)
    throw new Error(
      `The data was written by a newer Iconia (schema ${last}; this one knows ${newest}). Update Iconia.`,
    );
  for (const migration of migrations) {
    if (migration.number <= last) continue;
    try {
      await db.transaction(async (tx) => {
        await tx.exec(migration.sql);
        await tx.query('insert into schema_version (number, name) values ($1, $2)', [
          migration.number,
          migration.name,
        ]);
      });
    } catch (cause) {
      throw new Error(
        `Migration ${migration.number} (${migration.name}) failed; the data is as it was before.`,
        { cause },
      );
    }
  }
};

/**
 * Opens the database under `dataDir`. A new one is unpacked from the template when there is one. An unfinished one, of a first
 * start that was killed, is begun anew; whatever else does not open is left as it is and said.
 */
export const openDatabase = async (
  dataDir: string,
  { templateFile, onSync, free = freeBytes }: OpenOptions = {},
): Promise<Database> => {
  const folder = join(dataDir, 'database');
  mkdirSync(dataDir, { recursive: true });
  if (!isCluster(folder)) {
    // What PostgreSQL itself had not made to its end holds nobody's work.
    rmSync(folder, { recursive: true, force: true });
    needRoom(dataDir, FRESH_BYTES, free);
    if (templateFile && existsSync(templateFile)) unpackFolder(readFileSync(templateFile), folder);
    else await createCluster(folder);
  }
  try {
    const db = await PGlite.create({ fs: new SyncedFs(folder, onSync), startParams: SYNCED_PARAMS });
    await migrate(db);
    return db;
  } catch (cause) {
    if (cause instanceof Error && cause.message.includes('Iconia')) throw cause;
    throw new Error(
      isDiskFull(cause)
        ? `The disk is full, so the database in ${folder} cannot be opened. Make room, then start Iconia again.`
        : `The database in ${folder} cannot be opened. Start Iconia again; if it stays, put the folder back from a copy, or begin a new one with --data DIR.`,
      { cause },
    );
  }
};

/** Beside, and renamed when it is whole. */
const createCluster = async (folder: string): Promise<void> => {
  const beside = `${folder}.unfinished`;
  rmSync(beside, { recursive: true, force: true });
  mkdirSync(beside, { recursive: true });
  const db = await PGlite.create(beside);
  await db.close();
  syncTree(beside);
  renameSync(beside, folder);
  syncFolder(dirname(folder));
};

/**
 * Writes the log into the data files, so that it does not grow for as long as the server runs: without a process of its own for
 * it, PostgreSQL does so only when asked.
 */
export const checkpoint = (db: Database): Promise<unknown> => db.exec('checkpoint');
