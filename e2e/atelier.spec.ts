/** Working in the atelier: Stack, fields, undo, keys, saving. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import type { Card, Effect, ObjectId } from '../src/core/document/schema';
import { blankEffect } from '../src/core/document/defaults';
import { newCard } from '../src/core/kinds/objects/card';
import { createEffect, keptPicture, pixelsWhere, saved, seek, serverEffect, shareOf } from './harness/pages';

const GREEN = [0, 255, 0] as const;
const A = 'obj_aaaa' as ObjectId;
const B = 'obj_bbbb' as ObjectId;

/** An effect with two plain cards over the face. */
const twoCards = async (page: Page, name: string): Promise<string> => {
  const asset = await keptPicture(page, 'green', '#00ff00');
  const card = (id: ObjectId, name: string, order: number): Card => ({
    ...newCard(id, asset, order),
    name,
    move: [0, -0.04, 0.05],
  });
  const effect: Effect = {
    ...blankEffect(name),
    assets: { [asset.id]: asset },
    objects: { [A]: card(A, 'Upper', 0), [B]: card(B, 'Lower', 1) },
  };
  const id = await createEffect(page, name, effect);
  await page.goto(`/effects/${id}/place`);
  await expect(page.getByRole('button', { name: 'Upper', exact: true })).toBeVisible();
  return id;
};
const names = (page: Page) => page.locator('.object .name').allTextContents();

test('the Stack: open, rename, duplicate, hide, reorder, delete, and all of it undone', async ({ page }) => {
  const id = await twoCards(page, 'Stack work');
  const before = await serverEffect(page, id);
  await page.getByRole('button', { name: 'Upper', exact: true }).click();
  await page.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the object').fill('Sea star');
  await page.getByLabel('Name of the object').press('Enter');
  await page.getByRole('button', { name: 'Duplicate', exact: true }).click();
  await expect.poll(() => names(page)).toEqual(['Sea star 2', 'Sea star', 'Lower']);
  // The copy is selected; by keyboard it goes down one.
  await page.getByRole('button', { name: 'Sea star 2', exact: true }).press('Alt+ArrowDown');
  await expect.poll(() => names(page)).toEqual(['Sea star', 'Sea star 2', 'Lower']);
  // Dragging the last to the top.
  await page.locator('.object', { hasText: 'Lower' }).locator('.grip').hover();
  await page.mouse.down();
  const top = (await page.locator('.object').first().boundingBox())!;
  for (const y of [40, 24, 12, 6, 3]) {
    await page.mouse.move(top.x + 40, top.y + y, { steps: 4 });
    // Rows make room one after the other.
    await page.waitForTimeout(200);
  }
  await page.mouse.up();
  await expect.poll(() => names(page)).toEqual(['Lower', 'Sea star', 'Sea star 2']);
  await page.getByRole('button', { name: 'Hide Lower' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect.poll(() => names(page)).toEqual(['Lower', 'Sea star']);
  await saved(page);
  const after = await serverEffect(page, id);
  expect(after.objects[B]).toMatchObject({ visible: false, order: 0 });
  expect(after.objects[A]).toMatchObject({ name: 'Sea star' });

  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  await expect.poll(() => names(page)).toEqual(['Upper', 'Lower']);
  await expect.poll(async () => JSON.stringify(await serverEffect(page, id))).toBe(JSON.stringify(before));
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => JSON.stringify(await serverEffect(page, id))).toBe(JSON.stringify(after));
});

test('handles in the Viewfinder drag the object; with Shift it snaps to half centimetres', async ({
  page,
}) => {
  const id = await twoCards(page, 'Handles');
  await page.getByRole('button', { name: 'Upper', exact: true }).click();
  const finder = page.locator('.finder canvas');
  await expect.poll(() => shareOf(finder, GREEN)).toBeGreaterThan(0.005);
  const box = (await finder.boundingBox())!;
  // The middle of the card is where the handles are; the upward arrow stands above it.
  const card = await pixelsWhere(finder, (r, g) => g > 220 && r < 60);
  const [cx, cy] = [box.x + card.x * box.width, box.y + card.y * box.height];
  await page.mouse.move(cx, cy - 45);
  await page.waitForTimeout(100);
  await page.mouse.down();
  await page.mouse.move(cx, cy - 75, { steps: 5 });
  await page.mouse.move(cx, cy - 105, { steps: 5 });
  await page.mouse.up();
  await saved(page);
  const moved = (await serverEffect(page, id)).objects[A]!;
  expect(moved.move[1]).toBeGreaterThan(-0.03);
  expect(moved.move[0]).toBeCloseTo(0, 6);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('spinbutton', { name: 'Move y, cm' })).toHaveValue('-4');
  await saved(page);
  expect((await serverEffect(page, id)).objects[A]!.move[1]).toBe(-0.04);

  await page.mouse.move(cx, cy - 45);
  await page.keyboard.down('Shift');
  await page.mouse.move(cx + 1, cy - 46);
  await page.waitForTimeout(100);
  await page.mouse.down();
  await page.mouse.move(cx, cy - 97, { steps: 8 });
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await saved(page);
  const snapped = (await serverEffect(page, id)).objects[A]!.move[1];
  expect(snapped).toBeGreaterThan(-0.039);
  expect(Math.abs(snapped * 200 - Math.round(snapped * 200))).toBeLessThan(1e-6);
});

