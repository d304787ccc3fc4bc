/** Pictures of Place with each kind of anchor, made from the starters. */
import type { Page } from '@playwright/test';

const begin = async (page: Page, starter: string): Promise<void> => {
  await page.goto('/');
  await page.getByRole('button', { name: new RegExp(`^${starter}`) }).click();
  await page.locator('.finder canvas').waitFor();
  await page.waitForTimeout(3000);
};
const row = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

export const placeShots: Record<string, (page: Page) => Promise<void>> = {
  'place-picture': async (page) => {
    await begin(page, 'Printed picture comes alive');
    await page.getByRole('button', { name: /^Settings of Picture/ }).click();
    await page.locator('[data-grade]').waitFor({ timeout: 120_000 });
    await row(page, 'Ferry').click();
    await page.getByRole('button', { name: 'Measure what is selected' }).click();
  },
};
