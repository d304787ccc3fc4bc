/** Rehearsals as a creator makes them: what is right is kept, and what breaks it is seen. */
import type { Page } from '@playwright/test';
import { BAR, CUE, lamp } from './harness/lamp';
import { createEffect, saved, seek, serverEffect } from './harness/pages';
import { open } from './harness/place';
import { expect, test } from './harness/test';

const toRehearsals = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await page.getByRole('tab', { name: 'Rehearsals' }).click();
};
const card = (page: Page, name = 'Lamp on') => page.getByRole('region', { name: `Rehearsal ${name}` });

test('what just happened is kept and passes; a cue that is broken fails it, with the moment, and Undo mends it', async ({
  page,
}) => {
  test.slow();
  const id = await createEffect(page, 'Low lamp', lamp);
  await open(page, id, 'neutral');
  await toRehearsals(page);
  await seek(page, 1);
  const finder = (await page.locator('.finder canvas').first().boundingBox())!;
  await page.mouse.click(finder.x + finder.width / 2, finder.y + finder.height * 0.3);
  await page.getByRole('button', { name: 'This is right: keep it' }).click();

  await page.waitForTimeout(5000);
  await page.screenshot({ path: '/tmp/reh0.png', scale: 'css' });
  await expect(card(page)).toBeVisible({ timeout: 60_000 });
  await saved(page);
  const kept = await serverEffect(page, id);
  const [rehearsal] = Object.values(kept.rehearsals);
  expect(Object.values(kept.performances)).toMatchObject([
    { name: 'A tap', take: 'neutral', records: [{ input: { kind: 'tap' } }] },
  ]);
  expect(rehearsal!.performance).toBe(Object.keys(kept.performances)[0]);
  expect(rehearsal!.expectations).toMatchObject([
    { kind: 'fired', cue: CUE, hasFired: true },
    { kind: 'seen', object: BAR, isSeen: true },
    { kind: 'looks', pictures: [{ take: 'neutral' }] },
  ]);
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(card(page)).toContainText('all as expected', { timeout: 90_000 });
  await expect(card(page).getByRole('img', { name: 'Where it differs' })).toHaveCount(0);

  // The cue is switched off: what came of it is old now, and a run says what is missing, and when.
  await page.getByRole('button', { name: 'Behave', exact: true }).click();
  await page.getByRole('switch', { name: 'Cue is on' }).click();
  await page.getByRole('button', { name: 'Try', exact: true }).click();
  await expect(card(page)).toContainText('the effect has changed since');
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(card(page)).toContainText('“Lamp on” does not fire at all on this take.', { timeout: 90_000 });
  await expect(card(page)).toContainText('Bar is not seen at 1.1 s: it is hidden then.');
  await expect(card(page)).toContainText('does not look as approved');
  await expect(card(page).getByRole('img', { name: 'Where it differs' })).toBeVisible();
  // The filmstrip shows the moment; one click and it is in the Viewfinder, the tap with it.
  await seek(page, 8);
  await card(page)
    .getByRole('button', { name: '1.10 seconds, not as expected: show it in the Viewfinder' })
    .click();
  await expect(page.locator('[role=slider][aria-valuenow="1.1"]').first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Recorded tap at/ })).toHaveCount(1);

  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(card(page)).toContainText('all as expected', { timeout: 90_000 });

  // One that expects nothing, or is played on no take, does not pass by that.
  while (
    (await card(page)
      .getByRole('button', { name: /^Remove:/ })
      .count()) > 0
  )
    await card(page)
      .getByRole('button', { name: /^Remove:/ })
      .first()
      .click();
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(card(page)).toContainText('Nothing is expected of it.', { timeout: 90_000 });
  await expect(page.getByText('1 failed')).toBeVisible();
  await card(page).locator('.ant-select-selection-item-remove').click();
  await page.getByRole('button', { name: 'Run it' }).click();
  await expect(card(page)).toContainText('It is played on no take.', { timeout: 90_000 });
});
