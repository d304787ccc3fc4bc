/**
 * The `test` of all interface tests. Each worker has a server of its own on fresh data, one browser context, and one window that goes
 * from test to test: what the browser has compiled and fetched once stays warm. A test begins on an empty storage all the same.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test as base, type BrowserContext, type Page } from '@playwright/test';
import { drawPlainPeople, keepDrawings } from './drawings';
import { startServer, type RunningServer } from './server';

/** The window of a worker, as long as nothing was put into it that later tests would meet. */
interface Window {
  page: Page | null;
}
interface Shared {
  readonly server: RunningServer;
  readonly sharedContext: BrowserContext;
  readonly sharedWindow: Window;
}
interface Options {
  /** How people on takes are drawn: in full only where they are the point. */
  people: 'plain' | 'full';
}

const VIEWPORT = { width: 1180, height: 660 };

/** A window that forgets itself when a script is put into it for good. */
const openWindow = async (context: BrowserContext, window: Window): Promise<Page> => {
  const page = await context.newPage();
  for (const method of ['addInitScript', 'exposeFunction'] as const) {
    const original = page[method].bind(page) as (...args: unknown[]) => Promise<never>;
    page[method] = (...args: unknown[]) => {
      window.page = null;
      return original(...args);
    };
  }
  window.page = page;
  return page;
};

/** Leaves a window as the next test wants it: elsewhere, with nothing of the test before. */
const leaveWindow = async (page: Page, base: string): Promise<void> => {
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  page.removeAllListeners();
  await page.setViewportSize(VIEWPORT);
  await page.mouse.move(0, 0);
  // What a page still wants to keep as it goes is cleared too.
  await page.goto(`${base}/healthz`);
  const session = await page.context().newCDPSession(page);
  await session.send('Storage.clearDataForOrigin', {
    origin: base,
    storageTypes: 'cookies,local_storage,session_storage,indexeddb,file_systems',
  });
  await session.detach();
};

export const test = base.extend<Options, Shared>({
  people: ['plain', { option: true }],
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
      await context.addInitScript(drawPlainPeople);
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  sharedWindow: [async ({}, use) => use({ page: null }), { scope: 'worker' }],
  baseURL: async ({ server }, use) => use(server.base),
  context: async ({ sharedContext }, use) => use(sharedContext),
  page: async ({ sharedContext, sharedWindow, server, people }, use) => {
    const page = sharedWindow.page ?? (await openWindow(sharedContext, sharedWindow));
    if (people === 'full') await page.addInitScript(() => localStorage.setItem('iconia.people', 'full'));
    await use(page);
    for (const other of sharedContext.pages()) if (other !== page) await other.close();
    if (page.isClosed()) return void (sharedWindow.page = null);
    await leaveWindow(page, server.base);
    if (sharedWindow.page !== page) await page.close();
  },
});

export { expect };
