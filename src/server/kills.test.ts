/**
 * The built server, killed in the midst of saves, uploads, releases and first starts: what was acknowledged is there, and the folder
 * opens. Each kill at work meets all three of saves, uploads and releases.
 * `KILLS=200` (npm run kills) kills more often.
 */
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { startServer as start, type ServerOptions } from '../../e2e/harness/server';
import { blankEffect, newPicture } from '../core/document/defaults';
import { newCard } from '../core/kinds/objects/card';
import { newOccluder } from '../core/kinds/objects/occluder';
import { Random } from '../core/maths/random';
import type { AssetId, Effect, FileRef, ObjectId } from '../core/document/schema';
import { buildServer } from './testing';

const KILLS = Number(process.env.KILLS ?? 3);
/** While it saves, takes files and releases, all at once. */
const AT_WORK = Math.ceil((KILLS * 3) / 4);
const AT_FIRST_START = Math.ceil(KILLS / 4);
jest.setTimeout(120_000 + KILLS * 15_000);

let data: string;
beforeAll(buildServer);
const fresh = (): string => (data = mkdtempSync(join(tmpdir(), 'iconia-kill-')));
afterAll(() => rmSync(data, { recursive: true, force: true }));

const startServer = (options: ServerOptions = {}) => start(data, { briefly: true, ...options });

const send = async <T>(url: string, method = 'GET', body?: unknown): Promise<T> => {
  const raw = body instanceof Uint8Array;
  const response = await fetch(url, {
    method,
    headers: { 'Content-Type': raw ? 'application/octet-stream' : 'application/json' },
    ...(body === undefined ? {} : { body: raw ? Buffer.from(body) : JSON.stringify(body) }),
  });
  if (!response.ok) throw new Error(`${method} ${url}: ${response.status} ${await response.text()}`);
  return (await response.json()) as T;
};

/** Works until the server dies; what broke off was not acknowledged, anything else is a failure. */
const untilKilled = async (
  work: readonly ((base: string) => Promise<void>)[],
  base: string,
  died: Promise<unknown>,
  worked: () => void,
): Promise<void> => {
  await Promise.all(
    work.map(async (once) => {
      for (;;)
        try {
          await once(base);
          worked();
        } catch (error) {
          // By name: the test has a TypeError of its own.
          if ((error as Error).name !== 'TypeError') throw error;
          return;
        }
    }),
  );
  await died;
};

/** Edits of one effect; each that was acknowledged is in the document. */
const saves = () => {
  const acknowledged = new Set<ObjectId>();
  let [id, revision, n] = ['', 0, 0];
  return {
    acknowledged: () => acknowledged.size,
    work: async (base: string): Promise<void> => {
      const edit = `obj_kill-${n++}` as ObjectId;
      const patch = [{ op: 'add', path: `/objects/${edit}`, value: newOccluder(edit, n) }];
      ({ revision } = await send<{ revision: number }>(`${base}/api/effects/${id}`, 'PATCH', {
        revision,
        patch,
      }));
      acknowledged.add(edit);
    },
    look: async (base: string): Promise<void> => {
      if (!id) ({ id } = await send<{ id: string }>(`${base}/api/effects`, 'POST', blankEffect('Kill')));
      const now = await send<{ revision: number; document: Effect }>(`${base}/api/effects/${id}`);
      ({ revision } = now);
      for (const edit of acknowledged) expect(now.document.objects[edit]).toBeDefined();
    },
  };
};

/** Pictures, each another; each that was acknowledged comes back, whole. */
const uploads = () => {
  const acknowledged: FileRef[] = [];
  let n = 0;
  return {
    acknowledged: () => acknowledged.length,
    work: async (base: string): Promise<void> => {
      const background = { r: n % 256, g: n >> 8, b: 7 };
      const bytes = await sharp({
        create: { width: 60 + (n++ % 50), height: 40, channels: 3, background },
      })
        .png()
        .toBuffer();
      acknowledged.push(
        await send<FileRef>(`${base}/api/files?name=kill.png`, 'POST', new Uint8Array(bytes)),
      );
    },
    look: async (base: string): Promise<void> => {
      for (const { sha256, bytes } of acknowledged) {
        const body = Buffer.from(await (await fetch(`${base}/api/files/${sha256}`)).arrayBuffer());
        expect([body.length, createHash('sha256').update(body).digest('hex')]).toEqual([bytes, sha256]);
      }
    },
  };
};

