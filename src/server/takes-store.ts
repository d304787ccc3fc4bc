/** Creators' own takes in the database. */
import { randomUUID } from 'node:crypto';
import { makeTake } from '../core/takes/make-take';
import { takeSpecSchema, type TakeSpec } from '../core/takes/take';
import type { Database } from './database';
import { OWNER } from './owner';
import { Problem } from './problem';

interface Row {
  id: string;
  spec: unknown;
}

const missing = (id: string): Problem =>
  new Problem(404, 'take.missing', `There is no take ${id}. It may have been deleted.`);

/** Parses a take and makes sure that all it names is there. */
const checked = (raw: unknown, id: string): TakeSpec => {
  const spec = takeSpecSchema.parse({ ...(raw as object), id });
  try {
    makeTake(spec);
  } catch (cause) {
    throw new Problem(422, 'take.unknown-part', `The take cannot be made: ${(cause as Error).message}`);
  }
  return spec;
};

export class TakesStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<TakeSpec[]> {
    const { rows } = await this.db.query<Row>(
      'select id, spec from takes where owner = $1 order by updated_at desc, id',
      [OWNER],
    );
    return rows.map((row) => takeSpecSchema.parse(row.spec));
  }

  async create(raw: unknown): Promise<TakeSpec> {
    const spec = checked(raw, randomUUID());
    await this.db.query('insert into takes (id, owner, spec) values ($1, $2, $3)', [
      spec.id,
      OWNER,
      JSON.stringify(spec),
    ]);
    return spec;
  }

  async replace(id: string, raw: unknown): Promise<TakeSpec> {
    const spec = checked(raw, id);
    const { rows } = await this.db.query(
      'update takes set spec = $3, updated_at = now() where id = $1 and owner = $2 returning id',
      [id, OWNER, JSON.stringify(spec)],
    );
    if (rows.length === 0) throw missing(id);
    return spec;
  }

  async remove(id: string): Promise<void> {
    const { rows } = await this.db.query('delete from takes where id = $1 and owner = $2 returning id', [
      id,
      OWNER,
    ]);
    if (rows.length === 0) throw missing(id);
  }
}
