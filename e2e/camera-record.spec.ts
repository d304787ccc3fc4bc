/** A clip recorded with a real camera stream, in Try: all of it becomes the take. */
import { CLIP_RATE } from '../src/core/takes/clip';
import type { Clip } from '../src/core/takes/clip-data';
import { createEffect, drawnOut, lookAt, seekShare, shareOf } from './harness/pages';
import { expect, test } from './harness/test';

test('a clip is recorded with the camera, and is as long as it was recorded', async ({ page }) => {
  test.setTimeout(240_000);
  const id = await createEffect(page, 'Lantern');
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  const mine = page.getByRole('region', { name: 'Your own clips' });
  await mine.getByRole('button', { name: 'Record one' }).click();
  // Closed, it begins anew.
  await mine.getByRole('button', { name: 'Close the camera' }).click();
  await mine.getByRole('button', { name: 'Record one' }).click();
  await mine.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(mine.getByText('2 s', { exact: true })).toBeVisible();
  await mine.getByRole('button', { name: 'Stop and use it' }).click();
  await expect(page.locator('.finder').getByText(/^Recording of [23] s$/)).toBeVisible({ timeout: 120_000 });
  const kept = await page.evaluate(
    () =>
      new Promise<Clip[]>((done, fail) => {
        const opening = indexedDB.open('iconia-clips');
        opening.onerror = () => fail(opening.error);
        opening.onsuccess = () => {
          const asked = opening.result.transaction('clips').objectStore('clips').getAll();
          asked.onsuccess = () => done(asked.result);
        };
      }),
  );
  expect(kept).toHaveLength(1);
  const { frames } = kept[0]!;
  // A camera takes a moment to give its first picture.
  expect(frames.length / CLIP_RATE).toBeGreaterThan(1.5);
  // What was tracked in it is the face that stands before the camera, from its beginning to its end.
  const seen = frames.filter(({ faces }) => faces.length > 0).length;
  expect(seen / frames.length).toBeGreaterThan(0.5);

  // Its sound is heard while it plays.
  const finder = page.locator('.finder canvas');
  await expect(page.locator('[data-sounds="0"]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.locator('[data-sounds="1"]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  await expect(page.locator('[data-sounds="0"]')).toHaveCount(1);

  // Now the effect lays a backdrop behind people: tracked again, they stand before it, at every moment.
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Backdrop' }).click();
  await page.getByRole('button', { name: 'Colour or gradient' }).click();
  await page.getByLabel('Colour', { exact: true }).fill('#ff00ff');
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await expect(page.getByText('needed to know the people in it')).toBeVisible();
  await page.getByRole('button', { name: 'Track it again' }).click();
  await expect(page.getByText('is being tracked')).toBeVisible();
  await expect(page.getByText('is being tracked')).toBeHidden({ timeout: 120_000 });
  await expect(page.getByText('needed to know the people in it')).toBeHidden();
  for (const share of [0.5, 0.9]) {
    await seekShare(page, share);
    await drawnOut(page);
    const magenta = await shareOf(finder, [255, 0, 255], 40);
    expect([share, magenta > 0.15 && magenta < 0.8]).toEqual([share, true]);
  }
  // The face in the middle stands before it.
  const { data, width, height } = await lookAt(finder);
  const middle = 3 * (Math.round(0.5 * height) * width + Math.round(0.5 * width));
  expect(data[middle + 1]!).toBeGreaterThan(60);
});
