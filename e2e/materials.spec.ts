/** Materials as a creator makes them: from four files, shared and made one's own, from the camera, from what is broken. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import sharp from 'sharp';
import { blankEffect, newPicture } from '../src/core/document/defaults';
import { newMaterial } from '../src/core/document/new-material';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { AssetId, Effect, Material, MaterialId, ObjectId, Solid } from '../src/core/document/schema';
import { drop, folderOf } from './harness/drop';
import { svgPng, texturedGlb } from './harness/files';
import {
  blobOf,
  createEffect,
  drawnOut,
  keptFile,
  keptPicture,
  lookAt,
  plainPng,
  saved,
  serverEffect,
} from './harness/pages';
import { field, finderOf, open, row, setField } from './harness/place';

export const toStyle = async (page: Page, section: string): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: section }).click();
};
const materialsOf = async (page: Page, id: string): Promise<Material[]> =>
  Object.values((await serverEffect(page, id)).materials);
const choose = async (page: Page, label: string, option: string): Promise<void> => {
  await page
    .locator('.ant-select')
    .filter({ has: page.locator(`[aria-label="${label}"]`) })
    .click();
  await page
    .locator('.ant-select-item-option')
    .filter({ hasText: option })
    .filter({ visible: true })
    .first()
    .click();
};
const hexOf = async (page: Page, label: string, colour: string): Promise<void> => {
  await page.getByLabel(label, { exact: true }).fill(colour);
};

/** A ball on a plain head; `count` of them side by side. */
const balls = (count: number, change: Partial<Solid> = {}): Effect => {
  const effect = blankEffect('Balls');
  for (let i = 0; i < count; i++) {
    const solid = {
      ...newSolid(`obj_ball${i + 1}` as ObjectId, 'sphere', i, {
        kind: 'head',
        face: 1,
        point: 'forehead',
        grows: false,
      }),
      name: `Ball ${i + 1}`,
      extent: [0.05, 0.05, 0.05] as [number, number, number],
      move: [(i - (count - 1) / 2) * 0.07, 0.02, 0.06] as [number, number, number],
      ...change,
    };
    effect.objects[solid.id] = solid;
  }
  return effect;
};

