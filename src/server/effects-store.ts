/** Effects and their revisions in the database. */
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import type { Patch } from '../core/document/patch';
import { applyPatch, diff } from '../core/document/patch';
import { readEffect } from '../core/document/migrations';
import type { Effect } from '../core/document/schema';
import type { Database, Queries } from './database';
import { missingEffect } from './expect-effect';
import { OWNER } from './owner';
import { Problem } from './problem';

/** Every so many revisions the whole document is kept beside the patch. */
const SNAPSHOT_EVERY = 25;
/** So many revisions can all be read back; of older ones whole documents are kept, one a day. */
const FINE_HISTORY = 200;
const DAYS = 90;
/** A document as text; what is larger is refused before it is kept. */
const MOST_DOCUMENT = 8 * 1024 * 1024;

/** What a list shows of an effect. */
export interface EffectSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: string;
  /** The public address it is live at. */
  readonly address: string | null;
  /** The revision its film shows; null while none is kept. */
  readonly film: number | null;
}
export interface Page<T> {
  readonly items: T[];
  /** Asks for the page behind this one; null on the last. */
  readonly next: string | null;
}

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

/** An effect as it is kept, and as it is read: they differ while it is written in an older schema. */
interface Open extends StoredEffect {
  readonly raw: object;
}
/** So many effects are kept open: whoever works on one need not have it read again at each save. */
const MOST_OPEN = 40;

/** Who is told of what happens to effects. */
export interface EffectWatch {
  /** A patch on revision `from` is on disk. */
  saved(id: string, from: number, revision: number, patch: Patch): void;
  removed(id: string): void;
}
const NOBODY: EffectWatch = { saved: () => {}, removed: () => {} };

export class EffectsStore {
  constructor(
    private readonly db: Database,
    private readonly watch: EffectWatch = NOBODY,
  ) {}

  /** Newest first. Documents are not read, so one that cannot be does not keep the others away. */
  async list(limit: number, after: string | null = null): Promise<Page<EffectSummary>> {
    const [at, id] = after === null ? [null, null] : readCursor(after);
    const { rows } = await this.db.query<
      Omit<Row, 'document'> & { name: string; address: string | null; film: number | null; at: string }
    >(
      `select e.id, e.name, e.revision, e.updated_at, e.updated_at::text as at, a.slug as address,
              f.revision as film
       from effects e left join addresses a on a.effect = e.id left join films f on f.effect = e.id
       where e.owner = $1 and ($2::timestamptz is null or (e.updated_at, e.id) < ($2::timestamptz, $3))
       order by e.updated_at desc, e.id desc limit $4`,
      [OWNER, at, id, limit + 1],
    );
    const shown = rows.slice(0, limit);
    const last = shown.at(-1);
    return {
      items: shown.map((row) => ({
        id: row.id,
        name: row.name,
        revision: row.revision,
        updatedAt: row.updated_at.toISOString(),
        address: row.address,
        film: row.film,
      })),
      next: rows.length > limit && last ? writeCursor(last.at, last.id) : null,
    };
  }

  async get(id: string): Promise<StoredEffect> {
    const { revision, effect, updatedAt } = await this.read(id);
    return { id, revision, effect, updatedAt };
  }

  private readonly open = new Map<string, Open>();

  private remember(opened: Open): Open {
    this.open.delete(opened.id);
    this.open.set(opened.id, opened);
    for (const oldest of this.open.keys()) {
      if (this.open.size <= MOST_OPEN) break;
      this.open.delete(oldest);
    }
    return opened;
  }

  /** The newest revision: the document as it was written last, and the patches since. */
  private async read(id: string): Promise<Open> {
    const { rows } = await this.db.query<{ revision: number; updated_at: Date }>(
      'select revision, updated_at from effects where id = $1 and owner = $2',
      [id, OWNER],
    );
    const [row] = rows;
    if (!row) throw missingEffect(id);
    const updatedAt = row.updated_at.toISOString();
    const known = this.open.get(id);
    if (known?.revision === row.revision) return this.remember({ ...known, updatedAt });
    const { rows: written } = await this.db.query<{ document: object; patches: Patch[] | null }>(
      `select document, (select jsonb_agg(patch order by revision) from revisions
                         where effect = e.id and revision > e.documented and revision <= $3) as patches
       from effects e where id = $1 and owner = $2 and documented <= $3`,
      [id, OWNER, row.revision],
    );
    // It went on while it was being read.
    if (!written[0]) return this.read(id);
    let raw = written[0].document;
    for (const patch of written[0].patches ?? []) raw = applyPatch(raw, patch);
    return this.remember({ id, revision: row.revision, raw, effect: readEffect(raw), updatedAt });
  }

  async create(effect: Effect): Promise<StoredEffect> {
    const id = await this.db.transaction((tx) => this.insert(tx, effect));
    return this.get(id);
  }

