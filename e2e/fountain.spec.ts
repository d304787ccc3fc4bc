/** Fountains: added from the menu, set in the Stack, seen in pixels; born on the surface of a model. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newFountain } from '../src/core/kinds/objects/fountain';
import type { AssetId, Effect, EffectObject, Fountain, ObjectId } from '../src/core/document/schema';
import { unpackPoints } from '../src/core/fountain/packed-points';
import { createEffect, keptPicture, pixelsWhere, saved, seekShare, serverEffect } from './harness/pages';

const SCREEN = { kind: 'screen', pin: 'centre' } as const;
const green = (r: number, g: number, b: number): boolean => g > 150 && r < 110 && b < 110;
const still: Partial<Fountain> = {
  rate: 400,
  most: 800,
  life: [20, 20],
  speed: [0, 0],
  gravity: 0,
  drag: 0,
  turbulence: 0,
  size: 0.004,
  sizeVaries: 0,
  over: [
    { at: 0, size: 1, opacity: 1, colour: '#00ff00' },
    { at: 1, size: 1, opacity: 1, colour: '#00ff00' },
  ],
};
const withFountain = (more: Partial<Fountain>, rest: Partial<Effect> = {}): Effect => {
  const fountain = { ...newFountain('obj_fountain' as ObjectId, 0, SCREEN), ...still, ...more };
  return {
    ...blankEffect('Fountain'),
    ...rest,
    objects: { [fountain.id]: fountain as EffectObject },
  };
};

test('added from the menu it runs; its rate, place and area are what the fields say, in pixels', async ({
  page,
}) => {
  const id = await createEffect(page, 'Fountain', withFountain({ area: { kind: 'disc', radius: 0.01 } }));
  await page.goto(`/effects/${id}/place`);
  const finder = page.locator('.finder canvas');
  const seen = () => pixelsWhere(finder, green);
  await page.getByRole('button', { name: 'Fountain', exact: true }).click();
  await seekShare(page, 0.2);
  await expect.poll(async () => (await seen()).share).toBeGreaterThan(0.001);
  const disc = await seen();
  // A disc lies flat: seen from the front on the screen it is a line 2 cm of 9 wide.
  expect(disc.right - disc.left).toBeGreaterThan(0.17);
  expect(disc.right - disc.left).toBeLessThan(0.32);
  expect(disc.bottom - disc.top).toBeLessThan(0.06);
  await page.locator('.ant-select', { has: page.locator('[aria-label="Where particles are born"]') }).click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'a box' }).click();
  for (const [axis, size] of [
    ['x', 2],
    ['y', 8],
    ['z', 1],
  ] as const)
    await page.getByRole('spinbutton', { name: `Extent along ${axis}, cm` }).fill(String(size));
  await expect.poll(async () => (await seen()).bottom - (await seen()).top).toBeGreaterThan(0.4);
  await page.getByRole('spinbutton', { name: 'Particles a second' }).fill('0');
  await expect.poll(async () => (await seen()).share).toBe(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(async () => (await seen()).share).toBeGreaterThan(0.001);
  await saved(page);
  const document = (await serverEffect(page, id)).objects['obj_fountain' as ObjectId] as Fountain;
  expect(document).toMatchObject({ area: { kind: 'box', size: [0.02, 0.08, 0.01] }, rate: 400 });

  // And a new one, from the menu.
  await page.getByRole('button', { name: '+ Add object' }).click();
  await page.getByRole('menuitem', { name: /^Fountain/ }).click();
  await expect(page.getByRole('button', { name: /^Fountain/ })).toHaveCount(2);
});

test('particles show a picture, and the same moment is the same picture however it is come to', async ({
  page,
}) => {
  const asset = await keptPicture(page, 'spark', '#ff00dc', 64, 64);
  const id = await createEffect(
    page,
    'Sparks',
    withFountain(
      {
        asset: asset.id,
        area: { kind: 'disc', radius: 0.02 },
        speed: [0.02, 0.05],
        size: 0.008,
        over: [
          { at: 0, size: 1, opacity: 1, colour: '#ffffff' },
          { at: 1, size: 1, opacity: 1, colour: '#ffffff' },
        ],
      },
      { assets: { [asset.id]: asset } as Effect['assets'] },
    ),
  );
  await page.goto(`/effects/${id}/behave`);
  const finder = page.locator('.finder canvas');
  const magenta = (r: number, g: number, b: number): boolean => r > 190 && g < 90 && b > 150;
  const blob = () => pixelsWhere(finder, magenta);
  await seekShare(page, 0.2);
  await expect.poll(async () => (await blob()).share).toBeGreaterThan(0.004);
  const first = await blob();
  await seekShare(page, 0.6);
  await expect.poll(async () => Math.abs((await blob()).share - first.share)).toBeGreaterThan(0.002);
  await seekShare(page, 0.2);
  await expect.poll(async () => Math.abs((await blob()).share - first.share)).toBeLessThan(1e-6);
});

test('born on the surface of a model that was brought in', async ({ page }) => {
  const id = await createEffect(page, 'Mesh', withFountain({ area: { kind: 'point' } }));
  await page.goto(`/effects/${id}/place`);
  await page.getByLabel('Choose files').setInputFiles('stock/creatures/starfish.glb');
  await expect(page.getByRole('button', { name: 'starfish', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Fountain', exact: true }).click();
  await page.locator('.ant-select', { has: page.locator('[aria-label="Where particles are born"]') }).click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'the surface of a model' }).click();
  await page.locator('.ant-select', { has: page.locator('[aria-label="Model it is born on"]') }).click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'starfish' }).click();
  const area = async () => {
    await saved(page);
    const effect = await serverEffect(page, id);
    const fountain = effect.objects['obj_fountain' as ObjectId] as Fountain;
    return { area: fountain.area, effect };
  };
  await expect
    .poll(async () => (await area()).area)
    .toMatchObject({ kind: 'mesh', asset: expect.any(String) });
  const { area: found, effect } = await area();
  if (found.kind !== 'mesh') throw new Error('no mesh');
  const points = unpackPoints(found.points);
  expect(points).toHaveLength(3600);
  const asset = effect.assets[found.asset as AssetId];
  if (asset?.kind !== 'model') throw new Error('no model');
  const reach = Math.max(...asset.high.map((h, k) => h - asset.low[k]!));
  const [low, high] = [asset.low, asset.high];
  const outside = [...points].filter(
    (at, k) => at <= low[k % 3]! - 0.02 * reach || at >= high[k % 3]! + 0.02 * reach,
  );
  expect(outside).toEqual([]);
});
