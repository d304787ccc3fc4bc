/** The library: names, replacing, deleting, the shelf, links to files, stock. */
import { writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newCard } from '../src/core/kinds/objects/card';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { chosen, drop, folderOf } from './harness/drop';
import { artworkOra } from './harness/files';
import { createEffect, keptPicture, plainPng, saved, serverEffect, shareOf, tileOf } from './harness/pages';

const finder = (page: Page) => page.getByRole('img', { name: /^Viewfinder/ });
const library = (page: Page) => page.getByRole('region', { name: 'Library' });
const MAGENTA = [255, 0, 220] as const;
const CYAN = [0, 220, 255] as const;

/** An effect with a magenta card, and pictures that nothing shows. */
const withPictures = async (page: Page, name: string, more: readonly string[] = []): Promise<string> => {
  const poster = await keptPicture(page, 'poster', '#ff00dc');
  const others = await Promise.all(more.map((n) => keptPicture(page, n, '#00dcff')));
  const effect: Effect = {
    ...blankEffect(name),
    assets: Object.fromEntries([poster, ...others].map((a) => [a.id, a])),
    objects: { ['obj_poster' as ObjectId]: newCard('obj_poster' as ObjectId, poster, 1) },
  };
  const id = await createEffect(page, name, effect);
  await page.goto(`/effects/${id}/place`);
  await expect.poll(() => shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.01);
  return id;
};
const open = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Library', exact: true }).click();
  await expect(library(page)).toBeVisible();
};
const names = (effect: Effect): string[] =>
  Object.values(effect.assets)
    .map((a) => a.name)
    .sort();

test('renamed, replaced, deleted: what shows the asset follows, or says that it is gone', async ({
  page,
}) => {
  const id = await withPictures(page, 'Never broken', ['spare']);
  // From the field that uses it to the asset, and back.
  await page.getByRole('button', { name: 'poster', exact: true }).click();
  await page.getByRole('button', { name: 'poster.png in the library' }).first().click();
  const detail = library(page).getByRole('region', { name: 'poster.png' });
  await expect(detail).toContainText('Used by');
  await detail.getByRole('button', { name: 'Rename' }).click();
  await detail.getByRole('textbox', { name: 'Name of the asset' }).fill('Kelp poster');
  await page.keyboard.press('Enter');
  await library(page)
    .getByRole('button', { name: /Back to poster/ })
    .click();
  await expect(page.getByRole('button', { name: 'Kelp poster in the library' }).first()).toBeVisible();

  // Replaced with a file of another shape: the card keeps its place and width, and shows the new picture.
  await page.getByRole('button', { name: 'Kelp poster in the library' }).first().click();
  const renamed = library(page).getByRole('region', { name: 'Kelp poster' });
  await renamed
    .getByLabel('Replace with a file')
    .setInputFiles([chosen({ name: 'wide.png', bytes: await plainPng('#00dcff', 300, 100) })]);
  await expect.poll(() => shareOf(finder(page), CYAN)).toBeGreaterThan(0.005);
  expect(await shareOf(finder(page), MAGENTA)).toBe(0);
  await saved(page);
  const after = await serverEffect(page, id);
  expect(after.objects['obj_poster' as ObjectId]).toMatchObject({
    asset: 'asset_poster',
    extent: [0.12, 0.04],
  });
  expect(after.assets['asset_poster' as keyof typeof after.assets]!.name).toBe('Kelp poster');
  // A sound cannot stand in for a picture, and says so; nothing changes.
  await renamed
    .getByLabel('Replace with a file')
    .setInputFiles([chosen({ name: 'letter.png', bytes: Buffer.from('no picture at all, only words') })]);
  await expect(renamed.getByText(/letter\.png is a text file/)).toBeVisible();

  // Deleted while it is used: it says by whom, and offers what becomes of that.
  await renamed.getByRole('button', { name: 'Delete' }).click();
  const ask = page.getByRole('alertdialog', { name: 'Delete Kelp poster' });
  await expect(ask).toContainText('is used by poster');
  await ask.getByRole('button', { name: 'Delete it, keep the gaps' }).click();
  await library(page).getByRole('button', { name: 'Close the library' }).click();
  await expect(page.getByText('its asset was deleted')).toBeVisible();
  await expect(page.getByLabel('Its asset was deleted')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Release/ })).toContainText(/[1-9]/);
  await expect.poll(() => shareOf(finder(page), CYAN)).toBe(0);
  // From there to another asset, in two clicks.
  await page.getByRole('button', { name: 'Choose another' }).click();
  await tileOf(page, 'spare.png').click();
  await library(page).getByRole('button', { name: 'Show it on poster' }).click();
  await expect(library(page)).toBeHidden();
  await expect(page.getByText('its asset was deleted')).toBeHidden();
  await expect.poll(() => shareOf(finder(page), CYAN)).toBeGreaterThan(0.01);
  await saved(page);
  const mended = await serverEffect(page, id);
  expect(mended.objects['obj_poster' as ObjectId]).toMatchObject({ asset: 'asset_spare' });
  // All of it can be undone, to the first picture.
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.01);
  await saved(page);
  expect(names(await serverEffect(page, id))).toEqual(['poster.png', 'spare.png']);
});

