/** Scripts as a creator writes them: a small game that keeps score, stopped at a breakpoint, taken back and gone on with, mended where it breaks. */
import { expect, test } from './harness/test';
import type { EffectObject } from '../src/core/document/schema';
import type { BehaviourNode } from '../src/core/kinds/nodes/nodes';
import { newText } from '../src/core/kinds/objects/text';
import { findings } from './harness/axe';
import { ball, choose, docOf, fill, finderOf, id, opened, SCREEN } from './harness/behave';
import { seekShare } from './harness/pages';

test('a game that keeps score is begun from an example, wired, stopped where something is caught, and mended where it breaks', async ({
  page,
}) => {
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  const score = { ...newText(id('score'), 'Score', 1, SCREEN), move: [0, -0.06, 0] } as EffectObject;
  const effectId = await opened(page, 'Catch', [crab, score]);
  const panel = page.getByRole('region', { name: 'Circuits' });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Write a script' }).click();
  const script = panel.getByRole('region', { name: 'Script' });
  await choose(script, 'Begin with an example', 'Catch what falls');
  await expect(script.getByRole('group', { name: 'Output caught' })).toBeVisible();
  const code = script.getByRole('textbox', { name: /^Code of/ });
  await expect(code).toContainText('const near');
  await script.getByRole('button', { name: 'Board' }).click();

  // The board shows it with its ports; a tap begins it, and what it gives is written.
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  const game = node('Catch what falls');
  await fill(game, 'Catch what falls, reach', 10);
  await choose(panel, 'Add a node', 'screen is tapped');
  await game.locator('header').click();
  await choose(panel, 'start of Catch what falls comes from', 'Trigger: event');
  await choose(panel, 'Add a node', 'Write a text');
  await choose(panel, 'text of Write a text comes from', 'Catch what falls: score');
  await choose(node('Write a text'), 'Which text', 'Score');
  await game.getByRole('button', { name: 'Stop the take at caught of Catch what falls' }).click();

  // It is tapped at half a second; the mouth on the take opens at about six.
  await seekShare(page, 0.5 / 12);
  await finderOf(page).click({ position: { x: 20, y: 60 } });
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  const stopped = panel.getByText('The take stopped: caught of “Catch what falls” passed.');
  await expect(stopped).toBeVisible();
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
  const at = page.getByRole('slider', { name: 'Time in the take' });
  const time = Number(await at.getAttribute('aria-valuenow'));
  expect(time).toBeGreaterThan(5);
  expect(time).toBeLessThan(7);

  // What it keeps and logs is beside the code; back and on again it is the same.
  await game.getByRole('button', { name: 'Write Catch what falls' }).click();
  const state = script.getByLabel('State now');
  await expect(state).toContainText(/score\s*1/);
  await expect(script.getByLabel('Log on this take')).toContainText('caught 1');
  const kept = await state.textContent();
  await seekShare(page, 1 / 12);
  await expect(state).toContainText(/score\s*0/);
  await script
    .getByRole('button', { name: /^\d+\.\d\d s$/ })
    .first()
    .click();
  await expect(state).toHaveText(kept!);
  expect(await findings(page)).toEqual([]);

  // It breaks: where, when and why is said; the effect goes on. Undone it is whole.
  await code.focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('\nnothing();');
  await expect(script.getByRole('alert')).toContainText(/in line \d+: 'nothing' is not defined/);
  await expect(script.getByText("Cannot find name 'nothing'")).toBeVisible();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z');
  await expect(script.getByRole('alert')).toHaveCount(0);
  await expect(state).toHaveText(kept!);

  // The chip of its circuit leads back to the board.
  await panel.getByRole('button', { name: 'Script 1', exact: true }).click();
  await expect(game).toBeVisible();
  await expect(script).toHaveCount(0);

  const nodes = Object.values(
    Object.values((await docOf(page, effectId)).circuits)[0]!.nodes as Record<string, BehaviourNode>,
  );
  expect(nodes.map(({ kind }) => kind).sort()).toEqual(['script', 'trigger', 'writeText']);
  expect(nodes.find(({ kind }) => kind === 'script')).toMatchObject({
    values: { reach: 0.1 },
    set: { reads: { jawOpen: { kind: 'expression', name: 'jawOpen' } } },
  });
});
