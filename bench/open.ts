/** From asking for an effect to its first right picture in the Viewfinder: Kelp Crown, and 200, 500 and 2,000 cards. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { plainPng } from '../e2e/harness/plain-png';
import { startServer } from '../e2e/harness/server';
import { blankEffect, newPicture } from '../src/core/document/defaults';
import { newCard } from '../src/core/kinds/objects/card';
import type { AssetId, FileRef, ObjectId, PictureAsset } from '../src/core/document/schema';
import { median, report } from './report';

const ROUNDS = 3;

const data = mkdtempSync(join(tmpdir(), 'iconia-open-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const call = async <T>(path: string, body?: unknown, type = 'application/json'): Promise<T> => {
  const response = await fetch(server.base + path, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { 'Content-Type': type },
    ...(body === undefined ? {} : { body: body instanceof Blob ? body : JSON.stringify(body) }),
  });
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  return (await response.json()) as T;
};

/** So many cards with forty pictures between them. */
const cards = async (count: number): Promise<string> => {
  const assets: PictureAsset[] = [];
  for (let i = 0; i < 40; i++) {
    const png = new Blob([new Uint8Array(await plainPng(`#${(0x102030 + i * 0x030501).toString(16)}`))]);
    const file = await call<FileRef>(`/api/files?name=p${i}.png`, png, 'application/octet-stream');
    assets.push(newPicture(`asset_p${1000 + i}` as AssetId, `p${i}.png`, file, 200, 120));
  }
  const objects = Array.from({ length: count }, (_, i) => {
    const card = newCard(`obj_card${i}` as ObjectId, assets[i % assets.length]!, i);
    return { ...card, move: [((i % 40) - 20) / 100, Math.floor(i / 40) / 200, 0.05] };
  });
  const effect = {
    ...blankEffect(`${count} cards`),
    assets: Object.fromEntries(assets.map((a) => [a.id, a])),
    objects: Object.fromEntries(objects.map((o) => [o.id, o])),
  };
  return (await call<{ id: string }>('/api/effects', effect)).id;
};

/** Milliseconds until the picture lacks nothing, in a browser that has seen Home. */
const openOnce = async (id: string): Promise<number> => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page: Page = await context.newPage();
  await page.goto(`${server.base}/`);
  const began = performance.now();
  await page.goto(`${server.base}/effects/${id}/place`);
  await page.locator('.finder canvas[data-wants=""]').waitFor({ timeout: 120_000 });
  const took = performance.now() - began;
  await context.close();
  return took;
};

const { items } = await call<{ items: { id: string; name: string }[] }>('/api/effects');
const kelp = items.find((e) => e.name === 'Kelp Crown')!.id;
for (const [name, id] of [
  ['kelp-crown', kelp],
  ['200-objects', await cards(200)],
  ['500-objects', await cards(500)],
  ['2000-objects', await cards(2000)],
] as const) {
  const times: number[] = [];
  for (let n = 0; n < ROUNDS; n++) times.push(await openOnce(id));
  report({ name: `atelier.open.${name}`, value: median(times), unit: 'ms' });
}
await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
