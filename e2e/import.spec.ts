/** A creator's files come in: a mixed folder, layered artwork, numbered frames, sheets. */
import { expect, test } from './harness/test';
import type { Card, Effect, EffectObject, PictureAsset } from '../src/core/document/schema';
import { chosen, drop, folderOf } from './harness/drop';
import { artworkOra, framesZip, mixedFolder, sheetPng } from './harness/files';
import { createEffect, saved, serverEffect, seek, shareOf } from './harness/pages';

const isCard = (o: EffectObject): o is Card => o.kind === 'card';

test('a folder of twelve mixed files is dropped: eleven come in, one is explained', async ({ page }) => {
  const id = await createEffect(page, 'Twelve files');
  await page.goto(`/effects/${id}/place`);
  await expect(page.getByRole('button', { name: 'Library' })).toBeVisible();
  const folder = folderOf('kelp things', await mixedFolder());
  try {
    await drop(page, [folder.path]);
    const report = page.getByRole('region', { name: 'Import report' });
    await expect(report.getByRole('status')).toHaveText('11 of 12 came in, 1 was refused', {
      timeout: 120_000,
    });
    await expect(report.locator('[data-import="letter.png"]').getByRole('alert')).toContainText(
      'letter.png is a text file, whatever its name says',
    );
    await saved(page);
    const { assets, objects } = await serverEffect(page, id);
    const kinds: Record<string, string> = {};
    for (const asset of Object.values(assets)) kinds[asset.from?.layer ? 'a layer' : asset.name] = asset.kind;
    expect(kinds).toEqual({
      'kelp.png': 'picture',
      'beach.jpg': 'picture',
      'foam.webp': 'picture',
      'tide.svg': 'picture',
      'wink.gif': 'sequence',
      'spin.png': 'sequence',
      'a layer': 'picture',
      'crown.glb': 'model',
      'lap.wav': 'sound',
      'deep.cube': 'table',
      'dusk.hdr': 'surroundings',
    });
    // Every file it names is on the server, byte for byte what its name says.
    for (const asset of Object.values(assets))
      for (const file of [...asset.files, ...(asset.original ?? [])]) {
        const response = await page.request.get(`/api/files/${file.sha256}`);
        expect((await response.body()).length).toBe(file.bytes);
      }
    // So many at once are not heaped onto the face: only the artwork stands there, as its group.
    expect(
      Object.values(objects)
        .filter((o) => o.parent === null)
        .map((o) => o.kind),
    ).toEqual(['group']);
    const kelp = report.locator('[data-import="kelp.png"]');
    await kelp.getByRole('button', { name: 'Place it' }).click();
    await expect(page.getByRole('button', { name: 'kelp', exact: true })).toBeVisible();
    await expect(kelp.getByRole('button', { name: 'Place it' })).toBeHidden();
  } finally {
    folder.remove();
  }
});

test('work that takes long is cancelled, and what is done stays', async ({ page }) => {
  const id = await createEffect(page, 'Cancelled');
  await page.goto(`/effects/${id}/place`);
  await page
    .getByLabel('Choose files')
    .setInputFiles([chosen(sheetPng('one.png', 1, 1, 64)), chosen(framesZip('many.zip', 240, 256, 4))]);
  const report = page.getByRole('region', { name: 'Import report' });
  await report.getByRole('button', { name: /^Cancel (many|bubble)/ }).click();
  await expect(report.getByRole('status')).toHaveText('1 of 2 came in, 1 cancelled');
  await saved(page);
  expect(Object.values((await serverEffect(page, id)).assets).map((a) => a.name)).toEqual(['one.png']);
});

