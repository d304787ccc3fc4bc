/** A try link as its maker and whoever has a phone use it: two windows, one of a phone's size. */
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { blankEffect } from '../src/core/document/defaults';
import type { ObjectId } from '../src/core/document/schema';
import { newFill } from '../src/core/kinds/objects/fill';
import { drawPlainPeople, keepDrawings } from './harness/drawings';
import { lamp } from './harness/lamp';
import { createEffect, drawnOut, lookAt, saved, shareOf } from './harness/pages';
import { row, setField } from './harness/place';
import { expect, test } from './harness/test';

const MAGENTA = [255, 0, 255] as const;
const FLOAT = 'obj_float1' as ObjectId;
const effect = {
  ...lamp,
  objects: {
    ...lamp.objects,
    [FLOAT]: {
      ...newFill(FLOAT, 1, { kind: 'screen', pin: 'centre' }),
      name: 'Float',
      tint: '#00ff00',
      opacity: 1,
      move: [0, 0.03, 0] as [number, number, number],
      extent: [0.02, 0.02] as [number, number],
      fit: 'free' as const,
    },
  },
};

/** A window of a phone's size, of a browser that nobody else uses. */
const phoneWindow = async (browser: Browser, base: string): Promise<[BrowserContext, Page]> => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    deviceScaleFactor: 0.5,
    baseURL: base,
  });
  context.setDefaultTimeout(60_000);
  await context.addInitScript(keepDrawings);
  await context.addInitScript(drawPlainPeople);
  return [context, await context.newPage()];
};
const openPhones = async (page: Page, id: string): Promise<void> => {
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  await page.getByRole('tab', { name: 'Phones' }).click();
};
const makeLink = async (page: Page, name: string, oneDevice = false): Promise<string> => {
  await page.getByRole('textbox', { name: 'Whom the link is for' }).fill(name);
  await page.getByRole('checkbox', { name: 'The first device only' }).setChecked(oneDevice);
  await page.getByRole('button', { name: 'Make a try link' }).click();
  const card = page.getByRole('region', { name: `Try link for ${name}` });
  return (await card.getByTestId('address').textContent())!;
};

