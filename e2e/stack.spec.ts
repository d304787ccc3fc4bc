/** The Stack: rows dragged into groups and onto other anchors, several at once, scenes, starters and their samples. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { FOREHEAD, headAnchor } from '../src/core/kinds/objects/placed';
import { newGroup } from '../src/core/kinds/objects/group';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { Effect, EffectObject, ObjectId } from '../src/core/document/schema';
import { addFromMenu, row } from './harness/place';
import { createEffect, drawnOut, pixelsWhere, saved, serverEffect, shareOf } from './harness/pages';

const names = (page: Page) => page.locator('.object .name').allTextContents();
const boxOf = (name: string, order: number, colour: string, x: number): EffectObject => ({
  ...newSolid(`obj_box-${name}` as ObjectId, 'box', order, FOREHEAD),
  name,
  colour,
  move: [x, 0, 0.03],
});
const open = async (page: Page, name: string, objects: EffectObject[]): Promise<string> => {
  const effect: Effect = { ...blankEffect(name), objects: Object.fromEntries(objects.map((o) => [o.id, o])) };
  const id = await createEffect(page, name, effect);
  await page.goto(`/effects/${id}/place`);
  await expect(page.locator('.finder canvas')).toBeVisible();
  return id;
};
/** Drags a row by its icon onto another: to its upper edge, its middle or its lower edge. */
const dragRow = async (
  page: Page,
  from: string,
  to: string,
  where: 'before' | 'into' | 'after',
): Promise<void> => {
  const source = page.locator('.object', { has: row(page, from) }).locator('.grip');
  const target = page.locator('.object .line', { has: row(page, to) });
  const box = (await target.boundingBox())!;
  const y = { before: 3, into: box.height / 2, after: box.height - 3 }[where];
  await source.dragTo(target, { targetPosition: { x: 80, y } });
};

