/** Reachable by keyboard and assistive technology; the Content-Security-Policy holds. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { findings, findingsAsItIs } from './harness/axe';
import { drawnOut, releasedPath, serverEffect, tileOf } from './harness/pages';

const kelpCrown = async (page: Page): Promise<string> => {
  const { items } = (await (await page.request.get('/api/effects')).json()) as {
    items: { id: string; name: string }[];
  };
  return items.find((e) => e.name === 'Kelp Crown')!.id;
};

test.describe('a checker of accessibility finds nothing, in either theme', () => {
  test('on the screens around the atelier', async ({ page }) => {
    for (const [address, heading] of [
      ['/', 'Your effects'],
      ['/takes', 'Takes'],
      ['/takes/new', 'Performers'],
      ['/stock', 'Stock'],
      ['/effects/no-such-effect/place', null],
      ['/nowhere', 'Nothing stands at this address'],
    ] as const) {
      await page.goto(address);
      if (heading) await expect(page.getByRole('heading', { name: heading })).toBeVisible();
      else await expect(page.getByText('There is no effect no-such-effect.')).toBeVisible();
      expect(await findings(page), address).toEqual([]);
    }
  });

  test('in the five stages, with something chosen in each', async ({ page }) => {
    const id = await kelpCrown(page);
    for (const stage of ['place', 'style', 'behave', 'try', 'release']) {
      await page.goto(`/effects/${id}/${stage}`);
      await drawnOut(page);
      await page.getByRole('button', { name: 'Kelp fan', exact: true }).first().click();
      expect(await findings(page), stage).toEqual([]);
      if (stage === 'style') {
        await page.getByRole('tab', { name: 'Face', exact: true }).click();
        await page
          .getByRole('region', { name: 'On other faces' })
          .getByRole('button', { name: 'Show' })
          .click();
        expect(await findings(page), 'on other faces').toEqual([]);
      }
      // Sections of a bench.
      for (const tab of await page.getByRole('tab').all()) {
        await tab.click();
        expect(await findings(page), `${stage}: ${await tab.textContent()}`).toEqual([]);
      }
    }
    await page.keyboard.press('Control+k');
    await expect(page.getByLabel('Find a command')).toBeFocused();
    expect(await findings(page), 'palette').toEqual([]);
  });

  test('on the show page, before and after it starts', async ({ page }) => {
    const effect = await serverEffect(page, await kelpCrown(page));
    await page.goto(await releasedPath(page, { ...effect, name: 'Kelp Crown for all' }));
    await expect(page.getByRole('heading', { name: 'Kelp Crown for all' })).toBeVisible();
    expect(await findingsAsItIs(page), 'before it starts').toEqual([]);
    await page.getByRole('button', { name: 'Watch it on a performer' }).click();
    await expect(page.locator('#picture')).toHaveAttribute('data-source', 'take');
    expect(await findingsAsItIs(page)).toEqual([]);
  });

  test('in the library, and with a list open', async ({ page }) => {
    await page.goto(`/effects/${await kelpCrown(page)}/place`);
    await drawnOut(page);
    const list = page.getByRole('combobox', { name: 'Axes of the handles' });
    await expect(list).toHaveAttribute('aria-expanded', 'false');
    await list.press('ArrowDown');
    await expect(list).toHaveAttribute('aria-expanded', 'true');
    // It points to the list only while that is there.
    const listed = await list.getAttribute('aria-controls');
    await expect(page.locator(`[id="${listed}"]`)).toHaveAttribute('role', 'listbox');
    await page.keyboard.press('Escape');
    await expect(list).toHaveAttribute('aria-expanded', 'false');
    await expect(list).not.toHaveAttribute('aria-controls');
    await page.getByRole('button', { name: 'Library', exact: true }).click();
    await expect(page.getByRole('region', { name: 'Library' })).toBeVisible();
    expect(await findings(page), 'library').toEqual([]);
    await tileOf(page, 'kelp-fan.png').click();
    expect(await findings(page), 'asset').toEqual([]);
  });
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
  // Left without running anything, the keys go back to where they were.
  await page.keyboard.press('Escape');
  const find = page.getByRole('button', { name: /^Find( Ctrl K)?$/ });
  await find.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Find a command')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(find).toBeFocused();
  await page.keyboard.press('Enter');
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
