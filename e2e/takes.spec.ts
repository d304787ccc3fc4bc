/** Takes: found, made, tried on; the tracker on a take; the creator's picture printed in it. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newCard } from '../src/core/kinds/objects/card';
import type { Effect, ObjectId } from '../src/core/document/schema';
import type { TakeSpec } from '../src/core/takes/take';
import {
  createEffect,
  drawnOut,
  keepInBrowser,
  keptPicture,
  lookAt,
  pixelsWhere,
  seekShare,
  serverEffect,
  shareOf,
} from './harness/pages';

const MAGENTA = [255, 0, 220] as const;
const finder = (page: Page) => page.locator('.finder canvas');
const ownTakes = async (page: Page): Promise<TakeSpec[]> =>
  (await (await page.request.get('/api/takes')).json()) as TakeSpec[];

/** An effect with one magenta card, shown or not. */
const withCard = async (page: Page, visible: boolean): Promise<string> => {
  const asset = await keptPicture(page, 'poster', '#ff00dc', 300, 200);
  const card = { ...newCard('obj_poster' as ObjectId, asset, 0), visible };
  const effect: Effect = {
    ...blankEffect('Poster'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: card },
  };
  return createEffect(page, 'Poster', effect);
};

test('the Takes page shows what happens in each, and narrows the list by it', async ({ page }) => {
  await page.goto('/takes');
  const list = page.locator('main li');
  await expect(page.getByRole('listitem', { name: 'Hand over face' })).toBeVisible();
  const all = await list.count();
  expect(all).toBeGreaterThanOrEqual(29);
  await page.getByRole('button', { name: 'Printed picture' }).click();
  await expect(list).toHaveCount(6);
  await page.getByRole('combobox', { name: 'What happens' }).press('ArrowDown');
  await page.getByTitle('picture covered', { exact: true }).last().click();
  await expect(list).toHaveCount(1);
  await expect(page.getByRole('listitem', { name: 'Picture covered in part' })).toContainText(
    'Good to see tracking hold when something lies on the picture',
  );
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await expect(list).toHaveCount(all);
  await page.getByRole('link', { name: 'Effects', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Your effects' })).toBeVisible();
});

test('a take of one’s own: varied, warned of, undone, with a tap, saved, tried, deleted', async ({
  page,
}) => {
  await page.goto('/takes');
  await page.getByRole('link', { name: 'Make your own from Two people' }).click();
  const name = page.getByRole('textbox', { name: 'Name of the take' });
  await expect(name).toHaveValue('Two people, varied');
  await page.getByRole('button', { name: 'Pause' }).click();

  // A third performer is placed so that all are seen; two in one place are warned of.
  await page.getByRole('button', { name: 'Add performer' }).click();
  await expect(page.getByRole('group', { name: 'Wren' })).toBeVisible();
  const away = page.getByRole('spinbutton', { name: 'Wren: Away, cm' });
  const sideways = page.getByRole('spinbutton', { name: 'Wren: Sideways, cm' });
  await away.fill('92');
  await away.press('Enter');
  await sideways.fill('3');
  await sideways.press('Enter');
  await expect(page.getByText('Marin and Wren stand in each other')).toBeVisible();
  await page.getByRole('button', { name: 'Arrange' }).click();
  await expect(page.getByText('stand in each other')).toBeHidden();

  // A nameless take cannot be saved; undo brings the name back.
  await name.fill('');
  await expect(page.getByText('Give the take a name.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save take' })).toBeDisabled();
  await page.getByRole('button', { name: 'Undo: rename the take' }).click();
  await expect(name).toHaveValue('Two people, varied');

  await page.getByRole('button', { name: 'Record taps' }).click();
  const picture = page.getByRole('img', { name: 'The take: tap to record what a viewer does' });
  const box = (await picture.boundingBox())!;
  await picture.click({ position: { x: box.width * 0.25, y: box.height * 0.5 } });
  await expect(page.getByText('Tap the picture while it plays.')).toBeVisible();
  await page.getByRole('button', { name: 'Stop recording' }).click();
  await expect(page.getByText('1 recorded.')).toBeVisible();

  // What is not saved yet survives a reload.
  await name.fill('Three at the pool');
  await page.reload();
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the take' })).toHaveValue('Three at the pool');
  await page.getByRole('button', { name: 'Save take' }).click();
  await expect(page.getByText('Saved. You find it first in the list of takes.')).toBeVisible();
  await expect(page).toHaveURL(/\/takes\/[0-9a-f-]{36}$/);
  const [kept] = (await ownTakes(page)).filter((t) => t.name === 'Three at the pool');
  expect(kept!.cast.map((m) => m.performer)).toEqual(['marin', 'tomas', 'wren']);
  expect(kept!.taps[0]!.x).toBeCloseTo(0.25, 2);

  // The effect is tried on it, and the take's tap is on the strip.
  const id = await createEffect(page, 'On my take');
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: /^Three at the pool/ }).click();
  await expect(page.locator('.label', { hasText: 'Three at the pool' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Recorded tap at/ })).toHaveCount(1);
  await expect(page.locator('.source', { hasText: 'Three at the pool' })).toBeVisible();

  await page.goto('/takes');
  await page.getByRole('button', { name: 'Delete Three at the pool' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByRole('listitem', { name: 'Three at the pool' })).toHaveCount(0);
  expect((await ownTakes(page)).filter((t) => t.name === 'Three at the pool')).toEqual([]);
});

