/** Behaviour circuits as a creator builds them: nodes sought by what they do, wired by keys and by hand, seen in the document, at the ports and in pixels. */
import { expect, test } from './harness/test';
import { newCue } from '../src/core/document/new-cues';
import type { CueId, Effect, EffectObject } from '../src/core/document/schema';
import { newAction } from '../src/core/kinds/actions/actions';
import type { BehaviourNode, NodeKind } from '../src/core/kinds/nodes/nodes';
import { newText } from '../src/core/kinds/objects/text';
import { findings } from './harness/axe';
import { pixelsWhere, seekShare } from './harness/pages';
import { ball, blueish, choose, docOf, fill, finderOf, id, opened, SCREEN } from './harness/behave';

test('taps are counted, the count is shown as text, and every second one starts a cue', async ({ page }) => {
  const crab = ball('Crab');
  const score = { ...newText(id('score'), 'Score', 1, SCREEN), move: [0, -0.06, 0] } as EffectObject;
  // Nothing but the circuit starts it.
  const hide = {
    ...newCue('cue_hide' as CueId, 'screenTapped', 0, [
      { id: 'beat_hide', actions: [newAction('act_hide', 'toggle', crab.id)] },
    ]),
    name: 'Blink',
    triggers: [],
  };
  const effectId = await opened(page, 'Crabs', [crab, score], {
    cues: { [hide.id]: hide } as Effect['cues'],
  });
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  const add = async (typed: string | RegExp, name: string): Promise<void> => {
    await choose(panel, 'Add a node', typed);
    await expect(node(name)).toBeVisible();
  };
  const wire = (into: string, from: string): Promise<void> => choose(panel, `${into} comes from`, from);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await add('screen is tapped', 'Trigger');
  await add('Counter: Counts', 'Counter');
  await wire('up of Counter', 'Trigger: event');
  await add('Format a number', 'Format a number');
  await wire('number of Format a number', 'Counter: count');
  await node('Format a number').getByLabel('Format a number, before', { exact: true }).fill('Crabs: ');
  await add('Write a text', 'Write a text');
  await wire('text of Write a text', 'Format a number: text');
  await choose(node('Write a text'), 'Which text', 'Score');
  await expect(node('write into Score')).toBeVisible();
  await add('Every so many', 'Every so many');
  await fill(node('Every so many'), 'Every so many, every', 2);
  await wire('event of Every so many', 'Trigger: event');
  await add('Start a cue', 'start “a cue to be chosen”');
  await choose(node('start “a cue to be chosen”'), 'Which cue', 'Blink');
  await expect(node('start “Blink”')).toBeVisible();
  await panel.getByRole('button', { name: 'Lay the nodes out in columns' }).click();
  // By hand: from the square on the right to the one on the left.
  await node('Every so many').locator('.vue-flow__handle.source').hover();
  await page.mouse.down();
  await node('start “Blink”').locator('.vue-flow__handle[data-handleid="event"]').hover();
  await page.mouse.up();
  await expect(panel.locator('.vue-flow__edge')).toHaveCount(5);

  const nodes = Object.values(
    Object.values((await docOf(page, effectId)).circuits)[0]!.nodes as Record<string, BehaviourNode>,
  );
  const of = (kind: NodeKind): BehaviourNode => nodes.find((n) => n.kind === kind)!;
  expect(of('cue')).toMatchObject({
    set: { do: 'start', cue: hide.id },
    inputs: { event: { node: of('everyNth').id, port: 'event' } },
  });
  expect(of('writeText').set).toEqual({ object: score.id });
  expect(of('everyNth').values).toEqual({ every: 2 });

  // Tapped at a third and at two thirds of the take: the ball goes with the second, and the count is at the port.
  const blue = async (): Promise<number> => (await pixelsWhere(finderOf(page), blueish)).share;
  for (const share of [0.3, 0.6]) {
    await seekShare(page, share);
    await finderOf(page).click({ position: { x: 40, y: 40 } });
    await expect(page.getByRole('button', { name: /Recorded tap at/ })).toHaveCount(share < 0.5 ? 1 : 2);
  }
  const count = node('Counter').locator('.live').first();
  await seekShare(page, 0.45);
  await expect(count).toHaveText('1');
  await expect(node('Format a number').locator('.live')).toHaveText('Crabs: 1');
  await expect.poll(blue).toBeGreaterThan(0.003);
  await seekShare(page, 0.8);
  await expect(count).toHaveText('2');
  await expect.poll(blue).toBeLessThan(0.0005);
  // Scrubbed back it is as it was.
  await seekShare(page, 0.1);
  await expect(count).toHaveText('0');
  await expect.poll(blue).toBeGreaterThan(0.003);

  // A text is not read where a number is wanted; a node that is off gives nothing, until that is undone.
  await node('Counter').locator('header').click();
  await choose(panel, 'start of Counter comes from', 'Format a number: text');
  await expect(
    page.getByText(/That gives a text, and a number is wanted there\..*The wire was not drawn/),
  ).toBeVisible();
  await panel.getByRole('button', { name: 'Switch the selected nodes off or on' }).click();
  await seekShare(page, 0.8);
  await expect(node('Format a number').locator('.live')).toHaveText('Crabs: –');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(node('Format a number').locator('.live')).toHaveText('Crabs: 2');
  expect(await findings(page)).toEqual([]);
});

