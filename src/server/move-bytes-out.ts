/** Bytes that older versions kept in the database are moved beside it, one by one: each is on the disk before its row forgets it. */
import type { ContentFiles } from './content-files';
import type { Database } from './database';

export const moveBytesOut = async (db: Database, content: ContentFiles): Promise<number> => {
  let moved = 0;
  for (;;) {
    const { rows } = await db.query<{ owner: string; sha256: string; bytes: Uint8Array }>(
      'select owner, sha256, bytes from files where bytes is not null limit 1',
    );
    const [file] = rows;
    if (!file) break;
    await content.put(file.bytes);
    await db.query('update files set bytes = null where owner = $1 and sha256 = $2', [
      file.owner,
      file.sha256,
    ]);
    moved++;
  }
  for (;;) {
    const { rows } = await db.query<{ id: string; package: Uint8Array }>(
      'select id, package from releases where package is not null limit 1',
    );
    const [release] = rows;
    if (!release) break;
    const sha256 = await content.put(release.package);
    await db.query('update releases set package = null, sha256 = $2 where id = $1', [release.id, sha256]);
    moved++;
  }
  // What they took is given back.
  if (moved > 0) for (const table of ['files', 'releases']) await db.exec(`vacuum full ${table}`);
  return moved;
};
