/** Fills a new data folder with the demo effects, once: what the user deletes stays deleted. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readPackage } from '../core/package/read-package';
import type { ContentFiles } from './content-files';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import { OWNER } from './owner';

/** The moving thumbnail of a package, where one ships. */
const filmBeside = (folder: string, file: string): Buffer | null => {
  const path = join(folder, '..', 'films', file.replace(/\.zip$/, '.webp'));
  return existsSync(path) ? readFileSync(path) : null;
};

/**
 * Reads every package in `folder` as an effect of the owner. All of them are added, or none: a start that is killed meanwhile
 * begins anew. Returns how many were added.
 */
export const seedDemo = async (db: Database, content: ContentFiles, folder: string): Promise<number> => {
  const { rows } = await db.query('select 1 from facts where key = $1', ['demo-seeded']);
  if (rows.length > 0 || !existsSync(folder)) return 0;
  const packages = readdirSync(folder)
    .filter((f) => f.endsWith('.zip'))
    .sort()
    // What is added last is listed first.
    .reverse()
    .map((file) => ({
      ...readPackage(new Uint8Array(readFileSync(join(folder, file)))),
      film: filmBeside(folder, file),
    }));
  for (const { files } of packages) for (const { bytes } of files.values()) await content.put(bytes);
  const effects = new EffectsStore(db);
  await db.transaction(async (tx) => {
    for (const { effect, files, film } of packages) {
      for (const [sha256, { bytes, mime }] of files)
        await tx.query(
          'insert into files (owner, sha256, mime, size) values ($1, $2, $3, $4) on conflict do nothing',
          [OWNER, sha256, mime, bytes.length],
        );
      const id = await effects.insert(tx, effect);
      if (film) await tx.query('insert into films (effect, revision, bytes) values ($1, 1, $2)', [id, film]);
    }
    await tx.query('insert into facts (key, value) values ($1, $2)', ['demo-seeded', 'true']);
  });
  return packages.length;
};
