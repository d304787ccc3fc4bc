import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { compileCircuit } from '../core/surface/compile';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { check } from '../core/checks/checks';
import { isOnFace, usedFiles } from '../core/document/queries';
import { Player } from '../core/behave/player';
import { FIRST_TAKE } from '../core/takes/library';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import { FilesStore } from './files-store';
import { seedDemo } from './seed';
import { memoryDatabase } from './testing';

jest.setTimeout(60_000);

let db: Database;
beforeAll(async () => {
  db = await memoryDatabase();
});
afterAll(() => db.close());

describe('the demo', () => {
  test('comes in once, and what is deleted stays deleted', async () => {
    const effects = new EffectsStore(db);
    expect(await seedDemo(db, 'demo/packages')).toBe(3);
    const list = await effects.list();
    expect(list.map((e) => e.effect.name).sort()).toEqual(['Deep Booth', 'Kelp Crown', 'Salt Glow']);
    for (const { id } of list) await effects.remove(id);
    expect(await seedDemo(db, 'demo/packages')).toBe(0);
    expect(await effects.list()).toEqual([]);
  });
  test('is ready for release, has a crown with the head in it, and bubbles only after the pucker', async () => {
    await db.query('delete from facts');
    await seedDemo(db, 'demo/packages');
    const { effect } = (await new EffectsStore(db).list()).find((e) => e.effect.name === 'Kelp Crown')!;
    expect(check(effect)).toEqual([]);
    expect(Object.values(effect.objects).map((o) => o.kind)).toContain('occluder');
    const files = new FilesStore(db);
    for (const file of usedFiles(effect)) expect(await files.find(file.sha256)).toEqual(file);
    const player = new Player(effect, FIRST_TAKE);
    const bubbles = player.program.objects.findIndex((o) => o.name === 'Bubbles');
    const shown = [0, 4, 6, 7, 8.3, 9, 10].map((t) => player.at(t).values(bubbles).visible);
    expect(shown).toEqual([false, false, false, false, true, true, false]);
    // Back where they began, for the next time.
    const after = player.at(11.5).values(bubbles);
    expect(after.move[1]).toBeCloseTo(player.program.objects[bubbles]!.move[1], 9);
  });
  test('Deep Booth is ready for release: people before the water, bubbles while the mouth is open, under one grade', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, 'demo/packages');
    const { effect } = (await new EffectsStore(db).list()).find((e) => e.effect.name === 'Deep Booth')!;
    expect(check(effect)).toEqual([]);
    const kinds = Object.values(effect.objects).map((o) => o.kind);
    expect(kinds.sort()).toEqual(['card', 'card', 'fill', 'fill', 'grade', 'live', 'live', 'text']);
    // The net of light is a circuit that moves by itself.
    const [net] = Object.values(effect.materials);
    expect(compileCircuit(net!.circuit!)).toMatchObject({ problems: [], moves: true });
    const files = new FilesStore(db);
    for (const file of usedFiles(effect)) expect(await files.find(file.sha256)).toEqual(file);
    const player = new Player(effect, FIRST_TAKE);
    const bubbles = player.program.objects.findIndex((o) => o.name === 'Bubbles');
    const shown = [...Array(24).keys()].map((i) => player.at(i / 2).values(bubbles).visible);
    expect(shown[0]).toBe(false);
    expect(shown).toContain(true);
    expect(shown.at(-1)).toBe(false);
  });
  test('Salt Glow is ready for release: layers, lashes and retouch, and a look that changes nothing but the face', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, 'demo/packages');
    const { effect } = (await new EffectsStore(db).list()).find((e) => e.effect.name === 'Salt Glow')!;
    expect(check(effect)).toEqual([]);
    const objects = Object.values(effect.objects);
    expect(objects.every(isOnFace)).toBe(true);
    expect(new Set(objects.map((o) => o.kind))).toEqual(new Set(['layer', 'lashes', 'retouch']));
    const files = new FilesStore(db);
    for (const file of usedFiles(effect)) expect(await files.find(file.sha256)).toEqual(file);
  });
  test('a folder that is not there, or holds something else, does not stop the start by half', async () => {
    await db.exec('delete from facts; delete from effects');
    expect(await seedDemo(db, 'demo/no-such-folder')).toBe(0);
    const folder = mkdtempSync(join(tmpdir(), 'iconia-seed-'));
    writeFileSync(join(folder, 'broken.zip'), 'not a zip');
    await expect(seedDemo(db, folder)).rejects.toThrow('cannot be opened');
    expect(await new EffectsStore(db).list()).toEqual([]);
    rmSync(folder, { recursive: true });
  });
});
