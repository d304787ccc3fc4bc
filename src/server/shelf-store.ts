/** A creator's own shelf: assets kept for all their effects. Files stay where they are; only the facts are kept. */
import { randomUUID } from 'node:crypto';
import { assetSchema, type Asset } from '../core/document/schema';
import type { Database } from './database';
import { OWNER } from './owner';
import type { FilesStore } from './files-store';
import { Problem } from './problem';

export interface ShelfItem {
  readonly id: string;
  readonly asset: Asset;
  readonly at: string;
}

interface Row {
  id: string;
  asset: unknown;
  created_at: Date;
}

/** Most assets on the shelf. */
const MOST = 2000;

const item = (row: Row): ShelfItem => ({
  id: row.id,
  asset: assetSchema.parse(row.asset),
  at: row.created_at.toISOString(),
});

/** What makes two assets the same: their content, however they are called. */
const contentOf = (asset: Asset): string => `${asset.kind}:${asset.files.map((f) => f.sha256).join('+')}`;

export class ShelfStore {
  constructor(
    private readonly db: Database,
    private readonly files: FilesStore,
  ) {}

  async list(): Promise<ShelfItem[]> {
    const { rows } = await this.db.query<Row>(
      'select id, asset, created_at from shelf where owner = $1 order by created_at desc, id',
      [OWNER],
    );
    return rows.map(item);
  }

  /** Puts an asset on the shelf; the same content stands there once, under its newest name. */
  async put(asset: Asset): Promise<ShelfItem> {
    for (const file of [...asset.files, ...(asset.original ?? [])])
      if (!(await this.files.find(file.sha256)))
        throw new Problem(422, 'file.missing', `${asset.name} is not kept here whole. Bring it in again.`);
    const { rows: counted } = await this.db.query<{ count: number }>(
      'select count(*)::int as count from shelf where owner = $1',
      [OWNER],
    );
    if (counted[0]!.count >= MOST)
      throw new Problem(422, 'shelf.full', `The shelf holds ${MOST} assets. Take some off first.`);
    const { rows } = await this.db.query<Row>(
      `insert into shelf (id, owner, content, asset) values ($1, $2, $3, $4)
       on conflict (owner, content) do update set asset = excluded.asset
       returning id, asset, created_at`,
      [randomUUID(), OWNER, contentOf(asset), JSON.stringify(asset)],
    );
    return item(rows[0]!);
  }

  async remove(id: string): Promise<void> {
    const { rows } = await this.db.query('delete from shelf where id = $1 and owner = $2 returning id', [
      id,
      OWNER,
    ]);
    if (rows.length === 0) throw new Problem(404, 'shelf.missing', 'This is no longer on the shelf.');
  }
}