test('clicking a card in the Viewfinder selects it; the occluder hides what goes behind the head', async ({
  page,
}) => {
  const id = await twoCards(page, 'Picking');
  const finder = page.locator('.finder canvas');
  await expect.poll(() => shareOf(finder, GREEN)).toBeGreaterThan(0.005);
  const box = (await finder.boundingBox())!;
  // Below the forehead, between the eyes.
  await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.42);
  await expect(page.locator('.object.open')).toHaveCount(1);
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('button', { name: /^(Upper|Lower)$/ }).click();
  await page.getByRole('spinbutton', { name: 'Move z, cm' }).fill('-8');
  await expect.poll(() => shareOf(finder, GREEN)).toBeGreaterThan(0.005);
  await page.getByRole('button', { name: 'Hidden behind head' }).click();
  await expect.poll(() => shareOf(finder, GREEN)).toBe(0);
  await saved(page);
  expect(
    Object.values((await serverEffect(page, id)).objects)
      .map((o) => o.kind)
      .sort(),
  ).toEqual(['card', 'occluder']);
});

test('style: opacity, tint and blend mode are seen and kept', async ({ page }) => {
  const id = await twoCards(page, 'Style');
  await page.getByRole('button', { name: 'Upper', exact: true }).click();
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  const finder = page.locator('.finder canvas');
  await page.getByLabel('Tint as hex').fill('#ff0000');
  // Red times green is black.
  await expect.poll(() => shareOf(finder, [0, 0, 0], 12)).toBeGreaterThan(0.005);
  await page.getByRole('button', { name: /Plus lighter/ }).click();
  await expect.poll(() => shareOf(finder, GREEN)).toBeGreaterThan(0.005);
  await page.getByRole('spinbutton', { name: 'Opacity, per cent' }).fill('40');
  await saved(page);
  expect((await serverEffect(page, id)).objects[A]).toMatchObject({
    opacity: 0.4,
    tint: '#ff0000',
    blend: 'plus-lighter',
  });
});

test('keys and palette: stages, steps, handles, duplicate, hide, theme', async ({ page }) => {
  const id = await twoCards(page, 'Keys');
  await page.getByRole('button', { name: 'Upper', exact: true }).click();
  await page.keyboard.press('Control+d');
  await expect.poll(() => names(page)).toEqual(['Upper 2', 'Upper', 'Lower']);
  await page.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Show Upper 2' })).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'Turn', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('.');
  await page.keyboard.press('.');
  await page.keyboard.press(',');
  await expect(page.getByRole('slider', { name: 'Time in the take' })).toHaveAttribute(
    'aria-valuetext',
    '0.02 seconds',
  );
  await page.keyboard.press('4');
  await expect(page).toHaveURL(new RegExp(`${id}/try`));
  await page.keyboard.press('Control+k');
  await page.getByLabel('Find a command').fill('dark');
  await page.getByLabel('Find a command').press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  // Typing a name is not a command.
  await page.getByLabel('Name of the effect').fill('mts12h');
  await saved(page);
  expect((await serverEffect(page, id)).name).toBe('mts12h');
  await expect(page).toHaveURL(/try/);
});

