/** A compound as a creator makes and uses it: three times, each with a number of its own, and changed once for all. */
import { expect, test } from './harness/test';
import type { Compound, Effect, EffectObject } from '../src/core/document/schema';
import type { BehaviourNode } from '../src/core/kinds/nodes/nodes';
import { findings } from './harness/axe';
import { ball, choose, docOf, fill, opened, SCREEN } from './harness/behave';

test('nodes become one, it is used three times, opened, changed once, and taken back', async ({ page }) => {
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  const effectId = await opened(page, 'Sums', [crab]);
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  const wire = (into: string, from: string): Promise<void> => choose(panel, `${into} comes from`, from);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  // What runs in, one more, twice that, and what takes it.
  await choose(panel, 'Add a node', 'Number: A number');
  await fill(node('Number'), 'Number, value', 3);
  await choose(panel, 'Add a node', 'Add: ');
  await wire('a of Add', 'Number: value');
  await fill(node('Add'), 'Add, b', 1);
  await choose(panel, 'Add a node', 'Multiply: ');
  await wire('a of Multiply', 'Add: value');
  await fill(node('Multiply'), 'Multiply, b', 2);
  await choose(panel, 'Add a node', 'Negate: ');
  await wire('a of Negate', 'Multiply: value');
  await expect(node('Negate')).toContainText('-8');

  // Two of them become one: all else goes on.
  await node('Add').locator('header').click();
  await node('Multiply')
    .locator('header')
    .click({ modifiers: ['Control'] });
  await panel.getByRole('button', { name: 'Make the selected nodes one' }).click();
  await expect(node('Compound 1')).toBeVisible();
  await expect(node('Add')).toHaveCount(0);
  await expect(node('Negate')).toContainText('-8');

  // Used twice more, with numbers of their own.
  for (const value of [10, 20]) {
    await choose(panel, 'Add a node', 'Compound 1');
    await fill(node('Compound 1').last(), 'Compound 1, a', value);
  }
  await expect(node('Compound 1')).toHaveCount(3);
  const shown = (): Promise<string[]> =>
    node('Compound 1').evaluateAll((all) =>
      all.map((one) => (/(-?\d+)\s*value/.exec(one.textContent ?? '') ?? [])[1] ?? ''),
    );
  await expect.poll(async () => (await shown()).sort()).toEqual(['22', '42', '8']);

  // Opened through the second one its values are there; changed once it is changed everywhere.
  await node('Compound 1').nth(1).getByRole('button', { name: 'Open Compound 1' }).click();
  const about = panel.getByRole('group', { name: 'About the compound' });
  await expect(about).toContainText('used 3 times; values of this use');
  await expect(node('Runs in')).toBeVisible();
  await fill(node('Multiply'), 'Multiply, b', 3);
  await about.getByRole('textbox', { name: 'Name of the compound' }).fill('Ebb');
  await about.getByRole('textbox', { name: 'What the compound does' }).fill('One more, three times.');
  await about.getByRole('button', { name: 'Ports' }).click();
  const port = panel.getByRole('group', { name: 'Input a' }).getByRole('textbox');
  await port.fill('amount');
  await port.press('Enter');
  expect(await findings(page)).toEqual([]);
  await about.getByRole('button', { name: 'Circuit 1' }).click();
  await expect(node('Ebb')).toHaveCount(3);
  await expect(node('Negate')).toContainText('-12');
  await expect(node('Ebb').first()).toContainText('amount');

  const doc = await docOf(page, effectId);
  const [compound] = Object.values<Compound>(doc.compounds);
  expect(compound).toMatchObject({ name: 'Ebb', note: 'One more, three times.' });
  const nodes = Object.values(Object.values(doc.circuits)[0]!.nodes as Record<string, BehaviourNode>);
  const uses = nodes.filter((n) => n.kind === 'compound');
  expect(uses.map(({ values }) => values['amount'] ?? null).sort()).toEqual([10, 20, null]);
  expect(uses.filter(({ inputs }) => inputs['amount'])).toHaveLength(1);

  // Taken back to before it was made, and done again.
  const undo = page.getByRole('button', { name: /^Undo/ });
  while (!(await undo.getAttribute('aria-label'))!.includes('Make the compound')) await undo.click();
  await undo.click();
  await expect(node('Add')).toBeVisible();
  await expect(node('Negate')).toContainText('-8');
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(node('Compound 1')).toBeVisible();
  await expect(node('Negate')).toContainText('-8');
});

test('a compound is kept on the shelf and put into another effect with the variable that it reads; a loose wire is offered it', async ({
  page,
}) => {
  const tides = { id: 'variable_tides', name: 'Tides', order: 0, start: 4 };
  await opened(page, 'From', [ball('Crab')], { variables: { [tides.id]: tides } as Effect['variables'] });
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await choose(panel, 'Add a node', 'Read Tides');
  await choose(panel, 'Add a node', 'Negate: ');
  await choose(panel, 'a of Negate comes from', 'Tides: value');
  await choose(panel, 'Add a node', 'Absolute');
  await choose(panel, 'a of Absolute comes from', 'Negate: value');
  await expect(node('Negate')).toContainText('-4');
  await node('Negate').locator('header').click();
  await node('Tides')
    .locator('header')
    .click({ modifiers: ['Control'] });
  await panel.getByRole('button', { name: 'Make the selected nodes one' }).click();
  await node('Compound 1').getByRole('button', { name: 'Open Compound 1' }).click();
  const about = panel.getByRole('group', { name: 'About the compound' });
  await about.getByRole('textbox', { name: 'Name of the compound' }).fill('Ebb');
  await about.getByRole('button', { name: 'Keep on my shelf' }).click();
  await expect(about.getByRole('button', { name: 'Take off my shelf' })).toBeVisible();

  const other = await opened(page, 'Into', [ball('Crab')]);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await choose(panel, 'Add a node', 'Ebb');
  await expect(node('Ebb')).toContainText('-4');
  const doc = await docOf(page, other);
  expect(Object.values(doc.variables)).toEqual([tides]);
  expect(Object.values<Compound>(doc.compounds).map(({ name }) => name)).toEqual(['Ebb']);
  // A wire into a number is offered it too.
  await choose(panel, 'Add a node', 'Absolute');
  const into = (await node('Absolute').locator('.vue-flow__handle.target').first().boundingBox())!;
  const board = (await panel.locator('.board').boundingBox())!;
  await page.mouse.move(into.x + 3, into.y + 3);
  await page.mouse.down();
  await page.mouse.move(board.x + 30, board.y + board.height - 30, { steps: 6 });
  await page.mouse.up();
  await page.keyboard.type('Ebb');
  await page.keyboard.press('Enter');
  await expect(node('Ebb')).toHaveCount(2);
  await expect(node('Absolute')).toContainText('4');
});
