/** What tests of placing do on the pages. */
import { expect, type Locator, type Page } from '@playwright/test';
import type { Effect, EffectObject } from '../../src/core/document/schema';
import { SHIPPED_TAKES } from '../../src/core/takes/library';
import { keepInBrowser } from './pages';

export const takeOf = (id: string) => SHIPPED_TAKES.find((t) => t.id === id)!;
export const finderOf = (page: Page): Locator => page.locator('.finder canvas');
export const row = (page: Page, name: string): Locator => page.getByRole('button', { name, exact: true });
export const field = (page: Page, name: string): Locator =>
  page.getByRole('spinbutton', { name, exact: true });
export const setField = async (page: Page, name: string, value: string): Promise<void> => {
  await field(page, name).fill(value);
  await field(page, name).press('Enter');
};
export const objectsOf = (effect: Effect): EffectObject[] =>
  Object.values(effect.objects).sort((a, b) => a.order - b.order);
export const green = (r: number, g: number, b: number): boolean => g > 70 && g > r + 25 && g > b + 15;
/** Begins with a starter on Home; gives the effect's id. */
export const begin = async (page: Page, starter: string): Promise<string> => {
  await page.goto('/');
  await page.getByRole('button', { name: new RegExp(`^${starter}`) }).click();
  await expect(finderOf(page)).toBeVisible({ timeout: 20_000 });
  return /effects\/([^/]+)/.exec(page.url())![1]!;
};
export const open = async (page: Page, id: string, take?: string): Promise<void> => {
  if (take) await keepInBrowser(page, `iconia.take.${id}`, JSON.stringify(take));
  await page.goto(`/effects/${id}/place`);
  await expect(finderOf(page)).toBeVisible();
};
export const addFromMenu = async (page: Page, ...path: string[]): Promise<void> => {
  await page.getByRole('button', { name: '+ Add object' }).click();
  for (const [i, name] of path.entries()) {
    if (i < path.length - 1)
      await page.locator('.ant-dropdown-menu-submenu-title', { hasText: name }).hover();
    else if (i === 0) await page.getByRole('menuitem', { name, exact: true }).click();
    else {
      const item = page.getByRole('menuitem', { name, exact: true });
      await expect(item).toBeVisible();
      // The pointer would leave the submenu on its straight way there.
      await item.evaluate((found: HTMLElement) => found.click());
    }
  }
};
