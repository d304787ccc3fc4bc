/** Faces reshaped and cut out as a creator does it: a sculpted chin, meshes that are none, a fish with living eyes. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import sharp from 'sharp';
import { faceObj } from '../src/core/assets/models/face-obj';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, Morph } from '../src/core/document/schema';
import { FACE_LANDMARKS } from '../src/core/face/landmarks';
import { NEUTRAL_FACE } from '../src/core/face/neutral';
import { pointAt } from '../src/core/maths/vec3';
import { blobOf, createEffect, drawnOut, lookAt, saved, serverEffect } from './harness/pages';
import { finderOf, objectsOf, open, row, setField } from './harness/place';

const file = (name: string, content: string | Buffer) => ({
  name,
  mimeType: 'application/octet-stream',
  buffer: Buffer.from(content),
});
const bringIn = async (page: Page, ...files: ReturnType<typeof file>[]): Promise<void> => {
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await page.getByLabel('Choose files').setInputFiles(files);
};
const toFace = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Face', exact: true }).click();
};
const seen = async (page: Page) => {
  await drawnOut(page);
  return lookAt(finderOf(page));
};
const choose = async (page: Page, list: string, option: string): Promise<void> => {
  await page
    .locator('.ant-select')
    .filter({ has: page.locator(`[aria-label="${list}"]`) })
    .click();
  // A long list opens where the chosen one is, and scrolls under the pointer until it is there: what is typed leaves one to click.
  const search = page.getByRole('combobox', { name: list, exact: true });
  const offered = page.locator('.ant-select-item-option:visible');
  if (await search.isEditable()) {
    await search.fill(option);
    // The list follows what is typed a moment later, and moves what stood under the pointer.
    await expect(offered).toHaveCount(1);
  }
  await offered.filter({ hasText: option }).click();
  await expect(
    page
      .locator('.ant-select')
      .filter({ has: page.locator(`[aria-label="${list}"]`) })
      .first(),
  ).toContainText(option.slice(0, 12));
};
const changed = (a: Awaited<ReturnType<typeof seen>>, b: Awaited<ReturnType<typeof seen>>, by = 40) =>
  blobOf(
    b,
    (r, g, blue, i) =>
      Math.abs(r - a.data[i]!) + Math.abs(g - a.data[i + 1]!) + Math.abs(blue - a.data[i + 2]!) > by,
  );
const morphOf = (effect: Effect): Morph => objectsOf(effect).find((o): o is Morph => o.kind === 'morph')!;

/** The face with its chin drawn down to a point, in centimetres, as a modelling program writes it. */
const POINTED = (() => {
  const moves = new Float32Array(3 * FACE_LANDMARKS);
  for (let i = 0; i < FACE_LANDMARKS; i++) {
    const [x, y] = pointAt(NEUTRAL_FACE, i);
    const low = Math.max(0, 1 - (y - NEUTRAL_FACE[3 * 152 + 1]!) / 0.04);
    moves.set([-0.6 * x * low, -0.03 * low * Math.exp(-((x / 0.02) ** 2)), 0], 3 * i);
  }
  return faceObj(moves).replace(/^v (\S+) (\S+) (\S+)$/gm, (_, x, y, z) =>
    ['v', ...[x, y, z].map((v) => (100 * Number(v)).toFixed(4))].join(' '),
  );
})();
const PLANK = `v 0 0 0
v 1 0 0
v 1 0.02 0
v 0 0.02 0
f 1 2 3 4
`;

