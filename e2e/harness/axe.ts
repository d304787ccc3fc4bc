/** What a checker of accessibility finds on a page, in both themes. */
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Atelier } from './window';

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const look = (page: Page, only: readonly string[] | null = null): Promise<string[]> =>
  page.evaluate(async (only) => {
    const { axe } = window as unknown as {
      axe: { run(root: Document, options: object): Promise<AxeResults> };
    };
    const { violations } = await axe.run(document, only ? { runOnly: only } : {});
    return violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 200)} ${failureSummary}`),
    );
  }, only);

/** One line a finding: what is wrong, with which element. Of a page as it stands: the show page has one theme. */
export const findingsAsItIs = async (
  page: Page,
  only: readonly string[] | null = null,
): Promise<string[]> => {
  // Evaluated from outside, it is exempt from the policy of the page.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(SOURCE);
  return look(page, only);
};

/** The same of the atelier and the screens around it, in each theme. */
export const findings = async (page: Page): Promise<string[]> => {
  const found: string[] = [];
  for (const dark of [false, true]) {
    await page.evaluate((isDark) => {
      const app = document.querySelector<Atelier>('#app')?.__vue_app__;
      app?.config.globalProperties.$pinia._s
        .get('desk')
        ?.$patch((desk) => Object.assign(desk, { dark: isDark }));
    }, dark);
    await page.locator(`:root[data-theme="${dark ? 'dark' : 'light'}"]`).waitFor();
    // Colours that go over into others are there at once where no motion is wanted.
    // Themes differ in colours alone.
    const only = dark ? ['color-contrast'] : null;
    found.push(
      ...(await findingsAsItIs(page, only)).map((finding) => `${dark ? 'dark' : 'light'} ${finding}`),
    );
  }
  return found;
};
