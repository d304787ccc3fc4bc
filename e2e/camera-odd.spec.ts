/** What real cameras do and no clip shows: several faces at once, pictures that hold nothing, turned, bright, slow, of another shape; and a camera that goes away. */
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { newCard } from '../src/core/kinds/objects/card';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { distance } from '../src/core/maths/vec3';
import { SHIPPED_TAKES } from '../src/core/takes/library';
import { makeTake } from '../src/core/takes/make-take';
import { fovYOfLens } from '../src/core/tracking/lens';
import { openBlank } from './harness/blank-page';
import { createEffect, keptPicture, lookAt, releasedPath, shareOf } from './harness/pages';
import { showBefore, standInCamera, unplugCamera, type CameraView } from './harness/page-camera';
import type { TakePage } from './harness/take-page';
import { printTideCard, TIDE_TARGET, TIDE_WIDTH, tideCard } from './harness/tide-card';
import { expect, test } from './harness/test';
import type { Browser, Page } from '@playwright/test';

const MAGENTA = [255, 0, 220] as const;

/** Faces of several performers, as a camera sees each of them alone. */
const facesOf = async (
  browser: Browser,
  performers: readonly string[],
  [width, height]: readonly [number, number],
): Promise<string[]> => {
  const maker = await openBlank(browser, 'e2e/harness/take-page.ts');
  const urls: string[] = [];
  for (const performer of performers)
    urls.push(
      await maker.evaluate(
        (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
        {
          take: `screen-test-${performer}`,
          time: 0.3,
          width,
          height,
          fovY: 40,
          mime: 'image/jpeg',
        },
      ),
    );
  await maker.close();
  return urls;
};
const WHOLE = { x: 0, y: 0, width: 1, height: 1 };
const one = (url: string, more: Omit<CameraView, 'pictures'> = {}): CameraView => ({
  pictures: [{ url, ...WHOLE }],
  ...more,
});

/** A lantern on the forehead of every face. */
const released = async (page: Page): Promise<string> => {
  const asset = await keptPicture(page, 'lantern', '#ff00dc', 60, 60);
  const anchor = { ...headAnchor('forehead'), face: 'every' as const };
  const card = newCard('obj_lantern' as ObjectId, asset, 0, anchor);
  const effect: Effect = {
    ...blankEffect('Lantern'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: { ...card, extent: [0.05, 0.05] } },
    listing: { summary: 'A lantern on every head.', tags: [], icon: asset.id },
  };
  return releasedPath(page, effect);
};
const opened = async (page: Page, path: string, view: CameraView): Promise<void> => {
  await standInCamera(page);
  await page.goto(path);
  await showBefore(page, view);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(page.locator('#picture')).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
};

test('four faces each wear a lantern; one that leaves takes its own along', async ({
  page: maker,
  context,
  browser,
}) => {
  const path = await released(maker);
  const urls = await facesOf(browser, ['marin', 'tobe', 'ines', 'asha'], [240, 320]);
  const page = await context.newPage();
  // Upright, as the page: more than the outer edges are seen.
  const size = [480, 640] as const;
  const quarters = urls.map((url, i) => ({
    url,
    x: (i % 2) / 2,
    y: Math.floor(i / 2) / 2,
    width: 0.5,
    height: 0.5,
  }));
  await opened(page, path, { pictures: quarters, size });
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-faces', '4', { timeout: 60_000 });
  const shares = async (): Promise<number> => shareOf(canvas, MAGENTA);
  await expect.poll(shares).toBeGreaterThan(0.002);
  const four = await shares();
  await showBefore(page, { pictures: quarters.slice(0, 2), size });
  await expect(canvas).toHaveAttribute('data-faces', '2');
  await expect.poll(shares).toBeLessThan(0.75 * four);
  await showBefore(page, { pictures: quarters, size });
  await expect(canvas).toHaveAttribute('data-faces', '4');
  await expect.poll(shares).toBeGreaterThan(0.9 * four);
});

test('black, over-exposed, upside-down, slow and turned pictures: the effect goes on, and finds the face again; an unplugged camera is said', async ({
  page: maker,
  context,
  browser,
}) => {
  const path = await released(maker);
  const [face] = (await facesOf(browser, ['marin'], [480, 360])) as [string];
  const page = await context.newPage();
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  await opened(page, path, one(face));
  const canvas = page.locator('#picture');
  const seesFace = (): Promise<void> =>
    expect(canvas).toHaveAttribute('data-faces', '1', { timeout: 60_000 });
  await seesFace();
  await expect.poll(() => shareOf(canvas, MAGENTA)).toBeGreaterThan(0.001);

  // Nothing to be seen: the viewer is asked for their face.
  await showBefore(page, { pictures: [] });
  await expect(canvas).toHaveAttribute('data-faces', '0');
  await expect(page.getByText('Show your face')).toBeVisible();
  expect(await shareOf(canvas, MAGENTA)).toBe(0);
  await showBefore(page, one(face));
  await seesFace();

  // Whatever the tracker makes of these, the page shows them, goes on and finds the face afterwards.
  const usual = (await lookAt(canvas)).data;
  for (const odd of [{ overexposed: true }, { upsideDown: true }]) {
    await showBefore(page, one(face, odd));
    const apart = async (): Promise<number> =>
      (await lookAt(canvas)).data.reduce((sum, v, i) => sum + Math.abs(v - usual[i]!), 0) / usual.length;
    await expect.poll(apart).toBeGreaterThan(15);
    await showBefore(page, one(face));
    await expect.poll(apart).toBeLessThan(5);
    await seesFace();
  }
  // Five pictures a second: lost and found there too.
  await showBefore(page, { pictures: [], rate: 5 });
  await expect(canvas).toHaveAttribute('data-faces', '0');
  await showBefore(page, one(face, { rate: 5 }));
  await seesFace();

  // A phone that is turned gives pictures of another shape in the midst of it.
  // The face keeps its shape: 480 x 360 in the middle of the taller picture.
  const across = (360 * 360) / 480 / 640;
  await showBefore(page, {
    pictures: [{ url: face, x: 0, y: (1 - across) / 2, width: 1, height: across }],
    size: [360, 640],
  });
  await seesFace();
  await expect.poll(() => shareOf(canvas, MAGENTA)).toBeGreaterThan(0.001);
  await showBefore(page, one(face));
  await seesFace();

  await unplugCamera(page);
  await expect(page.locator('#message')).toHaveText('The camera went away. Plug it in, then try again.');
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(canvas).toHaveAttribute('data-source', 'camera');
  await seesFace();
  expect(faults).toEqual([]);

  // A second window on the same camera.
  const second = await context.newPage();
  await opened(second, path, one(face));
  await expect(second.locator('#picture')).toHaveAttribute('data-faces', '1', { timeout: 60_000 });
  await seesFace();
});

test('a printed picture that is tilted tells how the camera opens, and so how far away it is', async ({
  page: maker,
  context,
  browser,
}) => {
  const card = await tideCard(maker);
  const id = await createEffect(maker, 'Tide', card.effect);
  const drawer = await openBlank(browser, 'e2e/harness/take-page.ts');
  await printTideCard(drawer, card);
  // The camera opens 46 degrees over its longer side, not the 62 that are assumed.
  const LENS = 46;
  const { spec } = SHIPPED_TAKES.find((t) => t.id === 'picture-tilting')!;
  const take = makeTake(spec, { pictureAspects: [card.aspect] });
  const views: { url: string; away: number }[] = [];
  for (const time of [2.2, 2.6, 3]) {
    const url = await drawer.evaluate(
      (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
      { take: take.id, time, width: 640, height: 480, fovY: fovYOfLens(640, 480, LENS), mime: 'image/png' },
    );
    const { pictures, camera } = take.frameAt(time);
    // As wide as the effect says it is printed.
    const away =
      distance(pictures[0]!.pose.position, camera.pose.position) * (TIDE_WIDTH / pictures[0]!.width);
    views.push({ url, away: 100 * away });
  }
  await drawer.close();
  const page = await context.newPage();
  await standInCamera(page);
  await page.goto(`/effects/${id}/try`);
  await showBefore(page, one(views[0]!.url));
  await page.getByRole('button', { name: /Your camera/ }).click();
  const reading = page.locator(`[data-picture="${TIDE_TARGET}"]`);
  await expect(reading).toContainText('cm away', { timeout: 60_000 });
  const lens = page.locator('[data-lens]');
  await expect(lens).toContainText('assumed');
  // Where it is assumed to open wider, things are thought nearer.
  const away = async (): Promise<number> => parseFloat(await reading.innerText());
  expect(await away()).toBeLessThan(0.85 * views[0]!.away);
  /** Held one way and another until it is told to two degrees, or long enough. */
  const off = async (): Promise<number> => Math.abs(parseFloat(await lens.innerText()) - LENS);
  for (let i = 1; i < 60 && (await off()) > 2; i++) {
    const before = await reading.innerText();
    await showBefore(page, one(views[i % views.length]!.url));
    await expect.poll(() => reading.innerText()).not.toBe(before);
  }
  await expect(lens).toContainText('as the picture tells');
  expect(await off()).toBeLessThanOrEqual(2);
  await showBefore(page, one(views[0]!.url));
  await expect.poll(async () => Math.abs((await away()) / views[0]!.away - 1)).toBeLessThan(0.05);
});
