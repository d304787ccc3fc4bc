/**
 * The `test` of all interface tests. Each worker has a server of its own on fresh data, one browser context, and one window that goes
 * from test to test: what the browser has compiled and fetched once stays warm. A test begins on an empty storage all the same.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test as base, type BrowserContext, type ConsoleMessage } from '@playwright/test';
import { drawPeopleInFull, drawPlainPeople, hideOtherFaces, judgeNoPictures, keepDrawings } from './drawings';
import { startServer, type RunningServer } from './server';
import { forgetWindow, leaveWindow, openWindow, VIEWPORT, type SharedWindow } from './window';

interface Shared {
  readonly server: RunningServer;
  readonly sharedContext: BrowserContext;
  readonly sharedWindow: SharedWindow;
}
interface Options {
  /** How people on takes are drawn: in full only where they are the point. */
  people: 'plain' | 'full';
}

const effectsOn = async (base: string): Promise<string[]> => {
  const response = await fetch(`${base}/api/effects?limit=200`);
  return ((await response.json()) as { items: { id: string }[] }).items.map((e) => e.id);
};

/** An error of the program itself, as the browser's console words it; what the page says of addresses that answer no is none. */
const FAULT = /^(Uncaught )?(\w*Error)\b/;

export const test = base.extend<Options, Shared>({
  people: ['plain', { option: true }],
  server: [
    async ({}, use) => {
      const data = mkdtempSync(join(tmpdir(), 'iconia-e2e-'));
      const server = await startServer(data, { briefly: true });
      await use(server);
      await server.stop();
      rmSync(data, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  sharedContext: [
    async ({ browser, server }, use) => {
      const context = await browser.newContext({
        viewport: VIEWPORT,
        // A quarter of the pixels to put together in software; places and sizes stay as they are.
        deviceScaleFactor: 0.5,
        // Panels open at once; films stand still.
        reducedMotion: 'reduce',
        baseURL: server.base,
      });
      context.setDefaultTimeout(60_000);
      await context.addInitScript(keepDrawings);
      await context.addInitScript(drawPlainPeople);
      await context.addInitScript(judgeNoPictures);
      await context.addInitScript(hideOtherFaces);
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  sharedWindow: [async ({}, use) => use({ page: null }), { scope: 'worker' }],
  context: async ({ sharedContext }, use) => use(sharedContext),
  page: async ({ sharedContext, sharedWindow, server, people }, use) => {
    const before = new Set(await effectsOn(server.base));
    const page = sharedWindow.page ?? (await openWindow(sharedContext, sharedWindow, server.base));
    if (people === 'full') await page.evaluate(drawPeopleInFull);
    const faults: string[] = [];
    const thrown = (error: Error): void => void faults.push(error.stack ?? error.message);
    const said = (message: ConsoleMessage): void => {
      if (message.type() === 'error' && FAULT.test(message.text())) faults.push(message.text());
    };
    page.on('pageerror', thrown);
    page.on('console', said);
    await use(page);
    page.off('pageerror', thrown);
    page.off('console', said);
    for (const other of sharedContext.pages()) if (other !== page) await other.close();
    if (page.isClosed()) sharedWindow.page = null;
    else if (sharedWindow.page === page) await leaveWindow(page, server.base);
    else await forgetWindow(page, server.base);
    // Home draws what is there.
    for (const id of await effectsOn(server.base))
      if (!before.has(id))
        await fetch(`${server.base}/api/effects/${id}?live=takeDown`, { method: 'DELETE' });
    expect(faults, 'errors that nobody caught').toEqual([]);
  },
});

export { expect };