test('layered artwork becomes a group of five at its offsets; the edited file changes pictures, not places', async ({
  page,
}) => {
  const id = await createEffect(page, 'Layered');
  await page.goto(`/effects/${id}/place`);
  const chooser = page.getByLabel('Choose files');
  await chooser.setInputFiles([chosen(artworkOra('crown.ora'))]);
  const report = page.getByRole('region', { name: 'Import report' });
  await expect(report.getByRole('status')).toHaveText('1 of 1 came in');
  await saved(page);
  const before = await serverEffect(page, id);
  const groups = Object.values(before.objects).filter((o) => o.kind === 'group');
  expect(groups.map((g) => g.name)).toEqual(['crown']);
  const cardsOf = (effect: Effect): Card[] =>
    Object.values(effect.objects)
      .filter(isCard)
      .filter((c) => c.parent === groups[0]!.id)
      .sort((a, b) => a.order - b.order);
  const cards = cardsOf(before);
  expect(cards.map((c) => [c.name, c.blend, c.opacity])).toEqual([
    ['Sparkle', 'screen', 1],
    ['Pearl', 'normal', 1],
    ['Leaf left', 'normal', 0.8],
    ['Leaf right', 'normal', 1],
    ['Band', 'multiply', 1],
  ]);
  // 400 pixels are 20 cm; the pearl of 60 x 60 at (60, 120) lies 55 mm left of the middle, on its height.
  const pearl = cards[1]!;
  expect(pearl.move[0]).toBeCloseTo(-0.055, 6);
  expect(pearl.move[1]).toBeCloseTo(0, 6);
  expect(pearl.extent[0]).toBeCloseTo(0.03, 6);
  // The topmost stands nearest, by small steps.
  const depths = cards.map((c) => c.move[2]);
  for (let i = 1; i < depths.length; i++) expect(depths[i - 1]! - depths[i]!).toBeCloseTo(0.002, 6);

  // The creator moves the pearl, and gives it a name.
  await page.getByRole('button', { name: 'Pearl', exact: true }).click();
  await page.getByRole('spinbutton', { name: 'Move y, cm' }).fill('3');
  await page.getByRole('spinbutton', { name: 'Move y, cm' }).press('Enter');
  await saved(page);
  const moved = cardsOf(await serverEffect(page, id));
  expect(moved[1]!.move[1]).toBeCloseTo(0.03, 6);
  const viewfinder = page.getByRole('img', { name: /^Viewfinder/ });
  await seek(page, 1);
  await expect.poll(() => shareOf(viewfinder, [255, 0, 220]), { timeout: 20_000 }).toBeLessThan(0.001);

  await chooser.setInputFiles([chosen(artworkOra('crown.ora', true))]);
  await expect(report.locator('[data-import="crown.ora"]').last()).toContainText(
    '2 layers updated, placement kept.',
  );
  await saved(page);
  const after = await serverEffect(page, id);
  // The same cards at the same places, showing the same assets; the sparkle follows the 20 pixels it was moved in the file...
  const followed = moved.map((c) =>
    c.name === 'Sparkle' ? { ...c, move: [c.move[0] + 0.01, ...c.move.slice(1)] } : c,
  );
  expect(cardsOf(after)).toEqual(followed);
  expect(Object.keys(after.assets).sort()).toEqual(Object.keys(before.assets).sort());
  // ...which have other pictures where the file changed.
  const changed = Object.values(after.assets)
    .filter((a) => a.files[0]!.sha256 !== before.assets[a.id]!.files[0]!.sha256)
    .map((a) => (a as PictureAsset).from!.layer);
  expect(changed).toHaveLength(1);
  await expect.poll(() => shareOf(viewfinder, [255, 0, 220]), { timeout: 30_000 }).toBeGreaterThan(0.001);
});

