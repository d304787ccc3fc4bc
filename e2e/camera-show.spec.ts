/** The released effect on the show page, on a real camera stream. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { RELEASED_FILE } from '../playwright.config';
import { CLIP_MOMENTS } from './harness/clip';
import { seenFrames, watchFrames, watchStamps } from './harness/pages';

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
  const closed = open - 3;
  await watchFrames(page, '#picture', MAGENTA);
  /** The frames from a moment with the mouth closed, long after it was last open, to the next such moment. */
  const round = async () => {
    const frames = await seenFrames(page);
    const from = frames.findIndex(
      (f, i) => f.stamp === closed && (frames[i - 1]?.stamp ?? closed) !== closed,
    );
    if (from < 0) return [];
    const to = frames.findIndex((f, i) => i > from && f.stamp < closed && frames[i - 1]!.stamp > closed);
    return to > from ? frames.slice(from, to) : [];
  };
  await expect.poll(async () => (await round()).length, { timeout: 120_000 }).toBeGreaterThan(0);
  const frames = await round();
  const lit = frames.filter((f) => f.share > 0.001);
  expect(frames[0]!.share).toBe(0);
  // It comes with the open mouth and stays the second it was given.
  expect(lit.length).toBeGreaterThan(0);
  expect([open, open + 1]).toContain(lit[0]!.stamp);
  expect(frames.at(-1)!.share).toBe(0);
});