test('a model is given a set of pictures, dropped as four files', async ({ page }) => {
  const set = folderOf('scale', [
    {
      name: 'scale_BaseColor.png',
      bytes: await svgPng(
        '<svg xmlns="http://www.w3.org/2000/svg" width="64" height="64"><rect width="32" height="64" fill="#e02020"/><rect x="32" width="32" height="64" fill="#20c030"/></svg>',
      ),
    },
    { name: 'scale_normal.png', bytes: await plainPng('#8080ff', 64, 64) },
    { name: 'scale_orm.png', bytes: await plainPng('#ffe000', 64, 64) },
    {
      name: 'scale_emissive.png',
      bytes: await svgPng(
        '<svg xmlns="http://www.w3.org/2000/svg" width="64" height="64"><rect width="64" height="64" fill="#000"/><rect y="32" width="64" height="32" fill="#2030ff"/></svg>',
      ),
    },
  ]);
  const id = await createEffect(page, 'Scale');
  await open(page, id, 'neutral');
  const scale = await texturedGlb('scale.glb', 1, 64);
  await page
    .getByLabel('Bring in files')
    .setInputFiles({ name: scale.name, mimeType: 'model/gltf-binary', buffer: Buffer.from(scale.bytes) });
  await page
    .getByRole('button', { name: /Place it|Put on the face/ })
    .first()
    .click()
    .catch(() => undefined);
  await expect(row(page, 'scale')).toBeVisible({ timeout: 30_000 });
  // It sits in the head, which hides it.
  await page.getByRole('button', { name: 'Hide Head occluder' }).click();
  await row(page, 'scale').click();
  await toStyle(page, 'Material');
  const zone = page.locator('[data-drop="texture-set"]');
  await expect(zone).toBeVisible();
  await drop(
    page,
    ['scale_BaseColor.png', 'scale_normal.png', 'scale_orm.png', 'scale_emissive.png'].map(set.file),
    zone,
  );
  await expect(page.getByText(/^Laid: base colour \(scale_BaseColor/)).toBeVisible({ timeout: 30_000 });
  await saved(page);
  const effect = await serverEffect(page, id);
  const [material] = Object.values(effect.materials);
  const nameOf = (slot: keyof Material['maps']): string => {
    const map = material!.maps[slot];
    return map?.from === 'asset' ? effect.assets[map.asset]!.name : 'none';
  };
  expect([nameOf('base'), nameOf('normal'), nameOf('glow')]).toEqual([
    'scale_BaseColor.png',
    'scale_normal.png',
    'scale_emissive.png',
  ]);
  expect(new Set([nameOf('occlusion'), nameOf('roughness'), nameOf('metalness')])).toEqual(
    new Set(['scale_orm.png']),
  );
  // Only the model was there before, and no picture was put on the face beside it.
  expect(Object.values(effect.objects).some((o) => o.kind === 'card')).toBe(false);

  await drawnOut(page);
  // Above the pullover, which is red as well.
  const seen = async () => {
    const look = await lookAt(finderOf(page));
    const part = (asked: (r: number, g: number, b: number) => boolean) =>
      blobOf(look, (r, g, b, i) => i / 3 / look.width < 0.5 * look.height && asked(r, g, b));
    return {
      red: part((r, g, b) => r > 110 && g < 90 && b < 90 && r > 2 * g),
      green: part((r, g, b) => g > 90 && r < 90 && b < 110),
      violet: part((r, g, b) => b > 180 && r > 90 && g < 130),
      cyan: part((r, g, b) => b > 180 && g > 90 && r < 110),
    };
  };
  const { red, green, violet, cyan } = await seen();
  for (const part of [red, green, violet, cyan]) expect(part.share).toBeGreaterThan(0.001);
  // As they lie in the files: red on the left, what glows below.
  expect(red.x).toBeLessThan(green.x);
  expect(violet.x).toBeLessThan(cyan.x);
  expect(red.y).toBeLessThan(violet.y);
  expect(green.y).toBeLessThan(cyan.y);

  // Turned over by half a turn, red is on the right and the glow above.
  await setField(page, 'Pictures turned, degrees', '180');
  await drawnOut(page);
  const turned = await seen();
  expect(turned.red.x).toBeGreaterThan(turned.green.x);
  expect(turned.red.y).toBeGreaterThan(turned.violet.y);
  set.remove();
});

test('one material is worn by two, changed for both, and made its own for one', async ({ page }) => {
  const id = await createEffect(page, 'Pair', balls(2));
  await open(page, id, 'neutral');
  const finder = finderOf(page);
  await row(page, 'Ball 1').click();
  await page.keyboard.down('Shift');
  await row(page, 'Ball 2').click();
  await page.keyboard.up('Shift');
  await toStyle(page, 'Material');
  await page.getByRole('button', { name: 'New', exact: true }).click();
  await expect(page.getByText('worn by 2 objects')).toBeVisible();
  await page.getByRole('button', { name: 'By nothing' }).click();
  await hexOf(page, 'Colour of the material', '#ff00c8');
  const pink = async () => {
    await drawnOut(page);
    return blobOf(await lookAt(finder), (r, g, b) => r > 200 && g < 60 && b > 150);
  };
  await expect
    .poll(async () => (await pink()).right - (await pink()).left, { timeout: 30_000 })
    .toBeGreaterThan(0.25);
  // An unlit colour is exactly itself.
  const exact = blobOf(
    await lookAt(finder),
    (r, g, b) => Math.abs(r - 255) < 3 && g < 3 && Math.abs(b - 200) < 3,
  );
  expect(exact.share).toBeGreaterThan(0.005);
  const both = exact.share;

  await row(page, 'Ball 2').click();
  await page.getByRole('button', { name: 'Make its own' }).click();
  await expect(page.getByText('worn by one object')).toBeVisible();
  await hexOf(page, 'Colour of the material', '#00d0ff');
  await expect.poll(async () => (await pink()).share, { timeout: 30_000 }).toBeLessThan(0.6 * both);
  await saved(page);
  expect((await materialsOf(page, id)).map((m) => m.colour).sort()).toEqual(['#00d0ff', '#ff00c8']);

  // Undone, step by step: one material for both again.
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText('worn by 2 objects')).toBeVisible();
  // Deleted, both have their own look again, and that is undone too.
  await page.getByRole('button', { name: 'Delete the material' }).click();
  await expect.poll(async () => (await pink()).share, { timeout: 30_000 }).toBeLessThan(0.001);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(async () => (await pink()).share, { timeout: 30_000 }).toBeGreaterThan(0.9 * both);
});

