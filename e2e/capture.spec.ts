/** What the Viewfinder shows, captured in Try: a photo, a video with sound, a loop; decoded again. */
import sharp from 'sharp';
import { movingFacts, pinkIn, savedBy, videoFacts } from './harness/captured';
import { BAR, lamp } from './harness/lamp';
import { createEffect, drawnOut } from './harness/pages';
import { expect, test } from './harness/test';

test('in Try a photo, a video with sound and a loop are taken, saved in their formats, and hold what was seen', async ({
  page,
}) => {
  test.slow();
  const shown = { ...lamp, objects: { [BAR]: { ...lamp.objects[BAR]!, visible: true } } };
  const id = await createEffect(page, 'Low lamp', shown);
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  const panel = page.getByRole('region', { name: 'Capture' });
  const canvas = page.locator('.finder canvas');
  const canvasSize = () => canvas.evaluate((c: HTMLCanvasElement) => [c.width, c.height] as const);
  const [width, height] = await canvasSize();

  // A photo is as large as a phone takes it; the Viewfinder draws as before after it.
  await panel.getByRole('button', { name: 'Photo' }).click();
  await expect(panel.getByRole('img', { name: 'The photo' })).toBeVisible();
  for (const [label, format] of [
    ['Save as PNG', 'png'],
    ['Save as JPEG', 'jpeg'],
  ] as const) {
    const photo = sharp(await savedBy(page, label));
    const facts = await photo.metadata();
    expect(facts.format).toBe(format);
    expect(Math.abs(facts.height! - 1280)).toBeLessThan(4);
    expect(facts.width! / facts.height!).toBeCloseTo(9 / 16, 2);
    expect(await pinkIn(photo)).toBeGreaterThan(0.02);
  }
  expect(await canvasSize()).toEqual([width, height]);
  await panel.getByRole('button', { name: 'Discard' }).click();
  await expect(panel.getByRole('img')).toBeHidden();

  // A loop can be given up, and taken after all.
  await panel.getByRole('button', { name: 'Loop' }).click();
  await panel.getByRole('button', { name: 'Cancel' }).click();
  await expect(panel.getByRole('button', { name: 'Loop' })).toBeEnabled();
  await expect(panel.getByRole('img')).toBeHidden();
  await panel.getByRole('button', { name: 'Loop' }).click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await expect(panel.getByRole('img', { name: 'The loop' })).toBeVisible({ timeout: 60_000 });
  // The take went on for it, and stands again.
  await expect(page.getByRole('button', { name: 'Pause' })).toBeHidden();
  for (const [label, format] of [
    ['Save as GIF', 'gif'],
    ['Save as WebP', 'webp'],
  ] as const) {
    if (format === 'webp') await panel.getByRole('button', { name: 'Make it WebP' }).click();
    const loop = await movingFacts(await savedBy(page, label));
    expect(loop).toMatchObject({ format, loop: 0 });
    expect(loop.width! / loop.height!).toBeCloseTo(9 / 16, 2);
    expect(loop.pictures).toBeGreaterThan(3);
    expect(loop.milliseconds).toBeGreaterThan(3500);
    expect(loop.milliseconds).toBeLessThan(7000);
    expect(loop.lastPink).toBeGreaterThan(0.02);
  }

  await panel.getByRole('button', { name: 'Video' }).click();
  const began = Date.now();
  await expect.poll(() => Date.now() - began).toBeGreaterThan(2000);
  await panel.getByRole('button', { name: /^Stop recording/ }).click();
  const took = (Date.now() - began) / 1000;
  const video = panel.getByLabel('The video');
  await expect(video).toBeVisible();
  const facts = await videoFacts(video);
  expect(facts.width / facts.height).toBeCloseTo(9 / 16, 1);
  expect(facts.length).toBeGreaterThan(1.2);
  expect(facts.length).toBeLessThan(took + 1);
  expect(facts.sounds).toBe(true);
});