test('an effect is tried on other takes: the card follows that face, taps belong to their take', async ({
  page,
}) => {
  const id = await withCard(page, true);
  await page.goto(`/effects/${id}/try`);
  await expect.poll(() => shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.01);
  await finder(page).click({ position: { x: 80, y: 300 } });
  const taps = page.getByRole('button', { name: /Recorded tap at/ });
  await expect(taps).toHaveCount(1);

  await page.getByRole('button', { name: /^Outdoors path/ }).click();
  // There is no face on a walk through the garden, so nothing on the forehead either.
  await expect.poll(() => shareOf(finder(page), MAGENTA)).toBe(0);
  await expect(taps).toHaveCount(0);
  await expect(page.getByText('The face now')).toBeHidden();
  await page.getByRole('button', { name: /^Nod and tilt/ }).click();
  await expect.poll(() => shareOf(finder(page), MAGENTA)).toBeGreaterThan(0.01);
  await expect(page.getByText('Jun').or(page.getByText('Nods twice')).first()).toBeVisible();
  await page
    .getByRole('button', { name: /^Turn and mouth/ })
    .last()
    .click();
  await expect(taps).toHaveCount(1);
  // What it is tried on is no part of the effect.
  expect((await serverEffect(page, id)).objects).toHaveProperty('obj_poster');
});

test('the creator’s own picture is printed on the pictures of a take', async ({ page }) => {
  const id = await withCard(page, false);
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: /^Picture in hand/ }).click();
  await expect(page.getByText('Printed on the picture')).toBeVisible();
  await expect.poll(() => shareOf(finder(page), MAGENTA, 90)).toBe(0);
  await page.getByRole('combobox', { name: 'Picture 1' }).press('ArrowDown');
  await page.getByTitle('poster.png', { exact: true }).last().click();
  // Light falls on the paper, so the colour is near, not the same.
  await expect.poll(() => shareOf(finder(page), MAGENTA, 90)).toBeGreaterThan(0.05);
  // The take an effect was tried on last is there again.
  await page.reload();
  await expect.poll(() => shareOf(finder(page), MAGENTA, 90)).toBeGreaterThan(0.05);
});

test('the real tracker on a take: it finds the face, and says how far it is off', async ({ page }) => {
  const id = await createEffect(page, 'Tracked take');
  await page.goto(`/effects/${id}/try`);
  await page.getByRole('button', { name: 'Tracker', exact: true }).click();
  const figure = async (name: string) =>
    parseFloat((await page.locator(`[data-error="${name}"]`).textContent()) ?? '');
  await expect(page.locator('[data-error="found"]')).toHaveText('1 of 1', { timeout: 90_000 });
  await expect.poll(() => figure('angle')).toBeLessThan(8);
  expect(await figure('position')).toBeLessThan(40);
  expect(await figure('landmarks')).toBeLessThan(30);
  expect(await figure('delay')).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Truth' }).click();
  await expect(page.getByTestId('tracker-error')).toBeHidden();
  await expect(page.locator('[data-reading="yaw"]')).toHaveText(/^-?0\.0°$/);
});

