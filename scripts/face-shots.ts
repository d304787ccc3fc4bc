/** The pictures of faces reshaped and cut out, for the docs. */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { blankEffect } from '../src/core/document/defaults';
import { createEffect } from '../e2e/harness/pages';
import { begin, open, row, setField } from '../e2e/harness/place';

const toFace = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Face', exact: true }).click();
};

export const faceShots: Record<string, (page: Page) => Promise<void>> = {
  shape: async (page) => {
    await begin(page, 'Make-up look');
    await toFace(page);
    await page.getByRole('button', { name: 'Shape of the face' }).click();
    for (const [slider, value] of [
      ['Eyes: Size', '70'],
      ['Eyes: Tilt', '60'],
      ['Cheeks and jaw: Jaw', '-60'],
      ['Cheeks and jaw: Chin', '70'],
      ['Nose: Width', '-50'],
    ] as const)
      await setField(page, `${slider}, as a number`, value);
  },
  cutouts: async (page) => {
    const id = await createEffect(page, 'Moon with a face', blankEffect('Moon with a face'));
    await open(page, id, 'smile-and-wink');
    await page.getByLabel('Choose files').setInputFiles(join('stock', 'pictures', 'moon.webp'));
    await row(page, 'moon').waitFor();
    await page
      .locator('.ant-select')
      .filter({ has: page.locator('[aria-label="Sticks to"]') })
      .click();
    await page.locator('.ant-select-item-option:visible').filter({ hasText: 'Tip of the nose' }).click();
    await setField(page, 'Width, cm', '40');
    await setField(page, 'Move x, cm', '-3.4');
    await setField(page, 'Move y, cm', '-2.6');
    await toFace(page);
    for (const part of ['Mouth', 'Left eye', 'Right eye']) {
      await page.getByRole('button', { name: part, exact: true }).click();
      if (part !== 'Right eye') await page.getByRole('button', { name: 'Close', exact: true }).click();
    }
  },
};
