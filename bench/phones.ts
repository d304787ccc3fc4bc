/** From an edit in the atelier to its picture on a phone that has a try link open, milliseconds: the server's saving, sending and drawing with it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { drawPlainPeople } from '../e2e/harness/drawings';
import { startServer } from '../e2e/harness/server';
import type { Effect } from '../src/core/document/schema';
import { median, percentile, report } from './report';

const EDITS = 20;
const data = mkdtempSync(join(tmpdir(), 'iconia-phones-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const asked = async <T>(path: string, init?: RequestInit): Promise<T> => {
  const answer = await fetch(`${server.base}${path}`, {
    ...init,
    headers: { 'content-type': 'application/json', origin: server.base },
  });
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
};
const { items } = await asked<{ items: { id: string; name: string }[] }>('/api/effects');
const { id } = items.find((e) => e.name === 'Kelp Crown')!;
const made = await asked<{ secret: string }>(`/api/effects/${id}/try-links`, {
  method: 'POST',
  body: JSON.stringify({ name: 'Bench', minutes: 60, oneDevice: false }),
});
const page = await browser.newPage({ viewport: { width: 390, height: 844 }, deviceScaleFactor: 0.5 });
// A phone draws no performers: it has its camera.
await page.addInitScript(drawPlainPeople);
await page.goto(`${server.base}/try/${made.secret}`);
await page.getByRole('button', { name: 'Watch it on a performer' }).click();
await page.locator('#picture[data-faces="1"]').waitFor({ timeout: 120_000 });

const times: number[] = [];
for (let n = 0; n < EDITS; n++) {
  const now = await asked<{ revision: number; document: Effect }>(`/api/effects/${id}`);
  const first = Object.keys(now.document.objects)[0]!;
  const patch = [{ op: 'replace', path: `/objects/${first}/opacity`, value: n % 2 === 0 ? 0.5 : 1 }];
  const want = now.revision + 1;
  const began = performance.now();
  await asked(`/api/effects/${id}`, {
    method: 'PATCH',
    body: JSON.stringify({ revision: now.revision, patch }),
  });
  await page.waitForFunction(
    (revision) => Number(document.querySelector<HTMLElement>('#picture')!.dataset.revision) >= revision,
    want,
  );
  times.push(performance.now() - began);
}
report({
  name: 'try.link.edit',
  value: median(times),
  unit: 'ms',
  p95: Math.round(percentile(times, 0.95)),
  edits: EDITS,
});
await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
