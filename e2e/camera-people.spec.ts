/** People in a real camera stream: the shipped finder tells them from the room, so that a backdrop can lie behind them. */
import { expect, test } from './harness/test';
import { createEffect, lookAt, shareOf } from './harness/pages';
import { finderOf, open } from './harness/place';

test('a backdrop behind the person before the camera: the room is gone, the face stays', async ({ page }) => {
  test.setTimeout(240_000);
  const id = await createEffect(page, 'People');
  await open(page, id, 'neutral');
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Backdrop' }).click();
  await page.getByRole('button', { name: 'Colour or gradient' }).click();
  await page.getByLabel('Colour', { exact: true }).fill('#ff00ff');
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await page.getByRole('button', { name: /Your camera/ }).click();
  await expect(page.locator('canvas[data-source="camera"]')).toBeVisible({ timeout: 60_000 });
  // Until the tracker has seen a picture the take still stands there.
  await expect(page.getByTestId('readings')).toBeVisible({ timeout: 60_000 });
  const finder = finderOf(page);
  const magenta = (): Promise<number> => shareOf(finder, [255, 0, 255], 40);
  await expect.poll(magenta, { timeout: 120_000 }).toBeGreaterThan(0.15);
  await expect(page.getByText('Looking for the people in the picture')).toBeHidden();
  // The middle of the picture is the face: no backdrop there.
  const { data, width, height } = await lookAt(finder);
  let skin = 0;
  for (let y = Math.round(0.45 * height); y < 0.55 * height; y++)
    for (let x = Math.round(0.45 * width); x < 0.55 * width; x++) {
      const [r, g, b] = [0, 1, 2].map((k) => data[3 * (y * width + x) + k]!) as [number, number, number];
      if (r > b + 15 && g > 0.35 * r) skin++;
    }
  expect(skin / (0.01 * width * height)).toBeGreaterThan(0.8);
  // The corners were the room.
  const corner = 3 * (Math.round(0.06 * height) * width + Math.round(0.9 * width));
  expect(data[corner]! - data[corner + 1]!).toBeGreaterThan(150);
});
