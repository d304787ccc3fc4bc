/** Releases: the package is built here, kept with its version, and served under a public address. */
import { randomBytes, randomUUID } from 'node:crypto';
import { check, stops } from '../core/checks/checks';
import { usedFiles } from '../core/document/queries';
import { readPackage, writePackage } from '../core/package/effect-package';
import type { Database } from './database';
import { OWNER, type EffectsStore } from './effects-store';
import type { FilesStore } from './files-store';
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
  ) {}

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
    const bytes = new Map<string, Uint8Array>();
    for (const { sha256 } of usedFiles(effect)) bytes.set(sha256, (await this.files.read(sha256)).bytes);
    return this.db.transaction(async (tx) => {
      const { rows } = await tx.query<{ slug: string; version: number }>(
        'select slug, version from releases where effect = $1 and outlet = $2 and owner = $3 order by version desc limit 1',
        [effectId, OPEN_WEB, OWNER],
      );
      const version = (rows[0]?.version ?? 0) + 1;
      const slug = rows[0]?.slug ?? newSlug(effect.name);
      const zip = writePackage(effect, version, ({ sha256 }) => bytes.get(sha256)!);
      const { manifest } = readPackage(zip);
      const inserted = await tx.query<{ created_at: Date }>(
        `insert into releases (id, owner, effect, outlet, version, slug, manifest, package, size)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9) returning created_at`,
        [randomUUID(), OWNER, effectId, OPEN_WEB, version, slug, JSON.stringify(manifest), zip, zip.length],
      );
      return {
        version,
        slug,
        size: zip.length,
        name: manifest.name,
        at: inserted.rows[0]!.created_at.toISOString(),
      };
    });
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

  /** The newest package under a public address. */
  async packageOf(slug: string): Promise<{ zip: Uint8Array; version: number }> {
    const { rows } = await this.db.query<{ package: Uint8Array; version: number }>(
      'select package, version from releases where slug = $1 order by version desc limit 1',
      [slug],
    );
    if (!rows[0]) throw new Problem(404, 'release.missing', 'No effect is released under this address.');
    return { zip: rows[0].package, version: rows[0].version };
  }
}
