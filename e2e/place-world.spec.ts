/** Things on printed pictures and on the floor; and very many of them. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { Card, ObjectId, TargetId } from '../src/core/document/schema';
import { makeTake, pictureCorners } from '../src/core/takes/make-take';
import { projectPoint } from '../src/core/tracking/project';
import {
  blobOf,
  createEffect,
  drawnOut,
  lookAt,
  pixelsWhere,
  plainPng,
  saved,
  seekShare,
  serverEffect,
} from './harness/pages';

import { addFromMenu, begin, finderOf, open, row, setField, takeOf } from './harness/place';

test('three cards over a printed picture: as wide as it, a centimetre apart, one 10 cm above', async ({
  page,
}) => {
  const id = await createEffect(page, 'Tide card');
  const half = await (
    await import('sharp')
  )
    .default({ create: { width: 300, height: 400, channels: 3, background: '#2040c0' } })
    .composite([{ input: await plainPng('#e0c020', 300, 200), top: 0, left: 0 }])
    .png()
    .toBuffer();
  await open(page, id, 'picture-on-table');
  const finder = finderOf(page);
  await addFromMenu(page, 'Something else to stick to', 'A printed picture');
  await expect(page.getByText('Picture · Picture 1')).toBeVisible();
  // The printed picture itself comes in through the assets, and is chosen in the settings of the lane.
  await page
    .getByLabel('Bring in files')
    .setInputFiles({ name: 'card.png', mimeType: 'image/png', buffer: half });
  await expect(page.getByText('card.png', { exact: true }).first()).toBeVisible();
  await page.locator('[aria-label="Which picture is printed"]').click();
  await page.locator('.ant-select-item-option', { hasText: 'card.png' }).click();
  await setField(page, 'Width of the printed picture, cm', '20');
  await drawnOut(page);
  // It is printed the right way up: what is yellow lies farther away.
  const yellow = await pixelsWhere(finder, (r, g, b) => r > 140 && g > 110 && b < 110 && r - b > 80);
  const blue = await pixelsWhere(finder, (r, g, b) => b > 90 && b > r + 50 && b > g + 40);
  expect(yellow.y).toBeLessThan(blue.y);
  expect(blue.share).toBeGreaterThan(0.01);

  for (const [name, colour] of [
    ['low', '#00ff00'],
    ['middle', '#ff00ff'],
    ['high', '#ff0000'],
  ] as const) {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Add to Picture · Picture 1' }).click();
    await page
      .getByRole('menuitem', { name: /^Files/ })
      .last()
      .click();
    await (
      await chooser
    ).setFiles({ name: `${name}.png`, mimeType: 'image/png', buffer: await plainPng(colour, 150, 200) });
    await expect(row(page, name)).toBeVisible();
    await page.getByRole('button', { name: 'Fit to the picture' }).click();
  }
  for (const [name, z] of [
    ['low', '1'],
    ['middle', '2'],
    ['high', '10'],
  ] as const) {
    await row(page, name).click();
    await setField(page, 'Move z, cm', z);
  }
  await saved(page);
  const { objects, targets } = await serverEffect(page, id);
  const [target] = Object.values(targets);
  expect(target!.width).toBe(0.2);
  const cards = Object.values(objects) as Card[];
  for (const card of cards) {
    expect(card.anchor).toEqual({ kind: 'picture', target: target!.id as TargetId });
    expect(card.extent[0]! * card.scale[0]!).toBeCloseTo(0.2, 9);
  }
  const heights = new Map(cards.map((c) => [c.name, c.move[2]]));
  expect([...['low', 'middle', 'high'].map((n) => heights.get(n)!)]).toEqual([0.01, 0.02, 0.1]);
  // The highest alone: where the tracker's truth puts a picture of that width, ten centimetres nearer.
  await page.getByRole('button', { name: 'Hide low' }).click();
  await page.getByRole('button', { name: 'Hide middle' }).click();
  await page.keyboard.press('Escape');
  await drawnOut(page);
  const red = await pixelsWhere(finder, (r, g, b) => r > 200 && g < 60 && b < 60);
  const take = makeTake(takeOf('picture-on-table').spec, { pictureAspects: [0.75] });
  const frame = take.frameAt(0);
  const [picture] = frame.pictures;
  const eye = frame.camera.pose.position;
  const k = 0.2 / picture!.width;
  const scaled = {
    ...picture!,
    width: 0.2,
    height: picture!.height * k,
    pose: {
      ...picture!.pose,
      position: picture!.pose.position.map((p, i) => eye[i]! + (p - eye[i]!) * k) as unknown as typeof eye,
    },
  };
  const seen = pictureCorners(scaled).map((corner) => {
    // Ten centimetres along the picture's own up: it lies flat on a table.
    const above: typeof eye = [corner[0], corner[1] + 0.1, corner[2]];
    return projectPoint(frame.camera, frame.camera.fovY, frame.camera.aspect, above)!;
  });
  const xs = seen.map((p) => p[0]);
  const ys = seen.map((p) => p[1]);
  expect(Math.abs(red.left - Math.max(0, Math.min(...xs)))).toBeLessThan(0.02);
  expect(Math.abs(red.right - Math.min(1, Math.max(...xs)))).toBeLessThan(0.02);
  expect(Math.abs(red.top - Math.max(0, Math.min(...ys)))).toBeLessThan(0.02);
  expect(Math.abs(red.bottom - Math.min(1, Math.max(...ys)))).toBeLessThan(0.02);
});

test('a model on the floor: its shadow follows the light, the viewer drags, pinches and twists it', async ({
  page,
}) => {
  const id = await begin(page, 'Model on the floor');
  const finder = finderOf(page);
  await row(page, 'Turtle').click();
  await page.keyboard.press('Escape');
  await setField(page, 'Move y, cm', '35');
  // Without what is selected there are no handles in the picture.
  const lookBare = async () => {
    await finder.click({ position: { x: 20, y: 120 } });
    await drawnOut(page);
    return lookAt(finder);
  };
  await page.getByRole('button', { name: 'Hide Shadow on the floor' }).click();
  const plain = await lookBare();
  const shadowOf = async () => {
    const now = await lookBare();
    return blobOf(now, (r, g, _b, i) => plain.data[i]! - r > 18 && plain.data[i + 1]! - g > 12);
  };
  // A contact shadow needs no light: it lies below the turtle, and is gone where the turtle is as high as it is told.
  await row(page, 'Turtle').click();
  await addFromMenu(page, 'Contact shadow: a soft oval below a thing');
  await setField(page, 'Density of the shadow, per cent', '100');
  await expect.poll(async () => (await shadowOf()).share, { timeout: 30_000 }).toBeGreaterThan(0.003);
  await row(page, 'Contact shadow').click();
  await setField(page, 'Gone when that is so high, cm', '10');
  await expect.poll(async () => (await shadowOf()).share, { timeout: 30_000 }).toBe(0);
  await row(page, 'Contact shadow').click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('button', { name: 'Show Shadow on the floor' }).click();
  await expect.poll(async () => (await shadowOf()).share, { timeout: 30_000 }).toBeGreaterThan(0.003);
  const before = await shadowOf();
  await row(page, 'Sun').click();
  await setField(page, 'Turn z, degrees', '-42');
  const after = await shadowOf();
  // The light comes from the other side, so the shadow has gone over.
  expect(Math.abs(after.x - before.x)).toBeGreaterThan(0.15);
  await row(page, 'Shadow on the floor').click();
  await setField(page, 'Density of the shadow, per cent', '10');
  expect((await shadowOf()).share).toBeLessThan(after.share * 0.6);
  await page.keyboard.press('Control+z');
  await row(page, 'Turtle').click();
  await setField(page, 'How far it may be dragged, cm', '60');
  await saved(page);
  const placed = await serverEffect(page, id);

  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await drawnOut(page);
  const olive = (r: number, g: number, b: number): boolean => g > 90 && g > r + 6 && g > b + 18 && b > 50;
  const box = (await finder.boundingBox())!;
  const start = await pixelsWhere(finder, olive);
  expect(start.share).toBeGreaterThan(0.003);
  const [x, y] = [box.x + start.x * box.width, box.y + start.y * box.height];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 0.2 * box.width, y, { steps: 6 });
  await page.mouse.up();
  await drawnOut(page);
  const dragged = await pixelsWhere(finder, olive);
  expect(dragged.x - start.x).toBeGreaterThan(0.12);
  expect(Math.abs(dragged.y - start.y)).toBeLessThan(0.06);
  await page.mouse.move(box.x + dragged.x * box.width, box.y + dragged.y * box.height);
  await page.mouse.wheel(0, -500);
  await drawnOut(page);
  const pinched = await pixelsWhere(finder, olive);
  expect(pinched.share).toBeGreaterThan(dragged.share * 1.5);
  // Playing with it edits nothing; the gesture belongs to the take, and can be seen again.
  expect((await serverEffect(page, id)).objects).toEqual(placed.objects);
  // Both gestures are on the strip, come back after a reload, and go when they are pressed.
  const gestures = page.getByRole('button', { name: /^Recorded drag/ });
  await expect(gestures).toHaveCount(2);
  await page.reload();
  await seekShare(page, 0.1);
  await drawnOut(page);
  const again = await pixelsWhere(finder, olive);
  expect(again.share).toBeGreaterThan(0);
  await gestures.last().click();
  await gestures.last().click();
  await expect(gestures).toHaveCount(0);
  await drawnOut(page);
  const back = await pixelsWhere(finder, olive);
  expect(again.share).toBeGreaterThan(back.share * 1.3);
});

test('a long Stack keeps only what is in sight on the page', async ({ page }) => {
  const boxes = Array.from({ length: 300 }, (_, i) => ({
    ...newSolid(`obj_box${i}` as ObjectId, 'box', i, { kind: 'screen', pin: 'centre' }),
    name: `Box ${i}`,
    visible: false,
  }));
  const effect = { ...blankEffect('Many'), objects: Object.fromEntries(boxes.map((b) => [b.id, b])) };
  await open(page, await createEffect(page, 'Many', effect));
  await expect(row(page, 'Box 0')).toBeVisible();
  expect(await page.locator('[data-object]').count()).toBeLessThan(60);
  await page.locator('[data-object]').first().hover();
  await page.mouse.wheel(0, 30 * 300);
  await expect(row(page, 'Box 299')).toBeVisible();
  expect(await page.locator('[data-object]').count()).toBeLessThan(60);
});
