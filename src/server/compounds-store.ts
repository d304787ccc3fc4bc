/** Compounds that a creator keeps for all their effects. */
import { randomUUID } from 'node:crypto';
import type { KeptCompound } from '../core/contract/contract';
import { compoundOfText } from '../core/edits/kept-compound';
import { IconiaError } from '../core/errors';
import type { Database } from './database';
import { OWNER } from './owner';
import { Problem } from './problem';

interface Row {
  id: string;
  compound: string;
  name: string;
  note: string;
  created_at: Date;
}
const COLUMNS = 'id, compound, name, note, created_at';
/** Most that are kept. */
const MOST = 500;

const kept = ({ created_at: at, ...row }: Row): KeptCompound => ({ ...row, at: at.toISOString() });
const missing = (): Problem =>
  new Problem(404, 'compound.missing', 'This compound is no longer on your shelf.');

export class CompoundsStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<KeptCompound[]> {
    const { rows } = await this.db.query<Row>(
      `select ${COLUMNS} from kept_compounds where owner = $1 order by name, id`,
      [OWNER],
    );
    return rows.map(kept);
  }

  async text(id: string): Promise<string> {
    const { rows } = await this.db.query<{ content: string }>(
      'select content from kept_compounds where id = $1 and owner = $2',
      [id, OWNER],
    );
    if (!rows[0]) throw missing();
    return rows[0].content;
  }

  /** Keeps a compound, or the same one as it is now. */
  async keep(text: string): Promise<KeptCompound> {
    const { id: compound, name, note } = read(text);
    const { rows: counted } = await this.db.query<{ count: number }>(
      'select count(*)::int as count from kept_compounds where owner = $1 and compound <> $2',
      [OWNER, compound],
    );
    if (counted[0]!.count >= MOST)
      throw new Problem(422, 'compound.full', `Your shelf holds ${MOST} compounds. Take some off first.`);
    const { rows } = await this.db.query<Row>(
      `insert into kept_compounds (id, owner, compound, name, note, content) values ($1, $2, $3, $4, $5, $6)
       on conflict (owner, compound)
       do update set name = excluded.name, note = excluded.note, content = excluded.content, created_at = now()
       returning ${COLUMNS}`,
      [randomUUID(), OWNER, compound, name, note, text],
    );
    return kept(rows[0]!);
  }

  async drop(id: string): Promise<void> {
    const { rows } = await this.db.query(
      'delete from kept_compounds where id = $1 and owner = $2 returning id',
      [id, OWNER],
    );
    if (rows.length === 0) throw missing();
  }
}

const read = (text: string): ReturnType<typeof compoundOfText> => {
  try {
    return compoundOfText(text);
  } catch (error) {
    if (error instanceof IconiaError) throw new Problem(422, error.code, error.message);
    throw error;
  }
};
