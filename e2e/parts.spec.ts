/** Parts of a model as things of their own: chosen in the picture, set apart, turned, dressed, touched, used in cues, put back. */
import { expect, test } from './harness/test';
import { writeGlb } from '../src/core/assets/models/open-model';
import { lantern } from '../src/core/assets/models/testing';
import type { Effect, Part } from '../src/core/document/schema';
import { addCue, doing } from './harness/behave';
import { drop, folderOf } from './harness/drop';
import { drawnOut, pixelsWhere, saved, seek, serverEffect } from './harness/pages';
import { begin, finderOf, objectsOf, row, setField } from './harness/place';

const red = (r: number, g: number, b: number): boolean => r > 90 && r > g * 3 && r > b * 3;
const partIn = (effect: Effect): Part => objectsOf(effect).find((o): o is Part => o.kind === 'part')!;

test('the lid of a lantern: clicked, set apart, turned about its hinge, touched, dressed and put back', async ({
  page,
}) => {
  const folder = folderOf('models', [{ name: 'lantern.glb', bytes: await writeGlb(lantern()) }]);
  try {
    const id = await begin(page, 'Model on the floor');
    await drawnOut(page);
    await drop(page, [folder.file('lantern.glb')], row(page, 'Turtle'));
    await expect(page.getByText(/^1 of 1 came in$/)).toBeVisible();
    await saved(page);
    const finder = finderOf(page);
    await drawnOut(page);
    const lidSeen = async () => {
      await drawnOut(page);
      return pixelsWhere(finder, red);
    };
    const closed = await lidSeen();
    expect(closed.share).toBeGreaterThan(0.002);
    const box = (await finder.boundingBox())!;
    const clickOn = ({ x, y }: { x: number; y: number }) =>
      page.mouse.click(box.x + x * box.width, box.y + y * box.height);

    // The first click takes the model, the second the part that is there.
    await page.keyboard.press('Escape');
    await clickOn(closed);
    await expect(row(page, 'lantern')).toHaveAttribute('aria-expanded', 'true');
    await clickOn(closed);
    const apart = page.getByRole('button', { name: 'Set Lid of brass apart' });
    await apart.click();
    await expect(row(page, 'Lid of brass')).toHaveAttribute('aria-expanded', 'true');
    await saved(page);
    let effect = await serverEffect(page, id);
    const model = objectsOf(effect).find((o) => o.kind === 'model')!;
    expect(partIn(effect)).toMatchObject({ parent: model.id, part: 2, pivot: [0, 0, 0], move: [0, 0, 0] });
    // But for the handles, which stand elsewhere now.
    expect((await lidSeen()).share).toBeCloseTo(closed.share, 2);

    // Turned, it opens about its hinge: its front edge rises.
    await setField(page, 'Turn x, degrees', '-80');
    await expect.poll(async () => (await lidSeen()).top).toBeLessThan(closed.top - 0.03);
    const open = await lidSeen();

    // Its pivot goes where one clicks; nothing is seen to change.
    await page.getByRole('button', { name: 'Pivot', exact: true }).first().click();
    await page.getByRole('button', { name: 'Where I click' }).click();
    await expect(page.getByText('Click the point that it turns about')).toBeVisible();
    await clickOn(open);
    await saved(page);
    effect = await serverEffect(page, id);
    expect(Math.hypot(...partIn(effect).pivot)).toBeGreaterThan(0.01);
    expect((await lidSeen()).share).toBeCloseTo(open.share, 2);
    // The point lies in the lid, which is 20 by 3 by 20 cm from its hinge on.
    const [x, y, z] = partIn(effect).pivot;
    expect(Math.abs(x)).toBeLessThan(0.11);
    expect(y).toBeGreaterThan(-0.01);
    expect(y).toBeLessThan(0.06);
    expect(z).toBeGreaterThan(-0.01);
    expect(z).toBeLessThan(0.21);

    // Hidden, it is gone, and the rest of the lantern is not.
    await page.getByRole('button', { name: 'Hide Lid of brass' }).click();
    await expect.poll(async () => (await lidSeen()).share).toBe(0);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await lidSeen()).share).toBeGreaterThan(0.001);

    // A material is its alone.
    await page.keyboard.press('2');
    await page.getByRole('tab', { name: 'Material' }).click();
    await page.getByRole('button', { name: 'New', exact: true }).click();
    await expect.poll(async () => (await lidSeen()).share).toBeLessThan(open.share / 4);
    await saved(page);
    effect = await serverEffect(page, id);
    expect(Object.keys(partIn(effect).materials)).toEqual(['all']);
    expect(objectsOf(effect).find((o) => o.kind === 'model')).toMatchObject({ materials: {} });
    await page.keyboard.press('Control+z');

    // A cue: a tap on the lid hides it, a tap on the body beside it does not.
    await page.keyboard.press('3');
    await row(page, 'Lid of brass').first().click();
    const cue = await addCue(page, 'object is tapped');
    await doing(cue, 'hide');
    await saved(page);
    effect = await serverEffect(page, id);
    const [made] = Object.values(effect.cues).filter((c) => c.triggers[0]?.kind === 'touch');
    expect(made).toMatchObject({
      triggers: [{ kind: 'touch', object: partIn(effect).id }],
      beats: [{ actions: [{ kind: 'hide', targets: [partIn(effect).id] }] }],
    });
    const now = await lidSeen();
    await clickOn({ x: 0.05, y: 0.95 });
    await seek(page, 0.5);
    expect((await lidSeen()).share).toBeGreaterThan(now.share / 2);
    await clickOn(await lidSeen());
    await seek(page, 1);
    await expect.poll(async () => (await lidSeen()).share).toBe(0);

    // Back in its model it is closed again, and the cue says what it lacks.
    await page.keyboard.press('1');
    await row(page, 'Lid of brass').click();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await expect(row(page, 'Lid of brass')).toHaveCount(0);
    await saved(page);
    effect = await serverEffect(page, id);
    expect(partIn(effect)).toBeUndefined();
    await page.keyboard.press('Control+z');
    await expect(row(page, 'Lid of brass')).toBeVisible();
  } finally {
    folder.remove();
  }
});
