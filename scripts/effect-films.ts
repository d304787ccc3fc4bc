/** Draws the moving thumbnails of the demo effects, as Home does, and keeps them in demo/films: npm run effect-films. */
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';

rmSync('demo/films', { recursive: true, force: true });
mkdirSync('demo/films', { recursive: true });
const data = mkdtempSync(join(tmpdir(), 'iconia-films-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1440, height: 2000 } });
interface Item {
  readonly id: string;
  readonly name: string;
  readonly film: number | null;
}
const list = async (): Promise<readonly Item[]> =>
  ((await (await fetch(`${server.base}/api/effects`)).json()) as { items: Item[] }).items;
await page.goto(server.base);
const fileOf = (name: string): string => `${name.toLowerCase().replaceAll(' ', '-')}.webp`;
for (;;) {
  const items = await list();
  if (items.every(({ film }) => film !== null)) break;
  await new Promise((next) => setTimeout(next, 1000));
}
for (const { id, name } of await list()) {
  const film = Buffer.from(await (await fetch(`${server.base}/api/effects/${id}/film`)).arrayBuffer());
  writeFileSync(join('demo/films', fileOf(name)), film);
  console.log(`${name}: ${(film.length / 1024).toFixed(0)} kB`);
}
const packages = readdirSync('demo/packages').map((file) => file.replace(/\.zip$/, '.webp'));
const missing = packages.filter((file) => !readdirSync('demo/films').includes(file));
if (missing.length > 0) throw new Error(`No film for ${missing.join(', ')}.`);
await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
