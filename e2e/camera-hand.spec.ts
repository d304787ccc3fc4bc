/** A hand before a real camera stream, on the show page: something sticks to its fingertip, and a sign sets off a cue. */
import { cameraOn, HAND_CLIP_FILE } from '../playwright.config';
import { blankEffect } from '../src/core/document/defaults';
import { newCue } from '../src/core/document/new-cues';
import type { CueId, Effect, ObjectId } from '../src/core/document/schema';
import { handPoint } from '../src/core/hand/points';
import { newAction } from '../src/core/kinds/actions/actions';
import { newCard } from '../src/core/kinds/objects/card';
import { handAnchor } from '../src/core/kinds/objects/placed';
import { toOuter } from '../src/core/maths/pose';
import { SHIPPED_TAKES } from '../src/core/takes/library';
import { projectPoint } from '../src/core/tracking/project';
import { CLIP_FOV_Y, CLIP_HEIGHT, CLIP_WIDTH, HAND_MOMENTS } from './harness/clip';
import { keptPicture, releasedPath, seenFrames, watchFrames, watchStamps } from './harness/pages';
import { expect, test } from './harness/test';

test.use(cameraOn(HAND_CLIP_FILE));

const MAGENTA = [255, 0, 220] as const;
const [PALM, FIST, POINT, NONE] = [0, 1, 2, 3] as const;

/** Where the fingertip is in a moment of the clip, in shares of the mirrored camera picture. */
const tipAt = (moment: number): readonly [number, number] => {
  const { camera, hands } = SHIPPED_TAKES.find((t) => t.id === 'gestures')!.frameAt(
    HAND_MOMENTS[moment]!.time,
  );
  const { pose, landmarks } = hands[0]!;
  const tip = toOuter(pose, handPoint(landmarks, 'indexTip').position);
  const [x, y] = projectPoint(camera, CLIP_FOV_Y, CLIP_WIDTH / CLIP_HEIGHT, tip)!;
  return [1 - x, y];
};

test('a ring on the fingertip of an open palm; a fist puts it out, and it stays out until the palm opens again', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await watchStamps(page);
  const asset = await keptPicture(page, 'ring', '#ff00dc', 100, 100);
  const ring = {
    ...newCard('obj_ring' as ObjectId, asset, 0, handAnchor('indexTip')),
    extent: [0.03, 0.03] as [number, number],
    move: [0, 0, 0.012] as [number, number, number],
  };
  const hides = newCue('cue_fist' as CueId, 'fistCloses', 0, [
    { id: 'beat_fist', actions: [newAction('act_hide', 'hide', ring.id)] },
  ]);
  const shows = newCue('cue_palm' as CueId, 'palmOpens', 1, [
    { id: 'beat_palm', actions: [newAction('act_show', 'show', ring.id)] },
  ]);
  const effect: Effect = {
    ...blankEffect('Ring'),
    assets: { [asset.id]: asset },
    objects: { [ring.id]: ring },
    cues: { [hides.id]: hides, [shows.id]: shows },
    listing: { summary: 'A ring of light on your fingertip.', tags: [], icon: asset.id },
  };
  const trackers: string[] = [];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (/-worker[.]js$/.test(pathname)) trackers.push(pathname);
  });
  await page.goto(await releasedPath(page, effect));
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(canvas).toHaveAttribute('data-hands', '1', { timeout: 60_000 });
  // Nothing that looks for faces was fetched.
  expect(trackers.filter((path) => path.includes('/trackers/'))).toEqual(['/trackers/hand-worker.js']);

  await watchFrames(page, '#picture', MAGENTA);
  // Away, the viewer is asked for a hand.
  await expect(page.locator('.viewer-prompt', { hasText: 'Show your hand' })).toBeVisible({
    timeout: 60_000,
  });
  /** The last frames of a moment of the clip, once the tracker and the cues have settled in it; of whole moments only. */
  const settled = async (moment: number) => {
    const frames = await seenFrames(page);
    return frames.filter(
      (f, i, all) =>
        i > 40 && f.stamp === moment + 1 && all[i - 12]?.stamp === f.stamp && all[i + 2]?.stamp === f.stamp,
    );
  };
  // One whole round after the first that was not seen from its beginning.
  await expect
    .poll(async () => Math.min((await settled(PALM)).length, (await settled(NONE)).length), {
      timeout: 120_000,
    })
    .toBeGreaterThan(6);
  await expect
    .poll(async () => Math.min((await settled(FIST)).length, (await settled(POINT)).length))
    .toBeGreaterThan(2);
  const box = (await canvas.boundingBox())!;
  const across = Math.max(1, CLIP_WIDTH / CLIP_HEIGHT / (box.width / box.height));
  const [x, y] = tipAt(PALM);
  for (const frame of await settled(PALM)) {
    expect(frame.share).toBeGreaterThan(0.0005);
    expect(Math.abs(frame.x - (0.5 + (x - 0.5) * across))).toBeLessThan(0.05);
    expect(Math.abs(frame.y - y)).toBeLessThan(0.03);
  }
  for (const moment of [FIST, POINT, NONE])
    for (const frame of await settled(moment)) expect([moment, frame.share]).toEqual([moment, 0]);
});

test('a browser that keeps the hand tracker from running: that is said, and the rest of the effect goes on', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const asset = await keptPicture(page, 'tide', '#ff00dc', 100, 100);
  const ring = newCard('obj_ring' as ObjectId, asset, 0, handAnchor('indexTip'));
  const sign = newCard('obj_sign' as ObjectId, asset, 1, { kind: 'screen', pin: 'centre' });
  const path = await releasedPath(page, {
    ...blankEffect('Tide'),
    assets: { [asset.id]: asset },
    objects: { [ring.id]: ring, [sign.id]: sign },
    listing: { summary: 'A sign, and a ring.', tags: [], icon: asset.id },
  });
  // WebAssembly is switched off, or does not come through.
  await page.route('**/trackers/hands/*.wasm', (route) => route.abort());
  await page.goto(path);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(page.locator('#message', { hasText: 'The hand tracker' })).toBeVisible({ timeout: 60_000 });
  await watchFrames(page, '#picture', MAGENTA);
  await expect
    .poll(async () => (await seenFrames(page)).at(-1)?.share ?? 0, { timeout: 60_000 })
    .toBeGreaterThan(0.01);
  const before = (await seenFrames(page)).length;
  await expect.poll(async () => (await seenFrames(page)).length).toBeGreaterThan(before + 5);
});
