/** What an effect has made is let go with it: contexts, textures, buffers, pictures, addresses, elements. */
import type { Page } from '@playwright/test';
import { blankEffect } from '../src/core/document/defaults';
import { newLayer } from '../src/core/kinds/objects/layer';
import { FOREHEAD } from '../src/core/kinds/objects/placed';
import { newCard } from '../src/core/kinds/objects/card';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { ObjectId } from '../src/core/document/schema';
import { createEffect, drawnOut, keptPicture, saved } from './harness/pages';
import { expect, test } from './harness/test';

interface Held {
  readonly contexts: number;
  readonly textures: number;
  readonly buffers: number;
  readonly bitmaps: number;
  readonly urls: number;
}

/** Counts what is made and let go, from before the page's own scripts. */
const watchHeld = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    // Held weakly: a context holds its canvas, and that all it stood in.
    const contexts: WeakRef<WebGL2RenderingContext>[] = [];
    const alive = { textures: new WeakMap<object, number>(), buffers: new WeakMap<object, number>() };
    const living = (): WebGL2RenderingContext[] =>
      contexts.flatMap((c) => c.deref() ?? []).filter((c) => !c.isContextLost());
    const counts = { bitmaps: 0, urls: 0 };
    type Call = (...args: unknown[]) => unknown;
    const around = (
      owner: object,
      name: string,
      then: (self: unknown, made: unknown, args: unknown[]) => void,
    ): void => {
      const methods = owner as Record<string, Call>;
      const original = methods[name]!;
      methods[name] = function (this: unknown, ...args: unknown[]) {
        const made = original.apply(this, args);
        then(this, made, args);
        return made;
      };
    };
    around(HTMLCanvasElement.prototype, 'getContext', (_, made) => {
      if (made instanceof WebGL2RenderingContext && !contexts.some((c) => c.deref() === made))
        contexts.push(new WeakRef(made));
    });
    const gl = WebGL2RenderingContext.prototype;
    const add = (kind: keyof typeof alive, self: unknown, n: number): void =>
      void alive[kind].set(self as object, (alive[kind].get(self as object) ?? 0) + n);
    around(gl, 'createTexture', (self) => add('textures', self, 1));
    around(gl, 'deleteTexture', (self, _, [thing]) => thing && add('textures', self, -1));
    around(gl, 'createBuffer', (self) => add('buffers', self, 1));
    around(gl, 'deleteBuffer', (self, _, [thing]) => thing && add('buffers', self, -1));
    around(
      window,
      'createImageBitmap',
      (_, made) =>
        void (made as Promise<unknown>).then(
          () => counts.bitmaps++,
          () => {},
        ),
    );
    const close = ImageBitmap.prototype.close;
    ImageBitmap.prototype.close = function () {
      if (this.width > 0) counts.bitmaps--;
      close.call(this);
    };
    around(URL, 'createObjectURL', () => counts.urls++);
    around(URL, 'revokeObjectURL', () => counts.urls--);
    const sum = (of: WeakMap<object, number>): number =>
      living().reduce((all, context) => all + (of.get(context) ?? 0), 0);
    const held = (): Held => ({
      contexts: living().length,
      textures: sum(alive.textures),
      buffers: sum(alive.buffers),
      ...counts,
    });
    Object.assign(window, { held });
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
/** Goes to another address within the application, as a link would. */
const goTo = (page: Page, path: string): Promise<void> =>
  page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  }, path);
/** Thirty leave as little: `OPENINGS=30 npx playwright test memory`. */
const OPENINGS = Number(process.env.OPENINGS ?? 8);
test(`${OPENINGS} effects opened and closed leave nothing behind`, async ({ page }) => {
  await watchHeld(page);
  const ids: string[] = [];
  for (const [i, colour] of ['#20a070', '#b04060'].entries()) {
    const picture = await keptPicture(page, `tide${i}aa`, colour);
    const [card, ball] = [`obj_card${i}` as ObjectId, `obj_ball${i}` as ObjectId];
    const effect = blankEffect(`Tide ${i}`);
    ids.push(
      await createEffect(page, effect.name, {
        ...effect,
        assets: { [picture.id]: picture },
        objects: { [card]: newCard(card, picture, 0), [ball]: newSolid(ball, 'sphere', 1, FOREHEAD) },
      }),
    );
  }
  await page.goto(`/effects/${ids[0]!}/behave`);
  await drawnOut(page);
  /** Opens one effect after the other; the Viewfinder of each has shown its picture. */
  const openings = async (times: number): Promise<Held & { readonly nodes: number }> => {
    for (let n = 1; n <= times; n++) {
      // Now and then with Space beside the Viewfinder.
      await goTo(page, `/effects/${ids[n % 2]!}/${n % 4 === 2 ? 'place' : 'behave'}`);
      await expect(page.getByLabel('Name of the effect')).toHaveValue(`Tide ${n % 2}`);
      await drawnOut(page);
    }
    return { ...(await heldBy(page)), nodes: await nodesOf(page) };
  };
  const before = await openings(4);
  const after = await openings(OPENINGS - 4);
  const { nodes, ...held } = after;
  expect({ ...held, nodes: before.nodes }).toEqual(before);
  // What the browser itself keeps of a page that goes is a few.
  expect(nodes).toBeLessThan(before.nodes + 100);
});

/** A hundred take two minutes and leave as little: `STROKES=100 npx playwright test memory`. */
const STROKES = Number(process.env.STROKES ?? 5);
test(`${STROKES} strokes of the painter, undone and redone, leave nothing behind`, async ({ page }) => {
  await watchHeld(page);
  const layer = newLayer('obj_blue1' as ObjectId, { name: 'Blue', region: 'lids', tint: '#0000ff' }, 0);
  const id = await createEffect(page, 'Strokes', {
    ...blankEffect('Strokes'),
    objects: { [layer.id]: layer },
  });
  await page.goto(`/effects/${id}/style`);
  await page.getByRole('tab', { name: 'Face', exact: true }).click();
  await page.getByRole('button', { name: 'Blue', exact: true }).first().click();
  await page.getByRole('button', { name: 'Paint its mask' }).click();
  await expect(page.locator('.layout')).toBeVisible();
  await expect(page.getByText('Loading what is painted')).toHaveCount(0);
  /** Strokes across a cheek, each a little lower, and then so many steps back and forth. */
  const strokes = async (count: number): Promise<Held> => {
    const box = (await page.locator('.layout').boundingBox())!;
    for (let n = 0; n < count; n++) {
      const y = box.y + (0.5 + 0.002 * (n % 20)) * box.height;
      await page.mouse.move(box.x + 0.25 * box.width, y);
      await page.mouse.down();
      await page.mouse.move(box.x + 0.4 * box.width, y);
      await page.mouse.up();
    }
    await saved(page);
    for (const key of ['Control+z', 'Control+Shift+Z']) {
      for (let n = 0; n < count; n++) await page.keyboard.press(key);
      await saved(page);
      await drawnOut(page);
    }
    return heldBy(page);
  };
  const before = await strokes(5);
  expect(await strokes(STROKES)).toEqual(before);
});
