/** That an effect is there, and its owner's. */
import type { Database } from './database';
import { OWNER } from './owner';
import { Problem } from './problem';

export const missingEffect = (id: string): Problem =>
  new Problem(404, 'effect.missing', `There is no effect ${id}. It may have been deleted.`);

/** Throws `effect.missing`. */
export const expectEffect = async (db: Database, id: string): Promise<void> => {
  const { rows } = await db.query('select 1 from effects where id = $1 and owner = $2', [id, OWNER]);
  if (rows.length === 0) throw missingEffect(id);
};