test('a ready material, its opacity, a mask by grey, and holes cut out sharply', async ({ page }) => {
  const effect = balls(1, { shape: 'plane', extent: [0.1, 0.1, 0.001], move: [0, 0, 0.08] });
  const half = await svgPng(
    '<svg xmlns="http://www.w3.org/2000/svg" width="64" height="64"><rect width="64" height="64" fill="#000"/><rect width="32" height="64" fill="#fff"/></svg>',
  );
  const id = await createEffect(page, 'Mask', effect);
  await open(page, id, 'neutral');
  const finder = finderOf(page);
  await page
    .getByLabel('Bring in files')
    .setInputFiles({ name: 'half.png', mimeType: 'image/png', buffer: half });
  await expect(page.getByText('half.png', { exact: true }).first()).toBeVisible();
  await row(page, 'Ball 1').click();
  await toStyle(page, 'Material');
  await page.getByRole('button', { name: 'Ready ones' }).click();
  await page.getByRole('button', { name: 'Lantern light' }).click();
  const lit = async () => {
    await drawnOut(page);
    return blobOf(
      await lookAt(finder),
      (r, g, b) => Math.abs(r - 255) < 4 && Math.abs(g - 213) < 4 && Math.abs(b - 138) < 4,
    );
  };
  await expect.poll(async () => (await lit()).share, { timeout: 30_000 }).toBeGreaterThan(0.02);
  const whole = await lit();
  await choose(page, 'Mask', 'half.png');
  await expect.poll(async () => (await lit()).share / whole.share, { timeout: 30_000 }).toBeLessThan(0.56);
  const left = await lit();
  expect(left.share / whole.share).toBeGreaterThan(0.4);
  expect(left.x).toBeLessThan(whole.x);
  await page.getByRole('button', { name: 'Turned over' }).click();
  await expect.poll(async () => (await lit()).x, { timeout: 30_000 }).toBeGreaterThan(whole.x);
  // By transparency it has none: all of it is there.
  await page.getByRole('button', { name: 'Turned over' }).click();
  await page.getByRole('button', { name: 'By its transparency' }).click();
  await expect.poll(async () => (await lit()).share / whole.share, { timeout: 30_000 }).toBeGreaterThan(0.95);
  await expect(page.getByText(/masked by the transparency of a picture that has none/)).toBeVisible();
  await page.getByRole('button', { name: 'By its grey', exact: true }).click();
  await expect(page.getByText(/masked by the transparency of a picture that has none/)).toHaveCount(0);
  // Cut out sharply, no pixel is half there.
  await page.getByRole('button', { name: 'Cut out sharply' }).click();
  await expect.poll(async () => (await lit()).share / whole.share, { timeout: 30_000 }).toBeLessThan(0.56);
  await page.getByRole('button', { name: 'Lets through' }).click();
  await setField(page, 'Opacity of the material, as a number', '40');
  await expect.poll(async () => (await lit()).share, { timeout: 30_000 }).toBeLessThan(0.001);
  await saved(page);
  expect((await materialsOf(page, id))[0]).toMatchObject({
    name: 'Lantern light',
    shading: 'unlit',
    alpha: 'blend',
    opacity: 0.4,
    mask: { by: 'grey', invert: false },
  });
});

test('the camera picture on a surface, with its own crop and mirror', async ({ page }) => {
  const id = await createEffect(
    page,
    'Mirror',
    balls(1, { shape: 'plane', extent: [0.14, 0.14, 0.001], move: [0, -0.02, 0.1] }),
  );
  await open(page, id, 'neutral');
  const finder = finderOf(page);
  await row(page, 'Ball 1').click();
  await toStyle(page, 'Material');
  await page.getByRole('button', { name: 'New', exact: true }).click();
  await page.getByRole('button', { name: 'By nothing' }).click();
  await hexOf(page, 'Colour of the material', '#ffffff');
  await drawnOut(page);
  const white = blobOf(await lookAt(finder), (r, g, b) => r > 250 && g > 250 && b > 250);
  expect(white.share).toBeGreaterThan(0.05);
  await choose(page, 'Base colour', 'Whole camera picture');
  // The wall behind the head is in the picture: now it is on the surface as well.
  await expect
    .poll(
      async () => {
        await drawnOut(page);
        return blobOf(await lookAt(finder), (r, g, b) => r > 250 && g > 250 && b > 250).share;
      },
      { timeout: 30_000 },
    )
    .toBeLessThan(0.2 * white.share);
  const middle = async () => {
    await drawnOut(page);
    const { data, width, height } = await lookAt(finder);
    const at = (x: number, y: number): number[] => {
      const o = 3 * (Math.round(y * height) * width + Math.round(x * width));
      return [data[o]!, data[o + 1]!, data[o + 2]!];
    };
    // The left and right quarter of the surface, at half of its height.
    const w = white.right - white.left;
    const y = (white.top + white.bottom) / 2;
    return [at(white.left + 0.06 * w, y), at(white.right - 0.06 * w, y)] as const;
  };
  await setField(page, 'Base colour, width', '40');
  const [left, right] = await middle();
  await page.getByRole('button', { name: 'Mirror', exact: true }).click();
  const mirrored = await middle();
  // Left shows what was on the right, within what a pixel's place changes.
  expect(Math.abs(mirrored[0][0]! - right[0]!)).toBeLessThan(26);
  expect(Math.abs(mirrored[1][0]! - left[0]!)).toBeLessThan(26);
  await saved(page);
  expect((await materialsOf(page, id))[0]!.maps.base).toMatchObject({
    from: 'camera',
    part: 'whole',
    flip: true,
    crop: [0, 0, 0.4, 1],
  });
});

