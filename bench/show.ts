/** The show page: size of its code (gzip, without the tracker), and time to the first drawn frame. */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';
import { median, report } from './report';

const ROOT = 'dist/client';
const IMPORTED = /(?:from|import)\s*["'](\.[^"']+\.js)["']/g;
const FETCHED = /import\s*\(\s*["'`](\.[^"'`]+\.js)["'`]\s*\)/g;

/** A script and all that comes with it; with `later`, what it fetches afterwards too. */
const scripts = (file: string, later: boolean, found: Set<string>): void => {
  if (found.has(file)) return;
  found.add(file);
  const text = readFileSync(file, 'utf8');
  for (const pattern of later ? [IMPORTED, FETCHED] : [IMPORTED])
    for (const [, path] of text.matchAll(pattern)) scripts(join(dirname(file), path!), later, found);
};
/** The code of the page, with what is fetched for an effect: parts by the beginning of their names. */
const codeOf = (page: string, parts: readonly string[] | 'all'): Set<string> => {
  const found = new Set<string>();
  const html = readFileSync(join(ROOT, page), 'utf8');
  for (const [, path] of html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.(?:js|css))"/g))
    if (path!.endsWith('.css')) found.add(join(ROOT, path!));
    else scripts(join(ROOT, path!), parts === 'all', found);
  if (parts === 'all') return found;
  const folder = join(ROOT, 'assets/show');
  const files = readdirSync(folder);
  for (const part of parts) {
    const file = files.find((name) => name.startsWith(`${part}-`) && name.endsWith('.js'));
    if (!file) throw new Error(`There is no part of the page called ${part}.`);
    scripts(join(folder, file), false, found);
  }
  return found;
};
const kilobytes = (files: Set<string>): number =>
  [...files].reduce((sum, file) => sum + gzipSync(readFileSync(file), { level: 9 }).length, 0) / 1024;

// In English, on the viewer's camera: a picture on a face with two cues; make-up; a model. Then what the performer behind the start brings, and all.
const CODE = {
  'show.code.gzip.picture': ['en'],
  'show.code.gzip.makeup': ['en', 'faces', 'camera'],
  'show.code.gzip.model': ['en', 'models', 'surfaces', 'camera', 'GLTFLoader', 'SkeletonUtils'],
  'show.code.gzip.picture-on-performer': ['en', 'on-performer'],
  'show.code.gzip': 'all',
} as const;
for (const [name, parts] of Object.entries(CODE))
  report({ name, value: kilobytes(codeOf('show.html', parts)), unit: 'kB' });

const data = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const server = await startServer(data);
const { items } = (await (await fetch(`${server.base}/api/effects`)).json()) as {
  items: { id: string; name: string; revision: number }[];
};
const effect = items.find((e) => e.name === 'Kelp Crown')!;
const released = (await (
  await fetch(`${server.base}/api/effects/${effect.id}/releases`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ revision: effect.revision }),
  })
).json()) as { slug: string };
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const times: number[] = [];
for (let n = 0; n < 5; n++) {
  // A phone's size; a fresh context each time, so that nothing is cached.
  const context = await browser.newContext({ viewport: { width: 360, height: 640 } });
  const page = await context.newPage();
  await page.goto(`${server.base}/show/${released.slug}`);
  await page.waitForFunction(() => performance.getEntriesByName('first-frame').length > 0);
  times.push(await page.evaluate(() => performance.getEntriesByName('first-frame')[0]!.startTime));
  await context.close();
}
await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
report({ name: 'show.first-frame', value: median(times), unit: 'ms' });
