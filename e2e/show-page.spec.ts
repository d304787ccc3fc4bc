/** The show page on a take: taps, switching, what it says when there is no camera. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import sharp from 'sharp';
import { newControl, newCue, newDrive, newPrompt } from '../src/core/document/new-cues';
import { newAction } from '../src/core/kinds/actions/actions';
import { newCard } from '../src/core/kinds/objects/card';
import type {
  ControlId,
  Cue,
  CueId,
  DriveId,
  Effect,
  EffectObject,
  ObjectId,
  PromptId,
} from '../src/core/document/schema';
import { newLayer } from '../src/core/kinds/objects/layer';
import { keptPicture, releasedPath, shareOf } from './harness/pages';

const MAGENTA = [255, 0, 220] as const;

/** A slider that sizes the lamp, a prompt until it is lit, and a flipped camera that puts it out. */
const usedParts = (lamp: ObjectId, cue: Cue): Partial<Effect> => {
  const slider = { ...newControl('control_size' as ControlId, 'slider', 'How large', 0), start: 1 };
  const drive = newDrive(
    'drive_size' as DriveId,
    0,
    { kind: 'control', control: slider.id },
    { kind: 'number', objects: [lamp], property: 'size' },
  );
  const prompt = {
    ...newPrompt('prompt_taps' as PromptId, 0),
    text: { kind: 'ready', key: 'tapScreen' } as const,
    hiddenWhen: [{ kind: 'cue', cue: cue.id, moment: 'begins', share: 0.5 } as const],
  };
  const out = newCue('cue_flip' as CueId, 'cameraFlips', 1, [
    { id: 'beat_flip', actions: [newAction('act_flip', 'hide', lamp)] },
  ]);
  return {
    cues: { [cue.id]: cue, [out.id]: out },
    controls: { [slider.id]: slider },
    drives: { [drive.id]: { ...drive, remap: { ...drive.remap, to: [0.3, 1] } } },
    prompts: { [prompt.id]: prompt },
  } as unknown as Partial<Effect>;
};

/** Releases an effect with a card that a tap shows, and gives its path. */
const released = async (page: Page, used = false, worn: readonly EffectObject[] = []): Promise<string> => {
  const asset = await keptPicture(page, 'lamp', '#ff00dc');
  const card = {
    ...newCard('obj_lamp' as ObjectId, asset, 0),
    visible: false,
    move: [0, -0.04, 0.05] as [number, number, number],
  };
  const cue = newCue('cue_lamp' as CueId, 'screenTapped', 0, [
    { id: 'beat_lamp', actions: [newAction('act_lamp', 'toggle', card.id)] },
  ]);
  const effect: Effect = {
    ...blankEffect('Lamp'),
    assets: { [asset.id]: asset },
    objects: Object.fromEntries([card, ...worn].map((object) => [object.id, object])),
    cues: { [cue.id]: cue },
    listing: { summary: 'Tap to light the lamp.', tags: [], icon: asset.id },
    ...(used ? usedParts(card.id, cue) : {}),
  };
  return releasedPath(page, effect);
};

test('without a camera it says so; on a performer taps light and put out, a prompt goes, a slider drives, a photo is taken', async ({
  page,
}) => {
  await page.setViewportSize({ width: 300, height: 533 });
  await page.goto(await released(page, true));
  await expect(page).toHaveTitle('Lamp · Iconia');
  await expect(page.getByText('Tap to light the lamp.')).toBeVisible();
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(page.getByText('No camera was found')).toBeVisible();
  await page.getByRole('button', { name: 'Watch it on a performer' }).click();
  await expect(page.getByText('No camera was found')).toBeHidden();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'take');

  const overlay = page.locator('.viewer-overlay');
  await expect(overlay.getByText('Tap the screen')).toBeVisible();
  const lit = () => shareOf(canvas, MAGENTA);
  await expect.poll(lit).toBe(0);
  await canvas.click({ position: { x: 150, y: 200 } });
  await expect(overlay.getByText('Tap the screen')).toBeHidden();
  await expect.poll(lit).toBeGreaterThan(0.003);
  const large = await lit();
  await overlay.getByRole('slider', { name: 'How large' }).fill('0');
  await expect.poll(lit).toBeLessThan(0.5 * large);
  await overlay.getByRole('slider', { name: 'How large' }).fill('1');
  await expect.poll(lit).toBeGreaterThan(0.9 * large);
  // Another tap, elsewhere, puts it out; one more lights it again.
  await canvas.click({ position: { x: 20, y: 300 } });
  await expect.poll(lit).toBe(0);
  await canvas.click({ position: { x: 150, y: 200 } });
  await expect.poll(lit).toBeGreaterThan(0.003);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Photo' }).click();
  const photo = await sharp(await (await download).path()).metadata();
  expect([photo.format, photo.width! > 100]).toEqual(['png', true]);
  // What is done with the camera application sets off cues.
  await page.getByRole('button', { name: 'Flip camera' }).click();
  await expect.poll(lit).toBe(0);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(page.getByText('No camera was found')).toBeVisible();
});

test('nothing is fetched from anywhere else, and no Vue or component library comes along', async ({
  page,
}) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.goto(await released(page));
  await expect(page.getByRole('heading', { name: 'Lamp' })).toBeVisible();
  const { origin } = new URL(page.url());
  expect(
    asked.filter((url) => !url.startsWith(origin) && !url.startsWith('blob:') && !url.startsWith('data:')),
  ).toEqual([]);
  for (const url of asked.filter((u) => u.endsWith('.js'))) {
    const text = await (await page.request.get(url)).text();
    expect(text).not.toMatch(/ant-design|createElementVNode|__vue_app__/);
  }
});

test('only what the effect needs is fetched to draw it', async ({ page }) => {
  const fetchedFor = async (...worn: readonly EffectObject[]): Promise<readonly string[]> => {
    const asked: string[] = [];
    page.on('request', (request) => asked.push(new URL(request.url()).pathname));
    await page.goto(await released(page, false, worn));
    await expect(page.locator('#picture')).toHaveAttribute('data-source', 'take');
    page.removeAllListeners('request');
    return ['camera', 'faces', 'models', 'grades', 'fountains', 'effect-sounds', 'on-performer'].filter(
      (part) => asked.some((path) => path.startsWith(`/assets/show/${part}-`)),
    );
  };
  expect(await fetchedFor()).toEqual(['on-performer']);
  expect(await fetchedFor(newLayer('obj_lips' as ObjectId, { region: 'lips' }, 1))).toEqual([
    'camera',
    'faces',
    'on-performer',
  ]);
});

test('what cannot be fetched is told with what to do', async ({ page }) => {
  const path = await released(page, false, [newLayer('obj_lips' as ObjectId, { region: 'lips' }, 1)]);
  for (const missing of ['**/assets/show/faces-*', '**/outlet/*/effect.zip']) {
    await page.route(missing, (route) => route.abort());
    await page.goto(path);
    await expect(page.locator('#message')).toHaveText(
      'The effect could not be loaded. Check the connection and reload.',
    );
    await page.unroute(missing);
  }
});