test('a wire let go of in the empty is wired to what is chosen; nodes go by the clipboard into another effect; one is found among many', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const firstId = await opened(page, 'Copied from', [ball('Crab')]);
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await choose(panel, 'Add a node', 'screen is tapped');
  await expect(node('Trigger')).toBeVisible();
  await node('Trigger').locator('.vue-flow__handle.source').hover();
  await page.mouse.down();
  const box = (await panel.locator('.board').boundingBox())!;
  await page.mouse.move(box.x + box.width - 60, box.y + box.height - 40, { steps: 4 });
  await page.mouse.up();
  const offered = page.locator('.ant-select-dropdown:visible .ant-select-item-option');
  await expect(offered.first()).toBeVisible();
  await page.keyboard.type('Counter');
  await expect(offered.filter({ hasText: 'Counter: Counts' })).toHaveCount(1);
  await offered.filter({ hasText: 'Counter: Counts' }).click();
  await expect(panel.locator('.vue-flow__edge')).toHaveCount(1);
  const nodesIn = async (effectId: string): Promise<BehaviourNode[]> =>
    Object.values((await docOf(page, effectId)).circuits).flatMap(({ nodes }) =>
      Object.values<BehaviourNode>(nodes),
    );
  const made = await nodesIn(firstId);
  const [tapped, counter] = ['trigger', 'counter'].map((kind) => made.find((n) => n.kind === kind)!);
  expect(counter!.inputs).toEqual({ up: { node: tapped!.id, port: 'event' } });

  // All of them, by the clipboard.
  await node('Trigger').locator('header').click();
  await node('Counter')
    .locator('header')
    .click({ modifiers: ['Control'] });
  await page.keyboard.press('Control+c');
  expect(JSON.parse(await page.evaluate(() => navigator.clipboard.readText()))).toMatchObject({
    format: 'iconia-nodes',
    nodes: [{ kind: 'trigger' }, { kind: 'counter' }],
  });
  const otherId = await opened(page, 'Pasted into', [ball('Crab')]);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await panel.locator('.board').click({ position: { x: 300, y: 200 } });
  await page.keyboard.press('Control+v');
  await expect(node('Counter')).toBeVisible();
  const pasted = await nodesIn(otherId);
  expect(pasted.map(({ kind }) => kind).sort()).toEqual(['counter', 'trigger']);
  expect(pasted.find((n) => n.kind === 'counter')!.inputs['up']!.node).toBe(
    pasted.find((n) => n.kind === 'trigger')!.id,
  );
  await page.evaluate(() => navigator.clipboard.writeText('Low tide at nine'));
  await page.keyboard.press('Control+v');
  await expect(panel.getByRole('alert')).toContainText('That is no text of nodes');

  await panel.getByRole('button', { name: 'Find on the board' }).click();
  await choose(panel, 'Find a node on the board', 'Trigger');
  await expect(
    page.getByText('Wires of Trigger').or(panel.getByRole('region', { name: 'Wires of Trigger' })),
  ).toBeVisible();
});

