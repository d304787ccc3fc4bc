/** Try links: secret addresses at which an effect is tried as it is now. They expire, and can be revoked. */
import { randomBytes, randomUUID } from 'node:crypto';
import type { TryLink } from '../../core/contract/try-contract';
import type { Database } from '../database';
import { expectEffect } from '../expect-effect';
import { OWNER } from '../owner';
import { Problem } from '../problem';

/** More are not kept for one effect. */
const MOST_LINKS = 50;

export interface OpenLink {
  readonly id: string;
  readonly effect: string;
  /** Milliseconds since 1970. */
  readonly expiresAt: number;
}

interface Row {
  id: string;
  secret: string;
  name: string;
  one_device: boolean;
  expires_at: Date;
}
const linkOf = ({ id, secret, name, one_device, expires_at }: Row): TryLink => ({
  id,
  secret,
  name,
  oneDevice: one_device,
  expiresAt: expires_at.toISOString(),
});

/** What a phone is told whose link is not there: whoever guesses learns nothing from it. */
export const unknownLink = (): Problem =>
  new Problem(
    404,
    'try.unknown',
    'This link was revoked, or lost a piece on its way. Ask whoever sent it for a new one.',
  );
export const EXPIRED = 'This link has expired. Ask whoever sent it for a new one.';
export const REVOKED = 'This link was revoked by whoever made it. Ask them for a new one.';

export class TryLinksStore {
  constructor(
    private readonly db: Database,
    private readonly now: () => number = Date.now,
  ) {}

  /** Those that have not expired, the newest first. Throws `effect.missing`. */
  async list(effect: string): Promise<TryLink[]> {
    await expectEffect(this.db, effect);
    const { rows } = await this.db.query<Row>(
      `select id, secret, name, one_device, expires_at from try_links
       where effect = $1 and owner = $2 and expires_at > $3 order by created_at desc, id`,
      [effect, OWNER, new Date(this.now())],
    );
    return rows.map(linkOf);
  }

  /** Throws `effect.missing`, `try.too-many`. */
  async create(
    effect: string,
    { name, minutes, oneDevice }: { name: string; minutes: number; oneDevice: boolean },
  ): Promise<TryLink> {
    if ((await this.list(effect)).length >= MOST_LINKS)
      throw new Problem(
        409,
        'try.too-many',
        `This effect has ${MOST_LINKS} try links already. Revoke one that is no longer needed.`,
      );
    // What expired a week ago need not say so any longer.
    await this.db.query('delete from try_links where effect = $1 and owner = $2 and expires_at < $3', [
      effect,
      OWNER,
      new Date(this.now() - 7 * 86_400_000),
    ]);
    const { rows } = await this.db.query<Row>(
      `insert into try_links (id, owner, effect, secret, name, one_device, expires_at)
       values ($1, $2, $3, $4, $5, $6, $7) returning id, secret, name, one_device, expires_at`,
      [
        randomUUID(),
        OWNER,
        effect,
        randomBytes(20).toString('hex'),
        name,
        oneDevice,
        new Date(this.now() + minutes * 60_000),
      ],
    );
    return linkOf(rows[0]!);
  }

  /** Throws `try.missing`. */
  async remove(effect: string, link: string): Promise<void> {
    const { rows } = await this.db.query(
      'delete from try_links where id = $1 and effect = $2 and owner = $3 returning id',
      [link, effect, OWNER],
    );
    if (rows.length === 0)
      throw new Problem(
        404,
        'try.missing',
        'This try link is not there any more: it was revoked or expired.',
      );
  }

  /** Throws `try.unknown`, `try.expired`. */
  async open(secret: string): Promise<OpenLink> {
    const { rows } = await this.db.query<{ id: string; effect: string; expires_at: Date }>(
      'select id, effect, expires_at from try_links where secret = $1',
      [secret],
    );
    const [row] = rows;
    if (!row) throw unknownLink();
    if (row.expires_at.getTime() <= this.now()) throw new Problem(410, 'try.expired', EXPIRED);
    return { id: row.id, effect: row.effect, expiresAt: row.expires_at.getTime() };
  }

  /** Opens a link for a device: the first one keeps a link that is for one. Throws as `open`, and `try.taken`. */
  async openFor(secret: string, device: string): Promise<OpenLink> {
    const link = await this.open(secret);
    const { rows } = await this.db.query(
      `update try_links set device = coalesce(device, $2)
       where id = $1 and (not one_device or device is null or device = $2) returning id`,
      [link.id, device],
    );
    if (rows.length === 0)
      throw new Problem(
        403,
        'try.taken',
        'This link is for one device, and another one has opened it. Ask whoever sent it for a link of your own.',
      );
    return link;
  }
}
