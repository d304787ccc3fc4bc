/** An acknowledged save is on disk: the server is killed in the midst of saves, again and again. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { blankEffect } from '../src/core/document/defaults';
import { newOccluder } from '../src/core/document/new-objects';
import { Random } from '../src/core/maths/random';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { startServer } from './harness/server';

const ROUNDS = 20;

const json = async (url: string, init?: RequestInit): Promise<{ status: number; body: unknown }> => {
  const response = await fetch(url, { ...init, headers: { 'Content-Type': 'application/json' } });
  return { status: response.status, body: (await response.json()) as unknown };
};

test(`killed ${ROUNDS} times in the midst of saves, every acknowledged edit is there after restart`, async () => {
  test.setTimeout(300_000);
  const data = mkdtempSync(join(tmpdir(), 'iconia-kill-'));
  const random = new Random(77);
  const acknowledged = new Set<string>();
  let id = '';
  try {
    for (let round = 0; round < ROUNDS; round++) {
      const server = await startServer(data, 0, ['--no-demo']);
      const url = `${server.base}/api/effects`;
      if (!id)
        id = (
          (await json(url, { method: 'POST', body: JSON.stringify(blankEffect('Kill')) })).body as {
            id: string;
          }
        ).id;
      const { document, ...opened } = (await json(`${url}/${id}`)).body as {
        revision: number;
        document: Effect;
      };
      let { revision } = opened;
      for (const edit of acknowledged)
        expect(document.objects[edit as ObjectId], `${edit} after kill ${round}`).toBeDefined();

      const died = new Promise((done) => server.process.once('exit', done));
      setTimeout(() => server.process.kill('SIGKILL'), random.between(40, 400));
      for (let n = 0; ; n++) {
        const edit = `obj_kill-${round}-${n}` as ObjectId;
        const patch = [{ op: 'add', path: `/objects/${edit}`, value: newOccluder(edit, n) }];
        try {
          const { status, body } = await json(`${url}/${id}`, {
            method: 'PATCH',
            body: JSON.stringify({ revision, patch }),
          });
          expect(status).toBe(200);
          revision = (body as { revision: number }).revision;
          acknowledged.add(edit);
        } catch (error) {
          // The connection broke: this edit was not acknowledged. Anything else is a failure.
          if (!(error instanceof TypeError)) throw error;
          break;
        }
      }
      await died;
    }
    expect(acknowledged.size).toBeGreaterThan(ROUNDS);
    const server = await startServer(data, 0, ['--no-demo']);
    const { document } = (await json(`${server.base}/api/effects/${id}`)).body as { document: Effect };
    for (const edit of acknowledged) expect(document.objects[edit as ObjectId]).toBeDefined();
    await server.stop();
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
});

test('a second start on the same folder says which process has it; a clean stop frees it', async () => {
  const data = mkdtempSync(join(tmpdir(), 'iconia-lock-'));
  const first = await startServer(data);
  await expect(startServer(data)).rejects.toThrow(`in use by process ${first.process.pid}`);
  // The demo is seeded once: what was deleted stays deleted.
  const demos = (await json(`${first.base}/api/effects`)).body as { id: string; document: Effect }[];
  expect(demos.map((d) => d.document.name).sort()).toEqual([
    'Deep Booth',
    'Jelly Drift',
    'Kelp Crown',
    'Salt Glow',
    'Tide Card',
  ]);
  for (const { id } of demos) await fetch(`${first.base}/api/effects/${id}`, { method: 'DELETE' });
  await first.stop();
  const second = await startServer(data);
  expect((await json(`${second.base}/api/effects`)).body).toEqual([]);
  await second.stop();
  rmSync(data, { recursive: true, force: true });
});