test('taps are recorded on the strip and replayed', async ({ page }) => {
  await twoCards(page, 'Taps');
  await page.getByRole('button', { name: 'Upper', exact: true }).click();
  await page.getByRole('button', { name: 'Hide Lower' }).click();
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'Add the first cue' }).click();
  await page.getByLabel('When', { exact: true }).click({ force: true });
  await page.getByTitle('screen is tapped').click();
  await page.getByLabel('What happens').click({ force: true });
  await page.getByTitle('hide', { exact: true }).click();
  const cue = page.getByRole('article', { name: /screen is tapped/ });
  await expect(cue.getByText('no tap is recorded')).toBeVisible();
  await seek(page, 6);
  const finder = page.locator('.finder canvas');
  await finder.click({ position: { x: 60, y: 300 } });
  await expect(cue.getByText(/Fires at/)).toBeVisible();
  await expect.poll(() => shareOf(finder, GREEN)).toBe(0);
  await seek(page, 4);
  await expect.poll(() => shareOf(finder, GREEN)).toBeGreaterThan(0.005);
  await page.reload();
  await expect(page.getByRole('button', { name: /Recorded tap at 6/ })).toBeVisible();
  await seek(page, 8);
  await expect.poll(() => shareOf(finder, GREEN)).toBe(0);
  await page.getByRole('button', { name: /Recorded tap at 6/ }).click();
  await expect.poll(() => shareOf(finder, GREEN)).toBeGreaterThan(0.005);
});

test('two windows: both changes survive; what cannot be merged is kept as a copy', async ({
  page,
  context,
}) => {
  const id = await twoCards(page, 'Two windows');
  const other = await context.newPage();
  await other.goto(`/effects/${id}/place`);
  await other.getByLabel('Name of the effect').fill('Renamed there');
  await saved(other);
  await page.getByRole('button', { name: 'Hide Lower' }).click();
  await expect(page.getByText('Both changes are in it now')).toBeVisible();
  await saved(page);
  expect(await serverEffect(page, id)).toMatchObject({
    name: 'Renamed there',
    objects: { [B]: { visible: false } },
  });

  // There the object is deleted, here it is changed.
  await other.reload();
  await other.getByRole('button', { name: 'Lower', exact: true }).click();
  await other.getByRole('button', { name: 'Delete', exact: true }).click();
  await saved(other);
  await page.getByRole('button', { name: 'Show Lower' }).click();
  await expect(page.getByText('Yours is kept as “Renamed there (kept copy)” on Home')).toBeVisible();
  expect(Object.keys((await serverEffect(page, id)).objects)).toEqual([A]);
  const { items } = (await (await page.request.get('/api/effects')).json()) as {
    items: { id: string; name: string }[];
  };
  const copy = items.find((e) => e.name === 'Renamed there (kept copy)')!;
  expect((await serverEffect(page, copy.id)).objects[B]!.visible).toBe(true);
});

test('with the server away nothing is lost: kept in the browser, saved after a reload', async ({ page }) => {
  const id = await twoCards(page, 'Away');
  await page.route('**/api/effects/*', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Name of the effect').fill('Made while away');
  await expect(page.getByText('server away, kept in this browser')).toBeVisible();
  expect((await serverEffect(page, id)).name).toBe('Away');
  await page.unroute('**/api/effects/*');
  await page.reload();
  await saved(page);
  await expect(page.getByLabel('Name of the effect')).toHaveValue('Made while away');
  await expect.poll(async () => (await serverEffect(page, id)).name).toBe('Made while away');
});

test('Home: starters, find, duplicate, delete', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Kelp Crown' })).toBeVisible();
  // The films that ship are there at once.
  await expect(page.locator('.thumb .film').first()).toBeVisible();
  await page.getByRole('button', { name: 'Duplicate Kelp Crown', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Open Kelp Crown copy' })).toBeVisible();
  // The copy has none yet: it is drawn, kept, and there at the next visit.
  const kept = async (): Promise<number | null> => {
    const { items } = (await (await page.request.get('/api/effects')).json()) as {
      items: { name: string; film: number | null }[];
    };
    return items.find((e) => e.name === 'Kelp Crown copy')!.film;
  };
  await expect.poll(kept, { timeout: 120_000 }).toBe(1);
  await page.getByLabel('Find by name').fill('crown copy');
  await expect(page.getByRole('link', { name: /^Open/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'Delete Kelp Crown copy' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText('No effect is called that')).toBeVisible();
  await page.getByRole('button', { name: /^Picture on a face/ }).click();
  await expect(page.getByText('Choose the picture that goes on the face')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Head occluder', exact: true })).toBeVisible();
});
