/** A clip recorded with a real camera stream, in Try: all of it becomes the take. */
import { CLIP_RATE } from '../src/core/takes/clip';
import type { Clip } from '../src/core/takes/clip-data';
import { createEffect, drawnOut } from './harness/pages';
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
});
