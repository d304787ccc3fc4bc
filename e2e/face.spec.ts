/** Make-up as an artist does it: the kit, looks, the painter on the layout and on the face, and what can go wrong. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import sharp from 'sharp';
import { blankEffect } from '../src/core/document/defaults';
import { newLayer } from '../src/core/kinds/objects/layer';
import type { Effect, Layer, ObjectId } from '../src/core/document/schema';
import {
  blobOf,
  createEffect,
  drawnOut,
  lookAt,
  plainPng,
  saved,
  seek,
  serverEffect,
  type Blob,
} from './harness/pages';
import { finderOf, objectsOf, open, row, setField } from './harness/place';

const toFace = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Face', exact: true }).click();
};
const begin = async (page: Page, name: string, effect: Effect = blankEffect(name), take = 'neutral') => {
  const id = await createEffect(page, name, effect);
  await open(page, id, take);
  await toFace(page);
  await drawnOut(page);
  return id;
};
const piece = (page: Page, name: string) =>
  page.locator('.tile').filter({ hasText: new RegExp(`^\\s*${name}\\s*$`) });
/** Chooses from a list by its name. */
const choose = async (page: Page, list: string, option: string): Promise<void> => {
  await page
    .locator('.ant-select')
    .filter({ has: page.locator(`[aria-label="${list}"]`) })
    .click();
  await page
    .locator('.ant-select-item-option:visible')
    .filter({ hasText: new RegExp(`^${option}$`) })
    .click();
};
const layersOf = (effect: Effect): Layer[] => objectsOf(effect).filter((o): o is Layer => o.kind === 'layer');
type Seen = Awaited<ReturnType<typeof lookAt>>;
/** Where the picture has changed by more than `by` in all. */
const changes = (before: Seen, after: Seen, by = 30): Blob =>
  blobOf(
    after,
    (r, g, b, i) =>
      Math.abs(r - before.data[i]!) + Math.abs(g - before.data[i + 1]!) + Math.abs(b - before.data[i + 2]!) >
      by,
  );
const seen = async (page: Page): Promise<Seen> => {
  await drawnOut(page);
  return lookAt(finderOf(page));
};
/** A layer of plain blue on a region. */
const blue = (change: Partial<Layer> = {}): Effect => {
  const layer = {
    ...newLayer('obj_blue1' as ObjectId, { name: 'Blue', region: 'lids', tint: '#0000ff' }, 0),
    ...change,
  };
  return { ...blankEffect('Blue'), objects: { [layer.id]: layer } };
};
const dragOn = async (page: Page, selector: string, points: readonly (readonly [number, number])[]) => {
  const box = (await page.locator(selector).boundingBox())!;
  const at = ([u, v]: readonly [number, number]) => [box.x + u * box.width, box.y + v * box.height] as const;
  await page.mouse.move(...at(points[0]!));
  await page.mouse.down();
  for (const point of points.slice(1)) await page.mouse.move(...at(point));
  await page.mouse.up();
};

