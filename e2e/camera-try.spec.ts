/** A phone with a try link, on its own camera: what it finds there is told, and its clip comes back as a take. */
import { drawPlainPeople, keepDrawings } from './harness/drawings';
import { lamp } from './harness/lamp';
import { createEffect, drawnOut } from './harness/pages';
import { expect, test } from './harness/test';
import { newFill } from '../src/core/kinds/objects/fill';
import { headAnchor } from '../src/core/kinds/objects/placed';
import type { ObjectId } from '../src/core/document/schema';

const HAT = 'obj_hat1' as ObjectId;

test('a phone on its camera says what it finds; a clip of it is recorded, sent, and brought in as a take', async ({
  page,
  browser,
  server,
}) => {
  test.setTimeout(240_000);
  const id = await createEffect(page, 'Low lamp', {
    ...lamp,
    objects: { ...lamp.objects, [HAT]: { ...newFill(HAT, 1, headAnchor('headCentre')), name: 'Hat' } },
  });
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  await page.getByRole('tab', { name: 'Phones' }).click();
  await page.getByRole('button', { name: 'Make a try link' }).click();
  const address = (await page.getByTestId('address').textContent())!;

  const context = await browser.newContext({ viewport: { width: 195, height: 422 }, baseURL: server.base });
  await context.addInitScript(keepDrawings);
  await context.addInitScript(drawPlainPeople);
  const phone = await context.newPage();
  await phone.goto(address);
  await phone.getByRole('button', { name: 'Watch it on a performer' }).click();
  // On a performer there is nothing of one's own to send.
  await phone.getByRole('button', { name: 'Send a clip' }).click();
  await expect(phone.getByText('A clip is of your camera as it is.')).toBeVisible();
  await phone.getByRole('button', { name: 'Use my camera' }).click();
  await expect(phone.locator('#picture')).toHaveAttribute('data-faces', '1', { timeout: 90_000 });
  const card = page.getByRole('region', { name: 'Phone 1' });
  await expect(card.getByText('On its camera: 1 face found')).toBeVisible({ timeout: 30_000 });

  await phone.getByRole('button', { name: 'Send a clip' }).click();
  await expect(phone.getByText('Recording what the camera sees, without the effect')).toBeVisible();
  const began = Date.now();
  await expect.poll(() => Date.now() - began, { timeout: 10_000 }).toBeGreaterThan(2500);
  await phone.getByRole('button', { name: 'Stop and send' }).click();
  await expect(phone.getByText('The clip was sent.')).toBeVisible({ timeout: 30_000 });
  await context.close();
  await expect(card.getByText(/^Left .* ago$/)).toBeVisible();

  await card.getByRole('button', { name: 'Bring its clip in as a take' }).click();
  await expect(page.locator('.finder').getByText('From phone 1')).toBeVisible({ timeout: 120_000 });
  // It was brought in: it does not wait any longer.
  await page.getByRole('tab', { name: 'Phones' }).click();
  await expect(card.getByRole('button', { name: 'Bring its clip in as a take' })).toHaveCount(0);
});
