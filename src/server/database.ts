/** Opens the database in a folder on disk and brings it up to date. */
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { MIGRATIONS } from './migrations/index';

export type Database = PGlite;

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
 * Opens the database under `dataDir`. A new one is unpacked from the template when there is one: creating a
 * cluster takes ten seconds, unpacking two.
 */
export const openDatabase = async (dataDir: string, templateFile?: string): Promise<Database> => {
  const folder = join(dataDir, 'database');
  mkdirSync(folder, { recursive: true });
  const isNew = !existsSync(join(folder, 'PG_VERSION'));
  const template =
    isNew && templateFile && existsSync(templateFile) ? new Blob([readFileSync(templateFile)]) : undefined;
  const db = await PGlite.create(folder, template ? { loadDataDir: template } : {});
  await migrate(db);
  return db;
};