test('a look from the kit: lids, liner, blush, lips, iris, hair; kept, mixed, copied, undone', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const id = await begin(page, 'Kit');
  const bare = await seen(page);
  for (const name of ['Lid shimmer', 'Lid line', 'Blush', 'Lipstick']) await piece(page, name).click();
  for (const name of ['Iris', 'Hair colour'])
    await page.getByRole('button', { name, exact: true }).first().click();
  const made = await seen(page);
  const reach = changes(bare, made);
  expect(reach.share).toBeGreaterThan(0.02);
  // The lips are redder now, and the shirt is as it was.
  expect(blobOf(made, (r, g, _b, i) => r - g > bare.data[i]! - bare.data[i + 1]! + 25).share).toBeGreaterThan(
    0.002,
  );
  expect(reach.top).toBeGreaterThan(0.05);
  await expect(piece(page, 'Lipstick')).toHaveAttribute('aria-pressed', 'true');
  await saved(page);
  const effect = await serverEffect(page, id);
  expect(layersOf(effect).map((l) => l.region)).toEqual(['lips', 'liner', 'lids', 'cheeks']);
  expect(
    objectsOf(effect)
      .map((o) => o.kind)
      .sort(),
  ).toEqual(['hair', 'iris', 'layer', 'layer', 'layer', 'layer']);

  // Pressed again a piece is selected, and another colour is a click away.
  await piece(page, 'Lipstick').click();
  await page.getByRole('button', { name: 'Lipstick in #6d2440' }).click();
  await saved(page);
  expect(layersOf(await serverEffect(page, id))[0]).toMatchObject({ tint: '#6d2440' });
  // Colours stand beside the group of what was clicked, and move nothing when they come.
  const tile = await piece(page, 'Blush').boundingBox();
  await page.getByRole('button', { name: 'Iris', exact: true }).first().click();
  await expect(page.getByRole('group', { name: 'Colours for Lipstick' })).toHaveCount(0);
  expect(await piece(page, 'Blush').boundingBox()).toEqual(tile);
  await page.getByRole('button', { name: 'Iris in #8fb4c9' }).click();
  await saved(page);
  const iris = objectsOf(await serverEffect(page, id)).find((o) => o.kind === 'iris');
  expect(iris).toMatchObject({ tint: '#8fb4c9' });

  await page.getByRole('button', { name: 'Keep what is on the face' }).click();
  await page.getByLabel('Name of Look 1').fill('Mine');
  await page.getByLabel('Name of Look 1').press('Enter');
  await page.getByRole('button', { name: 'Harbour night', exact: true }).click();
  await saved(page);
  const night = await serverEffect(page, id);
  expect(layersOf(night).map((l) => l.name)).toContain('Matte lipstick');
  expect(objectsOf(night).some((o) => o.kind === 'hair')).toBe(false);
  await page.getByRole('button', { name: 'Mine', exact: true }).click();
  await saved(page);
  const again = await serverEffect(page, id);
  expect(layersOf(again).map((l) => [l.name, l.tint])).toEqual(
    expect.arrayContaining([['Lipstick', '#6d2440']]),
  );
  expect(objectsOf(again).filter((o) => o.kind === 'hair' || o.kind === 'iris')).toHaveLength(2);

  // Half-way between two looks their common pieces meet; the whole drag is one step to undo.
  await setField(page, 'Share of the second look, as a number', '50');
  await saved(page);
  const mixed = layersOf(await serverEffect(page, id));
  expect(mixed.find((l) => l.name === 'Crease')).toMatchObject({ opacity: expect.closeTo(0.425, 2) });
  await page.getByRole('button', { name: /^Undo/ }).click();
  await saved(page);
  expect(layersOf(await serverEffect(page, id)).map((l) => l.name)).toEqual(
    layersOf(again).map((l) => l.name),
  );

  await page.getByRole('button', { name: 'Copy to face 2' }).click();
  await saved(page);
  const two = layersOf(await serverEffect(page, id));
  const on = (face: number) =>
    two.filter((l) => 'face' in l.anchor && l.anchor.face === face).map((l) => [l.name, l.tint]);
  expect(on(2)).toEqual(on(1));
});

