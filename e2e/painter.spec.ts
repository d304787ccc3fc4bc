/** The painter: masks and pictures on the layout and on the face, words, files, and what can go wrong. */
import { expect, test } from './harness/test';
import sharp from 'sharp';
import { blobOf, drawnOut, plainPng, saved, serverEffect } from './harness/pages';
import { finderOf, row, setField } from './harness/place';
import { begin, choose, layersOf, changes, seen, blue, dragOn } from './harness/face-bench';

test('a mask is repainted on both halves, seen on the face at once, undone by the stroke', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const id = await begin(page, 'Painted mask', blue());
  await row(page, 'Blue').click();
  const before = await seen(page);
  await page.getByRole('button', { name: 'Paint its mask' }).click();
  const layout = page.locator('.layout');
  await expect(layout).toBeVisible();
  await expect(page.getByText('Loading what is painted')).toHaveCount(0);
  await dragOn(page, '.layout', [
    [0.25, 0.56],
    [0.3, 0.56],
    [0.36, 0.57],
  ]);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  const painted = await seen(page);
  const stroke = changes(before, painted, 60);
  // On both cheeks, one stroke.
  expect(stroke.left).toBeLessThan(0.42);
  expect(stroke.right).toBeGreaterThan(0.58);
  expect(Math.abs(stroke.x - 0.5)).toBeLessThan(0.03);
  await expect
    .poll(async () => layersOf(await serverEffect(page, id))[0]?.mask, { timeout: 20_000 })
    .toBeTruthy();
  const first = await serverEffect(page, id);
  const mask = first.assets[layersOf(first)[0]!.mask!]!;
  const file = await page.request.get(`/api/files/${mask.files[0]!.sha256}`);
  const { data, info } = await sharp(await file.body())
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([1024, 1024]);
  const alpha = (u: number, v: number) => data[4 * (Math.floor(v * 1024) * 1024 + Math.floor(u * 1024)) + 3]!;
  expect(alpha(0.3, 0.56)).toBeGreaterThan(150);
  expect(alpha(0.7, 0.56)).toBeGreaterThan(150);
  expect(alpha(0.5, 0.9)).toBe(0);

  // Rubbed out on one half only.
  await page.getByRole('radio', { name: 'Erase' }).click();
  await page.getByRole('button', { name: 'Both halves' }).click();
  await setField(page, 'Size of the brush, as a number', '160');
  await dragOn(page, '.layout', [
    [0.2, 0.56],
    [0.4, 0.57],
    [0.2, 0.56],
  ]);
  const rubbed = changes(before, await seen(page), 60);
  expect(rubbed.left).toBeGreaterThan(0.5);
  await expect
    .poll(async () => (await serverEffect(page, id)).assets[mask.id]?.files[0]?.sha256, { timeout: 20_000 })
    .not.toBe(mask.files[0]!.sha256);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect
    .poll(async () => changes(before, await seen(page), 60).left, { timeout: 20_000 })
    .toBeLessThan(0.42);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect
    .poll(async () => changes(before, await seen(page), 60).share, { timeout: 20_000 })
    .toBeLessThan(0.001);
  await saved(page);
  expect(layersOf(await serverEffect(page, id))[0]!.mask).toBeNull();
});

