/** An acknowledged save over HTTP, against one plain insert into the same database; both are synced. */
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sampleEffect } from '../src/core/document/sample';
import { createApp } from '../src/server/app';
import { ContentFiles } from '../src/server/content-files';
import { openDatabase } from '../src/server/database';
import { inlineJobs } from '../src/server/jobs/inline-jobs';
import { median, report } from './report';

const data = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const db = await openDatabase(data, { templateFile: 'dist/server/template.zip.gz' });
const server = createServer(
  createApp({ db, content: new ContentFiles(join(data, 'files')), jobs: inlineJobs }),
);
await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/effects`;
const send = async (
  method: string,
  path: string,
  body: unknown,
): Promise<{ id: string; revision: number }> => {
  const response = await fetch(base + path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(await response.text());
  return (await response.json()) as { id: string; revision: number };
};

const { id } = await send('POST', '', sampleEffect(20, 5));
await db.exec('create table bench (n integer, at timestamptz default now())');
const [saves, inserts]: [number[], number[]] = [[], []];
let revision = 1;
// Alternating, so that both meet the same disk.
for (let n = 0; n < 120; n++) {
  let started = performance.now();
  ({ revision } = await send('PATCH', `/${id}`, {
    revision,
    patch: [{ op: 'replace', path: '/name', value: `Bench ${n}` }],
  }));
  saves.push(performance.now() - started);
  started = performance.now();
  await db.query('insert into bench (n) values ($1)', [n]);
  inserts.push(performance.now() - started);
}
// The first ones warm up.
const [save, insert] = [median(saves.slice(20)), median(inserts.slice(20))];
report({
  name: 'save.acknowledged',
  value: save,
  unit: 'ms',
  ratio: save / insert,
  against: 'one plain insert',
});
server.close();
server.closeAllConnections();
await db.close();
rmSync(data, { recursive: true, force: true });
