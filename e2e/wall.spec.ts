/** A wall of takes as a creator uses it: what is wrong on one performer is seen beside the others, and mended there. */
import type { Locator, Page } from '@playwright/test';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { newFill } from '../src/core/kinds/objects/fill';
import { newOccluder } from '../src/core/kinds/objects/occluder';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { FIRST_TAKE } from '../src/core/takes/library';
import { lamp } from './harness/lamp';
import { createEffect, saved, seek, serverEffect } from './harness/pages';
import { objectsOf, open, row, setField } from './harness/place';
import { expect, test } from './harness/test';

const tilesOf = (page: Page): Locator => page.getByRole('group', { name: 'Wall of takes' }).locator('figure');
/** Pixels of a tile that are like the given ones, read in the page. */
const countOf = (tile: Locator, like: 'pink' | 'any'): Promise<number> =>
  tile.locator('canvas').evaluate((element, like) => {
    const canvas = element as HTMLCanvasElement;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    let count = 0;
    for (let i = 0; i < data.length; i += 4)
      if (like === 'any' ? data[i + 3]! > 0 : data[i]! > 200 && data[i + 1]! < 60 && data[i + 2]! > 150)
        count++;
    return count;
  }, like);
const allOf = async (page: Page): Promise<Map<string, number>> => {
  const found = new Map<string, number>();
  for (const tile of await tilesOf(page).all())
    found.set((await tile.locator('figcaption').textContent())!.trim(), await countOf(tile, 'pink'));
  return found;
};

const chooseSet = async (page: Page, name: string): Promise<void> => {
  await page
    .locator('.ant-select', { has: page.getByRole('combobox', { name: 'Takes on the wall' }) })
    .click();
  await page.locator('.ant-select-item-option', { hasText: name }).click();
};
const HALO = 'obj_halo1' as ObjectId;
/** A bar behind the head, as wide as a head with short hair and a little more: what hair hides of it is hidden. */
const halo: Effect = {
  ...blankEffect('Halo'),
  objects: {
    [HALO]: {
      ...newFill(HALO, 0, headAnchor('headCentre')),
      name: 'Halo',
      tint: '#ff00ff',
      opacity: 1,
      extent: [0.24, 0.04],
      fit: 'free',
      move: [0, 0.02, -0.1],
    },
    ['obj_head1' as ObjectId]: { ...newOccluder('obj_head1' as ObjectId, 1), hair: true },
  },
};

// With hair.
test.describe('people in full', () => {
  test.use({ people: 'full' });
  test('six takes side by side: what one performer’s hair hides is seen at once, mended in a number, and every tile follows', async ({
    page,
  }) => {
    test.slow();
    const id = await createEffect(page, 'Halo', halo);
    await open(page, id, 'neutral');
    await page.getByRole('button', { name: 'Try', exact: true }).click();
    await page.getByRole('tab', { name: 'Wall of takes' }).click();
    const tiles = tilesOf(page);
    await expect(tiles).toHaveCount(6);
    for (const tile of await tiles.all())
      await expect(tile).toHaveAttribute('aria-busy', 'false', { timeout: 90_000 });
    // Every tile shows a whole picture.
    for (const tile of await tiles.all()) expect(await countOf(tile, 'any')).toBeGreaterThan(5000);
    const before = await allOf(page);
    const [worst] = [...before].sort((a, b) => a[1] - b[1]);
    const others = [...before].filter(([name]) => name !== worst![0]).map(([, count]) => count);
    expect(worst![0]).toBe('Turn and mouth, Wren');
    expect(worst![1]).toBeLessThan(0.5 * Math.min(...others));

    // A click shows that one large, with the take's name in the Viewfinder.
    await page.getByRole('button', { name: `${worst![0]}: show it large` }).click();
    await expect(page.getByRole('button', { name: `${worst![0]}: show it large` })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await expect(page.locator('.finder').getByText(worst![0])).toBeVisible();

    // Mended by a number, beside the wall; every tile follows.
    await row(page, 'Halo').click();
    await setField(page, 'Move y, cm', '19');
    await expect
      .poll(async () => Math.min(...(await allOf(page)).values()), { timeout: 60_000 })
      .toBeGreaterThan(1.5 * Math.min(...others));
    await saved(page);
    expect(objectsOf(await serverEffect(page, id))[0]).toMatchObject({ move: [0, 0.19, -0.1] });

    // The set changed, kept under a name, and there again after the page is loaded anew.
    await page.getByRole('button', { name: 'Take Turn and mouth off the wall', exact: true }).click();
    await expect(tiles).toHaveCount(5);
    await page.getByRole('button', { name: 'Keep as a set of yours' }).click();
    await page.getByRole('textbox', { name: 'Name of the set' }).fill('Five for the tide');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('Your own set, kept in this browser.')).toBeVisible();
    await page.reload();
    await page.getByRole('tab', { name: 'Wall of takes' }).click();
    await chooseSet(page, 'Five for the tide');
    await expect(tiles).toHaveCount(5);
  });
});

test('what could go wrong: takes without a face and with lost ones stand on the wall, in step with the strip', async ({
  page,
}) => {
  test.slow();
  const id = await createEffect(page, 'Odd', halo);
  await open(page, id, 'neutral');
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await page.getByRole('tab', { name: 'Wall of takes' }).click();
  await chooseSet(page, 'What could go wrong?');
  const tiles = tilesOf(page);
  await expect(tiles.filter({ hasText: 'Nobody there' })).toHaveCount(1);
  for (const tile of await tiles.all())
    await expect(tile).toHaveAttribute('aria-busy', 'false', { timeout: 90_000 });
  const now = await allOf(page);
  expect(now.get('Nobody there')).toBe(0);
  expect(now.get('Lost and found')).toBeGreaterThan(50);
  // At this moment the face has gone, and the bar with it.
  await seek(page, 6.5);
  await expect.poll(async () => (await allOf(page)).get('Lost and found'), { timeout: 60_000 }).toBe(0);
});

test('what is recorded on a take is played on its tile, on no other', async ({ page }) => {
  test.slow();
  const id = await createEffect(page, 'Low lamp', lamp);
  await open(page, id, FIRST_TAKE.id);
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await page.getByRole('tab', { name: 'Wall of takes' }).click();
  await expect(tilesOf(page).nth(5)).toHaveAttribute('aria-busy', 'false', { timeout: 90_000 });
  await seek(page, 1);
  await page.locator('.finder canvas').click({ position: { x: 60, y: 200 } });
  await seek(page, 2);
  await expect
    .poll(async () => [...(await allOf(page))].filter(([, pink]) => pink > 50).map(([name]) => name))
    .toEqual(['Turn and mouth']);
});