test('what is broken is said, with a way out, and the rest is drawn', async ({ page }) => {
  const picture = await keptPicture(page, 'wide1', '#4060ff', 128, 32);
  const grey = await sharp({ create: { width: 32, height: 32, channels: 3, background: '#808080' } })
    .jpeg()
    .toBuffer();
  const photo = newPicture(
    'asset_photo' as AssetId,
    'photo.jpg',
    await keptFile(page, 'photo.jpg', grey),
    32,
    32,
  );
  const base = await keptPicture(page, 'base1', '#ff7700', 64, 64);
  const from = (id: string) => ({ from: 'asset' as const, asset: id as AssetId });
  const material = newMaterial('mat_broken' as MaterialId, 'Broken');
  const effect: Effect = {
    ...balls(1, { material: material.id, shape: 'plane', extent: [0.1, 0.1, 0.001], move: [0, 0, 0.08] }),
    assets: { [picture.id]: picture, [photo.id]: photo, [base.id]: base },
    materials: {
      [material.id]: {
        ...material,
        shading: 'unlit',
        alpha: 'blend',
        maps: {
          ...material.maps,
          base: from('asset_base1'),
          normal: from('asset_wide1'),
          glow: from('asset_gone1'),
        },
        mask: { picture: from('asset_photo'), by: 'alpha', invert: false },
      },
    },
  };
  const id = await createEffect(page, 'Broken', effect);
  await open(page, id, 'neutral');
  await row(page, 'Ball 1').click();
  await toStyle(page, 'Material');
  await expect(page.getByText(/glow of Broken was deleted; it is drawn without/)).toBeVisible();
  await expect(page.getByText(/bumps \(normal\) of Broken has another shape/)).toBeVisible();
  await expect(page.getByText(/masked by the transparency of a picture that has none/)).toBeVisible();
  await drawnOut(page);
  const orange = async () =>
    blobOf(await lookAt(finderOf(page)), (r, g, b) => r > 240 && Math.abs(g - 119) < 8 && b < 20).share;
  expect(await orange()).toBeGreaterThan(0.03);
  // The release is told as well.
  await page.getByRole('button', { name: /^Release/ }).click();
  await expect(page.getByText(/glow of Broken was deleted/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Material' }).click();
  for (let left = 2; left > 0; left--)
    await page.getByRole('button', { name: 'Take it off', exact: true }).first().click();
  await page.getByRole('button', { name: 'Mask by its grey' }).click();
  await expect(page.getByText(/of Broken/)).toHaveCount(0);
  // Half grey hides half of it.
  await expect.poll(orange, { timeout: 30_000 }).toBeLessThan(0.001);
  await saved(page);
  expect((await materialsOf(page, id))[0]).toMatchObject({
    maps: { base: from('asset_base1'), normal: null, glow: null },
    mask: { by: 'grey' },
  });
  // A set of one file that is no picture.
  await page
    .getByLabel('Choose a set of pictures')
    .setInputFiles({ name: 'tide.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') });
  await expect(
    page
      .locator('[role="status"], [role="alert"]')
      .filter({ hasText: /tide\.png/ })
      .first(),
  ).toBeVisible({
    timeout: 30_000,
  });
  await expect(field(page, 'Opacity of the material, as a number')).toBeVisible();
});
