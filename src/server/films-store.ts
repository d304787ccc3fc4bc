/** Moving thumbnails of effects: drawn by a page, kept here, shown at once by every visit after. */
import { inspectPicture } from '../core/assets/pictures/picture';
import { FILM_PIXELS } from '../core/contract/contract';
import type { Database } from './database';
import { expectEffect } from './expect-effect';
import { OWNER } from './owner';
import { Problem } from './problem';

const refused = (message: string): Problem => new Problem(415, 'film.refused', message);

/** Throws where the bytes are no film. */
const expectFilm = (bytes: unknown): Buffer => {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0)
    throw refused('A film is sent as one picture of the type image/webp.');
  const { format, width, height } = inspectPicture(new Uint8Array(bytes), 'The film');
  if (format !== 'webp' || width > FILM_PIXELS[0] || height > FILM_PIXELS[1])
    throw refused(`A film is a WebP picture of at most ${FILM_PIXELS[0]} x ${FILM_PIXELS[1]} pixels.`);
  return bytes;
};

export class FilmsStore {
  constructor(private readonly db: Database) {}

  /** Keeps the film of a revision; one of a newer revision stays. Throws `effect.missing`, `film.refused`. */
  async put(effect: string, revision: number, bytes: unknown): Promise<void> {
    const film = expectFilm(bytes);
    const { rows } = await this.db.query(
      `insert into films (effect, revision, bytes)
       select id, $2, $3 from effects where id = $1 and owner = $4 and revision >= $2
       on conflict (effect) do update set revision = excluded.revision, bytes = excluded.bytes, created_at = now()
         where films.revision <= excluded.revision
       returning effect`,
      [effect, revision, film, OWNER],
    );
    if (rows.length === 0) await expectEffect(this.db, effect);
  }

  /** Throws `film.missing`. */
  async get(effect: string): Promise<Buffer> {
    const { rows } = await this.db.query<{ bytes: Uint8Array }>(
      'select f.bytes from films f join effects e on e.id = f.effect where f.effect = $1 and e.owner = $2',
      [effect, OWNER],
    );
    const [row] = rows;
    if (!row) throw new Problem(404, 'film.missing', 'No film of this effect is kept yet. Home draws one.');
    return Buffer.from(row.bytes);
  }
}