test('words are placed on a cheek right on the face, set, and stay after a reload', async ({ page }) => {
  test.setTimeout(120_000);
  const id = await begin(page, 'Words');
  const bare = await seen(page);
  await page.getByRole('button', { name: 'Paint a picture, write, stick on' }).click();
  await page.getByRole('button', { name: 'Text', exact: true }).click();
  await page.getByLabel('Words on the face').fill('ebb');
  await setField(page, 'Size, as a number', '9');
  const finder = (await finderOf(page).boundingBox())!;
  await page.mouse.click(finder.x + 0.4 * finder.width, finder.y + 0.53 * finder.height);
  const withWords = await seen(page);
  const placed = { ...changes(bare, withWords, 40), picture: withWords };
  expect(placed.share).toBeGreaterThan(0.0008);
  expect(placed.x).toBeGreaterThan(0.33);
  expect(placed.x).toBeLessThan(0.47);
  expect(Math.abs(placed.y - 0.53)).toBeLessThan(0.03);
  // In a typeface that ships, and in one of the creator's own; a file that is no font is said, and changes nothing.
  await choose(page, 'Font of the words', 'Bungee');
  await expect.poll(async () => changes(placed.picture, await seen(page), 40).share).toBeGreaterThan(0.0001);
  const bungee = await seen(page);
  const fontFile = page.locator('input[aria-label="Font file for the words"]');
  await fontFile.setInputFiles({ name: 'no.ttf', mimeType: 'font/ttf', buffer: Buffer.from('no font') });
  await expect(page.getByText('no.ttf is no font that can be read.')).toBeVisible();
  await fontFile.setInputFiles('stock/fonts/caveat.woff2');
  await expect(page.getByText('no.ttf is no font')).toBeHidden();
  await expect.poll(async () => changes(bungee, await seen(page), 40).share).toBeGreaterThan(0.0001);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('button', { name: 'Set it' })).toHaveCount(0);
  await expect
    .poll(
      async () => {
        const effect = await serverEffect(page, id);
        const [layer] = layersOf(effect);
        return layer?.asset ? effect.assets[layer.asset]!.files[0]!.bytes : 0;
      },
      { timeout: 20_000 },
    )
    .toBeGreaterThan(1500);
  await saved(page);
  await page.reload();
  await expect(finderOf(page)).toBeVisible();
  await expect
    .poll(async () => changes(bare, await seen(page), 40).share, { timeout: 30_000 })
    .toBeGreaterThan(0.0003);
});

test('the brush is seen on the face and resized there; close up it paints where it is; masks are given so that they are seen', async ({
  page,
}) => {
  test.setTimeout(120_000);
  const id = await begin(page, 'Close', blue());
  await row(page, 'Blue').click();
  await page.getByRole('button', { name: 'Paint its mask' }).click();
  await expect(page.getByText('Loading what is painted')).toHaveCount(0);
  const size = page.getByRole('spinbutton', { name: 'Size of the brush, as a number' });
  const sized = async (): Promise<number> => Number(await size.getAttribute('aria-valuenow'));
  const ring = page.locator('.rings path').first();
  const cheek = async () => {
    const finder = (await finderOf(page).boundingBox())!;
    return { x: finder.x + 0.39 * finder.width, y: finder.y + 0.53 * finder.height };
  };
  const width = async (): Promise<number> => (await ring.boundingBox())!.width;
  const first = await sized();
  let at = await cheek();
  await page.mouse.move(at.x, at.y);
  const small = await width();
  await page.keyboard.down('Shift');
  await page.mouse.wheel(0, -360);
  await page.keyboard.up('Shift');
  await expect.poll(sized).toBeGreaterThan(first + 20);
  expect(await width()).toBeGreaterThan(small * 1.25);
  const large = await sized();
  for (let i = 0; i < 3; i++) await page.keyboard.press('j');
  expect(await sized()).toBeLessThan(large);
  await page.keyboard.press('k');

  // Close up the ring is larger, and a press paints under it; on one half, so that it is told where.
  await page.getByRole('button', { name: 'Both halves' }).click();
  await page.getByRole('button', { name: 'Closer' }).click();
  await drawnOut(page);
  at = await cheek();
  await page.mouse.move(at.x, at.y);
  const box = (await ring.boundingBox())!;
  const finder = (await finderOf(page).boundingBox())!;
  await page.mouse.down();
  await page.mouse.up();
  const after = await seen(page);
  // Bluer than skin, on the cheek.
  const dot = blobOf(after, (r, g, b, i) => {
    const [u, v] = [((i / 3) % after.width) / after.width, i / 3 / after.width / after.height];
    return b > g + 15 && b > 0.8 * r && v > 0.46 && v < 0.62 && u > 0.27 && u < 0.55;
  });
  expect(dot.share).toBeGreaterThan(0.0005);
  expect(Math.abs(finder.x + dot.x * finder.width - (box.x + box.width / 2))).toBeLessThan(
    0.25 * box.width + 4,
  );
  expect(Math.abs(finder.y + dot.y * finder.height - (box.y + box.height / 2))).toBeLessThan(
    0.25 * box.height + 4,
  );
  await saved(page);

  // The mask as a file is black and white, whatever shows it.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PNG' }).click(),
  ]);
  const { data, info } = await sharp(await download.path())
    .raw()
    .toBuffer({ resolveWithObject: true });
  let [opaque, white, black] = [0, 0, 0];
  for (let i = 0; i < data.length; i += info.channels) {
    if (info.channels === 3 || data[i + 3] === 255) opaque++;
    if (data[i]! > 190) white++;
    if (data[i]! < 5) black++;
  }
  expect(opaque).toBe(1024 * 1024);
  expect(white).toBeGreaterThan(200);
  expect(black).toBeGreaterThan(100_000);

  // The face of this moment lies beneath, and goes again.
  await page.getByRole('button', { name: 'This face', exact: true }).click();
  const photo = page.locator('canvas[data-photo]');
  await expect(photo).toBeVisible();
  const skin = await photo.evaluate((canvas: HTMLCanvasElement) => {
    const { width: w, height: h } = canvas;
    return [...canvas.getContext('2d')!.getImageData(0.5 * w, 0.25 * h, 1, 1).data];
  });
  expect(skin[3]).toBe(255);
  expect(skin[0]).toBeGreaterThan(skin[2]! + 15);
  await page.getByRole('button', { name: 'No photograph' }).click();
  await expect(photo).toHaveCount(0);

  // As it was set it is found again.
  await page.getByRole('radio', { name: 'Smudge' }).click();
  const last = await sized();
  await page.reload();
  await expect(finderOf(page)).toBeVisible();
  await row(page, 'Blue').click();
  await page.getByRole('button', { name: 'Paint its mask' }).click();
  await expect(page.getByRole('radio', { name: 'Smudge' })).toBeChecked();
  expect(await sized()).toBe(last);
  expect(layersOf(await serverEffect(page, id))[0]!.mask).not.toBeNull();
});

