import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import { compileCircuit } from '../core/surface/compile';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { check } from '../core/checks/checks';
import { usedFiles } from '../core/document/queries';
import { isOnFace } from '../core/kinds/objects/objects';
import { chronicleOf } from '../core/behave/chronicle';
import { loadQuickJs } from '../core/script/quickjs-engine';
import { compile } from '../core/program/program';
import { Runtime } from '../core/behave/runtime';
import { Player } from '../core/behave/player';
import { recordedTaps } from '../core/behave/recorded';
import type { ControlId, Effect } from '../core/document/schema';
import { takeFor } from '../core/takes/library/take-for';
import { FIRST_TAKE } from '../core/takes/library';
import type { Database } from './database';
import { EffectsStore } from './effects-store';
import type { FilesStore } from './files-store';
import { seedDemo } from './seed';
import type { ContentFiles } from './content-files';
import { testApp } from './testing';

jest.setTimeout(60_000);

let db: Database;
let content: ContentFiles;
let files: FilesStore;
let close: () => Promise<void>;
beforeAll(async () => {
  const made = await testApp();
  ({ db, content, close } = made);
  files = made.app.files;
});
afterAll(() => close());

/** The effect of that name, as it was seeded. */
const seeded = async (name: string): Promise<Effect> => {
  const effects = new EffectsStore(db);
  const { items } = await effects.list(50);
  return (await effects.get(items.find((e) => e.name === name)!.id)).effect;
};

