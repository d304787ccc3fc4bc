/** Styling as a creator does it: a grade by hand and by table, a backdrop with a soft edge, copies of the person. */
import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { readCube, writeCube } from '../src/core/assets/colour/cube';
import { lookUp, tableOf } from '../src/core/assets/colour/table';
import type { Fill, Grade, Live } from '../src/core/document/schema';
import type { Rgb } from '../src/core/maths/blend';
import { createEffect, drawnOut, lookAt, saved, serverEffect, shareOf } from './harness/pages';
import { addFromMenu, begin, finderOf, objectsOf, open, setField } from './harness/place';

/** Takes the red out, and turns the rest around: seen at once, and known exactly. */
const bent = (c: Rgb): Rgb => [0.2 * c[0], c[2], c[1]];
const CUBE = Buffer.from(writeCube(tableOf('Bent', 17, bent)));

const toStyle = async (page: Page, section: string): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: section }).click();
};
/** Mean colour of a part of the picture, from the left and the right edge (0..1), without its labels. */
const meanOf = async (finder: Locator, from: number, to: number): Promise<Rgb> => {
  const { data, width, height } = await lookAt(finder);
  const sum = [0, 0, 0];
  let n = 0;
  for (let y = Math.round(0.2 * height); y < 0.8 * height; y++)
    for (let x = Math.round(from * width); x < to * width; x++, n++)
      for (let k = 0; k < 3; k++) sum[k]! += data[(y * width + x) * 3 + k]!;
  return sum.map((s) => s / n) as unknown as Rgb;
};
const gradeOf = async (page: Page, id: string): Promise<Grade> =>
  objectsOf(await serverEffect(page, id)).find((o): o is Grade => o.kind === 'grade')!;

test('a .cube at 32 %, compared by the line, put in order with other steps, and written as a file', async ({
  page,
}) => {
  const id = await createEffect(page, 'Grade');
  await open(page, id, 'neutral');
  const finder = finderOf(page);
  await drawnOut(page);
  const [LEFT, RIGHT, ALL] = [
    [0.02, 0.45],
    [0.55, 0.98],
    [0.02, 0.98],
  ] as const;
  const bare = await meanOf(finder, ...ALL);
  const [bareLeft, bareRight] = [await meanOf(finder, ...LEFT), await meanOf(finder, ...RIGHT)];
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: '+ Add object' }).click();
  await page.getByRole('menuitem', { name: /^Files/ }).click();
  await (await chooser).setFiles({ name: 'bent.cube', mimeType: 'text/plain', buffer: CUBE });
  await expect(page.getByRole('button', { name: 'bent', exact: true })).toBeVisible({ timeout: 30_000 });
  await toStyle(page, 'Grade');
  await expect(page.getByRole('listitem', { name: 'Colour table' })).toBeVisible();
  await setField(page, 'Strength of the grade, as a number', '32');
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByRole('slider', { name: /Compare line/ })).toBeVisible();
  // The table acts on each colour by itself, and means of what is linear are means of the parts.
  const graded = (of: Rgb): number => of[0] + 0.32 * (bent(of)[0] - of[0]);
  const seen = async (from: number, to: number): Promise<Rgb> => {
    await drawnOut(page);
    return meanOf(finder, from, to);
  };
  await expect
    .poll(async () => Math.abs((await seen(...RIGHT))[0] - graded(bareRight)), { timeout: 30_000 })
    .toBeLessThan(4);
  expect(Math.abs((await seen(...LEFT))[0] - bareLeft[0])).toBeLessThan(4);
  // The line is moved by keys: all of it is before the line.
  await page.getByRole('slider', { name: /Compare line/ }).press('End');
  await expect
    .poll(async () => Math.abs((await seen(...ALL))[0] - bare[0]), { timeout: 30_000 })
    .toBeLessThan(6);
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect
    .poll(async () => Math.abs((await seen(...ALL))[0] - graded(bare)), { timeout: 30_000 })
    .toBeLessThan(4);

  await page.getByRole('button', { name: 'Add a step', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Exposure', exact: true }).click();
  await setField(page, 'Exposure: stops, as a number', '-1');
  await page.getByRole('button', { name: 'Exposure: earlier' }).click();
  await saved(page);
  const grade = await gradeOf(page, id);
  expect(grade.opacity).toBeCloseTo(0.32, 6);
  expect(grade.steps.map((s) => s.kind)).toEqual(['exposure', 'table']);
  expect(grade.steps[0]).toMatchObject({ stops: -1, on: true });

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Write as .cube' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('bent.cube');
  const table = readCube(readFileSync(await file.path()), 'bent.cube');
  // Half the light of white is 0.735 in the picture.
  const half = 1.055 * 0.5 ** (1 / 2.4) - 0.055;
  lookUp(table, [1, 1, 1]).forEach((x, i) => {
    const whole = bent([half, half, half])[i]!;
    expect(x).toBeCloseTo(1 + 0.32 * (whole - 1), 4);
  });

  for (const label of ['Switch Exposure off', 'Remove Colour table'])
    await page.getByRole('button', { name: label }).click();
  await expect
    .poll(async () => Math.abs((await seen(...ALL))[0] - bare[0]), { timeout: 30_000 })
    .toBeLessThan(4);
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z');
  await saved(page);
  expect((await gradeOf(page, id)).steps).toEqual(grade.steps);
});

