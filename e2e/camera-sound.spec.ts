/** An effect that listens, on a real microphone stream: the header lets it, the viewer is asked, and it hears. */
import { blankEffect } from '../src/core/document/defaults';
import { newCue } from '../src/core/document/new-cues';
import { newAction } from '../src/core/kinds/actions/actions';
import { newCard } from '../src/core/kinds/objects/card';
import type { Cue, CueId, Effect, ObjectId } from '../src/core/document/schema';
import { keptPicture, releasedPath, shareOf } from './harness/pages';
import { expect, test } from './harness/test';

const MAGENTA = [255, 0, 220] as const;

test('a tone lights the lamp on the show page; silence before it does not', async ({ page }) => {
  test.setTimeout(240_000);
  const asset = await keptPicture(page, 'lamp', '#ff00dc');
  const card = {
    ...newCard('obj_lamp' as ObjectId, asset, 0),
    anchor: { kind: 'screen', pin: 'centre' },
    visible: false,
  } as unknown as Effect['objects'][ObjectId];
  const when = (id: string, rises: boolean, kind: 'show' | 'hide'): Cue => ({
    ...newCue(id as CueId, 'screenTapped', rises ? 0 : 1, [
      { id: `beat_${kind}`, actions: [newAction(`act_${kind}`, kind, card.id)] },
    ]),
    triggers: [
      {
        kind: 'level',
        signal: { kind: 'loudness' },
        when: rises ? 'rises' : 'falls',
        level: 0.4,
        slack: 0.1,
        hold: 0,
      },
    ],
  });
  const [shows, hides] = [when('cue_loud', true, 'show'), when('cue_quiet', false, 'hide')];
  const effect: Effect = {
    ...blankEffect('Listens'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: card },
    cues: { [shows.id]: shows, [hides.id]: hides },
    listing: { summary: 'Sing, and the lamp lights.', tags: [], icon: asset.id },
  };
  await page.goto(await releasedPath(page, effect));
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  const lit = () => shareOf(canvas, MAGENTA);
  await expect.poll(lit, { timeout: 60_000 }).toBeGreaterThan(0.002);
  expect(Number(await canvas.getAttribute('data-loudness'))).toBeGreaterThanOrEqual(0);
  await expect.poll(lit, { timeout: 60_000 }).toBe(0);
  await expect(page.getByText('hears nothing')).toHaveCount(0);
});
