/** The pictures of faces reshaped, for the docs. */
import type { Page } from '@playwright/test';
import { begin, setField } from '../e2e/harness/place';

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
};
