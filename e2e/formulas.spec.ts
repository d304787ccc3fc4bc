/** Formulas as a creator writes them into number fields: offered, refused and mended in place, seen in the document and in pixels. */
import { expect, test } from './harness/test';
import type { EffectObject } from '../src/core/document/schema';
import { findings } from './harness/axe';
import { ball, blueish, docOf, finderOf, id, opened, SCREEN } from './harness/behave';
import { drawnOut, pixelsWhere, seekShare } from './harness/pages';

test('a formula in a number field moves what it drives; its error is mended where it is written; it is undone, and taken off', async ({
  page,
}) => {
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  const effectId = await opened(page, 'Swing', [crab]);
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Crab', exact: true }).first().click();
  const move = page.getByRole('group', { name: 'Move, in centimetres' });
  const field = move.getByRole('spinbutton').first();
  await field.click();
  await page.keyboard.type('=');
  const written = page.getByRole('textbox', { name: /^Formula for/ });
  await expect(written).toBeFocused();
  await page.keyboard.type('sin(time * 2) * 3 + jawOpne');
  const problem = page.getByRole('alert').filter({ hasText: 'nothing called' });
  await expect(problem).toHaveText('There is nothing called “jawOpne”. Did you mean jawOpen?');
  await page.keyboard.press('Escape');
  await expect.poll(async () => Object.keys((await docOf(page, effectId)).drives)).toEqual([]);

  await field.click();
  await page.keyboard.type('=sin(time * 2) * 3 + jaw');
  await expect(page.locator('.cm-tooltip-autocomplete')).toContainText('jawOpen');
  await page.keyboard.press('Enter');
  await expect(problem).toHaveCount(0);
  await page.keyboard.press('Enter');
  const driven = page.getByRole('button', { name: /: formula = sin\(time \* 2\) \* 3 \+ jaw/ });
  await expect(driven).toBeVisible();
  const [drive] = Object.values((await docOf(page, effectId)).drives);
  expect(drive).toMatchObject({
    signal: { kind: 'formula', unit: 'centimetres', inputs: { time: { kind: 'time' } } },
    to: { kind: 'number', objects: [id('crab')], property: 'moveX' },
    remap: { bounded: false },
  });

  // It swings to both sides of the middle.
  const at = async (share: number): Promise<number> => {
    await seekShare(page, share);
    await drawnOut(page);
    return (await pixelsWhere(finderOf(page), blueish)).x;
  };
  const places: number[] = [];
  for (const share of [0.1, 0.2, 0.3, 0.4, 0.5]) places.push(await at(share));
  expect(Math.max(...places) - Math.min(...places)).toBeGreaterThan(0.02);
  expect(await findings(page)).toEqual([]);

  // What is undone is as it was; done again it drives again.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(driven).toHaveCount(0);
  await page.getByRole('button', { name: /^Redo/ }).click();
  await driven.click();
  await expect(page.getByText('time (s)')).toBeVisible();
  await page.getByRole('button', { name: 'Take the formula off' }).click();
  await expect(field).toHaveValue(/^0/);
  await expect.poll(async () => Object.keys((await docOf(page, effectId)).drives)).toEqual([]);

  // A sum that reads nothing is a number.
  await field.click();
  await page.keyboard.type('=2 * 3');
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue(/^6/);
  const doc = await docOf(page, effectId);
  expect(doc.drives).toEqual({});
  expect(doc.objects[crab.id]!.move[0]).toBeCloseTo(0.06, 6);
});
