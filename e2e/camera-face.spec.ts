/** Make-up, dyed hair and a morph on a real camera stream: nobody says there what is hair, or what covers the face. */
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newHair } from '../src/core/kinds/objects/hair';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newMorph } from '../src/core/kinds/objects/morph';
import type { ObjectId } from '../src/core/document/schema';
import { blobOf, createEffect, lookAt } from './harness/pages';
import { finderOf, open } from './harness/place';

test('hair is dyed, lips are painted and the face is reshaped on the person before the camera', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const id = (name: string) => `obj_${name}` as ObjectId;
  const lips = newLayer(id('lips'), { region: 'lips', tint: '#00c020', finish: 'painted', opacity: 1 }, 2);
  const objects = [
    { ...newMorph(id('eyes'), 0), sliders: { eyes: 1 } },
    { ...newHair(id('hair'), 1), tint: '#3030ff', opacity: 1, roots: 0 },
    lips,
  ];
  const effect = { ...blankEffect('On camera'), objects: Object.fromEntries(objects.map((o) => [o.id, o])) };
  await open(page, await createEffect(page, 'On camera', effect), 'neutral');
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await page.getByRole('button', { name: /Your camera/ }).click();
  await expect(page.locator('canvas[data-source="camera"]')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId('readings')).toBeVisible({ timeout: 60_000 });
  const blue = async () =>
    blobOf(await lookAt(finderOf(page)), (r, g, b) => b > 90 && b > r + 50 && b > g + 40);
  await expect.poll(async () => (await blue()).share, { timeout: 120_000 }).toBeGreaterThan(0.015);
  const hair = await blue();
  const green = blobOf(await lookAt(finderOf(page)), (r, g, b) => g > 90 && g > r + 50 && g > b + 40);
  expect(green.share).toBeGreaterThan(0.0008);
  // Hair lies around and above the mouth, on both sides of it.
  expect(hair.y).toBeLessThan(green.y);
  expect(hair.left).toBeLessThan(green.left);
  expect(hair.right).toBeGreaterThan(green.right);
  // And no skin or shirt is dyed with it: nothing far below the mouth.
  expect(hair.bottom).toBeLessThan(green.y + 0.2);
});
