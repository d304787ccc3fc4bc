/** A printed picture before a real camera stream: found, followed, lost and found, on the show page. */
import { readFileSync } from 'node:fs';
import { cameraOn, PICTURE_CLIP_FILE } from '../playwright.config';
import { SHIPPED_TAKES } from '../src/core/takes/library';
import { judgePictures } from './harness/drawings';
import { CLIP_FOV_Y, CLIP_HEIGHT, CLIP_WIDTH, PICTURE_GONE, PICTURE_MOMENTS } from './harness/clip';
import {
  createEffect,
  drawnOut,
  plainPng,
  releasedPath,
  seenFrames,
  serverEffect,
  watchFrames,
  watchStamps,
} from './harness/pages';
import { tideCard } from './harness/tide-card';
import { expect, test } from './harness/test';

test.use(cameraOn(PICTURE_CLIP_FILE));

const MAGENTA = [255, 0, 220] as const;

/** Where the middle of the printed picture is in a moment of the clip, in shares of the camera picture. */
const middleAt = (moment: number): readonly [number, number] | null => {
  const { take, time } = PICTURE_MOMENTS[moment]!;
  const { pictures, camera } = SHIPPED_TAKES.find((t) => t.id === take)!.frameAt(time);
  if (!pictures[0]) return null;
  const [x, y, z] = [0, 1, 2].map((k) => pictures[0]!.pose.position[k]! - camera.pose.position[k]!) as [
    number,
    number,
    number,
  ];
  const focal = 1 / Math.tan((CLIP_FOV_Y * Math.PI) / 360);
  return [0.5 + (0.5 * focal * x * CLIP_HEIGHT) / (-z * CLIP_WIDTH), 0.5 - (0.5 * focal * y) / -z];
};

test('a card of the effect lies on the printed picture wherever it is held, and nowhere without it', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await watchStamps(page, { mirrored: false });
  const { effect } = await tideCard(page);
  const trackers: string[] = [];
  page.on('request', (request) => {
    if (request.url().includes('/trackers/')) trackers.push(new URL(request.url()).pathname);
  });
  await page.goto(await releasedPath(page, effect));
  await page.getByRole('button', { name: 'Use my camera' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect(canvas).toHaveAttribute('data-pictures', '1', { timeout: 60_000 });
  // Nothing that looks for faces or people was fetched.
  expect(trackers).toEqual(['/trackers/picture-worker.js']);

  await watchFrames(page, '#picture', MAGENTA);
  const shown = (await seenFrames(page)).length;
  // Taken away, the viewer is asked for it; held again, no more.
  const asked = page.locator('.viewer-prompt', { hasText: 'Point at the picture' });
  await expect(asked).toBeVisible({ timeout: 60_000 });
  await expect(asked).toBeHidden({ timeout: 60_000 });
  /** The last frames of each moment of the clip, once the tracker has settled in it. */
  const settled = async (moment: number) => {
    const frames = await seenFrames(page);
    return frames
      .slice(shown)
      .filter(
        (f, i, all) =>
          f.stamp === moment + 1 && all[i - 8]?.stamp === f.stamp && all[i + 2]?.stamp === f.stamp,
      );
  };
  for (let moment = 0; moment < PICTURE_MOMENTS.length; moment++)
    await expect.poll(async () => (await settled(moment)).length, { timeout: 120_000 }).toBeGreaterThan(3);
  const box = (await canvas.boundingBox())!;
  // The view shows the camera picture's full height, or its full width.
  const [across, down] = [
    Math.max(1, CLIP_WIDTH / CLIP_HEIGHT / (box.width / box.height)),
    Math.max(1, box.width / box.height / (CLIP_WIDTH / CLIP_HEIGHT)),
  ];
  for (let moment = 0; moment < PICTURE_MOMENTS.length; moment++) {
    const middle = middleAt(moment);
    const frames = await settled(moment);
    if (moment === PICTURE_GONE) {
      expect(middle).toBeNull();
      expect(frames.every((f) => f.share === 0)).toBe(true);
      continue;
    }
    const [x, y] = [0.5 + (middle![0] - 0.5) * across, 0.5 + (middle![1] - 0.5) * down];
    for (const frame of frames) {
      expect(frame.share).toBeGreaterThan(0.0008);
      expect([moment, Math.abs(frame.x - x) < 0.02, Math.abs(frame.y - y) < 0.02]).toEqual([
        moment,
        true,
        true,
      ]);
    }
  }
});

test('before anything is printed: how well the card can be found, why another cannot, and a sheet in true size', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await page.evaluate(judgePictures);
  const { items } = (await (await page.request.get('/api/effects')).json()) as {
    items: { id: string; name: string }[];
  };
  // One of its own: the tests after this one try the card as it ships.
  const shipped = await serverEffect(page, items.find((e) => e.name === 'Tide Card')!.id);
  await page.goto(
    `/effects/${await createEffect(page, 'Another card', { ...shipped, name: 'Another card' })}/place`,
  );
  await drawnOut(page);
  await page.getByRole('button', { name: /^Settings of Picture/ }).click();
  const strength = page.getByRole('group', { name: 'How well it can be found' });
  await expect(strength.getByText('Easy to find')).toBeVisible({ timeout: 120_000 });
  await expect(strength.getByText(/Found up to [\d.]+ (m|cm) away/)).toBeVisible();
  // What helps shines through: the veil is not the same all over.
  const veil = await strength.locator('.picture canvas').evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    const alpha = [...data].filter((_, i) => i % 4 === 3);
    return [Math.min(...alpha), Math.max(...alpha)];
  });
  expect(veil[0]).toBeLessThan(60);
  expect(veil[1]).toBeGreaterThan(200);

  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Sheet to print, in true size' }).click();
  const download = await downloaded;
  expect(download.suggestedFilename()).toBe('Tide card.pdf');
  expect(
    readFileSync(await download.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');

  // One colour is another matter.
  await page
    .getByLabel('Bring in files')
    .setInputFiles({ name: 'dusk.png', mimeType: 'image/png', buffer: await plainPng('#2a4a60', 300, 400) });
  await expect(page.getByText('dusk.png', { exact: true }).first()).toBeVisible();
  await page.locator('.ant-select', { has: page.locator('[aria-label="Which picture is printed"]') }).click();
  await page.locator('.ant-select-item-option', { hasText: 'dusk.png' }).first().click();
  await expect(strength.locator('[data-grade="poor"]')).toBeVisible({
    timeout: 120_000,
  });
  await expect(strength.locator('.why').first()).toBeVisible();
});