test.describe('on people as they are', () => {
  test.use({ people: 'full' });
  test('a chin drawn to a point by a sculpted mesh; meshes that are no face are refused with a way out', async ({
    page,
  }) => {
    const id = await createEffect(page, 'Pointed', blankEffect('Pointed'));
    await open(page, id, 'neutral');
    await toFace(page);
    const bare = await seen(page);
    await page.getByRole('button', { name: 'Shape of the face' }).click();
    // Nothing is moved yet.
    expect(changed(bare, await seen(page)).share).toBeLessThan(0.0005);

    const bring = (one: ReturnType<typeof file>) =>
      page.locator('input[aria-label="Sculpted mesh to bring in"]').setInputFiles(one);
    await bring(file('points.obj', 'v 0 0 0\nv 1 0 0\nv 0 1 0\n'));
    await expect(page.getByText('points.obj has no faces: there is nothing to see.')).toBeVisible();
    await bring(file('plank.obj', PLANK));
    await expect(page.getByText(/plank\S* does not resemble a face: .* % of its width/)).toBeVisible();
    await bring(file('fish.png', await fish()));
    await expect(page.getByText('fish.png is no model.')).toBeVisible();
    await saved(page);
    const refused = await serverEffect(page, id);
    expect(morphOf(refused).mesh).toBeNull();
    expect(Object.keys(refused.assets)).toEqual([]);

    await bring(file('chin.obj', POINTED));
    await expect(page.getByText(/Fits to 0\.\d+ % of the face’s width, point by point/)).toBeVisible();
    await expect(page.getByText('fish.png is no model')).toBeHidden();
    const pointed = await seen(page);
    const chin = changed(bare, pointed);
    expect(chin.share).toBeGreaterThan(0.004);
    // All of it is about the chin: nothing else is dragged along.
    const elsewhere = blobOf(pointed, (r, g, b, i) => {
      const [u, v] = [((i / 3) % pointed.width) / pointed.width, i / 3 / pointed.width / pointed.height];
      const off =
        Math.abs(r - bare.data[i]!) + Math.abs(g - bare.data[i + 1]!) + Math.abs(b - bare.data[i + 2]!);
      return off > 40 && (v < chin.y - 0.16 || Math.abs(u - chin.x) > 0.25);
    });
    expect(elsewhere.share).toBeLessThan(0.0002);

    await setField(page, 'Strength, as a number', '0');
    expect(changed(bare, await seen(page)).share).toBeLessThan(0.0005);
    await setField(page, 'Strength, as a number', '200');
    const twice = changed(bare, await seen(page));
    expect(twice.share).toBeGreaterThan(chin.share);
    await saved(page);
    expect(morphOf(await serverEffect(page, id))).toMatchObject({ amount: 2, mesh: { by: 'layout' } });
    await page.getByRole('button', { name: /^Undo/ }).click();
    await page.getByRole('button', { name: /^Undo/ }).click();
    expect(changed(pointed, await seen(page)).share).toBeLessThan(0.0005);

    // Taken off and chosen again from what is in the effect.
    await page.getByRole('button', { name: 'Take off' }).click();
    expect(changed(bare, await seen(page)).share).toBeLessThan(0.0005);
    await choose(page, 'Sculpted mesh', 'chin');
    await expect(page.getByText(/Fits to 0/)).toBeVisible();
    expect(changed(pointed, await seen(page)).share).toBeLessThan(0.0005);

    // It comes off the face as a model, and the model lies on the face again as its shape.
    await page.keyboard.press('1');
    await choose(page, 'Sticks to', 'Crown');
    await expect.poll(async () => changed(pointed, await seen(page)).share).toBeGreaterThan(0.01);
    await saved(page);
    expect(Object.values((await serverEffect(page, id)).objects).map((o) => o.kind)).toEqual(['model']);
    await choose(page, 'Sticks to', 'The whole face, as its shape');
    await toFace(page);
    await expect(page.getByText(/Fits to 0/)).toBeVisible();
    expect(changed(pointed, await seen(page)).share).toBeLessThan(0.0005);

    // A second morph adds up, limited to where it counts.
    await page.getByRole('button', { name: 'Another' }).click();
    await setField(page, 'Eyes: Size, as a number', '100');
    const both = changed(pointed, await seen(page));
    expect(both.share).toBeGreaterThan(0.002);
    expect(both.y).toBeLessThan(chin.y - 0.08);
    await page
      .locator('.ant-select')
      .filter({ has: page.locator('[aria-label="Regions the morph counts in"]') })
      .click();
    await page.keyboard.type('chin');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    expect(changed(pointed, await seen(page)).share).toBeLessThan(both.share / 4);
    await page.getByRole('button', { name: /^Undo/ }).click();
    expect(Math.abs(changed(pointed, await seen(page)).share - both.share)).toBeLessThan(0.0005);

    // What the sliders make is kept as a shape of its own: the face looks as before, and shapes are mixed side by side.
    const mixed = await seen(page);
    await page.getByRole('button', { name: 'Keep this shape' }).click();
    await expect(page.getByRole('button', { name: 'Keep this shape' })).toBeDisabled();
    expect(changed(mixed, await seen(page)).share).toBeLessThan(0.0005);
    await setField(page, 'Strength of Shape, as a number', '0');
    expect(changed(pointed, await seen(page)).share).toBeLessThan(0.0005);
    await page.getByRole('button', { name: 'A cue that goes to Shape' }).click();
    await expect(page.getByText('To Shape', { exact: true }).first()).toBeVisible();
    await saved(page);
    const [cue] = Object.values((await serverEffect(page, id)).cues);
    expect(cue!.beats[0]!.actions).toMatchObject([
      { kind: 'number', property: 'amount', value: 1 },
      { kind: 'number', property: 'amount', value: 0 },
    ]);
    await expect(page.getByText(/strength to 100 %/).first()).toBeVisible();
    await toFace(page);
    await page
      .getByRole('region', { name: 'Shapes' })
      .getByRole('button', { name: 'Shape', exact: true })
      .click();

    // What is begun from.
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'A face to sculpt' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('face-to-sculpt.obj');
  });
});