test('a tone curve drawn by hand and by keys', async ({ page }) => {
  const id = await createEffect(page, 'Curve');
  await open(page, id, 'neutral');
  await toStyle(page, 'Grade');
  await page.getByRole('button', { name: 'Add a grade' }).click();
  await page.getByRole('button', { name: 'Add a step', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Tone curves' }).click();
  const curve = page.getByRole('group', { name: 'Tone curve, all' });
  await curve.scrollIntoViewIfNeeded();
  const box = (await curve.boundingBox())!;
  // A point in the middle, pulled up.
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 4, { steps: 4 });
  await page.mouse.up();
  const middle = page.getByRole('slider', { name: 'Point 2 of 3' });
  await expect(middle).toBeVisible();
  await middle.press('ArrowDown');
  await saved(page);
  const curves = async () => (await gradeOf(page, id)).steps.find((s) => s.kind === 'curves');
  const [, point] = (await curves())!.all;
  expect(point![0]).toBeCloseTo(0.5, 1);
  // A quarter of the box from its top, less the margin, and a hundredth down by key.
  expect(Math.abs(point![1] - 0.76)).toBeLessThan(0.04);
  const brighter = finderOf(page);
  await drawnOut(page);
  const lit = await meanOf(brighter, 0.02, 0.98);
  await middle.press('Delete');
  await saved(page);
  expect((await curves())!.all).toEqual([
    [0, 0],
    [1, 1],
  ]);
  await drawnOut(page);
  expect(lit[1] - (await meanOf(brighter, 0.02, 0.98))[1]).toBeGreaterThan(12);
});

const SEA = (r: number, g: number, b: number): boolean => b > r + 40 && g > r + 25;

test('a backdrop with a soft edge, inverted, and two more copies of the person', async ({ page }) => {
  const id = await begin(page, 'Backdrop swap');
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Backdrop' }).click();
  const finder = finderOf(page);
  const skin = (): Promise<number> => shareOf(finder, [208, 140, 110], 60);
  await expect.poll(skin, { timeout: 45_000 }).toBeGreaterThan(0.03);
  const alone = await skin();
  await setField(page, 'Feather, as a number', '30');
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Another copy of the person' }).click();
  await drawnOut(page);
  await expect.poll(skin, { timeout: 30_000 }).toBeGreaterThan(alone * 1.2);
  await page.getByRole('button', { name: /^Invert/ }).click();
  await drawnOut(page);
  // In the middle of the face is the sea now, between the copies.
  const { data, width, height } = await lookAt(finder);
  const at = 3 * (Math.round(0.32 * height) * width + Math.round(0.53 * width));
  expect(SEA(data[at]!, data[at + 1]!, data[at + 2]!)).toBe(true);
  await saved(page);
  const effect = await serverEffect(page, id);
  expect(effect.backdrop).toMatchObject({ feather: 0.3, invert: true });
  const copies = objectsOf(effect).filter((o): o is Live => o.kind === 'live');
  expect(copies.map((o) => [o.part, o.anchor.kind])).toEqual([
    ['person', 'backdrop'],
    ['person', 'backdrop'],
  ]);
  expect(Math.sign(copies[0]!.move[0])).toBe(-Math.sign(copies[1]!.move[0]));
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await saved(page);
  const back = await serverEffect(page, id);
  expect(back.backdrop.invert).toBe(false);
  expect(objectsOf(back).filter((o) => o.kind === 'live')).toHaveLength(1);
});

test('a gradient behind the people, and the face laid flat on the screen', async ({ page }) => {
  const id = await createEffect(page, 'Field');
  await open(page, id, 'neutral');
  await toStyle(page, 'Backdrop');
  await page.getByRole('button', { name: 'Colour or gradient' }).click();
  await page.getByLabel('Colour', { exact: true }).fill('#ff00ff');
  const finder = finderOf(page);
  const magenta = (): Promise<number> => shareOf(finder, [255, 0, 255], 40);
  await expect.poll(magenta, { timeout: 30_000 }).toBeGreaterThan(0.2);
  await page.getByRole('button', { name: 'Gradient', exact: true }).click();
  await page.getByLabel('Other end of the gradient').fill('#00ff00');
  // Magenta below, where the shoulders are, green above.
  await expect.poll(() => shareOf(finder, [0, 255, 0], 60), { timeout: 30_000 }).toBeGreaterThan(0.01);
  expect(await magenta()).toBeLessThan(0.15);
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await addFromMenu(page, 'Camera picture on a card', 'The face, laid flat');
  await page.locator('[aria-label="Sticks to"]').fill('Top edge');
  await page.locator('.ant-select-item-option', { hasText: 'Top edge' }).first().click();
  await saved(page);
  const [card, field] = objectsOf(await serverEffect(page, id)) as [Live, Fill];
  expect(card).toMatchObject({ kind: 'live', part: 'face', anchor: { kind: 'screen' } });
  expect(field).toMatchObject({ kind: 'fill', tint: '#ff00ff', to: '#00ff00', fit: 'stretch' });
});

test('graphics that are lost: a sentence, and the graded picture with its backdrop comes back', async ({
  page,
}) => {
  const id = await createEffect(page, 'Lost');
  await open(page, id, 'neutral');
  await toStyle(page, 'Backdrop');
  await page.getByRole('button', { name: 'Colour or gradient' }).click();
  await page.getByLabel('Colour', { exact: true }).fill('#ff00ff');
  await addFromMenu(page, 'Grade: colours of the finished picture');
  await setField(page, 'Exposure: stops, as a number', '-2');
  const finder = finderOf(page);
  // A quarter of the light of full magenta.
  const dim = Math.round(255 * (1.055 * 0.25 ** (1 / 2.4) - 0.055));
  const dimmed = (): Promise<number> => shareOf(finder, [dim, 0, dim], 12);
  await expect.poll(dimmed, { timeout: 30_000 }).toBeGreaterThan(0.2);
  const before = await dimmed();
  await finder.evaluate((canvas: HTMLCanvasElement) => {
    const lose = canvas.getContext('webgl2')!.getExtension('WEBGL_lose_context')!;
    (window as unknown as { lose: WEBGL_lose_context }).lose = lose;
    lose.loseContext();
  });
  await expect(page.getByText('The browser has taken the graphics away')).toBeVisible();
  await page.evaluate(() => (window as unknown as { lose: WEBGL_lose_context }).lose.restoreContext());
  await expect(page.getByText('The browser has taken the graphics away')).toBeHidden();
  await expect.poll(dimmed, { timeout: 30_000 }).toBeGreaterThan(0.9 * before);
});