test('the real tracker on a take with a printed picture: it finds the picture, and says how far it is off', async ({
  page,
}) => {
  const { items } = (await (await page.request.get('/api/effects')).json()) as {
    items: { id: string; name: string }[];
  };
  await page.goto(`/effects/${items.find((e) => e.name === 'Tide Card')!.id}/try`);
  await page.getByRole('button', { name: 'Tracker', exact: true }).click();
  await expect(page.locator('[data-error="pictures-found"]')).toHaveText('1 of 1', { timeout: 90_000 });
  const figure = async (name: string) =>
    parseFloat((await page.locator(`[data-error="${name}"]`).textContent()) ?? '');
  await expect.poll(() => figure('picture-angle')).toBeLessThan(3);
  expect(await figure('picture-position')).toBeLessThan(12);
  expect(await figure('picture-corners')).toBeLessThan(12);
  // There is nobody on this take, so nothing is said of faces.
  await expect(page.locator('[data-error="found"]')).toHaveCount(0);
  await expect(page.getByText(/\d+ cm away, tilted \d+°/)).toBeVisible();
});

test('the room of a take as a phone would measure it: not there at once, then a little off, and which moments are the worst', async ({
  page,
}) => {
  const asset = await keptPicture(page, 'poster', '#ff00dc', 300, 200);
  const card = newCard('obj_poster' as ObjectId, asset, 0, { kind: 'world', surface: 'floor' });
  const id = await createEffect(page, 'On the floor', {
    ...blankEffect('On the floor'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: card },
  });
  await keepInBrowser(page, `iconia.take.${id}`, JSON.stringify('walk-floor'));
  await page.goto(`/effects/${id}/try`);
  const pink = () => pixelsWhere(finder(page), (r, g, b) => r > 120 && b > 90 && g < 70);
  await seekShare(page, 0.15);
  await drawnOut(page);
  const truth = await pink();
  expect(truth.share).toBeGreaterThan(0.01);
  await page.getByRole('button', { name: 'Tracker', exact: true }).click();
  await expect(page.locator('[data-error="surfaces-found"]')).toHaveText('1 of 1');
  const figure = async (name: string) =>
    parseFloat((await page.locator(`[data-error="${name}"]`).textContent()) ?? '');
  expect(await figure('surface-position')).toBeGreaterThan(0.5);
  expect(await figure('surface-position')).toBeLessThan(150);
  await expect
    .poll(async () => {
      const { x, y, share } = await pink();
      return share > 0.01 && Math.hypot(x - truth.x, y - truth.y) > 0.002;
    })
    .toBe(true);
  await page.getByRole('button', { name: 'Restart the effect' }).click();
  await expect(page.locator('[data-error="surfaces-found"]')).toHaveText('0 of 1');
  await expect(page.getByText('Point at the floor')).toBeVisible();
  await expect.poll(async () => (await pink()).share).toBe(0);

  await page.getByRole('button', { name: 'Go through the whole take' }).click();
  await expect(page.getByTestId('survey')).toHaveText(/lost at [1-9]\d* of 84 moments/);
  const worst = page.getByRole('group', { name: 'The worst moments' }).getByRole('button');
  await expect(worst.first()).toHaveText('0.0 s, lost');
  await worst.last().click();
  await expect(page.locator('[data-error="surfaces-found"]')).not.toHaveText('');

  await page.getByRole('button', { name: 'Truth' }).click();
  await seekShare(page, 0.15);
  await drawnOut(page);
  const again = await pink();
  expect([again.x, again.y]).toEqual([truth.x, truth.y]);
});

test.describe('people in full', () => {
  test.use({ people: 'full' });

  test('a worker makes them, and they look as if the page had', async ({ page }) => {
    const id = await createEffect(page, 'Nobody else');
    const workers: string[] = [];
    page.on('worker', (worker) => workers.push(worker.url()));
    await page.goto(`/effects/${id}/place`);
    // Whoever was seen before is there already: a page that knows nobody.
    await page.reload();
    await drawnOut(page);
    const made = await lookAt(finder(page));
    expect(workers.filter((url) => url.includes('people-worker'))).not.toHaveLength(0);
    await page.route('**/people-worker*', (route) => route.abort());
    await page.reload();
    await drawnOut(page);
    const drawn = await lookAt(finder(page));
    expect(Buffer.compare(Buffer.from(made.data), Buffer.from(drawn.data))).toBe(0);
    // Somebody is seen, not a plain figure: skin has many shades.
    const shades = new Set<number>();
    for (let i = 0; i < drawn.data.length; i += 3)
      shades.add((drawn.data[i]! << 16) | (drawn.data[i + 1]! << 8) | drawn.data[i + 2]!);
    expect(shades.size).toBeGreaterThan(2000);
  });
});
