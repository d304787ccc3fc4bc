/** Salt Glow on nine other faces: from opening the row to the last of them, and from a number that is changed to all of them. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';
import { COMPARED_FACES } from '../src/core/takes/library/compared-faces';
import { median, report } from './report';

const ROUNDS = 5;
const data = mkdtempSync(join(tmpdir(), 'iconia-faces-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    if (localStorage.getItem('iconia.other-faces') === null)
      localStorage.setItem('iconia.other-faces', 'hidden');
  });
  await page.goto(`${server.base}/`);
  await page.getByRole('link', { name: 'Open Salt Glow' }).click();
  await page.locator('.finder canvas[data-wants=""]').waitFor({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('button', { name: 'Salt on the lids', exact: true }).click();
  const row = page.getByRole('region', { name: 'On other faces' });
  const pictures = row.locator('img');
  const addresses = (): Promise<string[]> =>
    pictures.evaluateAll((all) => all.map((one) => (one as HTMLImageElement).src));
  const allNew = async (before: readonly string[]): Promise<number> => {
    const began = performance.now();
    for (;;) {
      const now = await addresses();
      if (now.length === COMPARED_FACES.length && !now.some((a) => before.includes(a)))
        return performance.now() - began;
      await new Promise((next) => setTimeout(next, 20));
    }
  };
  await row.getByRole('button', { name: 'Show' }).click();
  report({ name: 'faces.first', value: await allNew([]), unit: 'ms' });
  const times: number[] = [];
  for (let n = 0; n < ROUNDS; n++) {
    const before = await addresses();
    await page.getByLabel('Opacity, per cent').fill(String(20 + 10 * n));
    await page.keyboard.press('Enter');
    times.push(await allNew(before));
  }
  report({ name: 'faces.follow', value: median(times), unit: 'ms' });
} finally {
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
