/** Things on heads: head pieces, rings, two faces, words on an arc, cards that look at the viewer. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { newCard } from '../src/core/kinds/objects/card';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { Card, Effect, EffectObject, ObjectId, Solid, TextObject } from '../src/core/document/schema';
import { headFactor } from '../src/core/face/head-factor';
import { projectPoint } from '../src/core/tracking/project';
import {
  blobOf,
  createEffect,
  drawnOut,
  keptPicture,
  lookAt,
  pixelsWhere,
  saved,
  seekShare,
  serverEffect,
} from './harness/pages';

import { transformBox } from '../src/core/maths/box';
import { boxOf } from '../src/core/placing/bounds';
import { restMatrix, restOf } from '../src/core/placing/rest';
import { drop, folderOf } from './harness/drop';
import { glassesGlb } from './harness/files';
import { addFromMenu, begin, finderOf, green, objectsOf, open, row, setField, takeOf } from './harness/place';

test('a head piece: hidden behind the head when it turns, and as large as each head asks for', async ({
  page,
}) => {
  const id = await begin(page, 'Head piece');
  const finder = finderOf(page);
  await expect.poll(async () => (await pixelsWhere(finder, green)).share).toBeGreaterThan(0.01);
  const { objects } = await serverEffect(page, id);
  expect(objectsOf({ objects } as Effect)[0]).toMatchObject({
    kind: 'model',
    sample: true,
    anchor: { kind: 'head', point: 'crown', grows: true },
  });
  // The head of this take turns to 48 degrees: from this moment on it is past 40.
  const take = takeOf('slow-turn');
  const yawAt = (share: number): number => {
    const [x, y, z, w] = take.frameAt(share * take.duration).faces[0]!.pose.rotation;
    return (Math.atan2(2 * (x * z + w * y), 1 - 2 * (x * x + y * y)) * 180) / Math.PI;
  };
  const share = Array.from({ length: 100 }, (_, i) => i / 100).find((s) => Math.abs(yawAt(s)) > 40)!;
  expect(share).toBeGreaterThan(0);
  await seekShare(page, share);
  await drawnOut(page);
  const behind = (await pixelsWhere(finder, green)).share;
  await page.getByRole('button', { name: 'Hide Head occluder' }).click();
  await drawnOut(page);
  const through = (await pixelsWhere(finder, green)).share;
  // Without the occluder its far side shines through the head.
  expect(through).toBeGreaterThan(behind * 1.15);
  await page.getByRole('button', { name: 'Show Head occluder' }).click();

  // One after the other, six people at the same place before the camera.
  await page.evaluate((key) => localStorage.setItem(key, '"skin-tones"'), `iconia.take.${id}`);
  await saved(page);
  await page.reload();
  const people = takeOf('skin-tones');
  const seen: { wide: number; factor: number }[] = [];
  for (const share of [0.083, 0.583, 0.917]) {
    await seekShare(page, share);
    await drawnOut(page);
    const blob = await pixelsWhere(finder, (r, g, b) => green(r, g, b) && g < 190);
    const [face] = people.frameAt(share * people.duration).faces;
    seen.push({ wide: blob.right - blob.left, factor: headFactor(face!.landmarks) });
  }
  const factors = seen.map((s) => s.factor);
  expect(Math.max(...factors) / Math.min(...factors)).toBeGreaterThan(1.05);
  for (const { wide, factor } of seen)
    expect(Math.abs(wide / factor / (seen[0]!.wide / seen[0]!.factor) - 1)).toBeLessThan(0.04);
});

test('eight copies on a ring around the head in one action; the group raises and tilts them all', async ({
  page,
}) => {
  const id = await createEffect(page, 'Ring');
  await open(page, id);
  await addFromMenu(page, 'Solid', 'Sphere');
  await expect(row(page, 'Sphere')).toBeVisible();
  await setField(page, 'Width, cm', '6/2');
  await page.getByLabel('Colour of the solid').fill('#ff20ff');
  await page.getByRole('button', { name: 'Spread', exact: true }).click();
  const panel = page.getByRole('region', { name: 'Spread' });
  await panel.getByRole('spinbutton', { name: 'How many copies' }).fill('8');
  await panel.getByRole('spinbutton', { name: 'Radius of the ring, cm' }).fill('15');
  await panel.getByRole('spinbutton', { name: 'Angle from one copy to the next, degrees' }).fill('45');
  await panel.getByRole('button', { name: 'Make 8 copies' }).click();
  await expect(row(page, 'Sphere ring')).toBeVisible();
  await saved(page);
  const spread = await serverEffect(page, id);
  const group = objectsOf(spread).find((o) => o.kind === 'group')!;
  const copies = objectsOf(spread).filter((o): o is Solid => o.kind === 'solid');
  expect(group.anchor).toMatchObject({ kind: 'head', point: 'headCentre' });
  expect(copies).toHaveLength(8);
  copies.forEach((copy, i) => {
    const a = (i * Math.PI) / 4;
    expect(copy.parent).toBe(group.id);
    expect(copy.move[0]).toBeCloseTo(0.15 * Math.sin(a), 6);
    expect(copy.move[2]).toBeCloseTo(0.15 * Math.cos(a), 6);
    expect(copy.turn[1]).toBeCloseTo(i * 45, 4);
    expect(copy.scale[0]).toBeCloseTo(0.75, 6);
  });
  const finder = finderOf(page);
  const pink = (r: number, g: number, b: number): boolean => r > g + 60 && b > g + 60 && Math.abs(r - b) < 50;
  await drawnOut(page);
  const level = await pixelsWhere(finder, pink);
  expect(level.share).toBeGreaterThan(0.002);
  await setField(page, 'Move y, cm', '8');
  await drawnOut(page);
  const raised = await pixelsWhere(finder, pink);
  expect(raised.y).toBeLessThan(level.y - 0.08);
  await setField(page, 'Turn z, degrees', '25');
  await drawnOut(page);
  const tilted = await pixelsWhere(finder, pink);
  // One side up, the other down: they reach farther from top to bottom.
  expect(tilted.bottom - tilted.top).toBeGreaterThan(raised.bottom - raised.top + 0.05);
  await saved(page);
  const after = await serverEffect(page, id);
  expect(after.objects[group.id]).toMatchObject({ move: [0, 0.08, 0], turn: [0, 0, 25] });
  expect(copies.map((c) => after.objects[c.id]!.move)).toEqual(copies.map((c) => c.move));
  // Spreading was one step.
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(row(page, 'Sphere ring')).toBeHidden();
  await expect(row(page, 'Sphere')).toBeVisible();
});

test('copied from face 1 to face 2, and seen on both', async ({ page }) => {
  const effect: Effect = {
    ...blankEffect('Two'),
    objects: {
      ['obj_ball' as ObjectId]: {
        ...newSolid('obj_ball' as ObjectId, 'sphere', 0, headAnchor('noseTip')),
        name: 'Ball',
        colour: '#ff2020',
      },
    },
  };
  const id = await createEffect(page, 'Two', effect);
  await open(page, id);
  await row(page, 'Ball').click();
  await page.getByRole('button', { name: 'More for what is selected' }).click();
  await page.getByRole('menuitem', { name: 'Copy to face 2' }).click();
  await expect(page.getByText('Head · face 2')).toBeVisible();
  // The take has one face only, and the Stack offers one with two.
  await expect(page.getByText('This take has fewer faces.')).toBeVisible();
  await page.getByRole('button', { name: 'Show “Two people”' }).click();
  await page.keyboard.press('Escape');
  const finder = finderOf(page);
  await finder.click({ position: { x: 10, y: 10 } });
  await drawnOut(page);
  const red = (r: number, g: number, b: number): boolean => r > 140 && g < 75 && b < 75;
  const picture = await lookAt(finder);
  const frame = takeOf('two-people').frameAt(0);
  expect(frame.faces).toHaveLength(2);
  for (const face of frame.faces) {
    const nose = projectPoint(frame.camera, frame.camera.fovY, frame.camera.aspect, [
      face.pose.position[0],
      face.pose.position[1],
      face.pose.position[2] + 0.08,
    ])!;
    const here = blobOf(picture, (r, g, b, i) => {
      const u = ((i / 3) % picture.width) / picture.width;
      return Math.abs(u - nose[0]) < 0.09 && red(r, g, b);
    });
    expect(here.share).toBeGreaterThan(0.0008);
  }
  await saved(page);
  const objects = objectsOf(await serverEffect(page, id));
  expect(objects.map((o) => o.anchor)).toEqual(
    expect.arrayContaining([headAnchor('noseTip', 1), headAnchor('noseTip', 2)]),
  );
});

test('words on an arc above the head', async ({ page }) => {
  const id = await createEffect(page, 'Words');
  await open(page, id);
  await addFromMenu(page, 'Text');
  await page.getByLabel('Words', { exact: true }).fill('LOW TIDE TONIGHT');
  await page.locator('[aria-label="Sticks to"]').fill('Crown');
  await page.locator('.ant-select-item-option', { hasText: 'Crown' }).click();
  await setField(page, 'Move y, cm', '3');
  await page.getByLabel('Colour of the letters').fill('#00ff00');
  const finder = finderOf(page);
  const bare = async () => {
    await finder.click({ position: { x: 10, y: 300 } });
    await drawnOut(page);
    return lookAt(finder);
  };
  const lime = (r: number, g: number, b: number): boolean => g > 180 && r < 110 && b < 110;
  const straight = await bare();
  const flat = blobOf(straight, lime);
  expect(flat.share).toBeGreaterThan(0.002);
  await page.locator('[data-object]').first().click();
  await setField(page, 'Arc, degrees', '90');
  const bent = await bare();
  const all = blobOf(bent, lime);
  const part = (from: number, to: number) =>
    blobOf(bent, (r, g, b, i) => {
      const u = ((i / 3) % bent.width) / bent.width;
      const at = (u - all.left) / (all.right - all.left);
      return at >= from && at <= to && lime(r, g, b);
    });
  // Like a hill: its ends lie lower than its middle, by about as much as the circle falls.
  expect(part(0, 0.12).y - part(0.44, 0.56).y).toBeGreaterThan(0.03);
  expect(part(0.88, 1).y - part(0.44, 0.56).y).toBeGreaterThan(0.03);
  expect(all.bottom - all.top).toBeGreaterThan((flat.bottom - flat.top) * 1.6);
  await saved(page);
  const [text] = objectsOf(await serverEffect(page, id)) as TextObject[];
  expect(text).toMatchObject({ kind: 'text', text: 'LOW TIDE TONIGHT', arc: 90, anchor: { point: 'crown' } });
});

test('a flat card: looks at the viewer, or turns with the head when that is switched off', async ({
  page,
}) => {
  const asset = await keptPicture(page, 'plate', '#00ff00', 200, 200);
  const card: Card = {
    ...newCard('obj_plate' as ObjectId, asset, 0),
    name: 'Plate',
    move: [0, 0.12, 0.02],
    lookAt: { front: '+z', about: 'any' },
  };
  const effect: Effect = {
    ...blankEffect('Plate'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: card },
  };
  const id = await createEffect(page, 'Plate', effect);
  await open(page, id, 'slow-turn');
  await seekShare(page, 0.2);
  const finder = finderOf(page);
  const width = async () => {
    await drawnOut(page);
    const { left, right, share } = await pixelsWhere(finder, (r, g, b) => g > 200 && r < 60 && b < 60);
    expect(share).toBeGreaterThan(0.005);
    return right - left;
  };
  const facing = await width();
  await row(page, 'Plate').click();
  await page.getByRole('button', { name: 'Looks at the viewer' }).click();
  await expect(page.getByRole('button', { name: 'Looks at the viewer' })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await finder.click({ position: { x: 10, y: 400 } });
  const turned = await width();
  // Past forty degrees of turn it is a good deal narrower.
  expect(turned / facing).toBeLessThan(0.85);
  await saved(page);
  expect((await serverEffect(page, id)).objects[card.id]!.lookAt).toBeNull();
});

test('Space is looked at from another side by dragging, and from nearer by the wheel', async ({ page }) => {
  const solid = {
    ...newSolid('obj_pearl1' as ObjectId, 'sphere', 0, headAnchor('crown')),
    colour: '#0000ff',
  };
  const effect = { ...blankEffect('Around'), objects: { [solid.id]: solid } };
  await open(page, await createEffect(page, 'Around', effect));
  await drawnOut(page);
  const space = page.getByRole('img', { name: /^Space: the scene/ });
  const pearl = () => pixelsWhere(space, (r, g, b) => b > r + 60 && b > g + 60);
  await expect.poll(async () => (await pearl()).share).toBeGreaterThan(0.0005);
  const at = await pearl();
  const box = (await space.boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 0.6 * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + 0.6 * box.height + 60, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => Math.abs((await pearl()).y - at.y)).toBeGreaterThan(0.02);
  const turned = await pearl();
  await page.mouse.wheel(0, -300);
  await expect.poll(async () => (await pearl()).share).toBeGreaterThan(1.2 * turned.share);
});

test('the picture is come close to by the wheel, a double click and keys; what is seen there is picked there', async ({
  page,
}) => {
  const box: EffectObject = {
    ...newSolid('obj_box1' as ObjectId, 'box', 0, headAnchor('forehead')),
    name: 'Box',
    colour: '#10c040',
    extent: [0.03, 0.03, 0.03],
  };
  const id = await createEffect(page, 'Close', { ...blankEffect('Close'), objects: { [box.id]: box } });
  await open(page, id, 'neutral');
  await drawnOut(page);
  const finder = finderOf(page);
  const whole = (await finder.boundingBox())!;
  const { x, y } = (await pixelsWhere(finder, green))!;
  const at = [whole.x + x * whole.width, whole.y + y * whole.height] as const;
  await page.mouse.move(...at);
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -120);
  await page.keyboard.up('Control');
  await drawnOut(page);
  const near = (await finder.boundingBox())!;
  expect(near.width / whole.width).toBeGreaterThan(1.3);
  // What was under the pointer is there still, and a click finds it.
  await page.mouse.click(...at);
  await expect(row(page, 'Box')).toHaveAttribute('aria-pressed', 'true');
  // Beside it nothing is picked.
  await page.mouse.click(at[0] - 100, at[1]);
  await expect(row(page, 'Box')).toHaveAttribute('aria-pressed', 'false');
  await page.keyboard.press('0');
  const wide = async (): Promise<number> => (await finder.boundingBox())!.width / whole.width;
  await expect.poll(wide).toBeCloseTo(1, 2);
  // On the mouth: a part of the face, as wide as the window allows.
  await finder.dblclick({ position: { x: whole.width * 0.5, y: whole.height * 0.56 } });
  await expect.poll(wide).toBeGreaterThan(1.2);
  await page.keyboard.press('e');
  await expect(page.getByRole('region', { name: 'Assets' })).toBeHidden();
  await page.keyboard.press('e');
  await expect(page.getByRole('region', { name: 'Assets' })).toBeVisible();
  // The name of the take opens the list of takes.
  await page.locator('.finder').getByRole('button', { name: 'Neutral' }).click();
  await page.getByRole('button', { name: /^Slow turn/ }).click();
  await expect(page.locator('.finder').getByRole('button', { name: 'Slow turn' })).toBeVisible();
});

test('glasses in centimetres: told by their shape, fitted with one click, worn on the nose', async ({
  page,
}) => {
  const folder = folderOf('models', [await glassesGlb('glasses.glb')]);
  try {
    const id = await begin(page, 'Blank');
    await drawnOut(page);
    await drop(page, [folder.file('glasses.glb')], finderOf(page));
    await expect(row(page, 'glasses')).toBeVisible();
    await page
      .locator('[data-import="glasses.glb"]')
      .getByRole('button', { name: 'Fit to the head', exact: true })
      .click();
    await expect
      .poll(async () => {
        await saved(page);
        const [asset] = Object.values((await serverEffect(page, id)).assets);
        return asset?.kind === 'model' ? asset.prep?.size : null;
      })
      .toEqual({ kind: 'head', as: 'glasses' });
    const effect = await serverEffect(page, id);
    const worn = objectsOf(effect).find((o) => o.name === 'glasses')!;
    expect(worn.anchor).toMatchObject({ kind: 'head', point: 'noseBridge' });
    // Before the eyes, as wide as the face, on the way back to the ears.
    const box = transformBox(restMatrix(restOf(effect), worn.id), boxOf(effect, worn)!);
    expect(box.high[0] - box.low[0]).toBeCloseTo(0.146, 3);
    expect(box.high[2]).toBeGreaterThan(0.06);
    expect(box.high[2]).toBeLessThan(0.12);
    await drawnOut(page);
    const frame = await pixelsWhere(finderOf(page), green);
    expect(frame.share).toBeGreaterThan(0.005);
    expect(Math.abs(frame.x - 0.5)).toBeLessThan(0.1);
  } finally {
    folder.remove();
  }
});
