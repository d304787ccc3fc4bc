/** What is done to the board of a circuit: areas, notes, bends, alignment, by hand and by keys; each step seen in the document and undone. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { newCircuit } from '../src/core/document/new-circuit';
import type { Circuit, CircuitId, Effect, EffectObject, NodeId } from '../src/core/document/schema';
import { newBehaviourNode } from '../src/core/kinds/nodes/nodes';
import { findings } from './harness/axe';
import { ball, choose, docOf, opened, SCREEN } from './harness/behave';

const TIME = 'node_time' as NodeId;
const ADD = 'node_adds' as NodeId;
const PUT = 'node_puts' as NodeId;
const circuit: Circuit = {
  ...newCircuit('circuit_main' as CircuitId, 'Tide', 0),
  nodes: {
    [TIME]: newBehaviourNode(TIME, 'time', [0, 0]),
    [ADD]: newBehaviourNode(ADD, 'add', [300, 40], { inputs: { a: { node: TIME, port: 'seconds' } } }),
    [PUT]: newBehaviourNode(PUT, 'round', [600, 130], { inputs: { value: { node: ADD, port: 'value' } } }),
  },
};

test('an area is laid behind nodes and takes them along, a wire is bent, nodes are brought into line, a note is written; each is undone', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const effectId = await opened(page, 'Tides', [ball('Crab')], {
    circuits: { [circuit.id]: circuit } as Effect['circuits'],
  });
  const panel = page.getByRole('region', { name: 'Circuits' });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Widen the board' }).click();
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  const now = async (): Promise<Circuit> => (await docOf(page, effectId)).circuits[circuit.id]!;
  const at = async (id: NodeId) => (await now()).nodes[id]!.at;
  await expect(node('Round')).toBeVisible();
  const press = (name: string) => panel.getByRole('button', { name }).click();
  await panel.getByRole('button', { name: 'Lay the nodes out' }).click();
  await expect.poll(async () => (await at(PUT))[1]).toBe(0);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await at(PUT))[1]).toBe(130);

  // Two of them, by clicks; the third stays where it is.
  const pick = async (name: string): Promise<void> => {
    const box = (await node(name).boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y + 10, { button: 'left' });
  };
  await pick('Time');
  await page.keyboard.down('Control');
  await pick('Add');
  await page.keyboard.up('Control');
  await press('Lay a named area');
  const area = panel.getByRole('region', { name: /^Area/ });
  await expect(area).toBeVisible();
  await area.getByLabel('Name of the area').fill('How high it is');
  await panel.getByRole('radio', { name: 'Kelp' }).click();
  const [made] = Object.values((await now()).notes);
  expect(made).toMatchObject({ kind: 'area', text: 'How high it is', colour: 'kelp' });
  const [before, stays] = [await at(ADD), await at(PUT)];
  const grip = (await area.locator('.grip').boundingBox())!;
  await drag(page, [grip.x + 8, grip.y + 8], [0, 60]);
  await expect.poll(async () => (await at(ADD))[1]).toBeGreaterThan(before[1] + 20);
  const moved = await now();
  const by = moved.notes[made!.id]!.at[1] - made!.at[1];
  expect(moved.nodes[ADD]!.at[1] - before[1]).toBe(by);
  expect(moved.nodes[TIME]!.at[1]).toBe(by);
  expect(await at(PUT)).toEqual(stays);
  await page.keyboard.press('Control+z');
  await expect.poll(() => at(ADD)).toEqual(before);

  // A wire is pulled at, and its bend moved by keys, and taken away.
  const wire = (await panel.locator('.vue-flow__edge').last().locator('path').first().boundingBox())!;
  await drag(page, [wire.x + wire.width / 2, wire.y + wire.height / 2], [0, 70]);
  const bend = panel.getByRole('button', { name: /^Bend 1 of the wire into/ });
  await expect(bend).toBeVisible();
  const via = async () => (await now()).nodes[PUT]!.inputs.value!.via;
  await expect.poll(via).toHaveLength(1);
  const [[x, y]] = (await via())! as [[number, number]];
  await bend.focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(via).toEqual([[x + 8, y]]);
  await page.keyboard.press('Delete');
  await expect.poll(via).toBeUndefined();
  await page.keyboard.press('Control+z');
  await expect.poll(via).toEqual([[x + 8, y]]);

  // A double click takes a wire off.
  const wires = panel.locator('.vue-flow__edge');
  const first = (await wires.first().locator('path').first().boundingBox())!;
  await page.mouse.dblclick(first.x + first.width / 2, first.y + first.height / 2);
  await expect(wires).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(wires).toHaveCount(2);

  // The help of a node, by keys.
  await pick('Add');
  await panel.getByRole('button', { name: 'Help for Add' }).focus();
  await page.keyboard.press('Enter');
  const help = page.getByRole('dialog', { name: 'Help: Add' });
  await expect(help).toContainText('Comes out');
  expect(await findings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(help).toBeHidden();

  // In line, and along by the arrow keys.
  await pick('Add');
  await page.keyboard.down('Control');
  await pick('Round');
  await page.keyboard.up('Control');
  await press('Bring the selected nodes into line');
  await page.getByRole('menuitem', { name: 'Upper edges' }).click();
  await expect.poll(async () => (await at(PUT))[1]).toBe(40);
  await panel.locator('.vue-flow__node', { hasText: 'Round' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect.poll(async () => (await at(PUT))[1]).toBeGreaterThan(40);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(() => at(PUT)).toEqual([600, 130]);

  // A note, and it goes with Delete; what is beside it stays.
  await press('Write a note');
  await panel.getByLabel('What the note says').fill('High tide is at 9.');
  await expect
    .poll(async () => Object.values((await now()).notes).map((n) => n.text))
    .toContain('High tide is at 9.');
  expect(await findings(page)).toEqual([]);
  await panel
    .locator('.vue-flow__node-note', { has: page.locator('.words') })
    .locator('.grip')
    .click();
  await page.keyboard.press('Delete');
  await expect.poll(async () => Object.keys((await now()).notes)).toEqual([made!.id]);
  expect(Object.keys((await now()).nodes)).toHaveLength(3);
});

test('an object and one of its numbers are brought from the Stack, a recipe becomes nodes of the open board', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  const effectId = await opened(page, 'Drops', [crab]);
  const panel = page.getByRole('region', { name: 'Circuits' });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  const board = panel.locator('.board');
  const row = page.getByRole('button', { name: 'Crab', exact: true });
  await row.click();
  // The object itself: what is read of it.
  await row.dragTo(board, { targetPosition: { x: 60, y: 60 } });
  await pickOption(page, 'Read Crab: opacity');
  await expect(node('Crab opacity')).toBeVisible();
  // A number of it: written.
  await page.getByRole('button', { name: 'Its numbers' }).click();
  await page.getByRole('button', { name: 'turn z (°)' }).dragTo(board, { targetPosition: { x: 300, y: 80 } });
  await pickOption(page, 'Write turn z (°) of Crab');
  // Let be by Escape.
  await page.getByRole('button', { name: 'opacity' }).click();
  await page.keyboard.press('Escape');
  await expect(panel.getByRole('combobox', { name: 'Add a node' })).toBeVisible();
  // By keys alone: read, in the middle of the board.
  await page.getByRole('button', { name: 'turn z (°)' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Read');
  await page.keyboard.press('Enter');
  const sets = async () =>
    Object.values(Object.values((await docOf(page, effectId)).circuits)[0]!.nodes).map((n) => n.set);
  await expect
    .poll(sets)
    .toEqual([
      { signal: { kind: 'object', object: crab.id, of: 'opacity' } },
      { to: { kind: 'number', objects: [crab.id], property: 'turnZ' } },
      { signal: { kind: 'objectNumber', object: crab.id, property: 'turnZ' } },
    ]);
  // A recipe: its cue, set off by nodes of this board.
  await choose(panel, 'Add a node', 'Hide on a tap on the screen');
  await expect(panel.getByRole('article', { name: /^set off/ })).toBeVisible();
  const doc = await docOf(page, effectId);
  const [cue] = Object.values(doc.cues);
  expect(cue).toMatchObject({ triggers: [] });
  expect((await sets()).at(-1)).toEqual({ do: 'setOff', cue: cue!.id });
  await page.keyboard.press('Control+z');
  await expect.poll(async () => Object.keys((await docOf(page, effectId)).cues)).toEqual([]);
  expect(await sets()).toHaveLength(3);
});

const pickOption = async (page: Page, words: string): Promise<void> =>
  page.locator('.ant-select-dropdown:visible').getByText(words, { exact: true }).click();

const drag = async (
  page: Page,
  [x, y]: readonly [number, number],
  [right, down]: readonly [number, number],
): Promise<void> => {
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + right / 2, y + down / 2, { steps: 4 });
  await page.mouse.move(x + right, y + down, { steps: 4 });
  await page.mouse.up();
};

test('a large board is moved over: what comes into view is made once it rests, and what was made works', async ({
  page,
}) => {
  const nodeId = (i: number) => `node_n${i}xxx` as NodeId;
  const nodes = Array.from({ length: 400 }, (_, i) =>
    newBehaviourNode(nodeId(i), 'add', [(i % 20) * 230, Math.floor(i / 20) * 200], {
      inputs: i % 20 === 0 ? {} : { a: { node: nodeId(i - 1), port: 'value' } },
    }),
  );
  const circuit = {
    ...newCircuit('circuit_main' as CircuitId, 'Tides', 0),
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
  };
  const effectId = await opened(page, 'Tides', [ball('Crab')], {
    circuits: { [circuit.id]: circuit },
  } as Partial<Effect>);
  await page.getByRole('tab', { name: 'Circuits' }).click();
  const board = page.locator('[data-board]');
  const made = board.locator('.vue-flow__node');
  const last = board.locator(`.vue-flow__node[data-id="${nodeId(399)}"]`);
  await expect(made.first()).toBeVisible();
  // From afar names alone are drawn.
  await expect(board).toHaveClass(/far/);
  expect(await made.count()).toBeLessThan(300);
  await expect(last).toHaveCount(0);

  // To its lower right corner, by the map; nearer, until fields can be read.
  const map = (await page.getByRole('img', { name: 'Map of the board' }).boundingBox())!;
  await page.mouse.click(map.x + 98, map.y + map.height - 10);
  await expect(last).toHaveCount(1);
  const box = (await board.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  const zoom = (): Promise<number> =>
    board
      .locator('.vue-flow__transformationpane')
      .evaluate((pane) => new DOMMatrix(getComputedStyle(pane).transform).a);
  // No nearer than that: names that are larger than the board cannot be pressed.
  for (let before = await zoom(); before < 0.45; before = await zoom()) {
    await page.mouse.wheel(0, -200);
    await expect.poll(zoom).toBeGreaterThan(before);
  }
  await expect(board).not.toHaveClass(/far/);
  // Whichever lies in view once it rests: what has come in is made then.
  const inView = (): Promise<[number, number] | null> =>
    board.evaluate((element) => {
      const view = element.getBoundingClientRect();
      const headers = [...element.querySelectorAll('article > header')].map((one) =>
        one.getBoundingClientRect(),
      );
      const seen = headers.find(
        (one) =>
          one.left > view.left &&
          one.right < view.right - 170 &&
          one.top > view.top &&
          one.bottom < view.bottom,
      );
      return seen ? [seen.left + seen.width / 2, seen.top + seen.height / 2] : null;
    });
  await expect.poll(inView).not.toBeNull();
  const [x, y] = (await inView())!;
  await page.mouse.click(x, y);
  await expect(board.locator('.vue-flow__node.selected')).toHaveCount(1);
  const chosen = (await board.locator('.vue-flow__node.selected').getAttribute('data-id'))! as NodeId;
  await page.keyboard.press('Delete');
  await expect(board.locator(`[data-id="${chosen}"]`)).toHaveCount(0);
  const [left] = Object.values((await docOf(page, effectId)).circuits);
  expect(Object.keys(left!.nodes)).toHaveLength(399);
  expect(left!.nodes[chosen]).toBeUndefined();

  // Grabbing it must not style anew all that lies on it: no rule of the component library asks for that.
  const selectors = await page.evaluate(() =>
    [...document.styleSheets].flatMap((sheet) =>
      [...sheet.cssRules].flatMap((rule) =>
        rule instanceof CSSStyleRule
          ? rule.selectorText.replaceAll(/\[class[^\]]*\]/g, '[of]').split(',')
          : [],
      ),
    ),
  );
  expect(selectors.filter((one) => one.includes('[of]'))).not.toEqual([]);
  expect(selectors.filter((one) => /\[of\].* .*\[of\]/.test(one.trim()))).toEqual([]);
});