test('a link is opened on a phone; edits are seen there while what was tapped stays; a picture comes when it is asked for; revoked, it is gone at once', async ({
  page,
  browser,
  server,
}) => {
  test.slow();
  const id = await createEffect(page, 'Low lamp', effect);
  await openPhones(page, id);
  // Phones cannot come here, and it is said what to do.
  await expect(page.getByText('npm start -- --lan')).toBeVisible();
  const address = await makeLink(page, 'Ada’s phone');
  expect(address).toMatch(new RegExp(`^${server.base}/try/[0-9a-f]{40}$`));
  // The code is that of the address: it is drawn, as many dots as it takes.
  const code = page.getByRole('img', { name: 'QR code of the address' });
  const { data } = await lookAt(code);
  expect(data.filter((v, i) => i % 3 === 0 && v < 60).length).toBeGreaterThan(1000);
  await expect(page.getByText('Nobody has a link open')).toBeVisible();

  const [context, phone] = await phoneWindow(browser, server.base);
  await phone.goto(address);
  await phone.getByRole('button', { name: 'Watch it on a performer' }).click();
  const canvas = phone.locator('#picture');
  await expect(canvas).toHaveAttribute('data-revision', '1');
  const lit = (): Promise<number> => shareOf(canvas, MAGENTA);
  const green = (): Promise<number> => shareOf(canvas, [0, 255, 0]);
  await expect.poll(green).toBeGreaterThan(0.001);
  expect(await lit()).toBe(0);
  await canvas.click({ position: { x: 195, y: 600 } });
  await expect.poll(lit).toBeGreaterThan(0.003);
  const small = await lit();

  // The maker sees who is there, and what it says.
  const card = page.getByRole('region', { name: 'Phone 1' });
  await expect(card.getByText('Has it open')).toBeVisible();
  await expect(card.getByText(/pictures a second/)).toBeVisible();
  await expect(card.getByText('On a performer, not on its camera')).toBeVisible();
  await expect(card.getByText('Screen 390 x 844')).toBeVisible();

  // An edit: the bar grows on the phone, stays lit, and the page is the one it was.
  await phone.evaluate(() => Object.assign(globalThis, { isTheSame: true }));
  await row(page, 'Bar').click();
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await setField(page, 'Width, cm', '12');
  await saved(page);
  await expect.poll(lit).toBeGreaterThan(1.5 * small);
  expect(await phone.evaluate(() => 'isTheSame' in globalThis)).toBe(true);
  // A thing deleted there is gone here.
  await row(page, 'Float').click();
  await page.keyboard.press('Delete');
  await expect.poll(green).toBe(0);
  expect(await lit()).toBeGreaterThan(1.5 * small);

  // A picture: what the phone shows, with the bar in it; and whoever holds it is told.
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await card.getByRole('button', { name: 'Ask for a picture' }).click();
  await expect(phone.getByText('A picture of this screen was sent')).toBeVisible();
  const picture = card.getByRole('img', { name: 'What phone 1 showed' });
  await expect(picture).toBeVisible();
  const shown = await picture.evaluate(async (image: HTMLImageElement) => {
    await image.decode();
    const copy = new OffscreenCanvas(image.naturalWidth, image.naturalHeight);
    const brush = copy.getContext('2d')!;
    brush.drawImage(image, 0, 0);
    const { data } = brush.getImageData(0, 0, copy.width, copy.height);
    let pink = 0;
    for (let i = 0; i < data.length; i += 4)
      if (data[i]! > 200 && data[i + 1]! < 70 && data[i + 2]! > 200) pink++;
    return { width: copy.width, height: copy.height, pink: pink / (copy.width * copy.height) };
  });
  expect([shown.width, shown.height]).toEqual([195, 422]);
  expect(shown.pink).toBeGreaterThan(0.003);

  // It loses the network while something is changed, and comes back: it catches up.
  await context.setOffline(true);
  await row(page, 'Bar').click();
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await setField(page, 'Width, cm', '4');
  await saved(page);
  await context.setOffline(false);
  await expect.poll(lit, { timeout: 60_000 }).toBeLessThan(small);
  await page.getByRole('button', { name: 'Try', exact: true }).click();

  // Revoked: gone at once, with a sentence; and it cannot be opened again.
  await page.getByRole('button', { name: 'Revoke' }).click();
  await expect(phone.getByText('This link was revoked by whoever made it.')).toBeVisible();
  await expect(canvas).toBeHidden();
  await expect(phone.getByRole('button', { name: 'Record' })).toBeHidden();
  await phone.reload();
  await expect(phone.getByText('This link was revoked, or lost a piece on its way.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Phone 1' })).toHaveCount(0);
  await context.close();
});

test('a link for one device is the first one’s, also when that comes back; an effect that is deleted goes from it at once', async ({
  page,
  browser,
  server,
}) => {
  const id = await createEffect(page, 'Low lamp', { ...blankEffect('Low lamp'), objects: effect.objects });
  await openPhones(page, id);
  const address = await makeLink(page, 'One only', true);
  const [first, one] = await phoneWindow(browser, server.base);
  await one.goto(address);
  await expect(one.getByText('This device is phone 1.')).toBeVisible();
  const [second, other] = await phoneWindow(browser, server.base);
  await other.goto(address);
  await expect(other.getByText('This link is for one device, and another one has opened it.')).toBeVisible();
  await expect(other.getByRole('button', { name: 'Use my camera' })).toBeHidden();
  await second.close();
  // The first comes back as the same.
  await one.reload();
  await expect(one.getByText('This device is phone 1.')).toBeVisible();
  await expect(page.getByRole('region', { name: /^Phone \d$/ })).toHaveCount(1);
  // The effect is deleted under it.
  await fetch(`${server.base}/api/effects/${id}`, { method: 'DELETE' });
  await expect(one.getByText('This effect was deleted by whoever made it.')).toBeVisible();
  await first.close();
});
