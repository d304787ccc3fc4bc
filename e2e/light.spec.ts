/** Light as a creator sets it: a shadow on the face, softened and turned; the light of the camera matched. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newSolid } from '../src/core/kinds/objects/solid';
import type { Effect, Light, ObjectId } from '../src/core/document/schema';
import { fromAngles, rotate } from '../src/core/maths/quaternion';
import { createEffect, drawnOut, lookAt, saved, serverEffect } from './harness/pages';
import { finderOf, objectsOf, open, row, setField } from './harness/place';

const toLight = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Light' }).click();
};
const lightsOf = (effect: Effect): Light[] => objectsOf(effect).filter((o): o is Light => o.kind === 'light');

/** A bar that stands out before the forehead, as the peak of a cap does. */
const peak = (): Effect => {
  const solid = {
    ...newSolid('obj_peak' as ObjectId, 'box', 0, { kind: 'head', face: 1, point: 'forehead', grows: false }),
    name: 'Peak',
    extent: [0.06, 0.012, 0.06] as [number, number, number],
    move: [0, 0.01, 0.045] as [number, number, number],
    colour: '#2040ff',
  };
  return { ...blankEffect('Peak'), objects: { [solid.id]: solid } };
};

test('a shadow on the face is thrown, softened, made denser and turned', async ({ page }) => {
  const id = await createEffect(page, 'Peak', peak());
  await open(page, id, 'neutral');
  const finder = finderOf(page);
  await drawnOut(page);
  const bare = await lookAt(finder);
  await row(page, 'Peak').click();
  await toLight(page);
  await page.getByRole('button', { name: 'On the face', exact: true }).click();
  await page.getByRole('button', { name: 'Directional light', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Lights' }).getByRole('listitem')).toHaveCount(1);
  /** What is darker than the bare face: how much of the picture, where its middle is, how dark, how much is half dark. */
  const shadow = async () => {
    await drawnOut(page);
    const now = await lookAt(finder);
    let [hits, x, sum, deepest, half] = [0, 0, 0, 0, 0];
    for (let i = 0; i < now.data.length; i += 3) {
      // Not the bar itself, which is blue, nor what was dark before.
      const before = bare.data[i]! + bare.data[i + 1]! + bare.data[i + 2]!;
      const after = now.data[i]! + now.data[i + 1]! + now.data[i + 2]!;
      if (before < 150 || now.data[i + 2]! > now.data[i]!) continue;
      const dark = 1 - after / before;
      if (dark < 0.06) continue;
      hits++;
      x += (i / 3) % now.width;
      sum += dark;
      deepest = Math.max(deepest, dark);
    }
    for (let i = 0; i < now.data.length; i += 3) {
      const before = bare.data[i]! + bare.data[i + 1]! + bare.data[i + 2]!;
      const dark = 1 - (now.data[i]! + now.data[i + 1]! + now.data[i + 2]!) / before;
      if (before >= 150 && now.data[i + 2]! <= now.data[i]! && dark > 0.06 && dark < 0.7 * deepest) half++;
    }
    const pixels = now.data.length / 3;
    return { share: hits / pixels, x: x / hits / now.width, mean: sum / hits, deepest, half: half / hits };
  };
  const name = 'Directional light';
  await setField(page, `Side ${name} comes from, as a number`, '-35');
  await setField(page, `Height ${name} comes from, as a number`, '45');
  await setField(page, 'Softness of Shadow catcher, as a number', '0');
  await expect.poll(async () => (await shadow()).share, { timeout: 30_000 }).toBeGreaterThan(0.002);
  const fromLeft = await shadow();
  await setField(page, `Side ${name} comes from, as a number`, '35');
  // From the right it falls to the left.
  await expect.poll(async () => fromLeft.x - (await shadow()).x, { timeout: 30_000 }).toBeGreaterThan(0.03);
  const hard = await shadow();
  await setField(page, 'Softness of Shadow catcher, as a number', '90');
  await expect.poll(async () => (await shadow()).half, { timeout: 30_000 }).toBeGreaterThan(hard.half + 0.07);
  await setField(page, 'Density of Shadow catcher, as a number', '95');
  await expect
    .poll(async () => (await shadow()).deepest, { timeout: 30_000 })
    .toBeGreaterThan(hard.deepest + 0.15);
  await page.getByRole('button', { name: 'Casts shadows' }).click();
  await expect
    .poll(async () => (await shadow()).share || 0, { timeout: 30_000 })
    .toBeLessThan(0.2 * hard.share);
  await saved(page);
  const effect = await serverEffect(page, id);
  const [light] = lightsOf(effect);
  const [x, y, z] = rotate(fromAngles(light!.turn), [0, 1, 0]);
  expect(Math.atan2(x, z) * (180 / Math.PI)).toBeCloseTo(35, 0);
  expect(Math.asin(y) * (180 / Math.PI)).toBeCloseTo(45, 0);
  expect(light!.shadows).toBe(false);
  expect(objectsOf(effect).find((o) => o.kind === 'shadowCatcher')).toMatchObject({
    density: 0.95,
    softness: 0.9,
    anchor: { kind: 'skin', face: 1 },
  });
});

test("the camera's light is read from the picture and matched; in a dim room it is dim", async ({ page }) => {
  const strength: number[] = [];
  for (const take of ['neutral', 'dim-room']) {
    const id = await createEffect(page, `Match ${take}`, peak());
    await open(page, id, take);
    await row(page, 'Peak').click();
    await toLight(page);
    await expect(page.getByText(/from (above|the|below)/).first()).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Match it' }).click();
    await expect(page.getByRole('list', { name: 'Lights' }).getByRole('listitem')).toHaveCount(3);
    // Pressed again it changes those, and adds none.
    await page.getByRole('button', { name: 'Match it' }).click();
    await expect(page.getByRole('list', { name: 'Lights' }).getByRole('listitem')).toHaveCount(3);
    await saved(page);
    const lights = lightsOf(await serverEffect(page, id));
    expect(lights.map((l) => l.light).sort()).toEqual(['ambient', 'directional', 'surroundings']);
    strength.push(lights.find((l) => l.light === 'directional')!.strength);
  }
  expect(strength[1]).toBeLessThan(0.75 * strength[0]!);
});
