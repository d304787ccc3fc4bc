/** The released effect on the show page, on a real camera stream. */
import { expect, test } from './harness/test';
import { CLIP_MOMENTS } from './harness/clip';
import { blankEffect } from '../src/core/document/defaults';
import { newCue } from '../src/core/document/new-cues';
import { newAction } from '../src/core/kinds/actions/actions';
import { newCard } from '../src/core/kinds/objects/card';
import type { CueId, Effect, ObjectId } from '../src/core/document/schema';
import { keptPicture, releasedPath, seenFrames, watchFrames, watchStamps } from './harness/pages';

const MAGENTA = [255, 0, 220] as const;

test('a released effect appears on the camera picture when the mouth opens, and only then', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await watchStamps(page);
  const asset = await keptPicture(page, 'lantern', '#ff00dc');
  const card = { ...newCard('obj_lantern' as ObjectId, asset, 0), visible: false };
  const shows = { ...newAction('act_show', 'show', card.id), duration: 1, thereAndBack: true };
  const cue = newCue('cue_mouth' as CueId, 'mouthOpens', 0, [{ id: 'beat_lantern', actions: [shows] }]);
  const effect: Effect = {
    ...blankEffect('Lantern'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: card },
    cues: { [cue.id]: cue },
    listing: { summary: 'A lantern that lights when you open your mouth.', tags: [], icon: asset.id },
  };
  await page.goto(await releasedPath(page, effect));
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(canvas).toHaveAttribute('data-faces', '1', { timeout: 60_000 });
  await expect(page.getByText('Show your face')).toBeHidden();

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