test('pictures that do not fit the layout are asked about, and what cannot be painted on is said', async ({
  page,
}) => {
  const id = await begin(page, 'Bad pictures', blue());
  await row(page, 'Blue').click();
  await page.getByRole('button', { name: 'Paint its mask' }).click();
  const bring = (name: string, buffer: Buffer) =>
    page
      .locator('input[aria-label="Picture to paint on"]')
      .setInputFiles({ name, mimeType: 'image/png', buffer });
  await bring('dot.png', await plainPng('#ffffff', 1, 1));
  await expect(page.getByText('dot.png is a single pixel')).toBeVisible();
  await bring('note.png', Buffer.from('no picture at all'));
  await expect(page.getByText('note.png is not a picture that can be painted on')).toBeVisible();
  expect(layersOf(await serverEffect(page, id))[0]!.mask).toBeNull();
  await bring('wide.png', await plainPng('#ffffff', 400, 100));
  await expect(page.getByText('wide.png is 400 × 100 pixels; the face layout is a square.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep its shape' }).click();
  await expect
    .poll(async () => layersOf(await serverEffect(page, id))[0]?.mask, { timeout: 20_000 })
    .toBeTruthy();
  const effect = await serverEffect(page, id);
  const asset = effect.assets[layersOf(effect)[0]!.mask!]!;
  const body = await (await page.request.get(`/api/files/${asset.files[0]!.sha256}`)).body();
  const { data } = await sharp(body).raw().toBuffer({ resolveWithObject: true });
  const alpha = (v: number) => data[4 * (Math.floor(v * 1024) * 1024 + 512) + 3]!;
  expect([alpha(0.2), alpha(0.5), alpha(0.8)]).toEqual([0, 255, 0]);
});

test('another take, and a layer that is deleted, while it is painted', async ({ page }) => {
  const id = await begin(page, 'While painting', blue());
  await row(page, 'Blue').click();
  await page.getByRole('button', { name: 'Paint its mask' }).click();
  await expect(page.locator('.layout')).toBeVisible();
  const box = (await page.locator('.layout').boundingBox())!;
  await page.mouse.move(box.x + 0.3 * box.width, box.y + 0.5 * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + 0.35 * box.width, box.y + 0.5 * box.height);
  // The take goes on beneath the brush.
  await page.keyboard.press('Space');
  await page.mouse.move(box.x + 0.4 * box.width, box.y + 0.52 * box.height);
  await page.mouse.up();
  await page.keyboard.press('Space');
  await expect
    .poll(async () => layersOf(await serverEffect(page, id))[0]?.mask, { timeout: 20_000 })
    .toBeTruthy();
  await page.getByRole('button', { name: 'Show the Stack again' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).first().click();
  await expect(
    page.getByText('The layer that was painted on is gone, so the painter was closed.'),
  ).toBeVisible();
  await expect(page.locator('.layout')).toHaveCount(0);
});
