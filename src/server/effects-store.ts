/** Effects and their revisions in the database. */
import { randomUUID } from 'node:crypto';
import type { Patch } from '../core/document/patch';
import { applyPatch, diff } from '../core/document/patch';
import { readEffect } from '../core/document/migrations';
import type { Effect } from '../core/document/schema';
import type { Database } from './database';
import { Problem } from './problem';

/** The one local account for now. */
export const OWNER = 'owner';
/** Every so many revisions the whole document is kept beside the patch. */
const SNAPSHOT_EVERY = 25;

export interface StoredEffect {
  readonly id: string;
  readonly revision: number;
  readonly effect: Effect;
  readonly updatedAt: string;
}

interface Row {
  id: string;
  revision: number;
  document: unknown;
  updated_at: Date;
}

const stored = (row: Row): StoredEffect => ({
  id: row.id,
  revision: row.revision,
  effect: readEffect(row.document),
  updatedAt: row.updated_at.toISOString(),
});

const missing = (id: string): Problem =>
  new Problem(404, 'effect.missing', `There is no effect ${id}. It may have been deleted.`);

export class EffectsStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<StoredEffect[]> {
    const { rows } = await this.db.query<Row>(
      'select id, revision, document, updated_at from effects where owner = $1 order by updated_at desc, id',
      [OWNER],
    );
    return rows.map(stored);
  }

  async get(id: string): Promise<StoredEffect> {
    const { rows } = await this.db.query<Row>(
      'select id, revision, document, updated_at from effects where id = $1 and owner = $2',
      [id, OWNER],
    );
    if (!rows[0]) throw missing(id);
    return stored(rows[0]);
  }

  async create(effect: Effect): Promise<StoredEffect> {
    const id = randomUUID();
    await this.db.transaction(async (tx) => {
      await tx.query('insert into effects (id, owner, name, revision, document) values ($1, $2, $3, 1, $4)', [
        id,
        OWNER,
        effect.name,
        JSON.stringify(effect),
      ]);
      await tx.query(
        'insert into revisions (effect, owner, revision, patch, snapshot) values ($1, $2, 1, $3, $4)',
        [id, OWNER, '[]', JSON.stringify(effect)],
      );
    });
    return this.get(id);
  }

  /**
   * Applies a patch to revision `base`. The acknowledged revision is on disk when this resolves.
   * A stale base throws 409 with the document as it is now, so that the client can merge.
   */
  async save(id: string, base: number, patch: Patch): Promise<{ revision: number }> {
    return this.db.transaction(async (tx) => {
      const { rows } = await tx.query<Row>(
        'select id, revision, document, updated_at from effects where id = $1 and owner = $2 for update',
        [id, OWNER],
      );
      const row = rows[0];
      if (!row) throw missing(id);
      const before = stored(row);
      if (before.revision !== base)
        throw new Problem(409, 'effect.stale', 'The effect was changed in another window meanwhile.', {
          revision: before.revision,
          document: before.effect,
        });
      // A document of an older schema is brought up when it is read; the stored patch then covers that too.
      const after = readEffect(applyPatch(before.effect, patch));
      const revision = base + 1;
      const document = JSON.stringify(after);
      await tx.query(
        'update effects set document = $3, name = $4, revision = $5, updated_at = now() where id = $1 and owner = $2',
        [id, OWNER, document, after.name, revision],
      );
      await tx.query(
        'insert into revisions (effect, owner, revision, patch, snapshot) values ($1, $2, $3, $4, $5)',
        [
          id,
          OWNER,
          revision,
          JSON.stringify(diff(row.document as object, after)),
          revision % SNAPSHOT_EVERY === 0 ? document : null,
        ],
      );
      return { revision };
    });
  }

  /** The document as it was at a revision: the nearest snapshot and the patches since. */
  async at(id: string, revision: number): Promise<Effect> {
    const { rows } = await this.db.query<{ revision: number; patch: Patch; snapshot: object | null }>(
      `select revision, patch, snapshot from revisions
       where effect = $1 and owner = $2 and revision <= $3
         and revision >= (select max(revision) from revisions
                          where effect = $1 and owner = $2 and revision <= $3 and snapshot is not null)
       order by revision`,
      [id, OWNER, revision],
    );
    if (rows.at(-1)?.revision !== revision)
      throw new Problem(404, 'revision.missing', `There is no revision ${revision}.`);
    let document: object = {};
    for (const row of rows) document = row.snapshot ?? applyPatch(document, row.patch);
    return readEffect(document);
  }

  async remove(id: string): Promise<void> {
    const { rows } = await this.db.query('delete from effects where id = $1 and owner = $2 returning id', [
      id,
      OWNER,
    ]);
    if (rows.length === 0) throw missing(id);
  }
}
