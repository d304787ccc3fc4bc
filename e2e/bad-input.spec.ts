/** Files a creator should not have dropped: a sentence each, and nothing comes in. */
import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { createEffect, plainPng, serverEffect } from './harness/pages';

test('bad files are refused by name, and the good one beside them comes in', async ({ page }) => {
  const id = await createEffect(page, 'Bad input');
  await page.goto(`/effects/${id}/place`);
  const jpeg = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#7a4' } })
    .jpeg()
    .toBuffer();
  const wall = await plainPng('#246');
  wall.writeUInt32BE(10_000, 16);
  wall.writeUInt32BE(6_000, 20);
  const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/png', buffer });
  await page
    .getByLabel('Choose files')
    .setInputFiles([
      file('letter.png', Buffer.from('Dear creator, I am no picture.')),
      file('nothing.png', Buffer.alloc(0)),
      file('wall.png', wall),
      file('half.jpg', jpeg.subarray(0, Math.floor(jpeg.length / 2))),
      file(
        'drawing.svg',
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
      ),
      file('good.png', await plainPng('#ff00dc')),
    ]);
  const drawer = page.getByRole('region', { name: 'Assets' });
  await expect(drawer.getByText('letter.png is not a picture but a text file')).toBeVisible();
  await expect(drawer.getByText('nothing.png is empty (0 bytes)')).toBeVisible();
  await expect(drawer.getByText('wall.png has 60 megapixels')).toBeVisible();
  await expect(drawer.getByText('half.jpg ends too early')).toBeVisible();
  await expect(drawer.getByText('drawing.svg is an SVG that carries a script')).toBeVisible();
  await expect(page.getByRole('button', { name: 'good', exact: true })).toBeVisible();
  await expect(page.getByText('all saved')).toBeVisible();
  const effect = await serverEffect(page, id);
  expect(Object.values(effect.assets).map((a) => a.name)).toEqual(['good.png']);
  expect(Object.values(effect.objects)).toHaveLength(1);
  // Each sentence can be put away.
  await drawer.getByRole('button', { name: 'Dismiss' }).first().click();
  await expect(drawer.getByText('letter.png')).toBeHidden();
});

test('an effect that is gone, and an address that never was, say so', async ({ page }) => {
  await page.goto('/effects/00000000-0000-4000-8000-000000000000/place');
  await expect(page.getByText('There is no effect')).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Nothing stands at this address' })).toBeVisible();
  await page.goto('/show/not-released-123456');
  await expect(page.getByText('No effect is released under this address')).toBeVisible();
});

test('without a camera the page says so, and the creator goes on with the take', async ({ page }) => {
  const id = await createEffect(page, 'No camera');
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: /Your camera/ }).click();
  await expect(page.getByText('No camera was found')).toBeVisible();
  await page.getByRole('button', { name: 'Stay with the take' }).click();
  await expect(page.getByText('No camera was found')).toBeHidden();
  await expect(page.locator('.finder canvas')).toHaveAttribute('data-source', 'take');
});

test('a refused camera is named as refused', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  const id = await createEffect(page, 'Refused camera');
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: /Your camera/ }).click();
  await expect(page.getByText('does not let Iconia use the camera')).toBeVisible();
});
