/** What an effect has made is let go with it: contexts, textures, buffers, bitmaps, object URLs, elements. */
import type { Page } from '@playwright/test';
import { drawnOut } from './harness/pages';
import { expect, test } from './harness/test';

interface Held {
  contexts: number;
  textures: number;
  buffers: number;
  bitmaps: number;
  urls: number;
}

/** Counts what is made and let go, from before the page's own scripts. */
const watchHeld = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    const contexts: WeakRef<WebGL2RenderingContext>[] = [];
    const alive = { textures: new Map<object, number>(), buffers: new Map<object, number>() };
    let [bitmaps, urls] = [0, 0];
    const getContext = HTMLCanvasElement.prototype.getContext as (...args: unknown[]) => unknown;
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, ...args: unknown[]) {
      const made = getContext.apply(this, args);
      if (made instanceof WebGL2RenderingContext && !contexts.some((c) => c.deref() === made))
        contexts.push(new WeakRef(made));
      return made;
    } as typeof HTMLCanvasElement.prototype.getContext;
    const count = (
      kind: keyof typeof alive,
      make: 'createTexture' | 'createBuffer',
      end: 'deleteTexture' | 'deleteBuffer',
    ) => {
      const proto = WebGL2RenderingContext.prototype as unknown as Record<
        string,
        (...args: unknown[]) => unknown
      >;
      const [create, remove] = [proto[make]!, proto[end]!];
      const add = (gl: object, n: number) => alive[kind].set(gl, (alive[kind].get(gl) ?? 0) + n);
      proto[make] = function (this: object) {
        add(this, 1);
        return create.call(this);
      };
      proto[end] = function (this: object, thing: unknown) {
        if (thing) add(this, -1);
        return remove.call(this, thing);
      };
    };
    count('textures', 'createTexture', 'deleteTexture');
    count('buffers', 'createBuffer', 'deleteBuffer');
    const make = globalThis.createImageBitmap as (...args: unknown[]) => Promise<ImageBitmap>;
    globalThis.createImageBitmap = (async (...args: unknown[]) => {
      const made = await make(...args);
      bitmaps++;
      return made;
    }) as typeof createImageBitmap;
    const close = ImageBitmap.prototype.close;
    ImageBitmap.prototype.close = function (this: ImageBitmap) {
      if (this.width > 0) bitmaps--;
      close.call(this);
    };
    const [url, revoke] = [URL.createObjectURL, URL.revokeObjectURL];
    URL.createObjectURL = (thing) => {
      urls++;
      return url.call(URL, thing);
    };
    URL.revokeObjectURL = (address) => {
      urls--;
      revoke.call(URL, address);
    };
    const sum = (map: Map<object, number>): number => {
      let all = 0;
      for (const [gl, n] of map) if (!(gl as WebGL2RenderingContext).isContextLost()) all += n;
      return all;
    };
    (window as unknown as { held: () => Held }).held = () => ({
      contexts: contexts.filter((c) => c.deref()?.isContextLost() === false).length,
      textures: sum(alive.textures),
      buffers: sum(alive.buffers),
      bitmaps,
      urls,
    });
  });
const heldBy = (page: Page): Promise<Held> =>
  page.evaluate(() => (window as unknown as { held: () => Held }).held());
const nodesOf = async (page: Page): Promise<number> => {
  const session = await page.context().newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { nodes } = await session.send('Memory.getDOMCounters');
  await session.detach();
  return nodes;
};

test('effects opened and closed, again and again, leave nothing behind', async ({ page }) => {
  await watchHeld(page);
  await page.goto('/');
  const round = async (): Promise<Held & { nodes: number }> => {
    for (const name of ['Kelp Crown', 'Salt Glow']) {
      await page.getByRole('link', { name: `Open ${name}`, exact: true }).click();
      await drawnOut(page);
      for (const stage of ['Style', 'Place'])
        await page.getByRole('button', { name: stage, exact: true }).click();
      await page.getByRole('link', { name: 'Home' }).click();
      await expect(page.getByRole('link', { name: `Open ${name}`, exact: true })).toBeVisible();
    }
    return { ...(await heldBy(page)), nodes: await nodesOf(page) };
  };
  // The first rounds fill what is kept on purpose: stills of Home, the head of the performer.
  await round();
  const before = await round();
  for (let n = 0; n < 2; n++) await round();
  const after = await round();
  for (const kind of ['contexts', 'textures', 'buffers', 'bitmaps', 'urls'] as const)
    expect([kind, after[kind] <= before[kind] + 2, before, after]).toEqual([kind, true, before, after]);
  expect(after.contexts).toBeLessThanOrEqual(3);
  expect(after.nodes).toBeLessThan(1.3 * before.nodes);
});