test('a cue is opened as a circuit, changed there, undone and redone, and read as a cue again', async ({
  page,
}) => {
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  const hide = {
    ...newCue('cue_hide' as CueId, 'screenTapped', 0, [
      { id: 'beat_hide', actions: [newAction('act_hide', 'hide', crab.id)] },
    ]),
    name: 'Away',
  };
  const effectId = await opened(page, 'Away', [crab], { cues: { [hide.id]: hide } as Effect['cues'] });
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  await page
    .getByRole('article', { name: /^Cue: Away/ })
    .getByRole('button', { name: 'More about this cue' })
    .click();
  await page.getByRole('menuitem', { name: 'Open as a circuit' }).click();
  await expect(node('set off “Away”')).toBeVisible();
  await expect(node('Trigger')).toContainText('screen is tapped');
  await expect(panel.getByRole('button', { name: 'Read as a cue' })).toBeVisible();
  const triggers = async (): Promise<number> => (await docOf(page, effectId)).cues[hide.id]!.triggers.length;
  expect(await triggers()).toBe(0);

  // Only every second tap sets it off: that no cue says.
  await choose(panel, 'Add a node', 'Every so many');
  await fill(node('Every so many'), 'Every so many, every', 2);
  await choose(panel, 'event of Every so many comes from', 'Trigger: event');
  await node('set off “Away”').locator('header').click();
  await choose(panel, 'event of set off “Away” comes from', 'Every so many: event');
  await expect(panel.getByRole('button', { name: 'Read as a cue' })).toHaveCount(0);
  const finder = finderOf(page);
  const isSeen = async (): Promise<boolean> => (await pixelsWhere(finder, blueish)).share > 0.001;
  for (const [share, seen] of [
    [0.1, true],
    [0.2, false],
  ] as const) {
    await seekShare(page, share);
    await finder.click({ position: { x: 12, y: 40 } });
    await expect.poll(isSeen).toBe(seen);
  }

  // Back to the cue as it was, and on again.
  const undo = page.getByRole('button', { name: /^Undo/ });
  while (!(await undo.getAttribute('aria-label'))!.includes('Open a cue')) await undo.click();
  await undo.click();
  await expect.poll(triggers).toBe(1);
  await seekShare(page, 0.15);
  await expect.poll(isSeen).toBe(false);
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect.poll(triggers).toBe(0);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Read as a cue' }).click();
  await expect(page.getByRole('article', { name: /^Cue: Away/ })).toBeVisible();
  await expect.poll(async () => (await docOf(page, effectId)).circuits).toEqual({});
  expect(await triggers()).toBe(1);
});

test('a wire that was forgotten is found by what is said of the node that does nothing; what runs is shown in the scope', async ({
  page,
}) => {
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  await opened(page, 'Lost', [crab]);
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await choose(panel, 'Add a node', 'mouth opens');
  await choose(panel, 'Add a node', 'Counter: Counts');
  await choose(panel, 'Add a node', 'Every so many');
  await choose(panel, 'event of Every so many comes from', 'Counter: changes');
  await fill(node('Every so many'), 'Every so many, every', 1);
  const past = panel.getByRole('region', { name: 'Every so many over the take' });
  await expect(past.getByRole('status')).toHaveText(
    'Nothing has come of it. Nothing runs into up of “Counter”. Run a wire there.',
  );
  await expect(past).toContainText('did not pass');
  await node('Counter').locator('header').click();
  await choose(panel, 'up of Counter comes from', 'Trigger: event');
  await node('Every so many').locator('header').click();
  await expect(past.getByRole('status')).toHaveCount(0);
  // It says when it passed; there one goes by a click.
  const when = past.getByRole('button', { name: /^\d+\.\d\d s$/ }).first();
  const time = Number.parseFloat((await when.textContent())!);
  expect(time).toBeGreaterThan(5);
  await when.click();
  await expect(page.getByRole('slider', { name: 'Time in the take' })).toHaveAttribute(
    'aria-valuenow',
    String(time),
  );
  // One click puts it into the scope.
  await node('Counter').locator('header').click();
  await panel.getByRole('button', { name: 'count of Counter in the scope' }).click();
  expect(await findings(page)).toEqual([]);
  await page.getByRole('tab', { name: 'Scope' }).click();
  await expect(page.getByRole('img', { name: 'count of “Counter” over the take' })).toBeVisible();
  await expect(page.getByLabel(/^count of “Counter” at .* seconds$/)).toHaveText('1');
});