test('the tracker goes through a whole take: how far off it is, and the worst moments to go to', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const { items } = (await (await page.request.get('/api/effects')).json()) as {
    items: { id: string; name: string }[];
  };
  await page.goto(`/effects/${items.find((e) => e.name === 'Tide Card')!.id}/try`);
  await drawnOut(page);
  await page.getByRole('button', { name: 'Tracker', exact: true }).click();
  await page.getByRole('button', { name: 'Go through the whole take' }).click();
  await expect(page.getByRole('button', { name: 'Go through the take again' })).toBeVisible({
    timeout: 180_000,
  });
  const said = page.getByTestId('survey');
  await expect(said).toContainText(/at worst; lost at \d+ of \d+ moments/);
  const [, median, lost, of] = /Off by ([\d.]+)°[^]*lost at (\d+) of (\d+)/.exec(await said.innerText())!;
  expect(Number(of)).toBeGreaterThan(60);
  expect(Number(lost)).toBeLessThan(0.1 * Number(of));
  expect(Number(median)).toBeLessThan(2);
  // Its line is drawn over the whole take, and a click leads to a moment.
  expect((await page.locator('.survey svg path').getAttribute('d'))!.split('L').length).toBeGreaterThan(50);
  await page
    .getByRole('group', { name: 'What is shown of it' })
    .getByRole('button', { name: 'corners' })
    .click();
  await expect(said).toContainText(/[\d.]+ mm/);
  const worst = page.getByRole('group', { name: 'The worst moments' }).getByRole('button').first();
  const seconds = Number.parseFloat((await worst.textContent())!);
  await worst.click();
  await expect(page.getByRole('slider', { name: 'Time in the take' })).toHaveAttribute(
    'aria-valuenow',
    new RegExp(`^${seconds.toFixed(1).replace('.', '\\.')}|^${seconds}`),
  );
});