test('rows: into a group, out of it, onto another anchor; what is dragged stays where it is seen', async ({
  page,
}) => {
  const id = await open(page, 'Rows', [
    { ...newGroup('obj_kelp' as ObjectId, 'Kelp', 0, headAnchor('crown')), turn: [0, 0, 30] } as EffectObject,
    boxOf('Red', 1, '#ff2020', -0.03),
    boxOf('Blue', 2, '#2020ff', 0.03),
  ]);
  const finder = page.locator('.finder canvas');
  const blue = (r: number, g: number, b: number): boolean => b > 110 && b > r + 60 && b > g + 60;
  await drawnOut(page);
  const before = await pixelsWhere(finder, blue);
  expect(before.share).toBeGreaterThan(0.001);
  await dragRow(page, 'Blue', 'Kelp', 'into');
  await expect(page.getByText('1 in it')).toBeVisible();
  await drawnOut(page);
  const inside = await pixelsWhere(finder, blue);
  // Kept on the plain head; crown and forehead of this one lie a little otherwise.
  expect(Math.hypot(inside.x - before.x, inside.y - before.y)).toBeLessThan(0.015);
  await saved(page);
  let { objects } = await serverEffect(page, id);
  expect(objects['obj_box-Blue' as ObjectId]!.parent).toBe('obj_kelp');
  expect(objects['obj_box-Blue' as ObjectId]!.turn[2]).toBeCloseTo(-30, 4);
  await dragRow(page, 'Blue', 'Red', 'after');
  await expect(page.getByText('0 in it')).toBeVisible();
  await expect.poll(() => names(page)).toEqual(['Kelp', 'Red', 'Blue']);
  await saved(page);
  ({ objects } = await serverEffect(page, id));
  expect(objects['obj_box-Blue' as ObjectId]!.parent).toBeNull();

  // Onto the screen: it lies there as a new one would.
  await addFromMenu(page, 'Something else to stick to', 'Screen');
  await expect(page.getByText('Nothing lies on the screen yet.')).toBeVisible();
  const source = page.locator('.object', { has: row(page, 'Red') }).locator('.grip');
  await source.dragTo(page.getByText('Nothing lies on the screen yet.'));
  await expect(page.getByText('Nothing lies on the screen yet.')).toBeHidden();
  await saved(page);
  ({ objects } = await serverEffect(page, id));
  expect(objects['obj_box-Red' as ObjectId]!.anchor).toEqual({ kind: 'screen', pin: 'centre' });

  // Several at once, by Ctrl and by Shift; grouped by key; one step back.
  await row(page, 'Kelp').click();
  await row(page, 'Blue').click({ modifiers: ['Control'] });
  await expect(page.getByText('2 selected')).toBeVisible();
  await page.keyboard.press('Control+g');
  await expect(row(page, 'Group')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.object').getByRole('button', { name: 'Group', exact: true })).toBeHidden();
});

test('hidden, locked, alone, found, and a second scene that a cue goes to', async ({ page }) => {
  const id = await open(page, 'Scenes', [
    boxOf('Red', 0, '#ff2020', -0.03),
    boxOf('Blue', 1, '#2020ff', 0.03),
  ]);
  const finder = page.locator('.finder canvas');
  const red = (r: number, g: number, b: number): boolean => r > 120 && g < 60 && b < 60;
  await drawnOut(page);
  const spot = await pixelsWhere(finder, red);
  expect(spot.share).toBeGreaterThan(0.005);
  const box = (await finder.boundingBox())!;
  const clickRed = () => finder.click({ position: { x: spot.x * box.width, y: spot.y * box.height } });
  await clickRed();
  await expect(row(page, 'Red')).toHaveAttribute('aria-expanded', 'true');
  await page.getByRole('button', { name: 'Lock Red' }).click();
  await finder.click({ position: { x: 10, y: 300 } });
  await clickRed();
  await expect(row(page, 'Red')).toHaveAttribute('aria-expanded', 'false');
  await row(page, 'Blue').click();
  await page.keyboard.press('i');
  await expect(page.getByText('Only what you chose is shown.')).toBeVisible();
  await drawnOut(page);
  expect((await pixelsWhere(finder, red)).share).toBeLessThan(spot.share / 3);
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: 'Find in the Stack' }).click();
  await page.getByLabel('Find by name').fill('blu');
  await expect.poll(() => names(page)).toEqual(['Blue']);
  await page.getByLabel('Find by name').fill('');
  await page.getByRole('button', { name: 'Find in the Stack' }).click();

  await page.getByRole('button', { name: '+ Add object' }).click();
  await page.getByRole('menuitem', { name: 'Another scene' }).click();
  await expect(page.getByRole('button', { name: 'Scene 2', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect.poll(() => names(page)).toEqual([]);
  await drawnOut(page);
  expect((await pixelsWhere(finder, red)).share).toBeLessThan(spot.share / 3);
  // What is tried begins with the opening scene, whichever is worked on.
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await drawnOut(page);
  expect((await pixelsWhere(finder, red)).share).toBeGreaterThan(spot.share / 3);
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await page.getByRole('button', { name: 'Scene 1' }).click();
  await expect.poll(() => names(page)).toEqual(['Red', 'Blue']);
  await saved(page);
  const effect = await serverEffect(page, id);
  expect(
    Object.values(effect.scenes)
      .map((s) => s.name)
      .sort(),
  ).toEqual(['Scene 1', 'Scene 2']);
  expect(effect.openingScene).toBe(Object.values(effect.scenes).find((s) => s.name === 'Scene 1')!.id);
});

test('when the Library closes, the Stack is back at what is selected', async ({ page }) => {
  const names = Array.from({ length: 60 }, (_, i) => `Shell ${i}`);
  await open(
    page,
    'Many',
    names
      .map((name, i) => boxOf(name.replace(' ', ''), i, '#ffffff', 0))
      .map((o, i) => ({ ...o, name: names[i]! })),
  );
  const lowest = 'Shell 59';
  await expect(row(page, 'Shell 0')).toBeInViewport();
  await expect(row(page, lowest)).toHaveCount(0);
  await page.locator('.object').first().hover();
  await page.mouse.wheel(0, 20_000);
  await row(page, lowest).click();
  await page.getByRole('button', { name: 'Library', exact: true }).click();
  await expect(page.locator('.object')).toHaveCount(0);
  await page.getByRole('button', { name: 'Close the library' }).click();
  await expect(row(page, lowest)).toBeInViewport();
});

test('a starter opens on a take that shows it; its samples are cleared by one action', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^Two faces/ }).click();
  const clear = page.getByRole('button', { name: 'Clear the samples', exact: true });
  await expect(clear).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Two people', { exact: true }).first()).toBeVisible();
  const id = /effects\/([^/]+)/.exec(page.url())![1]!;
  expect(Object.values((await serverEffect(page, id)).objects).filter((o) => o.sample)).toHaveLength(2);
  await clear.click();
  await expect(clear).toBeHidden();
  await saved(page);
  const cleared = await serverEffect(page, id);
  expect(Object.values(cleared.objects).map((o) => o.kind)).toEqual(['occluder', 'occluder']);
  expect(cleared.assets).toEqual({});
  await page.keyboard.press('Control+z');
  await expect(clear).toBeVisible();
});

test('a backdrop lies behind the person: sea around, none where the face is', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^Backdrop swap/ }).click();
  const finder = page.locator('.finder canvas');
  const sea = (r: number, g: number, b: number): boolean => b > r + 40 && g > r + 25;
  await expect
    .poll(async () => (await pixelsWhere(finder, sea)).share, { timeout: 90_000 })
    .toBeGreaterThan(0.25);
  expect(await shareOf(finder, [208, 140, 110], 60)).toBeGreaterThan(0.03);
});
