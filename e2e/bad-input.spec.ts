/** Files a creator should not have dropped: a sentence each, and nothing comes in. */
import { expect, test } from './harness/test';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { writeWav } from '../src/core/assets/sounds/wav';
import { blankEffect } from '../src/core/document/defaults';
import type { ObjectId } from '../src/core/document/schema';
import { newFill } from '../src/core/kinds/objects/fill';
import { crownGlb } from './harness/files';
import { createEffect, plainPng, saved, serverEffect } from './harness/pages';

test('bad files are refused by name, nothing of them stays, and the window answers all the while', async ({
  page,
}) => {
  const id = await createEffect(page, 'Bad input');
  await page.goto(`/effects/${id}/place`);
  await expect(page.getByLabel('Choose files')).toBeAttached();
  const jpeg = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#7a4' } })
    .jpeg()
    .toBuffer();
  const wall = await plainPng('#246');
  wall.writeUInt32BE(10_000, 16);
  wall.writeUInt32BE(6_000, 20);
  const crown = Buffer.from((await crownGlb('crown.glb', false)).bytes);
  const lying = Buffer.from(crown);
  lying.writeUInt32LE(0x7fffffff, 12);
  const bomb = zipSync({ 'zeros.png': new Uint8Array(60_000_000) });
  const file = (name: string, buffer: Uint8Array) => ({
    name,
    mimeType: 'application/octet-stream',
    buffer: Buffer.from(buffer),
  });
  // The longest the window did not answer, seen from within.
  await page.evaluate(() => {
    const seen = window as unknown as { longest: number };
    seen.longest = 0;
    let last = performance.now();
    setInterval(() => {
      seen.longest = Math.max(seen.longest, performance.now() - last);
      last = performance.now();
    }, 20);
  });
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
      file('bomb.zip', bomb),
      file('climbing.zip', zipSync({ '../../up.png': await plainPng('#123') })),
      file('nested.zip', zipSync({ 'inner.zip': zipSync({ 'a.png': await plainPng('#123') }) })),
      file('lying.glb', lying),
      file('short.glb', crown.subarray(0, crown.length - 900)),
      file('silent.wav', writeWav({ rate: 8000, channels: [new Float32Array(0)] })),
      file('wrong.cube', Buffer.from('LUT_3D_SIZE 9\n0 0 0\n1 1 1\n')),
      file('good.png', await plainPng('#ff00dc')),
    ]);
  const report = page.getByRole('region', { name: 'Import report' });
  const says = (name: string) => report.locator(`[data-import="${name}"]`).getByRole('alert');
  await expect(report.getByRole('status')).toHaveText(/1 of 13 came in, 12 were refused/);
  for (const [name, sentence] of [
    ['letter.png', /letter\.png is a text file, whatever its name says/],
    ['nothing.png', /nothing\.png is empty \(0 bytes\)/],
    ['wall.png', /wall\.png has 60 megapixels/],
    ['half.jpg', /half\.jpg ends too early/],
    ['drawing.svg', /drawing\.svg is an SVG that carries a script/],
    ['bomb.zip', /bomb\.zip/],
    ['climbing.zip', /climbing\.zip/],
    ['inner.zip', /nested\.zip holds inner\.zip, a zip inside a zip/],
    ['lying.glb', /lying\.glb/],
    ['short.glb', /short\.glb/],
    ['silent.wav', /silent\.wav/],
    ['wrong.cube', /wrong\.cube/],
  ] as const)
    await expect(says(name)).toHaveText(sentence);
  await report.locator('[data-import="good.png"]').getByRole('button', { name: 'Place it' }).click();
  await expect(page.getByRole('button', { name: 'good', exact: true })).toBeVisible();
  await saved(page);
  const effect = await serverEffect(page, id);
  expect(Object.values(effect.assets).map((a) => a.name)).toEqual(['good.png']);
  expect(Object.values(effect.objects)).toHaveLength(1);
  // Never stuck: generous, for this machine draws in software beside it.
  expect(await page.evaluate(() => (window as unknown as { longest: number }).longest)).toBeLessThan(3000);
  // Each sentence can be put away.
  await report.locator('[data-import="letter.png"]').getByRole('button', { name: 'Dismiss' }).click();
  await expect(report.getByText('letter.png')).toBeHidden();
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

test('a refused camera is named as refused, and nothing that would look at it has been fetched', async ({
  page,
}) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  // It would need to know where people are.
  const fill = newFill('obj_water' as ObjectId, 0, { kind: 'backdrop' });
  const id = await createEffect(page, 'Refused camera', {
    ...blankEffect('Refused camera'),
    objects: { [fill.id]: fill },
  });
  const fetched: string[] = [];
  page.on('request', (request) => fetched.push(request.url()));
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: /Your camera/ }).click();
  await expect(page.getByText('does not let Iconia use the camera')).toBeVisible();
  expect(fetched.filter((url) => url.includes('/trackers/'))).toEqual([]);
});
