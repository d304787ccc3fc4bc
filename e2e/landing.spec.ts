/** What is dropped goes to what it was dropped on, else to what the effect is for: from Home, as a creator does it. */
import { expect, test } from './harness/test';
import type { Card } from '../src/core/document/schema';
import { drop, folderOf, hold, takeAway } from './harness/drop';
import { crownGlb, sheetPng } from './harness/files';
import { drawnOut, saved, serverEffect } from './harness/pages';
import { begin, finderOf, objectsOf, row } from './harness/place';

test('pictures dropped on a floor, a row, a printed picture, the backdrop and nothing in particular', async ({
  page,
}) => {
  const folder = folderOf('artwork', [
    sheetPng('buoy.png', 1, 1, 64),
    sheetPng('chart.png', 1, 1, 96),
    sheetPng('sea.png', 1, 1, 80),
    await crownGlb('crown.glb', false),
    sheetPng('crown_BaseColor.png', 1, 1, 32),
    sheetPng('crown_roughness.png', 1, 1, 32),
  ]);
  const said = page.locator('.hover');
  const dropped = async (
    name: string,
    ...to: [on?: ReturnType<typeof finderOf>, at?: readonly [number, number]]
  ) => {
    await drop(page, [folder.file(name)], ...to);
    await expect(page.getByText(/^1 of 1 came in$/)).toBeVisible();
    await saved(page);
  };
  try {
    // A floor: the picture stands where it was dropped; it says so while it hangs there.
    const floor = await begin(page, 'Model on the floor');
    await drawnOut(page);
    await hold(page, [folder.file('buoy.png')], { on: finderOf(page), at: [0.25, 0.85] });
    await expect(said).toHaveText('It stands on the floor.');
    await takeAway(page);
    await dropped('buoy.png', finderOf(page), [0.25, 0.85]);
    let effect = await serverEffect(page, floor);
    const buoy = objectsOf(effect).find((o) => o.name === 'buoy')!;
    expect(buoy.anchor).toEqual({ kind: 'world', surface: 'floor' });
    expect(buoy.move[0]).toBeLessThan(-0.1);

    // Space: the same, on the spot that is pointed at there, whatever is selected.
    await row(page, 'Sun').click();
    await dropped('sea.png', page.locator('.space canvas'), [0.3, 0.75]);
    effect = await serverEffect(page, floor);
    const near = objectsOf(effect).find((o) => o.name === 'sea')!;
    expect(near.anchor).toEqual({ kind: 'world', surface: 'floor' });
    // Nearer than where new things go, since it looks down from the side.
    expect(near.move[2]).toBeGreaterThan(-0.7);
    await page.keyboard.press('Control+z');
    await expect(row(page, 'sea')).toHaveCount(0);
    await saved(page);
    effect = await serverEffect(page, floor);

    // A row: the sample becomes the creator's own, in its place and at its size.
    const turtle = objectsOf(effect).find((o) => o.name === 'Turtle')!;
    await hold(page, [folder.file('crown.glb')], { on: row(page, 'Turtle') });
    await expect(said).toHaveText('It takes the place of the sample Turtle.');
    await takeAway(page);
    await dropped('crown.glb', row(page, 'Turtle'));
    effect = await serverEffect(page, floor);
    expect(effect.objects[turtle.id]).toMatchObject({
      kind: 'model',
      name: 'crown',
      sample: false,
      anchor: turtle.anchor,
      byViewer: turtle.byViewer,
    });
    expect(effect.objects[turtle.id]!.scale).not.toEqual(turtle.scale);
    // Maps on its row are its material's, whatever is selected; no cards come of them.
    await row(page, 'buoy').click();
    await drop(page, ['crown_BaseColor.png', 'crown_roughness.png'].map(folder.file), row(page, 'crown'));
    await expect(page.getByText(/^2 of 2 came in$/)).toBeVisible();
    await saved(page);
    const dressed = await serverEffect(page, floor);
    expect(Object.keys(dressed.objects)).toEqual(Object.keys(effect.objects));
    expect(Object.values(dressed.materials)).toHaveLength(1);
    expect(dressed.objects[turtle.id]).toMatchObject({
      materials: { all: Object.keys(dressed.materials)[0] },
    });
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await saved(page);
    expect((await serverEffect(page, floor)).objects[turtle.id]).toEqual(turtle);

    // Samples are cleared: what they stood on stays, and what comes next stands there.
    await page.getByRole('button', { name: 'Clear the samples' }).click();
    await row(page, 'buoy').click();
    await row(page, 'buoy').press('Delete');
    await dropped('chart.png');
    effect = await serverEffect(page, floor);
    expect(
      objectsOf(effect)
        .map((o) => o.kind)
        .sort(),
    ).toEqual(['card', 'light', 'light', 'shadowCatcher']);
    expect(objectsOf(effect).find((o) => o.kind === 'card')!.anchor).toEqual({
      kind: 'world',
      surface: 'floor',
    });

    // The settings of a printed picture take the picture that is printed; nothing becomes a card.
    const printed = await begin(page, 'Printed picture comes alive');
    await drawnOut(page);
    const before = objectsOf(await serverEffect(page, printed)).length;
    await page.getByRole('button', { name: 'Settings of Picture · Tide card' }).click();
    await dropped('chart.png', page.getByText('Printed', { exact: true }));
    effect = await serverEffect(page, printed);
    const [target] = Object.values(effect.targets);
    expect(effect.assets[target!.asset!]!.name).toBe('chart.png');
    expect(objectsOf(effect)).toHaveLength(before);
    // Nowhere in particular: onto what the starter is for.
    await page.getByRole('button', { name: 'Clear the samples' }).click();
    await dropped('buoy.png', page.locator('.at-foot'));
    effect = await serverEffect(page, printed);
    expect(objectsOf(effect).map((o) => o.anchor)).toEqual([{ kind: 'picture', target: target!.id }]);

    // Behind the people, in Style.
    const backdrop = await begin(page, 'Blank');
    await drawnOut(page);
    await page.keyboard.press('2');
    await page.getByRole('tab', { name: 'Backdrop' }).click();
    await drop(page, [folder.file('sea.png')], page.getByRole('heading', { name: 'Behind the people' }));
    await expect(row(page, 'sea').first()).toBeVisible();
    await saved(page);
    const [sea] = objectsOf(await serverEffect(page, backdrop)) as Card[];
    expect(sea!.anchor).toEqual({ kind: 'backdrop' });
  } finally {
    folder.remove();
  }
});