test('a zip of 48 frames becomes a sequence that plays', async ({ page }) => {
  const id = await createEffect(page, 'Bubbles');
  await page.goto(`/effects/${id}/place`);
  await page.getByLabel('Choose files').setInputFiles([chosen(framesZip('bubbles.zip', 48))]);
  await expect(page.getByRole('region', { name: 'Import report' }).getByRole('status')).toHaveText(
    /1 of 1 came in/,
  );
  await saved(page);
  const { assets, objects } = await serverEffect(page, id);
  const [sequence] = Object.values(assets);
  expect(sequence).toMatchObject({ kind: 'sequence', frames: 48 });
  expect(Object.values(objects).filter(isCard)).toHaveLength(1);
  // The bubble grows from frame to frame: more of its blue later in the round.
  const viewfinder = page.getByRole('img', { name: /^Viewfinder/ });
  const rate = (sequence as { rate: number }).rate;
  const blue = async (seconds: number): Promise<number> => {
    await seek(page, seconds);
    await page.waitForTimeout(300);
    return shareOf(viewfinder, [120, 200, 255]);
  };
  const round = 48 / rate;
  await expect.poll(() => blue(0.1 * round), { timeout: 60_000 }).toBeGreaterThan(0.0005);
  const [small, large] = [await blue(0.1 * round), await blue(0.95 * round)];
  expect(large).toBeGreaterThan(small * 1.5);
});

test('a sheet is taken for one, its grid shown and corrected by hand, and cut', async ({ page }) => {
  const id = await createEffect(page, 'Sheet');
  await page.goto(`/effects/${id}/place`);
  await page.getByLabel('Choose files').setInputFiles([chosen(sheetPng('sheet.png', 4, 3, 64, 11))]);
  const report = page.getByRole('region', { name: 'Import report' });
  await expect(report.getByText('It looks like a sheet of 4 x 3 frames')).toBeVisible();
  // From the report as it stands in the library.
  await page.getByRole('button', { name: 'Library', exact: true }).click();
  await report.getByRole('button', { name: 'Cut into frames' }).click();
  const cutter = page.getByRole('region', { name: 'Cut sheet.png into frames' });
  await expect(cutter.getByRole('img', { name: '4 columns and 3 rows on sheet.png' })).toBeVisible();
  await expect(cutter.getByLabel('Frames in use')).toHaveValue('11');
  // Corrected by hand: the lines on the picture follow.
  const rows = cutter.getByRole('spinbutton', { name: 'Rows' });
  await rows.fill('6');
  await rows.press('Enter');
  await expect(cutter.getByRole('img', { name: '4 columns and 6 rows on sheet.png' })).toBeVisible();
  expect(await cutter.locator('.sheet rect').count()).toBe(24);
  await rows.fill('3');
  await rows.press('Enter');
  const frames = cutter.getByLabel('Frames in use');
  await frames.fill('10');
  await frames.press('Enter');
  await cutter.getByRole('button', { name: 'Make a sequence of 10' }).click();
  await expect(cutter).toBeHidden();
  await saved(page);
  const { assets, objects } = await serverEffect(page, id);
  const sequence = Object.values(assets).find((a) => a.kind === 'sequence');
  expect(sequence).toMatchObject({ kind: 'sequence', frames: 10, width: 64, height: 64 });
  // The card that showed the whole sheet shows the frames now.
  expect(
    Object.values(objects)
      .filter(isCard)
      .map((c) => c.asset),
  ).toEqual([sequence!.id]);
});

test('the grid of six different sheets is read off their pictures', async ({ page }) => {
  const id = await createEffect(page, 'Six sheets');
  await page.goto(`/effects/${id}/place`);
  const sheets = [
    [4, 3, 64, 11],
    [8, 1, 48, 8],
    [2, 5, 80, 10],
    [5, 5, 40, 23],
    [3, 2, 120, 6],
    [10, 6, 32, 57],
  ] as const;
  const name = ([columns, rows]: readonly number[]) => `sheet ${columns}x${rows}.png`;
  await page
    .getByLabel('Choose files')
    .setInputFiles(sheets.map((s) => chosen(sheetPng(name(s), s[0], s[1], s[2], s[3]))));
  const report = page.getByRole('region', { name: 'Import report' });
  await expect(report.getByRole('status')).toHaveText('6 of 6 came in');
  for (const sheet of sheets)
    await expect(report.locator(`[data-import="${name(sheet)}"]`)).toContainText(
      `It looks like a sheet of ${sheet[0]} x ${sheet[1]} frames`,
    );
});
