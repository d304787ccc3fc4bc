/** Make-up as an artist does it: the kit, looks, the same look on other faces, and what limits a layer. */
import { expect, test } from './harness/test';
import { blobOf, saved, seek, serverEffect } from './harness/pages';
import { objectsOf, row, setField } from './harness/place';
import { begin, piece, choose, layersOf, changes, seen, blue } from './harness/face-bench';

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
