/**
 * The `test` of all interface tests. Each worker has a server of its own on fresh data, and one browser context: what the
 * browser has compiled and fetched once stays warm for the next test. A test begins on an empty storage all the same.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test as base, type BrowserContext } from '@playwright/test';
import { keepDrawings } from './drawings';
import { startServer, type RunningServer } from './server';

interface Shared {
  readonly server: RunningServer;
  readonly sharedContext: BrowserContext;
}

const VIEWPORT = { width: 1180, height: 660 };

export const test = base.extend<object, Shared>({
  server: [
    async ({}, use) => {
      const data = mkdtempSync(join(tmpdir(), 'iconia-e2e-'));
      const server = await startServer(data);
      await use(server);
      await server.stop();
      rmSync(data, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  sharedContext: [
    async ({ browser, server }, use) => {
      const context = await browser.newContext({ viewport: VIEWPORT, baseURL: server.base });
      context.setDefaultTimeout(60_000);
      await context.addInitScript(keepDrawings);
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ server }, use) => use(server.base),
  context: async ({ sharedContext, server }, use) => {
    await use(sharedContext);
    for (const page of sharedContext.pages().slice(1)) await page.close();
    const [page = await sharedContext.newPage()] = sharedContext.pages();
    // What a page still wants to keep as it goes is cleared too.
    await page.goto('about:blank');
    const session = await sharedContext.newCDPSession(page);
    await session.send('Storage.clearDataForOrigin', {
      origin: server.base,
      storageTypes: 'cookies,local_storage,session_storage,indexeddb,file_systems',
    });
    await page.close();
  },
  page: async ({ context }, use) => use(await context.newPage()),
});

export { expect };