test('a look on nine other faces: they follow its numbers; a click plays the take with that face, also after a reload', async ({
  page,
}) => {
  await begin(page, 'Faces', blue({ region: 'skin' }));
  const faces = page.getByRole('region', { name: 'On other faces' });
  await faces.getByRole('button', { name: 'Show' }).click();
  const pictures = faces.locator('img');
  await expect(pictures).toHaveCount(9);
  const addresses = () => pictures.evaluateAll((all) => all.map((one) => (one as HTMLImageElement).src));
  /** How much bluer than red the middle of each picture is. */
  const blueness = () =>
    pictures.evaluateAll((all) =>
      Promise.all(
        all.map(async (one) => {
          // One that is just replaced by a newer one is asked for again.
          if (
            await (one as HTMLImageElement).decode().then(
              () => false,
              () => true,
            )
          )
            return NaN;
          const canvas = new OffscreenCanvas(3, 3);
          const g = canvas.getContext('2d')!;
          g.drawImage(one as HTMLImageElement, 0, 0, 3, 3);
          const [r, , b] = g.getImageData(1, 1, 1, 1).data;
          return b! - r!;
        }),
      ),
    );
  await expect.poll(async () => Math.min(...(await blueness()))).toBeGreaterThan(60);
  // What the second face wears is shown when make-up goes on that one.
  await page.getByRole('button', { name: 'Face 2', exact: true }).click();
  await expect.poll(async () => Math.max(...(await blueness()))).toBeLessThan(20);
  await page.getByRole('button', { name: 'Face 1', exact: true }).click();
  await expect.poll(async () => Math.min(...(await blueness()))).toBeGreaterThan(60);

  const before = await addresses();
  await row(page, 'Blue').click();
  await setField(page, 'Opacity, per cent', '5');
  await expect.poll(async () => (await addresses()).filter((a) => before.includes(a)).length).toBe(0);
  await expect.poll(async () => Math.max(...(await blueness()))).toBeLessThan(20);

  await seek(page, 3);
  const moment = await page.getByLabel('Time in the take').getAttribute('aria-valuetext');
  expect(moment).not.toBe('0.00 seconds');
  await faces.getByRole('button', { name: /^Asha, skin tone IV/ }).click();
  await expect(page.locator('.take-name').first()).toHaveText('Neutral');
  await faces.getByRole('button', { name: /^Tobe, skin tone VI/ }).click();
  await expect(page.locator('.take-name').first()).toHaveText('Neutral, Tobe');
  await expect(faces.getByRole('button', { name: /^Tobe/ })).toHaveAttribute('aria-pressed', 'true');
  // The same moment of the same movement.
  await expect(page.getByLabel('Time in the take')).toHaveAttribute('aria-valuetext', moment!);
  await page.reload();
  await expect(page.locator('.take-name').first()).toHaveText('Neutral, Tobe');
});

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

test.describe('on skin as it is', () => {
  test.use({ people: 'full' });
  test('gloss is limited by the lids: chosen in the Stack, seen on the lids only', async ({ page }) => {
    const id = await begin(page, 'Limited');
    await piece(page, 'Eye shadow').click();
    await piece(page, 'Matte powder').click();
    await row(page, 'Matte powder').first().click();
    await choose(page, 'Finish', 'Gloss');
    const hide = page.getByRole('button', { name: 'Hide Matte powder' });
    const glossy = await seen(page);
    await hide.click();
    const without = await seen(page);
    await page.getByRole('button', { name: 'Show Matte powder' }).click();
    const wide = changes(without, glossy, 12);
    await choose(page, 'Limited by the mask of', 'Eye shadow');
    await saved(page);
    const layers = layersOf(await serverEffect(page, id));
    const shadow = layers.find((l) => l.name === 'Eye shadow')!;
    expect(layers.find((l) => l.name === 'Matte powder')).toMatchObject({
      finish: 'gloss',
      maskedBy: shadow.id,
    });
    // All that it does now it does on the lids: a band at the height of the eyes, and no longer on the rest of the face.
    const limited = await seen(page);
    const narrow = changes(without, limited, 4);
    const beside = blobOf(limited, (r, g, b, i) => {
      const off =
        Math.abs(r - without.data[i]!) +
        Math.abs(g - without.data[i + 1]!) +
        Math.abs(b - without.data[i + 2]!);
      return off > 4 && Math.abs(i / 3 / limited.width / limited.height - narrow.y) > 0.05;
    });
    expect(wide.share).toBeGreaterThan(0.02);
    expect(wide.bottom - wide.top).toBeGreaterThan(0.25);
    expect(narrow.share).toBeGreaterThan(0.0005);
    expect(narrow.share).toBeLessThan(0.3 * wide.share);
    expect(beside.share).toBeLessThan(0.05 * narrow.share);
  });
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
