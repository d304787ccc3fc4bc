/** The built server under load: a hundred viewers of a small effect and ten creators who save, for thirty seconds. */
import { Agent, get } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServer } from '../e2e/harness/server';
import { sampleEffect } from '../src/core/document/sample';
import { percentile, report } from './report';

const SECONDS = Number(process.env.LOAD_SECONDS ?? 30);
const VIEWERS = 100;
const SAVERS = 10;

const data = mkdtempSync(join(tmpdir(), 'iconia-load-'));
const server = await startServer(data);
const { base } = server;
const json = async <T>(path: string, method = 'GET', body?: unknown): Promise<T> => {
  const response = await fetch(base + path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status}`);
  return (await response.json()) as T;
};

const { items } = await json<{ items: { id: string; name: string }[] }>('/api/effects');
const kelp = items.find((e) => e.name === 'Kelp Crown')!;
const { slug } = await json<{ slug: string }>(`/api/effects/${kelp.id}/releases`, 'POST', { revision: 1 });
const html = await (await fetch(`${base}/show/${slug}`)).text();
const scripts = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+)"/g)].map((m) => m[1]!);

const pages: number[] = [];
const saves: number[] = [];
let failed = 0;
const until = performance.now() + 1000 * SECONDS;
const timed = async (into: number[], work: () => Promise<void>): Promise<void> => {
  const started = performance.now();
  try {
    await work();
    into.push(performance.now() - started);
  } catch {
    failed++;
  }
};
const pause = (ms: number) => new Promise((next) => setTimeout(next, ms));
const agent = new Agent({ keepAlive: true, maxSockets: 400 });
/** Reads what is sent and does nothing with it: unpacking would be the browser's work, on another machine. */
const read = (path: string): Promise<void> =>
  new Promise((done, fail) => {
    const asked = get(base + path, { agent, headers: { 'Accept-Encoding': 'br, gzip' } }, (response) => {
      response.resume();
      response.on('error', fail);
      response.on('end', () => (response.statusCode === 200 ? done() : fail(new Error(path))));
    });
    asked.on('error', fail);
  });

/** Opens the page with all it needs, then looks at it for a while. */
const viewer = async (n: number): Promise<void> => {
  await pause((3000 * n) / VIEWERS);
  while (performance.now() < until) {
    await timed(pages, () => read(`/show/${slug}`));
    await Promise.all([...scripts, `/outlet/${slug}/effect.zip`].map((path) => timed([], () => read(path))));
    await pause(2500);
  }
};
const saver = async (n: number): Promise<void> => {
  const made = await json<{ id: string }>('/api/effects', 'POST', sampleEffect(20, 5));
  let revision = 1;
  while (performance.now() < until) {
    await timed(saves, async () => {
      const patch = [{ op: 'replace', path: '/name', value: `Saver ${n}, ${revision}` }];
      ({ revision } = await json<{ revision: number }>(`/api/effects/${made.id}`, 'PATCH', {
        revision,
        patch,
      }));
    });
    await pause(350);
  }
};
await Promise.all([
  ...Array.from({ length: VIEWERS }, (_, n) => viewer(n)),
  ...Array.from({ length: SAVERS }, (_, n) => saver(n)),
]);
report({ name: 'load.page.p95', value: percentile(pages, 0.95), unit: 'ms', pages: pages.length, failed });
report({ name: 'load.save.p95', value: percentile(saves, 0.95), unit: 'ms', saves: saves.length, failed });
agent.destroy();
await server.stop();
rmSync(data, { recursive: true, force: true });
if (failed > 0) process.exitCode = 1;
