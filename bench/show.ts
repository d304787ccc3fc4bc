/** The show page: size of its code (gzip, without the tracker), and time to the first drawn frame. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';
import { median, report } from './report';

/** Every file the page loads as code: scripts and all they import, at once or later. */
const codeOf = (page: string): Set<string> => {
  const root = 'dist/client';
  const found = new Set<string>();
  const visit = (file: string): void => {
    if (found.has(file)) return;
    found.add(file);
    const text = readFileSync(file, 'utf8');
    for (const [, path] of text.matchAll(/(?:from|import)\s*\(?\s*["'](\.[^"']+\.js)["']/g))
      visit(join(dirname(file), path!));
  };
  const html = readFileSync(join(root, page), 'utf8');
  for (const [, path] of html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.(?:js|css))"/g)) {
    if (path!.endsWith('.css')) found.add(join(root, path!));
    else visit(join(root, path!));
  }
  return found;
};

const bytes = [...codeOf('show.html')].reduce(
  (sum, file) => sum + gzipSync(readFileSync(file), { level: 9 }).length,
  0,
);
report({ name: 'show.code.gzip', value: bytes / 1024, unit: 'kB' });

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
