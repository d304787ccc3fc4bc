/** Reachable by keyboard and assistive technology; the Content-Security-Policy holds. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { createEffect } from './harness/pages';
import { sampleEffect } from '../src/core/document/sample';

/** Controls on the page that have no accessible name. */
const nameless = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const nameOf = (element: Element): string => {
      const label = element.getAttribute('aria-label') ?? '';
      const by = (element.getAttribute('aria-labelledby') ?? '')
        .split(' ')
        .map((id) => document.getElementById(id)?.textContent ?? '')
        .join('');
      const labels = [...((element as HTMLInputElement).labels ?? [])]
        .map((l) => l.textContent ?? '')
        .join('');
      const title = element.getAttribute('title') ?? '';
      const content = element.matches('input, select, textarea') ? '' : (element.textContent ?? '');
      return (label + by + labels + title + content).trim();
    };
    return [
      ...document.querySelectorAll(
        'button, a[href], input, select, textarea, [role="slider"], [role="switch"], [role="combobox"]',
      ),
    ]
      .filter(
        (e) =>
          (e as HTMLElement).offsetParent !== null && !e.closest('[aria-hidden="true"]') && nameOf(e) === '',
      )
      .map((e) => e.outerHTML.slice(0, 160));
  });

test('every control in every stage has a name, and pictures have a text or are decoration', async ({
  page,
}) => {
  const id = await createEffect(page, 'Access', sampleEffect(2, 2));
  for (const stage of ['place', 'style', 'behave', 'try', 'release']) {
    await page.goto(`/effects/${id}/${stage}`);
    await page.getByRole('button', { name: 'Shell 0', exact: true }).click();
    expect(await nameless(page), stage).toEqual([]);
    expect(await page.locator('img:not([alt])').count(), stage).toBe(0);
  }
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Access' })).toBeVisible();
  expect(await nameless(page)).toEqual([]);
  for (const [address, heading] of [
    ['/takes', 'Takes'],
    ['/takes/new', 'Performers'],
  ] as const) {
    await page.goto(address);
    await expect(page.getByRole('heading', { name: heading })).toBeVisible();
    expect(await nameless(page), address).toEqual([]);
  }
});

test('the way from Home to a placed number goes by keyboard alone', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^Blank/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/place/);
  // Keys are heard once the screen is there.
  await page.locator('.finder canvas').waitFor();
  await page.keyboard.press('Control+k');
  await expect(page.getByLabel('Find a command')).toBeFocused();
  await page.keyboard.type('head occluder');
  await page.keyboard.press('Enter');
  const row = page.getByRole('button', { name: 'Head occluder', exact: true });
  await row.focus();
  await page.keyboard.press('Enter');
  const field = page.getByRole('spinbutton', { name: 'Move y, cm' });
  // From the opened row, Tab leads to its fields.
  for (let i = 0; i < 12 && !(await field.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  await expect(field).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(field).toHaveValue('0.5');
  // The strip is a slider: one frame, one second, the end.
  const strip = page.getByRole('slider', { name: 'Time in the take' });
  await strip.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('PageUp');
  await expect(strip).toHaveAttribute('aria-valuetext', '1.02 seconds');
  await page.keyboard.press('End');
  await expect(strip).toHaveAttribute('aria-valuetext', '11.98 seconds');
});

for (const path of ['/', '/show/none-000000'])
  test(`the policy of ${path} stops scripts and connections from elsewhere`, async ({ page }) => {
    const broken: string[] = [];
    await page.exposeFunction('violated', (directive: string) => broken.push(directive));
    await page.addInitScript(() =>
      document.addEventListener('securitypolicyviolation', (event) =>
        (window as unknown as { violated(d: string): void }).violated(event.effectiveDirective),
      ),
    );
    await page.goto(path);
    const ran = await page.evaluate(async () => {
      const state = window as unknown as { injected?: boolean; evaluated?: boolean };
      const script = document.createElement('script');
      script.textContent = 'window.injected = true';
      document.body.append(script);
      // As text, later: what a debugger evaluates itself is exempt from the policy.
      setTimeout('window.evaluated = true', 0);
      await new Promise((next) => setTimeout(next, 50));
      const connected = await fetch('http://127.0.0.1:9/', { mode: 'no-cors' }).then(
        () => true,
        () => false,
      );
      return { injected: state.injected ?? false, evaluated: state.evaluated ?? false, connected };
    });
    expect(ran).toEqual({ injected: false, evaluated: false, connected: false });
    await expect
      .poll(() => [...new Set(broken)].sort())
      .toEqual(expect.arrayContaining(['connect-src', 'script-src-elem']));
  });