  /** Adds an effect as part of a transaction; gives its id. */
  async insert(tx: Queries, effect: Effect): Promise<string> {
    const id = randomUUID();
    const document = asText(effect);
    await tx.query(
      // Several that are added in one transaction follow one another all the same.
      'insert into effects (id, owner, name, revision, documented, document, updated_at) values ($1, $2, $3, 1, 1, $4, clock_timestamp())',
      [id, OWNER, effect.name, document],
    );
    await tx.query(
      'insert into revisions (effect, owner, revision, patch, snapshot) values ($1, $2, 1, $3, $4)',
      [id, OWNER, '[]', document],
    );
    return id;
  }

  /**
   * Applies a patch to revision `base`. The acknowledged revision is on disk when this resolves.
   * A stale base throws 409 with the document as it is now, so that the client can merge.
   */
  async save(id: string, base: number, patch: Patch): Promise<{ revision: number }> {
    const known = this.open.get(id);
    const before = known?.revision === base ? known : await this.read(id);
    if (before.revision !== base) throw stale(before);
    const patched = applyPatch(before.effect, patch);
    const after = readEffect(patched);
    const document = asText(after);
    // What is kept leads from what was kept to what is now; for a document of an older schema that is more than was sent.
    const exact = isDeepStrictEqual(before.raw, before.effect) && isDeepStrictEqual(patched, after);
    const kept = exact ? patch : diff(before.raw, after);
    const revision = base + 1;
    const whole = revision % SNAPSHOT_EVERY === 0;
    const { rows } = await this.db.query<{ updated_at: Date }>(
      `with moved as (
         update effects set name = $3, revision = $4, updated_at = now()
           ${whole ? ', document = $7, documented = $4' : ''}
         where id = $1 and owner = $2 and revision = $5 returning id, updated_at),
       written as (
         insert into revisions (effect, owner, revision, patch, snapshot)
           select id, $2, $4, $6::jsonb, ${whole ? '$7::jsonb' : 'null'} from moved returning revision)
       select updated_at from moved, written`,
      [id, OWNER, after.name, revision, base, JSON.stringify(kept), ...(whole ? [document] : [])],
    );
    // Somebody else was quicker.
    if (!rows[0]) throw stale(await this.read(id));
    this.remember({ id, revision, raw: after, effect: after, updatedAt: rows[0].updated_at.toISOString() });
    this.watch.saved(id, base, revision, exact ? patch : diff(before.effect, after));
    if (whole) await thin(this.db, id, revision);
    return { revision };
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

  /** Deletes an effect. One that is live is only taken down when that is wanted. */
  async remove(id: string, takeDown: boolean): Promise<void> {
    await this.db.transaction(async (tx) => {
      const { rows: live } = await tx.query<{ slug: string }>(
        'select slug from addresses where effect = $1 and owner = $2',
        [id, OWNER],
      );
      if (live[0] && !takeDown)
        throw new Problem(
          409,
          'effect.live',
          'This effect is live: deleting it takes its public address down too.',
          {
            address: live[0].slug,
          },
        );
      const { rows } = await tx.query('delete from effects where id = $1 and owner = $2 returning id', [
        id,
        OWNER,
      ]);
      if (rows.length === 0) throw missingEffect(id);
    });
    this.open.delete(id);
    this.watch.removed(id);
  }
}

const stale = ({ revision, effect }: StoredEffect): Problem =>
  new Problem(409, 'effect.stale', 'The effect was changed in another window meanwhile.', {
    revision,
    document: effect,
  });

const asText = (effect: Effect): string => {
  const text = JSON.stringify(effect);
  if (text.length > MOST_DOCUMENT)
    throw new Problem(
      413,
      'effect.too-large',
      `This effect is larger than an effect may be (${MOST_DOCUMENT / 1024 / 1024} MB without its files). Delete objects, or split it in two.`,
    );
  return text;
};

const writeCursor = (at: string, id: string): string =>
  Buffer.from(JSON.stringify([at, id])).toString('base64url');
const cursorSchema = z.tuple([z.string().regex(/^[\d\-:.+ ]{10,40}$/), z.string().max(100)]);
const readCursor = (cursor: string): [string, string] => {
  try {
    return cursorSchema.parse(JSON.parse(Buffer.from(cursor, 'base64url').toString()));
  } catch {
    throw new Problem(400, 'request.invalid', 'There is no such page of the list. Begin at the first.');
  }
};

/**
 * Keeps history from growing without end. The last revisions stay; what is older than the last whole document before them goes,
 * but for one whole document a day.
 */
const thin = async (tx: Queries, id: string, revision: number): Promise<void> => {
  await tx.query(
    `delete from revisions r where r.effect = $1
       and r.revision < coalesce((select max(revision) from revisions
                                  where effect = $1 and snapshot is not null and revision <= $2), 0)
       and (r.snapshot is null
            or r.created_at < now() - $3 * interval '1 day'
            or exists (select 1 from revisions later where later.effect = $1 and later.snapshot is not null
                       and later.revision > r.revision and later.created_at::date = r.created_at::date))`,
    [id, revision - FINE_HISTORY, DAYS],
  );
};