test('what is put on the shelf is there in another effect', async ({ page }) => {
  await withPictures(page, 'Shelf A');
  await open(page);
  await tileOf(page, 'poster.png').click();
  await library(page).getByRole('button', { name: 'Put on your shelf' }).click();
  await expect(library(page).getByRole('button', { name: 'On your shelf' })).toBeDisabled();
  const other = await createEffect(page, 'Shelf B');
  await page.goto(`/effects/${other}/place`);
  await open(page);
  await library(page).getByRole('tab', { name: 'My shelf' }).click();
  const item = library(page).locator('li', { hasText: 'poster.png' });
  await item.getByRole('button', { name: 'Place it' }).click();
  await expect.poll(() => shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.005);
  await saved(page);
  expect(names(await serverEffect(page, other))).toEqual(['poster.png']);
  await page.getByRole('button', { name: 'Take poster.png off the shelf' }).click();
  await expect(item).toBeHidden();
  expect(await (await page.request.get('/api/shelf')).json()).toEqual([]);
});

test('an asset stays linked to its file: saved outside, it is read again', async ({ page }) => {
  const id = await createEffect(page, 'Linked');
  await page.goto(`/effects/${id}/place`);
  await expect(page.getByRole('button', { name: 'Library', exact: true })).toBeVisible();
  const folder = folderOf('work', [{ name: 'mark.png', bytes: await plainPng('#ff00dc') }]);
  try {
    await drop(page, [folder.file('mark.png')]);
    await expect.poll(() => shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.01);
    await open(page);
    await tileOf(page, 'mark.png').click();
    await library(page).getByRole('button', { name: 'Keep it linked to its file' }).click();
    await expect(library(page).getByText('Linked to mark.png.')).toBeVisible();
    // Half a file, as a program leaves it while it saves: said, and the asset stays.
    writeFileSync(folder.file('mark.png'), (await plainPng('#00dcff')).subarray(0, 90));
    await expect(library(page).getByText(/mark\.png ends too early/)).toBeVisible();
    expect(await shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.005);
    writeFileSync(folder.file('mark.png'), await plainPng('#00dcff'));
    await expect(library(page).getByText(/Read again: saved at/)).toBeVisible();
    await expect.poll(() => shareOf(finder(page), CYAN)).toBeGreaterThan(0.005);
    await saved(page);
    expect(names(await serverEffect(page, id))).toEqual(['mark.png']);
    await library(page).getByRole('button', { name: 'Unlink' }).click();
    await expect(library(page).getByText('Linked to mark.png.')).toBeHidden();
  } finally {
    folder.remove();
  }
});

test('stock: placed, added, downloaded', async ({ page }) => {
  const id = await createEffect(page, 'From stock');
  await page.goto(`/effects/${id}/place`);
  await page.getByRole('button', { name: 'Stock', exact: true }).click();
  const search = library(page).getByRole('textbox', { name: 'Find in the library' });
  await search.fill('kelp crown');
  await library(page)
    .locator('li', { hasText: 'Kelp crown' })
    .getByRole('button', { name: 'Place it' })
    .click();
  await search.fill('surf');
  await library(page).getByRole('button', { name: 'Add Surf to the effect' }).click();
  await expect(library(page).locator('li', { hasText: 'Surf' }).first()).toContainText('here');
  await saved(page);
  const { assets, objects } = await serverEffect(page, id);
  expect(
    Object.values(assets)
      .map((a) => a.kind)
      .sort(),
  ).toEqual(['model', 'sound']);
  expect(
    Object.values(objects)
      .map((o) => o.kind)
      .sort(),
  ).toEqual(['model', 'occluder']);
  await search.fill('face layout');
  const download = page.waitForEvent('download');
  await library(page)
    .getByRole('link', { name: /Download/ })
    .first()
    .click();
  expect((await download).suggestedFilename()).toMatch(/\.(png|svg|glb)$/);
});

test('a layered file that is linked is read again as a whole', async ({ page }) => {
  const id = await createEffect(page, 'Linked layers');
  await page.goto(`/effects/${id}/place`);
  await expect(page.getByRole('button', { name: 'Library', exact: true })).toBeVisible();
  const folder = folderOf('work', [artworkOra('crown.ora')]);
  try {
    await drop(page, [folder.file('crown.ora')]);
    const report = page.getByRole('region', { name: 'Import report' });
    await expect(report.getByRole('status')).toHaveText('1 of 1 came in');
    await report.getByRole('button', { name: 'Show' }).click();
    await library(page)
      .getByRole('button', { name: /linked to its file/ })
      .click();
    await expect(library(page).getByText('Linked to crown.ora.')).toBeVisible();
    await saved(page);
    const before = await serverEffect(page, id);
    writeFileSync(folder.file('crown.ora'), artworkOra('crown.ora', true).bytes);
    await expect(library(page).getByText(/Read again: saved at/)).toBeVisible();
    await saved(page);
    const after = await serverEffect(page, id);
    expect(Object.keys(after.objects).sort()).toEqual(Object.keys(before.objects).sort());
    expect(JSON.stringify(after.assets)).not.toBe(JSON.stringify(before.assets));
  } finally {
    folder.remove();
  }
});
