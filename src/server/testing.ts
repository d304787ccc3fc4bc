/** A database in memory for tests, migrated as on disk. */
import { PGlite } from '@electric-sql/pglite';
import { migrate, type Database } from './database';

export const memoryDatabase = async (): Promise<Database> => {
  const db = await PGlite.create();
  await migrate(db);
  return db;
};