/** Releases of one effect with a picture; each that was acknowledged is listed, and the newest is served. */
const releases = () => {
  const slugs = new Set<string>();
  let [id, newest] = ['', 0];
  const begin = async (base: string): Promise<void> => {
    const png = await sharp({ create: { width: 20, height: 10, channels: 4, background: '#0a8' } })
      .png()
      .toBuffer();
    const file = await send<FileRef>(`${base}/api/files?name=kelp.png`, 'POST', new Uint8Array(png));
    const asset = newPicture('asset_kelp' as AssetId, 'kelp.png', file, 20, 10);
    const card = newCard('obj_kelp' as ObjectId, asset, 0);
    const effect: Effect = {
      ...blankEffect('Kelp'),
      assets: { [asset.id]: asset },
      objects: { [card.id]: card },
      listing: { summary: 's', tags: [], icon: asset.id },
    };
    ({ id } = await send<{ id: string }>(`${base}/api/effects`, 'POST', effect));
  };
  return {
    acknowledged: () => newest,
    work: async (base: string): Promise<void> => {
      // More than thirty a minute would be too often; the pause is none for a person.
      await new Promise((next) => setTimeout(next, 40));
      const made = await send<{ slug: string; version: number }>(
        `${base}/api/effects/${id}/releases`,
        'POST',
        { revision: 1 },
      );
      slugs.add(made.slug);
      newest = made.version;
    },
    look: async (base: string): Promise<void> => {
      if (!id) return begin(base);
      expect(slugs.size).toBe(1);
      const listed = await send<{ version: number }[]>(`${base}/api/effects/${id}/releases`);
      expect(listed.map((r) => r.version)).toEqual(
        expect.arrayContaining(Array.from({ length: newest }, (_, i) => i + 1)),
      );
      const served = await fetch(`${base}/outlet/${[...slugs][0]!}/effect.zip`);
      expect([
        served.status,
        Buffer.from(await served.arrayBuffer())
          .subarray(0, 2)
          .toString(),
      ]).toEqual([200, 'PK']);
    },
  };
};

test(`killed ${AT_WORK} times in the midst of saves, uploads and releases: all that was acknowledged is there`, async () => {
  fresh();
  const random = new Random(77);
  const kinds = [saves(), uploads(), releases()];
  const look = async (base: string): Promise<void> => {
    for (const kind of kinds) await kind.look(base);
  };
  for (let round = 0; round < AT_WORK; round++) {
    const server = await startServer({ args: ['--no-demo'] });
    await look(server.base);
    // The first ones meet a server that is still getting warm.
    for (const kind of kinds) await kind.work(server.base);
    const died = new Promise((done) => server.process.once('exit', done));
    const before = kinds.map((kind) => kind.acknowledged());
    // However slow the machine: once each kind was answered with the others at work, at any moment of what follows.
    let killing = false;
    const killSoon = (): void => {
      if (killing || kinds.some((kind, i) => kind.acknowledged() <= before[i]!)) return;
      killing = true;
      setTimeout(() => server.process.kill('SIGKILL'), random.between(0, 400));
    };
    await untilKilled(
      kinds.map((kind) => kind.work),
      server.base,
      died,
      killSoon,
    );
  }
  for (const kind of kinds) expect(kind.acknowledged()).toBeGreaterThanOrEqual(2 * AT_WORK);
  const server = await startServer({ args: ['--no-demo'] });
  await look(server.base);
  await server.stop();
  rmSync(data, { recursive: true, force: true });
});

test(`killed ${AT_FIRST_START} times at the first start, the next one is whole, with the demos once`, async () => {
  const random = new Random(80);
  for (let killed = 0; killed < AT_FIRST_START;) {
    fresh();
    // Folders are killed twice, the second time at what the first has left.
    const times = Math.min(2, AT_FIRST_START - killed);
    for (let again = 0; again < times; again++, killed++) {
      const starting = startServer({
        onStarted: (process) => setTimeout(() => process.kill('SIGKILL'), random.between(150, 2600)),
      });
      // It may be up before it is killed.
      const up = await starting.catch(() => null);
      if (up && up.process.signalCode === null) await new Promise((done) => up.process.once('exit', done));
    }
    const server = await startServer();
    const { items } = await send<{ items: { name: string }[] }>(`${server.base}/api/effects`);
    expect(items.map((e) => e.name).sort()).toEqual([
      'Crab Catch',
      'Deep Booth',
      'Jelly Drift',
      'Kelp Crown',
      'Salt Glow',
      'Tide Card',
    ]);
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
});

test('a second start on the same folder says which process has it; what was deleted stays deleted', async () => {
  fresh();
  const first = await startServer();
  await expect(startServer()).rejects.toThrow(`in use by process ${first.process.pid}`);
  const { items } = await send<{ items: { id: string }[] }>(`${first.base}/api/effects`);
  expect(items).toHaveLength(6);
  for (const { id } of items) await fetch(`${first.base}/api/effects/${id}`, { method: 'DELETE' });
  await first.stop();
  const second = await startServer();
  expect(await send(`${second.base}/api/effects`)).toEqual({ items: [], next: null });
  await second.stop();
  // Ended the moment it is open, it ends as it should.
  const third = await startServer();
  expect(await third.stop()).toBe(0);
});
