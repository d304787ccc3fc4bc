/** What the server does by itself now and then: clears files that nothing names, and writes the database's log into its data. */
import type { ContentFiles } from './content-files';
import { checkpoint, type Database } from './database';
import type { FilesStore } from './files-store';

const HOUR = 3_600_000;
/** A file that was kept this short a time ago may be on its way into a document. */
const YOUNG = 24 * HOUR;

/** Every SHA-256 that something names: documents and their history, the shelf, released packages. */
const namedFiles = async (db: Database): Promise<Set<string>> => {
  const named = new Set<string>();
  const add = async (sql: string, values: unknown[] = []): Promise<void> => {
    const { rows } = await db.query<{ sha256: string }>(sql, values);
    for (const { sha256 } of rows) named.add(sha256);
  };
  const { rows: effects } = await db.query<{ id: string }>('select id from effects');
  const found = (text: string): string =>
    `select distinct (regexp_matches(${text}, '[0-9a-f]{64}', 'g'))[1] as sha256`;
  // One effect at a time: requests in between are answered.
  for (const { id } of effects) {
    await add(`${found('document::text')} from effects where id = $1`, [id]);
    await add(`${found("patch::text || coalesce(snapshot::text, '')")} from revisions where effect = $1`, [
      id,
    ]);
  }
  await add(`${found('asset::text')} from shelf`);
  await add('select sha256 from releases where sha256 is not null');
  return named;
};

/** Removes what nothing names and is not young. `now` in milliseconds. Returns how many files went. */
export const clearUnnamed = async (
  db: Database,
  content: ContentFiles,
  files: FilesStore,
  now: number,
): Promise<number> => {
  const named = await namedFiles(db);
  let removed = 0;
  for await (const { sha256, at } of content.all()) {
    if (named.has(sha256) || now - at.getTime() < YOUNG) continue;
    // The row first: a file without a row is cleared the next time, a row without its file would be a promise not kept.
    const { rows } = await db.query(
      `delete from files where sha256 = $1 and created_at < to_timestamp($2) returning 1`,
      [sha256, (now - YOUNG) / 1000],
    );
    const { rows: left } = await db.query('select 1 from files where sha256 = $1', [sha256]);
    if (rows.length === 0 && left.length > 0) continue;
    files.forget(sha256);
    await content.remove(sha256);
    removed++;
  }
  return removed;
};

/** Starts it; the answer stops it. */
export const keepHouse = (
  db: Database,
  content: ContentFiles,
  files: FilesStore,
  log: (error: unknown) => void,
): (() => void) => {
  const later = (work: () => Promise<unknown>) => (): void => void work().catch(log);
  const clear = later(() => clearUnnamed(db, content, files, Date.now()));
  const timers = [
    setTimeout(clear, 10 * 60_000),
    setInterval(clear, 12 * HOUR),
    setInterval(
      later(() => checkpoint(db)),
      10 * 60_000,
    ),
  ];
  for (const timer of timers) timer.unref();
  return () => timers.forEach((timer) => clearTimeout(timer));
};
