/** The effect on other screens: what lies under a notch or a button is found, and mended; what costs most is said. */
import { blankEffect } from '../src/core/document/defaults';
import { newPrompt } from '../src/core/document/new-cues';
import type { Effect, ObjectId, PromptId } from '../src/core/document/schema';
import { newFill } from '../src/core/kinds/objects/fill';
import { newRetouch } from '../src/core/kinds/objects/retouch';
import { createEffect, drawnOut, saved, serverEffect } from './harness/pages';
import { expect, test } from './harness/test';

const SIGN = 'obj_sign1' as ObjectId;
const SKIN = 'obj_skin1' as ObjectId;
const PROMPT = 'prompt_calm1' as PromptId;
const effect: Effect = {
  ...blankEffect('Low sign'),
  objects: {
    // Wider than a tall phone, at its very top.
    [SIGN]: {
      ...newFill(SIGN, 0, { kind: 'screen', pin: 'top' }),
      name: 'Sign',
      tint: '#ff00ff',
      extent: [0.09, 0.006],
      fit: 'free',
      move: [0, -0.004, 0],
    },
    [SKIN]: { ...newRetouch(SKIN, 1), name: 'Calm skin' },
  },
  prompts: {
    [PROMPT]: {
      ...newPrompt(PROMPT, 0),
      text: { kind: 'own', text: 'Wait for the tide' },
      hiddenWhen: [],
    },
  },
};

test('a screen with a notch: what lies under it is named, mended by one press, and clear; so is a prompt; the dearest part is named, with what to do', async ({
  page,
}) => {
  test.slow();
  const id = await createEffect(page, 'Low sign', effect);
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  const canvas = page.locator('.finder canvas');
  const shapeOf = async (): Promise<number> => {
    const box = (await canvas.boundingBox())!;
    return box.width / box.height;
  };
  expect(await shapeOf()).toBeCloseTo(9 / 16, 1);
  await page.getByRole('tab', { name: 'Devices' }).click();
  await expect.poll(shapeOf).toBeCloseTo(390 / 844, 1);

  const list = page.getByRole('region', { name: 'What lies under something' });
  const sign = list.getByRole('listitem').filter({ hasText: 'Sign' });
  await expect(sign).toContainText('lies under the notch');
  await expect(sign).toContainText('partly off the screen');
  await sign.getByRole('button', { name: 'Make it fit' }).click();
  await expect(sign).toHaveCount(0);
  await saved(page);
  const { move, scale } = (await serverEffect(page, id)).objects[SIGN]!;
  // Below the notch, and no wider than the screen: 390 of 844 pixels are 7.39 cm of 16.
  expect(move[1]).toBeLessThan(-0.006);
  expect(scale[0] * 0.09).toBeLessThan((390 / 844) * 0.16);
  // Undo brings it back under the notch.
  await page.keyboard.press('Control+z');
  await expect(sign).toContainText('lies under the notch');

  // On a larger phone the prompt stands where a camera app says which sound plays.
  await page.getByRole('radio', { name: /^Large phone/ }).click();
  const prompt = list.getByRole('listitem').filter({ hasText: 'Wait for the tide' });
  await expect(prompt).toContainText('lies under the name of the sound');
  await page.getByRole('checkbox', { name: 'Buttons of a camera app over it' }).uncheck();
  await expect(prompt).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Buttons of a camera app over it' }).check();
  await prompt.getByRole('button', { name: 'Put it in the middle' }).click();
  await expect(prompt).toHaveCount(0);
  await saved(page);
  expect((await serverEffect(page, id)).prompts[PROMPT]!.place).toBe('middle');
  const words = page.locator('.viewer-prompt');
  const [at, of] = [(await words.boundingBox())!, (await canvas.boundingBox())!];
  expect((at.y + at.height / 2 - of.y) / of.height).toBeCloseTo(0.5, 0);
  expect(at.y).toBeGreaterThan(of.y + of.height / 4);

  // Sideways it is as wide as it was high.
  await page.getByText('Sideways', { exact: true }).click();
  await expect.poll(shapeOf).toBeCloseTo(932 / 430, 1);
  await page.getByText('Upright', { exact: true }).click();

  // What costs most, and what to do; chosen there, it is selected.
  const costs = page.getByRole('region', { name: 'What costs most' });
  const dearest = costs.getByRole('button', { name: /^Calm skin: [\d.]+ ms$/ });
  await expect(dearest).toBeVisible();
  await expect(costs.getByText('each of its parts looks at the whole face')).toBeVisible();
  const msOf = async (name: string): Promise<number> =>
    Number(/([\d.]+) ms/.exec((await page.getByRole('radio', { name }).textContent())!)![1]);
  const slow = await msOf('Slow phone');
  expect(slow).toBeGreaterThan(2 * (await msOf('Fast phone')));
  // By the keyboard.
  await dearest.press('Enter');
  await page.getByRole('region', { name: 'Stack' }).getByRole('button', { name: 'Delete' }).click();
  await expect.poll(() => msOf('Slow phone')).toBeLessThan(0.3 * slow);

  // The back camera sees what is before the viewer; left, the Viewfinder is as it was.
  await page.getByText('Back camera', { exact: true }).click();
  await page.getByRole('tab', { name: 'One take' }).click();
  await expect.poll(shapeOf).toBeCloseTo(9 / 16, 1);
  await expect(page.locator('.finder .label')).not.toHaveText('Turn and mouth');
});