const fish = (): Promise<Buffer> =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="300"><ellipse cx="150" cy="150" rx="140" ry="140" fill="#e2711d"/></svg>`,
    ),
  )
    .png()
    .toBuffer();

test('a flat fish on the face with the viewer’s living eyes and mouth cut in', async ({ page }) => {
  const id = await createEffect(page, 'Fish', blankEffect('Fish'));
  await open(page, id, 'smile-and-wink');
  await bringIn(page, file('fish.png', await fish()));
  await expect(row(page, 'fish')).toBeVisible();
  await choose(page, 'Sticks to', 'Tip of the nose');
  await setField(page, 'Width, cm', '22');
  await setField(page, 'Move y, cm', '1');
  const orange = (r: number, g: number, b: number): boolean => r > 200 && g > 80 && g < 140 && b < 60;
  const flat = await seen(page);
  const covered = blobOf(flat, orange);
  expect(covered.share).toBeGreaterThan(0.1);

  await toFace(page);
  for (const part of ['Left eye', 'Right eye', 'Mouth']) {
    await page.getByRole('button', { name: part, exact: true }).click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
  }
  // They lie on the fish that was selected, and go with it.
  await saved(page);
  const made = objectsOf(await serverEffect(page, id));
  const under = made.find((o) => o.kind === 'card')!;
  expect(made.filter((o) => o.kind === 'cutout').map((o) => o.parent)).toEqual([
    under.id,
    under.id,
    under.id,
  ]);
  const alive = await seen(page);
  const holes = blobOf(
    alive,
    (r, g, b, i) => !orange(r, g, b) && orange(flat.data[i]!, flat.data[i + 1]!, flat.data[i + 2]!),
  );
  expect(holes.share).toBeGreaterThan(0.008);
  // The nose is under the fish.
  expect(blobOf(alive, orange).share).toBeGreaterThan(0.6 * covered.share);

  // A soft edge, twice as wide and so larger in the picture; made by keys alone.
  await row(page, 'Mouth').first().click();
  await setField(page, 'Soft edge outside the outline, as a number', '25');
  const wider = blobOf(await seen(page), orange);
  expect(wider.share).toBeLessThan(blobOf(alive, orange).share - 0.003);

  // Laid on the face itself, and on the fish again, it stays where it is seen.
  const onFish = await seen(page);
  await choose(page, 'What the cutout lies on', 'The face itself');
  await choose(page, 'What the cutout lies on', 'fish');
  expect(changed(onFish, await seen(page)).share).toBeLessThan(0.004);

  // Space shows it alive, as the Viewfinder does, and no plain sheet in its place.
  await page.keyboard.press('1');
  const space = page.getByRole('img', { name: /^Space: the scene/ });
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await expect
    .poll(async () => {
      await drawnOut(page);
      const grey = (r: number, g: number, b: number): boolean =>
        Math.abs(r - 150) < 5 && Math.abs(g - 156) < 5 && Math.abs(b - 160) < 5;
      const shown = await lookAt(space);
      const fishThere = blobOf(shown, orange).share;
      return fishThere > 0.01 && blobOf(shown, grey).share < 0.0005;
    })
    .toBe(true);
  await toFace(page);
  await row(page, 'Mouth').first().click();

  // Drawn by hand: the outline becomes what is drawn.
  await choose(page, 'Part of the face', 'Drawn outline');
  const drawer = page.getByRole('group', { name: /^Outline on the face/ });
  const box = (await drawer.boundingBox())!;
  const at = (u: number, v: number) => [box.x + u * box.width, box.y + v * box.height] as const;
  await page.mouse.move(...at(0.3, 0.12));
  await page.mouse.down();
  for (const [u, v] of [
    [0.7, 0.12],
    [0.7, 0.28],
    [0.3, 0.28],
    [0.3, 0.14],
  ] as const)
    await page.mouse.move(...at(u, v), { steps: 6 });
  await page.mouse.up();
  await saved(page);
  const cut = objectsOf(await serverEffect(page, id)).find((o) => o.kind === 'cutout' && o.part === 'drawn');
  expect(cut).toMatchObject({ part: 'drawn' });
  const outline = (cut as { outline: [number, number][] }).outline;
  expect(outline.length).toBeGreaterThan(20);
  for (const [u, v] of outline) {
    expect(u).toBeGreaterThan(0.25);
    expect(u).toBeLessThan(0.75);
    expect(v).toBeLessThan(0.32);
  }
  const [u0] = outline[0]!;
  await page.getByRole('button', { name: /^Corner 1 of/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect
    .poll(async () => {
      const now = objectsOf(await serverEffect(page, id)).find(
        (o) => o.kind === 'cutout' && o.part === 'drawn',
      );
      return (now as { outline: [number, number][] }).outline[0]![0] - u0;
    })
    .toBeCloseTo(-0.006, 3);
});
