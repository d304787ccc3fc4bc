/** A floor before a real camera stream, from how the device says it is held: sought, followed, put down by a tap, placed again. */
import { BUOY_COLOUR, releasedBuoy } from './harness/buoy';
import { seenFrames, watchFrames } from './harness/pages';
import { expect, test } from './harness/test';
import type { Page } from '@playwright/test';

/** As a phone that is held so says it, again and again. */
const hold = (page: Page, beta: number, alpha = 0): Promise<void> =>
  page.evaluate(
    ([alpha, beta]) => {
      const store = window as unknown as { holding?: ReturnType<typeof setInterval> };
      clearInterval(store.holding);
      const say = (): boolean =>
        window.dispatchEvent(new DeviceOrientationEvent('deviceorientation', { alpha, beta, gamma: 0 }));
      say();
      store.holding = setInterval(say, 30);
    },
    [alpha, beta] as const,
  );

test('a buoy on the floor: sought while the phone looks level, then where it points, and there it stays', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.goto(await releasedBuoy(page));
  await hold(page, 88);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(canvas).toHaveAttribute('data-room', 'seeking');
  await expect(page.locator('.viewer-prompt', { hasText: 'Point at the floor' })).toBeVisible();
  await watchFrames(page, '#picture', BUOY_COLOUR);
  /** Where it is seen once what was asked for holds; of the newest frames. */
  const last = async () => (await seenFrames(page)).slice(-3);
  const settled = (what: (frames: Awaited<ReturnType<typeof last>>) => boolean): Promise<void> =>
    expect.poll(async () => what(await last()), { timeout: 60_000 }).toBe(true);
  await settled((frames) => frames.every((f) => f.share === 0));

  // Tipped down it stands where the phone points, wherever that turns.
  await hold(page, 62);
  await expect(canvas).toHaveAttribute('data-room', 'placing');
  await settled((frames) => frames.every((f) => f.share > 0.002 && Math.abs(f.x - 0.5) < 0.03));
  const [first] = await last();
  await hold(page, 62, 70);
  await settled((frames) => frames.every((f) => f.share > 0.002 && Math.abs(f.x - 0.5) < 0.03));
  await expect(page.locator('.viewer-prompt', { hasText: 'Tap to put it there' })).toBeVisible();

  // Put down by a tap left of the middle, it is there; turned away it is gone, turned back it is there again.
  const box = (await canvas.boundingBox())!;
  await page.mouse.click(box.x + 0.3 * box.width, box.y + 0.55 * box.height);
  await expect(canvas).toHaveAttribute('data-room', 'placed');
  const there = (frames: Awaited<ReturnType<typeof last>>): boolean =>
    frames.every((f) => f.share > 0.002 && Math.abs(f.x - 0.3) < 0.04);
  await settled(there);
  await hold(page, 62, 10);
  await settled((frames) => frames.every((f) => f.share === 0));
  await hold(page, 62, 70);
  await settled(there);

  // Again, and farther away: it is smaller.
  await page.getByRole('button', { name: 'Place again' }).click();
  await expect(canvas).toHaveAttribute('data-room', 'placing');
  await page.getByRole('slider', { name: 'Nearer or farther' }).fill('2');
  await settled((frames) => frames.every((f) => f.share > 0 && f.share < 0.5 * first!.share));
});
