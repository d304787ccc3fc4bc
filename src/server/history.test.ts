/** Lists in pages, effects that are live, and history that does not grow without end. */
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { blankEffect } from '../core/document/defaults';
import { diff } from '../core/document/patch';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import { testApp } from './testing';

jest.setTimeout(60_000);

let db: Database;
let close: () => Promise<void>;
let effects: EffectsStore;
beforeAll(async () => {
  ({ db, close } = await testApp());
  effects = new EffectsStore(db);
});
afterAll(() => close());

describe('lists', () => {
  test('pages follow each other without a gap, and one that cannot be read does not keep the others away', async () => {
    for (let n = 0; n < 7; n++) await effects.create(blankEffect(`Effect ${n}`));
    await db.exec(`update effects set document = '{"schema": 99}' where name = 'Effect 3'`);
    // The same instant for all: the id decides.
    await db.exec('update effects set updated_at = now()');
    const names: string[] = [];
    let next: string | null = null;
    let pages = 0;
    do {
      const page: Awaited<ReturnType<EffectsStore['list']>> = await effects.list(3, next);
      expect(page.items.length).toBeLessThanOrEqual(3);
      names.push(...page.items.map((e) => e.name));
      ({ next } = page);
      pages++;
    } while (next !== null);
    expect(pages).toBe(3);
    expect([...names].sort()).toEqual(Array.from({ length: 7 }, (_, n) => `Effect ${n}`));
    await expect(effects.list(3, 'bm9uc2Vuc2U')).rejects.toMatchObject({ status: 400 });
    await expect(
      effects.list(3, Buffer.from('["x; drop table effects","1"]').toString('base64url')),
    ).rejects.toMatchObject({
      status: 400,
    });
  });
});

describe('live effects', () => {
  test('are deleted only with a word about their address, which then finds nothing', async () => {
    const { id } = await effects.create(blankEffect('Live'));
    await db.query(
      "insert into addresses (slug, owner, effect, outlet) values ('live-1', 'owner', $1, 'open-web')",
      [id],
    );
    await expect(effects.remove(id, false)).rejects.toMatchObject({
      code: 'effect.live',
      extra: { address: 'live-1' },
    });
    expect((await effects.get(id)).effect.name).toBe('Live');
    await effects.remove(id, true);
    expect((await db.query("select 1 from addresses where slug = 'live-1'")).rows).toEqual([]);
  });
  test('no two share an address', async () => {
    const [a, b] = [await effects.create(blankEffect('A')), await effects.create(blankEffect('B'))];
    const insert = (id: string) =>
      db.query(
        "insert into addresses (slug, owner, effect, outlet) values ('same', 'owner', $1, 'open-web')",
        [id],
      );
    await insert(a.id);
    await expect(insert(b.id)).rejects.toThrow(/duplicate key/);
  });
});

describe('history', () => {
  test('the last two hundred revisions are all there; older days keep one whole document each', async () => {
    const { id } = await effects.create(blankEffect('r1'));
    const save = (n: number) => effects.save(id, n, diff(blankEffect(`r${n}`), blankEffect(`r${n + 1}`)));
    for (let n = 1; n < 200; n++) await save(n);
    // The first hundred were made the day before yesterday, the next fifty yesterday.
    await db.query(
      `update revisions set created_at = now() - case when revision < 100 then interval '2 days'
         when revision < 150 then interval '1 day' else interval '0' end where effect = $1`,
      [id],
    );
    for (let n = 200; n < 425; n++) await save(n);
    const { rows } = await db.query<{ revision: number }>(
      'select revision from revisions where effect = $1 order by revision',
      [id],
    );
    const kept = rows.map((r) => r.revision);
    for (let n = 225; n <= 425; n++) expect(kept).toContain(n);
    // 75 is the last whole document of the first day, 125 of the second.
    expect(kept.filter((n) => n < 225)).toEqual([75, 125]);
    for (const n of [75, 125, 225, 300, 425]) expect((await effects.at(id, n)).name).toBe(`r${n}`);
    await expect(effects.at(id, 80)).rejects.toMatchObject({ code: 'revision.missing' });
  });
});
