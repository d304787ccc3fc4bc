/** Fills a new data folder with the demo effects, once: what the user deletes stays deleted. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readPackage } from '../core/package/effect-package';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import { FilesStore } from './files-store';

/** Reads every package in `folder` as an effect of the owner. Returns how many were added. */
export const seedDemo = async (db: Database, folder: string): Promise<number> => {
  const { rows } = await db.query('select 1 from facts where key = $1', ['demo-seeded']);
  if (rows.length > 0 || !existsSync(folder)) return 0;
  const effects = new EffectsStore(db);
  const files = new FilesStore(db);
  let added = 0;
  for (const file of readdirSync(folder)
    .filter((f) => f.endsWith('.zip'))
    .sort()) {
    const opened = readPackage(new Uint8Array(readFileSync(join(folder, file))));
    for (const [sha256, { bytes }] of opened.files) await files.add(bytes, sha256.slice(0, 8));
    await effects.create(opened.effect);
    added++;
  }
  await db.query('insert into facts (key, value) values ($1, $2)', ['demo-seeded', 'true']);
  return added;
};
