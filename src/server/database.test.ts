/** The folder on disk: first starts that are killed, full disks, power cuts. */
import { afterEach, beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { copyFileSync, cpSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { blankEffect } from '../core/document/defaults';
import { diff } from '../core/document/patch';
import { openDatabase } from './database';
import { EffectsStore } from './effects-store';
import { buildServer } from './testing';

jest.setTimeout(120_000);

let data: string;
const templateFile = 'dist/server/template.zip.gz';
beforeAll(buildServer);
beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'iconia-data-'));
});
afterEach(() => rmSync(data, { recursive: true, force: true }));

describe('a first start', () => {
  test('from the template, then again from what is there', async () => {
    const first = await openDatabase(data, { templateFile });
    await new EffectsStore(first).create(blankEffect('Kelp'));
    await first.close();
    const again = await openDatabase(data, { templateFile });
    expect((await new EffectsStore(again).list(5)).items.map((e) => e.name)).toEqual(['Kelp']);
    await again.close();
  });
  test.each([
    ['unpacked by half', 'database.unfinished', ['PG_VERSION', 'base/1/112']],
    ['begun by an older version and killed', 'database', ['base/1/112']],
    ['with its first file only', 'database', ['PG_VERSION']],
  ])('%s: it is begun anew', async (_what, folder, files) => {
    for (const file of files) {
      mkdirSync(dirname(join(data, folder, file)), { recursive: true });
      writeFileSync(join(data, folder, file), '18\n');
    }
    const db = await openDatabase(data, { templateFile });
    await new EffectsStore(db).create(blankEffect('Kelp'));
    expect((await new EffectsStore(db).list(5)).items).toHaveLength(1);
    await db.close();
    expect(existsSync(join(data, 'database.unfinished'))).toBe(false);
  });
  test('a full disk is said with how much is needed, and nothing is left behind', async () => {
    await expect(openDatabase(data, { templateFile, free: () => 20 * 1024 * 1024 })).rejects.toThrow(
      /no room for Iconia's data.*9[0-9] MB more are needed/,
    );
    expect(existsSync(join(data, 'database'))).toBe(false);
  });
  test('a folder that holds something else is said in a sentence and not touched', async () => {
    mkdirSync(join(data, 'database/global'), { recursive: true });
    for (const file of ['PG_VERSION', 'global/pg_control'])
      writeFileSync(join(data, 'database', file), 'nonsense');
    await expect(openDatabase(data, { templateFile })).rejects.toThrow(/cannot be opened/);
    expect(existsSync(join(data, 'database/global/pg_control'))).toBe(true);
  });
});

/**
 * A disk that forgets what was not synced: a copy of the folder to which a file goes only when it is synced. Opening that copy is
 * opening the folder after a power cut.
 */
const forgetfulDisk = (folder: string) => {
  const copy = mkdtempSync(join(tmpdir(), 'iconia-cut-'));
  return {
    copy,
    begin: () => cpSync(folder, join(copy, 'database'), { recursive: true }),
    synced: (path: string): void => {
      const inside = path.replace(/^.*?\/data\//, '');
      const [from, to] = [join(folder, inside), join(copy, 'database', inside)];
      if (!existsSync(join(copy, 'database')) || !existsSync(from)) return;
      mkdirSync(dirname(to), { recursive: true });
      if (/^[^.]*\.?[^/]*$/.test(inside)) {
        try {
          copyFileSync(from, to);
        } catch (error) {
          // A folder was synced: its files are copied when they are.
          if ((error as NodeJS.ErrnoException).code !== 'EISDIR') mkdirSync(to, { recursive: true });
        }
      }
    },
    remove: () => rmSync(copy, { recursive: true, force: true }),
  };
};

describe('a power cut', () => {
  const edits = async (effects: EffectsStore, count: number): Promise<string> => {
    const { id } = await effects.create(blankEffect('r1'));
    for (let n = 1; n < count; n++)
      await effects.save(id, n, diff(blankEffect(`r${n}`), blankEffect(`r${n + 1}`)));
    return id;
  };
  test('every acknowledged save is there after it, before and after a checkpoint', async () => {
    const disk = forgetfulDisk(join(data, 'database'));
    const db = await openDatabase(data, { templateFile, onSync: disk.synced });
    await db.exec('checkpoint');
    disk.begin();
    const effects = new EffectsStore(db);
    const first = await edits(effects, 12);
    await db.exec('checkpoint');
    const second = await edits(effects, 9);
    const after = await openDatabase(disk.copy);
    const found = new EffectsStore(after);
    expect((await found.get(first)).revision).toBe(12);
    expect((await found.get(second)).effect.name).toBe('r9');
    await after.close();
    await db.close();
    disk.remove();
  });
  test('without syncing they are not: the disk of this test does forget', async () => {
    const disk = forgetfulDisk(join(data, 'database'));
    const first = await openDatabase(data, { templateFile });
    await first.close();
    disk.begin();
    const db = await PGlite.create(join(data, 'database'));
    const id = await edits(new EffectsStore(db), 5);
    const after = await openDatabase(disk.copy);
    await expect(new EffectsStore(after).get(id)).rejects.toMatchObject({ code: 'effect.missing' });
    await after.close();
    await db.close();
    disk.remove();
  });
});
