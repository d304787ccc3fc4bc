/** Cards that run, and texts in typefaces of the stock. */
import { expect, test } from './harness/test';
import type { TextObject } from '../src/core/document/schema';
import { openBlank } from './harness/blank-page';
import type { Media } from './harness/media-page';
import { createEffect, drawnOut, pixelsWhere, saved, seekShare, serverEffect } from './harness/pages';
import { addFromMenu, finderOf, objectsOf, open, row } from './harness/place';

test('a video becomes a card: it follows the take, and is clear where it is clear', async ({
  page,
  browser,
}) => {
  const blank = await openBlank(browser, 'e2e/harness/media-page.ts');
  const bytes = await blank.evaluate(() => (window as unknown as { media: Media }).media.webm());
  await blank.close();
  const id = await createEffect(page, 'Video');
  await open(page, id, 'slow-turn');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: '+ Add object' }).click();
  await page.getByRole('menuitem', { name: /^Files/ }).click();
  await (await chooser).setFiles({ name: 'tide.webm', mimeType: 'video/webm', buffer: Buffer.from(bytes) });
  await expect(row(page, 'tide')).toBeVisible({ timeout: 30_000 });
  // On the screen it stands still while the head turns.
  await page.locator('[aria-label="Sticks to"]').fill('Middle of the screen');
  await page.locator('.ant-select-item-option', { hasText: 'Middle of the screen' }).click();
  await expect(page.locator('.lane', { hasText: 'Screen' })).toBeVisible();
  const finder = finderOf(page);
  await finder.click({ position: { x: 10, y: 300 } });
  const teal = (r: number, g: number, b: number): boolean => g > r + 55 && g < 140 && b < 140;
  const at = async (seconds: number) => {
    await seekShare(page, seconds / 14);
    await drawnOut(page);
    return pixelsWhere(finder, teal);
  };
  await expect.poll(async () => (await at(0.05)).share, { timeout: 30_000 }).toBeGreaterThan(0.005);
  const first = await at(0.05);
  let later = first;
  // It moves eight of its 64 pixels to the right; the card takes half the screen's width.
  const moved = async (): Promise<number> => {
    later = await at(0.85);
    return (later.x - first.x) / ((0.5 * 8) / 64);
  };
  await expect.poll(moved, { timeout: 30_000 }).toBeGreaterThan(0.6);
  expect(await moved()).toBeLessThan(1.4);
  // A square of 24 pixels of a picture of 64 x 48: the rest lets the face through.
  const whole = 0.5 * ((0.5 * 9) / 16) * (48 / 64);
  expect(later.share / whole).toBeLessThan(0.3);
  await saved(page);
  const [card] = objectsOf(await serverEffect(page, id));
  expect(card).toMatchObject({ kind: 'card', anchor: { kind: 'screen', pin: 'centre' }, startDelay: 0 });
});

test('a text in a typeface of the stock, which comes in with it', async ({ page }) => {
  const id = await createEffect(page, 'Typeface');
  await open(page, id);
  await addFromMenu(page, 'Text');
  await page.getByLabel('Words', { exact: true }).fill('WAVES');
  await page.getByLabel('Colour of the letters').fill('#00ff00');
  const finder = finderOf(page);
  const lime = (r: number, g: number, b: number): boolean => g > 180 && r < 110 && b < 110;
  await expect
    .poll(async () => (await pixelsWhere(finder, lime)).share, { timeout: 30_000 })
    .toBeGreaterThan(0.002);
  const plain = await pixelsWhere(finder, lime);
  await page.locator('.ant-select', { has: page.locator('[aria-label="Typeface"]') }).click();
  await page.locator('.ant-select-item-option', { hasText: 'Bungee' }).click();
  await expect
    .poll(async () => Object.keys((await serverEffect(page, id)).assets).length, { timeout: 30_000 })
    .toBe(1);
  await saved(page);
  const effect = await serverEffect(page, id);
  const [font] = Object.values(effect.assets);
  const [text] = objectsOf(effect) as TextObject[];
  expect(font).toMatchObject({ kind: 'font', name: 'Bungee' });
  expect(text!.font).toBe(font!.id);
  // Its letters are heavier and wider.
  await expect.poll(async () => (await pixelsWhere(finder, lime)).share).toBeGreaterThan(plain.share * 1.25);
});
