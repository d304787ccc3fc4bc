/** A floor on a device that measures its room: found where it points, put down by a tap, walked towards; left, and taken anew where it does not measure after all. */
import { BUOY_COLOUR, releasedBuoy } from './harness/buoy';
import { HELD, openOnDevice, ROOM_COLOUR, type DeviceScreen } from './harness/synthetic-room';
import { expect, test } from './harness/test';
import type { Page } from '@playwright/test';

type OnDevice = { readonly deviceScreen: DeviceScreen };
const hold = (page: Page, at: readonly [number, number, number], down: number, left = 0): Promise<void> =>
  page.evaluate(([at, down, left]) => (window as unknown as OnDevice).deviceScreen.hold(at, down, left), [
    at,
    down,
    left,
  ] as const);
const seen = (page: Page) =>
  page.evaluate((c) => (window as unknown as OnDevice).deviceScreen.read(c), BUOY_COLOUR);
const anchors = (page: Page): Promise<number> =>
  page.evaluate(() => (window as unknown as OnDevice).deviceScreen.anchors());

test('a buoy on a floor that the device measures: sought, put down, walked towards, left', async ({
  page: maker,
  context,
}) => {
  const path = await releasedBuoy(maker);
  const page = await openOnDevice(context);
  await page.goto(path);
  const canvas = page.locator('#picture');
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(canvas).toHaveAttribute('data-source', 'camera');
  // It points at the wall.
  await expect(canvas).toHaveAttribute('data-room', 'seeking');
  await expect(page.locator('.viewer-prompt', { hasText: 'Point at the floor' })).toBeVisible();
  await expect.poll(async () => (await seen(page)).corner).toEqual([...ROOM_COLOUR, 255]);
  expect((await seen(page)).share).toBe(0);

  // Tipped down it stands where the device points.
  await hold(page, [0, HELD.height, 0], 35);
  await expect(canvas).toHaveAttribute('data-room', 'placing');
  await expect.poll(async () => (await seen(page)).share).toBeGreaterThan(0.002);
  expect((await seen(page)).x).toBeCloseTo(0.5, 1);
  await expect(page.locator('.viewer-room-reach')).toBeHidden();
  await expect(page.locator('.viewer-prompt', { hasText: 'Tap to put it there' })).toBeVisible();

  // Put down left of the middle, it is there.
  const box = (await canvas.boundingBox())!;
  await page.mouse.click(box.x + 0.3 * box.width, box.y + 0.55 * box.height);
  await expect(canvas).toHaveAttribute('data-room', 'placed');
  await expect.poll(() => anchors(page)).toBe(1);
  await expect.poll(async () => Math.abs((await seen(page)).x - 0.3)).toBeLessThan(0.03);
  const far = await seen(page);
  // Two steps towards it: it is larger, and lower.
  await hold(page, [0, HELD.height, -0.8], 35);
  await expect.poll(async () => (await seen(page)).share).toBeGreaterThan(1.5 * far.share);
  expect((await seen(page)).y).toBeGreaterThan(far.y + 0.1);
  // Turned away it is gone, turned back it is there again.
  await hold(page, [0, HELD.height, 0], 35, 120);
  await expect.poll(async () => (await seen(page)).share).toBe(0);
  await hold(page, [0, HELD.height, 0], 35);
  await expect.poll(async () => Math.abs((await seen(page)).share / far.share - 1)).toBeLessThan(0.1);

  // A photo holds what is seen.
  const kept = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Photo' }).click();
  await page.getByRole('button', { name: 'Save as PNG' }).click();
  expect((await kept).suggestedFilename()).toMatch(/\.png$/i);
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'Place again' }).click();
  await expect(canvas).toHaveAttribute('data-room', 'placing');
  await expect.poll(() => anchors(page)).toBe(0);

  // The viewer leaves the device's view: the page says so and can begin again.
  await page.evaluate(() => (window as unknown as OnDevice).deviceScreen.leave());
  await expect(page.locator('#message')).toContainText('The camera view was closed');
  await expect(page.getByRole('button', { name: 'Use my camera' })).toBeVisible();
  await expect(page.locator('main')).not.toHaveClass(/over-world/);
});

test('what is worn before both eyes shows no camera picture: the floor is assumed there, and that is said', async ({
  page: maker,
  context,
}) => {
  const path = await releasedBuoy(maker);
  const page = await openOnDevice(context, 2);
  await page.goto(path);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(page.locator('#message')).toContainText(/could not measure the room|only guessed/);
  await expect(page.getByRole('slider', { name: 'Nearer or farther' })).toBeVisible();
});
