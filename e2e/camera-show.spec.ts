/** The released effect on the show page, on a real camera stream. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { RELEASED_FILE } from '../playwright.config';
import { CLIP_MOMENTS } from './harness/clip';
import { shareOf, stampOf, watchStamps } from './harness/pages';

const MAGENTA = [255, 0, 220] as const;

test('a released effect appears on the camera picture when the mouth opens, and only then', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await watchStamps(page);
  const { path } = JSON.parse(readFileSync(RELEASED_FILE, 'utf8')) as { path: string };
  await page.goto(path);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(canvas).toHaveAttribute('data-faces', '1', { timeout: 60_000 });
  await expect(page.getByText('No face in the picture yet')).toBeHidden();

  const open = CLIP_MOMENTS.indexOf(6.1) + 1;
  // Wait for a moment with the mouth closed, long after it was last open.
  await expect.poll(() => stampOf(page), { timeout: 60_000, intervals: [100] }).toBe(open - 3);
  expect(await shareOf(canvas, MAGENTA)).toBe(0);
  // The picture shows the card within the second that it stays.
  await expect
    .poll(() => shareOf(canvas, MAGENTA), { timeout: 60_000, intervals: [60] })
    .toBeGreaterThan(0.001);
  expect([open, open + 1]).toContain(await stampOf(page));
  await expect.poll(() => shareOf(canvas, MAGENTA), { timeout: 20_000, intervals: [60] }).toBe(0);
});
