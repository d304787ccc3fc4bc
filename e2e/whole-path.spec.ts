/** The whole path as a creator walks it: Blank, a picture of one's own, forehead, mouth, release. */
import { expect, test } from './harness/test';
import {
  plainPng,
  saved,
  savedByItself,
  seek,
  seenFrames,
  serverEffect,
  shareOf,
  watchFrames,
} from './harness/pages';

/** A colour that stands nowhere else in the picture. */
const MAGENTA = [255, 0, 220] as const;

test('from Blank to a released effect that appears when the mouth opens', async ({ page }) => {
  test.setTimeout(240_000);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));

  await page.goto('/');
  await page.getByRole('button', { name: /^Blank/ }).click();
  await expect(page).toHaveURL(/\/effects\/[0-9a-f-]{36}\/place/);
  const id = /effects\/([0-9a-f-]{36})/.exec(page.url())![1]!;

  // Drop a picture on the Stack, as from a folder.
  const png = await plainPng('#ff00dc');
  const transfer = await page.evaluateHandle(
    (bytes) => {
      const dropped = new DataTransfer();
      dropped.items.add(new File([new Uint8Array(bytes)], 'lantern.png', { type: 'image/png' }));
      return dropped;
    },
    [...png],
  );
  await page.getByRole('region', { name: 'Stack' }).dispatchEvent('drop', { dataTransfer: transfer });
  await expect(page.getByRole('button', { name: 'lantern', exact: true })).toBeVisible();
  const finder = page.locator('.finder canvas');
  await expect(page.getByText('Forehead').first()).toBeVisible();
  await expect.poll(() => shareOf(finder, MAGENTA)).toBeGreaterThan(0.01);

  // Size by number: 6 cm wide; the height follows.
  const width = page.getByRole('spinbutton', { name: 'Width, cm' });
  await width.fill('6');
  await width.press('Enter');
  await savedByItself(page);
  const card = Object.values((await serverEffect(page, id)).objects)[0]!;
  expect(card).toMatchObject({ kind: 'card', anchor: { kind: 'head', point: 'forehead' } });
  expect(card.scale[0]).toBeCloseTo(0.5, 5);
  expect(card.scale[1]).toBeCloseTo(0.5, 5);

  // Shown only while the mouth is open.
  await page.getByRole('button', { name: 'Behave', exact: true }).click();
  await page.getByRole('button', { name: 'Add the first cue' }).click();
  const cue = page.getByRole('article', { name: /mouth opens/ });
  await expect(cue.getByText(/is shown from the start, so showing it changes nothing/)).toBeVisible();
  await cue.getByRole('button', { name: 'Hide lantern at the start' }).click();
  await expect(cue.getByText(/Fires at/)).toBeVisible();
  await cue.getByRole('button', { name: 'There and back' }).click();
  await cue.getByRole('spinbutton', { name: 'Duration, seconds' }).fill('1');
  await saved(page);

  await page.getByRole('button', { name: 'Try', exact: true }).click();
  for (const [time, there] of [
    [4.8, false],
    [6.1, true],
    [7.2, false],
    // Backwards again: the past is the same.
    [6.0, true],
    [5.0, false],
  ] as const) {
    await seek(page, time);
    const share = () => shareOf(finder, MAGENTA);
    if (there) await expect.poll(share, { message: `there at ${time} s` }).toBeGreaterThan(0.005);
    else await expect.poll(share, { message: `gone at ${time} s` }).toBe(0);
  }

  // Release: the checks name what is missing and mend what they can.
  await page
    .getByRole('button', { name: /^Release/ })
    .first()
    .click();
  await expect(page.locator('[data-finding="no-icon"]')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Release version 1' })).toBeDisabled();
  await page.getByRole('button', { name: 'Use the picture of this moment', exact: true }).click();
  await expect(page.locator('[data-finding="no-icon"]')).toBeHidden();
  await page.getByLabel('Summary').fill('A lantern that lights when you open your mouth.');
  await page.getByRole('button', { name: 'Release version 1' }).click();
  const address = await page.getByTestId('address').textContent();
  expect(address).toMatch(/\/show\/[a-z0-9-]+$/);
  await expect(page.getByRole('img', { name: 'QR code of the address' })).toBeVisible();

  // The show page plays it on the performer; the camera has a test of its own.
  await page.setViewportSize({ width: 300, height: 533 });
  await page.goto(new URL(address!).pathname);
  await expect(page.getByRole('heading', { name: /New effect/ })).toBeVisible();
  await watchFrames(page, '#picture', MAGENTA);
  await page.getByRole('button', { name: 'Watch it on a performer' }).click();
  // Within a round of the take the mouth opens, and the card comes and goes.
  const states = async () => (await seenFrames(page)).map((f) => f.share > 0.002);
  await expect.poll(async () => (await states()).includes(true), { timeout: 90_000 }).toBe(true);
  await expect.poll(async () => (await states()).at(-1), { timeout: 90_000 }).toBe(false);
  expect((await states())[0]).toBe(false);
  expect(errors).toEqual([]);
});
