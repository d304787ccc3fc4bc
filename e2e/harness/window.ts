/**
 * The window that a worker's tests share. Where the application is open already it goes to another screen as a link within it does:
 * loading the page anew costs three times as much. Between two tests its stores, its storage and what lies on the server are cleared.
 */
import type { BrowserContext, Page } from '@playwright/test';
import { drawPlainPeople, hideOtherFaces } from './drawings';

/** The window, as long as nothing was put into it that later tests would meet. */
export interface SharedWindow {
  page: Page | null;
}

export const VIEWPORT = { width: 1180, height: 660 };

/** What the harness asks of the application in the page: its router and its stores. */
export interface Atelier extends Element {
  __vue_app__?: {
    config: {
      globalProperties: {
        $router: { push(path: string): Promise<unknown>; currentRoute: { value: { path: string } } };
        $pinia: {
          state: { value: Record<string, Record<string, unknown>> };
          _s: Map<string, { $dispose(): void; $patch(change: (state: object) => void): void }>;
        };
      };
    };
  };
}
interface Kept extends Window {
  /** What the desk was when the page was loaded: it is in use as long as the page is. */
  deskAtFirst?: string;
}

/** Gives false where a load is wanted: no application there, or it stands there already. */
const goWithin = async (path: string): Promise<boolean> => {
  const app = document.querySelector<Atelier>('#app')?.__vue_app__;
  if (!app) return false;
  const { $router } = app.config.globalProperties;
  if ($router.currentRoute.value.path === path) return false;
  await $router.push(path);
  return true;
};

/** Closes what is open, and makes the stores begin anew. Gives false where no application is. */
const beginAnew = async (): Promise<boolean> => {
  const app = document.querySelector<Atelier>('#app')?.__vue_app__;
  const { deskAtFirst } = window as Kept;
  // Pages that were loaded by a link or anew were not seen at their beginning.
  if (!app || deskAtFirst === undefined) return false;
  const { $router, $pinia } = app.config.globalProperties;
  await $router.push('/between-two-tests');
  (document.activeElement as HTMLElement | null)?.blur();
  // Menus and dialogs hang beside the application.
  for (const left of [...document.body.children]) if (left.id !== 'app') left.remove();
  for (const [id, store] of [...$pinia._s])
    if (id !== 'desk') {
      store.$dispose();
      delete $pinia.state.value[id];
    }
  const first = JSON.parse(deskAtFirst) as Record<string, unknown>;
  $pinia._s.get('desk')?.$patch((desk) => {
    const into = desk as Record<string, unknown>;
    for (const [key, value] of Object.entries(first))
      if (value !== null && typeof value === 'object' && !Array.isArray(value))
        Object.assign(into[key] as object, value);
      else into[key] = value;
  });
  return true;
};
const rememberDesk = (): void => {
  const app = document.querySelector<Atelier>('#app')?.__vue_app__;
  const desk = app?.config.globalProperties.$pinia.state.value.desk;
  // A test that wants people in full may be the first.
  if (desk) (window as Kept).deskAtFirst ??= JSON.stringify({ ...desk, plainPeople: true });
};

/** Empties what the browser keeps; databases that the page holds open are emptied, not deleted. */
const clearStorage = async (): Promise<void> => {
  localStorage.clear();
  sessionStorage.clear();
  for (const { name } of await indexedDB.databases()) {
    const database = await new Promise<IDBDatabase>((done, fail) => {
      const opening = indexedDB.open(name!);
      opening.onsuccess = () => done(opening.result);
      opening.onerror = () => fail(opening.error!);
    });
    const stores = [...database.objectStoreNames];
    if (stores.length > 0)
      await new Promise<void>((done, fail) => {
        const clearing = database.transaction(stores, 'readwrite');
        for (const store of stores) clearing.objectStore(store).clear();
        clearing.oncomplete = () => done();
        clearing.onerror = () => fail(clearing.error!);
      });
    database.close();
  }
};

/** A window that forgets itself when a script is put into it for good. */
export const openWindow = async (
  context: BrowserContext,
  shared: SharedWindow,
  base: string,
): Promise<Page> => {
  const page = await context.newPage();
  shared.page = page;
  // Tests may put into its storage what was there before.
  await page.goto(`${base}/healthz`);
  for (const method of ['addInitScript', 'exposeFunction'] as const) {
    const original = page[method].bind(page) as (...args: unknown[]) => Promise<never>;
    page[method] = (...args: unknown[]) => {
      shared.page = null;
      return original(...args);
    };
  }
  const load = page.goto.bind(page);
  page.goto = async (address, options) => {
    const isScreen = /^\/($|effects\/|takes|stock)/.test(address);
    // What was put into it is there after a load only.
    if (isScreen && shared.page === page && (await page.evaluate(goWithin, address))) return null;
    const response = await load(address, options);
    if (isScreen) {
      await page.waitForFunction(() => document.querySelector<Atelier>('#app')?.childElementCount);
      await page.evaluate(rememberDesk);
    }
    return response;
  };
  return page;
};

/** Leaves the window as the next test wants it: on no effect, with nothing of the test before. */
export const leaveWindow = async (page: Page, base: string): Promise<void> => {
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  page.removeAllListeners();
  await page.setViewportSize(VIEWPORT);
  await page.mouse.move(0, 0);
  if (!(await page.evaluate(beginAnew))) await page.goto(`${base}/healthz`);
  await page.evaluate(clearStorage);
  await page.evaluate(drawPlainPeople);
  await page.evaluate(hideOtherFaces);
};

/** Closes a window that later tests must not meet; what it has kept is cleared. */
export const forgetWindow = async (page: Page, base: string): Promise<void> => {
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.goto(`${base}/healthz`);
  await page.evaluate(clearStorage);
  await page.close();
};
