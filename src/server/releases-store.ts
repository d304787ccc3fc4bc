/** Releases: the package is built here, kept with its version, and served under a public address. */
import { randomBytes, randomUUID } from 'node:crypto';
import { check, stops } from '../core/checks/checks';
import { usedFiles } from '../core/document/queries';
import type { ContentFiles } from './content-files';
import type { Database, Queries } from './database';
import type { EffectsStore } from './effects-store';
import { OWNER } from './owner';
import type { FilesStore } from './files-store';
import type { Jobs } from './jobs/jobs';
import { Problem } from './problem';

export const OPEN_WEB = 'open-web';

export interface ReleaseRow {
  readonly version: number;
  readonly slug: string;
  readonly size: number;
  readonly name: string;
  readonly at: string;
}

/** "Kelp Crown!" to "kelp-crown-3f9a". */
const newSlug = (name: string): string => {
  const words = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  return `${words || 'effect'}-${randomBytes(3).toString('hex')}`;
};

export class ReleasesStore {
  constructor(
    private readonly db: Database,
    private readonly effects: EffectsStore,
    private readonly files: FilesStore,
    private readonly content: ContentFiles,
    private readonly jobs: Jobs,
  ) {}

  /** The address of an effect; a new one when it has none. No two effects share one. */
  private async address(queries: Queries, effect: string, name: string): Promise<string> {
    for (let tries = 0; tries < 20; tries++) {
      await queries.query(
        'insert into addresses (slug, owner, effect, outlet) values ($1, $2, $3, $4) on conflict do nothing',
        [newSlug(name), OWNER, effect, OPEN_WEB],
      );
      const { rows } = await queries.query<{ slug: string }>(
        'select slug from addresses where effect = $1 and outlet = $2',
        [effect, OPEN_WEB],
      );
      if (rows[0]) return rows[0].slug;
    }
    throw new Error('No free address was found.');
  }

  /** Releases the effect as it stands at `revision`. All releases of an effect share one address. */
  async release(effectId: string, revision: number): Promise<ReleaseRow> {
    const { effect, revision: current } = await this.effects.get(effectId);
    if (current !== revision)
      throw new Problem(
        409,
        'effect.stale',
        'The effect was changed meanwhile. Look at it again, then release.',
        {
          revision: current,
        },
      );
    const open = stops(check(effect));
    if (open.length > 0)
      throw new Problem(422, 'release.checks', 'The effect cannot be released yet: see the checks.', {
        findings: open,
      });
    const paths: Record<string, string> = {};
    for (const { sha256 } of usedFiles(effect)) paths[sha256] = (await this.files.locate(sha256)).path;
    // Two releases at once: the later one finds its number taken and takes the next.
    for (let tries = 0; tries < 5; tries++) {
      const version = (await this.newest(effectId)) + 1;
      const { zip, name, manifest } = await this.jobs.build(effect, version, paths);
      const sha256 = await this.content.put(zip);
      const row = await this.db.transaction(async (tx) => {
        const slug = await this.address(tx, effectId, effect.name);
        const { rows } = await tx.query<{ at: Date }>(
          `insert into releases (id, owner, effect, outlet, version, slug, manifest, sha256, size)
           values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
           on conflict (effect, outlet, version) do nothing returning created_at as at`,
          [
            randomUUID(),
            OWNER,
            effectId,
            OPEN_WEB,
            version,
            slug,
            JSON.stringify(manifest),
            sha256,
            zip.length,
          ],
        );
        return rows[0] && { version, slug, size: zip.length, name, at: rows[0].at.toISOString() };
      });
      if (row) return row;
    }
    throw new Problem(409, 'release.busy', 'This effect is being released elsewhere just now. Try again.');
  }

  private async newest(effectId: string): Promise<number> {
    const { rows } = await this.db.query<{ version: number | null }>(
      'select max(version) as version from releases where effect = $1 and outlet = $2 and owner = $3',
      [effectId, OPEN_WEB, OWNER],
    );
    return rows[0]!.version ?? 0;
  }

  async list(effectId: string): Promise<ReleaseRow[]> {
    const { rows } = await this.db.query<{
      version: number;
      slug: string;
      size: number;
      name: string;
      at: Date;
    }>(
      `select version, slug, size, manifest->>'name' as name, created_at as at from releases
       where effect = $1 and owner = $2 and outlet = $3 order by version desc`,
      [effectId, OWNER, OPEN_WEB],
    );
    return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
  }

  /** The newest package under a public address: where its bytes lie. */
  async packageOf(slug: string): Promise<{ path: string; sha256: string; version: number }> {
    const { rows } = await this.db.query<{ sha256: string; version: number }>(
      `select r.sha256, r.version from addresses a join releases r on r.effect = a.effect and r.outlet = a.outlet
       where a.slug = $1 order by r.version desc limit 1`,
      [slug],
    );
    if (!rows[0]) throw new Problem(404, 'release.missing', 'No effect is released under this address.');
    return { ...rows[0], path: this.content.path(rows[0].sha256) };
  }
}
