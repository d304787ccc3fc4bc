/** From the click on *Wall of takes* to the first full wall: Kelp Crown on six skin tones. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';
import { median, report } from './report';

const ROUNDS = 3;

const data = mkdtempSync(join(tmpdir(), 'iconia-try-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const { items } = (await (await fetch(`${server.base}/api/effects`)).json()) as {
  items: { id: string; name: string }[];
};
const kelp = items.find((e) => e.name === 'Kelp Crown')!.id;

const times: number[] = [];
for (let n = 0; n < ROUNDS; n++) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${server.base}/effects/${kelp}/try`);
  await page.locator('.finder canvas[data-wants=""]').waitFor({ timeout: 120_000 });
  const began = performance.now();
  await page.getByRole('tab', { name: 'Wall of takes' }).click();
  const wall = page.getByRole('group', { name: 'Wall of takes' });
  await wall.locator('figure[aria-busy="false"]').nth(5).waitFor({ timeout: 240_000 });
  times.push(performance.now() - began);
  await context.close();
}
report({ name: 'try.wall-6', value: median(times), unit: 'ms' });
await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