describe('the demo', () => {
  test('comes in once, and what is deleted stays deleted', async () => {
    const effects = new EffectsStore(db);
    expect(await seedDemo(db, content, 'demo/packages')).toBe(6);
    const { items: list } = await effects.list(50);
    // Listed by name: each first start shows them alike.
    expect(list.map((e) => e.name)).toEqual([
      'Crab Catch',
      'Deep Booth',
      'Jelly Drift',
      'Kelp Crown',
      'Salt Glow',
      'Tide Card',
    ]);
    // Each with its moving thumbnail: Home shows them at the first visit.
    expect(list.map((e) => [e.film, e.revision])).toEqual(list.map(() => [1, 1]));
    for (const { id } of list) await effects.remove(id, false);
    expect(await seedDemo(db, content, 'demo/packages')).toBe(0);
    expect(await effects.list(50)).toEqual({ items: [], next: null });
  });
  test('is ready for release, has a crown with the head in it, and bubbles only after the pucker', async () => {
    await db.query('delete from facts');
    await seedDemo(db, content, 'demo/packages');
    const effect = await seeded('Kelp Crown');
    expect(check(effect)).toEqual([]);
    expect(Object.values(effect.objects).map((o) => o.kind)).toContain('occluder');
    for (const file of usedFiles(effect)) expect(await files.find(file.sha256)).toEqual(file);
    const player = new Player(effect, FIRST_TAKE);
    const bubbles = player.program.objects.findIndex((o) => o.name === 'Bubbles');
    const ring = player.program.objects.findIndex((o) => o.name === 'Sea-glass ring');
    const born = [0, 4, 7, 8.3, 11.9].map((t) => player.at(t).particlesOf(bubbles)!.count);
    expect(born.slice(0, 3)).toEqual([0, 0, 0]);
    expect(born[3]).toBeGreaterThan(12);
    expect(born[4]).toBe(0);
    // The glass goes round, and faster where the viewer moves the slider up.
    const turned = (p: Player, from: number): number =>
      Math.abs(p.at(from + 0.1).values(ring).turn[1] - p.at(from).values(ring).turn[1]);
    const fast = new Player(effect, FIRST_TAKE, {
      recorded: [{ time: 2, input: { kind: 'control', control: 'control_speed' as ControlId, value: 1 } }],
    });
    expect(turned(fast, 5)).toBeGreaterThan(3 * turned(player, 5));
    expect(player.at(3).prompt).toBe('prompt_pucker');
    expect(player.at(8).prompt).toBeNull();
  });
  test('Deep Booth is ready for release: people before the water, bubbles while the mouth is open, under one grade', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, content, 'demo/packages');
    const effect = await seeded('Deep Booth');
    expect(check(effect)).toEqual([]);
    const kinds = Object.values(effect.objects).map((o) => o.kind);
    expect(kinds.sort()).toEqual(['card', 'card', 'fill', 'fill', 'grade', 'live', 'live', 'text']);
    // The net of light is a circuit that moves by itself.
    const [net] = Object.values(effect.materials);
    expect(compileCircuit(net!.circuit!)).toMatchObject({ problems: [], moves: true });
    for (const file of usedFiles(effect)) expect(await files.find(file.sha256)).toEqual(file);
    const player = new Player(effect, FIRST_TAKE);
    const bubbles = player.program.objects.findIndex((o) => o.name === 'Bubbles');
    const shown = [...Array(24).keys()].map((i) => player.at(i / 2).values(bubbles).visible);
    expect(shown[0]).toBe(false);
    expect(shown).toContain(true);
    expect(shown.at(-1)).toBe(false);
  });
  test('Jelly Drift is ready for release: asleep until the viewer comes near, then bright, each in its own time', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, content, 'demo/packages');
    const effect = await seeded('Jelly Drift');
    expect(check(effect)).toEqual([]);
    const chronicle = chronicleOf(effect, takeFor(effect));
    const woke = chronicle.firings.find((f) => f.cue === 'cue_wakes');
    expect(woke).toBeDefined();
    const player = new Player(effect, takeFor(effect));
    const brightness = (t: number): number[] => [0, 1, 2, 3, 4].map((i) => player.at(t).values(i).opacity);
    expect(new Set(brightness(Math.max(0, woke!.time - 0.1)))).toEqual(new Set([0.45]));
    expect(new Set(brightness(woke!.time + 0.7).map((o) => o.toFixed(4))).size).toBeGreaterThan(3);
    expect(brightness(woke!.time + 2.5).every((o) => o > 0.9)).toBe(true);
  });
  test('Crab Catch is ready for release: twenty seconds from a tap, a mouth that catches, and the best of two games', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, content, 'demo/packages');
    const effect = await seeded('Crab Catch');
    expect(check(effect)).toEqual([]);
    expect(effect.cues).toEqual({});
    const program = compile(effect);
    const runtime = new Runtime(program, { scripts: await loadQuickJs() });
    const index = (name: string): number => program.objects.findIndex((o) => o.name === name);
    const texts = (): string[] =>
      ['Title', 'Score'].map((name) => (runtime.objectNow(index(name)) as { text: string }).text);
    const seconds = (from: number, to: number, taps: boolean, jaw: number): void => {
      for (let step = from * 60; step < to * 60; step++) {
        const frame = FIRST_TAKE.frameAt(0);
        const [face] = frame.faces;
        const tapped = taps && step === from * 60 ? { taps: [{ x: 0.5, y: 0.5 }], fingers: [] } : undefined;
        runtime.step({ ...frame, faces: [{ ...face!, expressions: { jawOpen: jaw } }] }, tapped);
      }
    };
    seconds(0, 1, false, 0);
    expect(texts()[0]).toBe('Crab Catch');
    expect(runtime.values(index('Crab')).visible).toBe(false);
    seconds(1, 2, true, 0.9);
    expect(texts()[0]).toBe('20');
    expect(runtime.values(index('Crab')).visible).toBe(true);
    seconds(2, 22, false, 0.9);
    const caught = Number(/You caught (\d+)/.exec(texts()[1]!)![1]);
    expect(caught).toBeGreaterThan(3);
    expect(texts()).toEqual(['The tide is in', `You caught ${caught}. Best: ${caught}. Tap for another`]);
    // With a shut mouth nothing is caught, and the best stays.
    seconds(22, 44, true, 0);
    expect(texts()[1]).toBe(`You caught 0. Best: ${caught}. Tap for another`);
  });
  test('Tide Card is ready for release: alive when the picture is found, the lighthouse by turns of a tap', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, content, 'demo/packages');
    const effect = await seeded('Tide Card');
    expect(check(effect)).toEqual([]);
    const player = new Player(effect, takeFor(effect), {
      recorded: recordedTaps([
        { time: 3, x: 0.5, y: 0.5 },
        { time: 5, x: 0.5, y: 0.5 },
      ]),
    });
    const index = (name: string): number => player.program.objects.findIndex((o) => o.name === name);
    const ferry = [1, 2.5].map((t) => player.at(t).values(index('Ferry')).move[0]);
    expect(ferry[1]! - ferry[0]!).toBeGreaterThan(0.005);
    expect(player.at(2).values(index('Surf')).media?.running).toBe(true);
    expect([2.5, 4, 6].map((t) => player.at(t).values(index('Beam')).visible)).toEqual([false, true, false]);
  });
  test('Salt Glow is ready for release: layers, lashes and retouch, and a look that changes nothing but the face', async () => {
    await db.exec('delete from facts; delete from effects');
    await seedDemo(db, content, 'demo/packages');
    const effect = await seeded('Salt Glow');
    expect(check(effect)).toEqual([]);
    const objects = Object.values(effect.objects);
    expect(objects.every(isOnFace)).toBe(true);
    expect(new Set(objects.map((o) => o.kind))).toEqual(new Set(['layer', 'lashes', 'retouch']));
    for (const file of usedFiles(effect)) expect(await files.find(file.sha256)).toEqual(file);
  });
  test('a folder that is not there, or holds something else, does not stop the start by half', async () => {
    await db.exec('delete from facts; delete from effects');
    expect(await seedDemo(db, content, 'demo/no-such-folder')).toBe(0);
    const folder = mkdtempSync(join(tmpdir(), 'iconia-seed-'));
    writeFileSync(join(folder, 'broken.zip'), 'not a zip');
    await expect(seedDemo(db, content, folder)).rejects.toThrow('cannot be opened');
    expect((await new EffectsStore(db).list(50)).items).toEqual([]);
    rmSync(folder, { recursive: true });
  });
});
