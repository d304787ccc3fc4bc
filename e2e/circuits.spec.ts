/** Surface circuits as a creator wires them: a shadow on the floor, by hand and by keys, and what cannot be. */
import type { Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import { newFill } from '../src/core/kinds/objects/fill';
import { newSolid } from '../src/core/kinds/objects/solid';
import type {
  SurfaceCircuit,
  Effect,
  Fill,
  Material,
  SurfaceNodeType,
  ObjectId,
} from '../src/core/document/schema';
import { createEffect, drawnOut, lookAt, saved, serverEffect } from './harness/pages';
import { finderOf, open, row, setField } from './harness/place';

const toCircuit = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Circuit' }).click();
};
const materialOf = async (page: Page, id: string): Promise<Material> =>
  Object.values((await serverEffect(page, id)).materials)[0]!;
const nodesOf = (material: Material, type: SurfaceNodeType) =>
  Object.values(material.circuit as SurfaceCircuit).filter((n) => n.type === type);
const choose = async (page: Page, label: string, option: string): Promise<void> => {
  await page
    .locator('.ant-select')
    .filter({ has: page.locator(`[aria-label="${label}"]`) })
    .click();
  // Only those in sight are there: the list is narrowed by typing.
  await page.keyboard.type(option);
  await page
    .locator('.ant-select-item-option')
    .filter({ hasText: option })
    .filter({ visible: true })
    .first()
    .click();
};
const node = (page: Page, name: string) =>
  page.locator('.vue-flow__node').filter({ has: page.getByRole('article', { name, exact: true }) });

test('a card is multiplied on to the floor by a soft shadow that a circuit makes', async ({ page }) => {
  const effect = blankEffect('Shadow');
  const card: Fill = {
    ...newFill('obj_shadow' as ObjectId, 0, { kind: 'world', surface: 'floor' }),
    name: 'Patch',
    extent: [1, 1],
    move: [0, 0.002, -1.6],
    turn: [-90, 0, 0],
  };
  effect.objects[card.id] = { ...card, visible: false };
  const id = await createEffect(page, 'Shadow', effect);
  await open(page, id, 'walk-floor');
  const finder = finderOf(page);
  await drawnOut(page);
  const bare = await lookAt(finder);
  await page.getByRole('button', { name: 'Show Patch' }).click();
  await row(page, 'Patch').click();
  await toCircuit(page);
  await page.getByRole('button', { name: /^Contact shadow/ }).click();
  await expect(node(page, 'Circle')).toBeVisible();

  /** How much darker each pixel is than the bare floor, where it is: 1 is black. */
  const shadow = async () => {
    await drawnOut(page);
    const now = await lookAt(finder);
    const dark: number[] = [];
    let brighter = 0;
    for (let i = 0; i < now.data.length; i += 3) {
      const before = bare.data[i]! + bare.data[i + 1]! + bare.data[i + 2]!;
      const after = now.data[i]! + now.data[i + 1]! + now.data[i + 2]!;
      dark.push(before > 60 ? 1 - after / before : 0);
      if (after > before + 12) brighter++;
    }
    return {
      deepest: dark.reduce((most, d) => Math.max(most, d), 0),
      wide: dark.filter((d) => d > 0.08).length / dark.length,
      core: dark.filter((d) => d > 0.45).length / dark.length,
      brighter: brighter / dark.length,
    };
  };
  await expect.poll(async () => (await shadow()).deepest, { timeout: 30_000 }).toBeGreaterThan(0.45);
  const soft = await shadow();
  // Multiplied: it only darkens, the boards are seen through it, and it fades out.
  expect(soft.deepest).toBeLessThan(0.8);
  expect(soft.brighter).toBeLessThan(0.002);
  expect(soft.wide).toBeGreaterThan(1.6 * soft.core);
  await saved(page);
  const saving = await serverEffect(page, id);
  expect(saving.objects[card.id]).toMatchObject({
    blend: 'multiply',
    material: expect.stringMatching(/^mat_/),
  });
  expect(nodesOf(await materialOf(page, id), 'smoothstep')).toHaveLength(1);

  // A harder edge by dragging a number on the node; then darker.
  await setField(page, 'Soft step, from', '0.05');
  await expect.poll(async () => (await shadow()).wide, { timeout: 30_000 }).toBeLessThan(0.6 * soft.wide);
  await setField(page, 'Sum, b', '1');
  await expect.poll(async () => (await shadow()).deepest, { timeout: 30_000 }).toBeGreaterThan(0.8);
  await saved(page);
  expect(nodesOf(await materialOf(page, id), 'smoothstep')[0]!.values.from).toBe(0.05);
  // One undo a number.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(async () => (await shadow()).deepest, { timeout: 30_000 }).toBeLessThan(0.8);
});

/** A flat board before the face. */
const board = (colour = '#c98a4b'): Effect => {
  const solid = {
    ...newSolid('obj_board' as ObjectId, 'plane', 0, {
      kind: 'head',
      face: 1,
      point: 'forehead',
      grows: false,
    }),
    name: 'Board',
    extent: [0.12, 0.12, 0.001] as [number, number, number],
    move: [0, -0.02, 0.1] as [number, number, number],
    colour,
  };
  return { ...blankEffect('Board'), objects: { [solid.id]: solid } };
};

test('nodes are added, wired by hand and by keys, moved, copied and deleted; a circle of wires is refused', async ({
  page,
}) => {
  const id = await createEffect(page, 'Board', board());
  await open(page, id, 'neutral');
  const finder = finderOf(page);
  await row(page, 'Board').click();
  await toCircuit(page);
  await page.getByRole('button', { name: /^Empty board/ }).click();
  await expect(node(page, 'Surface')).toBeVisible();

  await choose(page, 'Add a node', 'Colour: a colour to choose');
  await expect(node(page, 'Colour')).toBeVisible();
  await expect(page.getByText(/No wire leads from Colour to the surface/)).toBeVisible();
  await page.getByLabel('Colour, colour', { exact: true }).fill('#00ff40');

  // By hand: from the square on the right to the one on the left.
  await page.getByRole('button', { name: 'Lay the nodes out in columns' }).click();
  await page.waitForFunction(() => document.querySelectorAll('.vue-flow__node').length === 2);
  const out = node(page, 'Colour').locator('.vue-flow__handle.source');
  const glow = node(page, 'Surface').locator('.vue-flow__handle[data-handleid="glow"]');
  await out.hover();
  await page.mouse.down();
  await glow.hover();
  await page.mouse.up();
  await expect(page.locator('.vue-flow__edge')).toHaveCount(1);
  const green = async (): Promise<number> => {
    await drawnOut(page);
    const { data } = await lookAt(finder);
    let hits = 0;
    for (let i = 0; i < data.length; i += 3) if (data[i + 1]! > 200 && data[i]! < data[i + 1]! - 30) hits++;
    return (3 * hits) / data.length;
  };
  await expect.poll(green, { timeout: 30_000 }).toBeGreaterThan(0.02);

  // By keys: a list of wires for the node that is chosen.
  await choose(page, 'Add a node', 'Sum: two numbers into one');
  await expect(page.getByRole('region', { name: 'Wires of Sum' })).toBeVisible();
  await choose(page, 'Add a node', 'Sum: two numbers into one');
  await choose(page, 'a of Sum comes from', 'Sum 1: value');
  await expect(page.locator('.vue-flow__edge')).toHaveCount(2);
  // What the first one needs cannot come from the second.
  await node(page, 'Sum').first().locator('header').click();
  await choose(page, 'a of Sum comes from', 'Sum 2: value');
  await expect(
    page.getByText(/would run in a circle: Sum itself depends on Sum. It was not drawn/),
  ).toBeVisible();
  await expect(page.locator('.vue-flow__edge')).toHaveCount(2);
  await expect(page.getByText(/Nothing runs into a of Sum|No wire leads from Sum/).first()).toBeVisible();

  // Copied and deleted, with the Delete key on the board: the object that wears it stays.
  await page.getByRole('button', { name: 'Copy the selected nodes' }).click();
  await expect(node(page, 'Sum')).toHaveCount(3);
  await node(page, 'Sum').last().locator('header').click();
  await page.keyboard.press('Delete');
  await expect(node(page, 'Sum')).toHaveCount(2);
  await saved(page);
  expect(nodesOf(await materialOf(page, id), 'maths')).toHaveLength(2);
  expect(Object.keys((await serverEffect(page, id)).objects)).toEqual(['obj_board']);

  // A wire is taken off on its node; the surface itself cannot be deleted.
  await page.getByRole('button', { name: 'Take the wire off glow of Surface' }).click();
  await expect.poll(green, { timeout: 30_000 }).toBeLessThan(0.002);
  await node(page, 'Surface').locator('header').click();
  await page.keyboard.press('Delete');
  await expect(page.getByText('The surface stays: wires end in it.')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(green, { timeout: 30_000 }).toBeGreaterThan(0.02);

  // Moving a node is an edit of its own.
  await page.getByRole('button', { name: 'Lay the nodes out in columns' }).click();
  const head = node(page, 'Colour').locator('header');
  await head.hover();
  await page.mouse.down();
  const box = (await head.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 80, { steps: 6 });
  await page.mouse.up();
  await saved(page);
  const before = nodesOf(await materialOf(page, id), 'colour')[0]!.at;
  await page.getByRole('button', { name: /^Undo: Move nodes/ }).click();
  await saved(page);
  expect(nodesOf(await materialOf(page, id), 'colour')[0]!.at).not.toEqual(before);

  // Without the circuit it looks as its values say.
  await page.getByRole('button', { name: 'Do without' }).click();
  await expect.poll(green, { timeout: 30_000 }).toBeLessThan(0.002);
});

test('a circuit listens to the face and to time; what its graphics refuse is said', async ({ page }) => {
  await page.addInitScript(() => {
    const own = WebGL2RenderingContext.prototype.shaderSource;
    WebGL2RenderingContext.prototype.shaderSource = function (shader, source) {
      const broken = (window as unknown as { refuse?: boolean }).refuse === true;
      own.call(
        this,
        shader,
        broken ? source.replace('void sfFragment() {', 'void sfFragment() { nonsense;') : source,
      );
    };
  });
  const id = await createEffect(page, 'Board', board('#ff00c8'));
  await open(page, id, 'turn-and-mouth');
  const finder = finderOf(page);
  await row(page, 'Board').click();
  await toCircuit(page);
  await page.getByRole('button', { name: /^Burn away/ }).click();
  await expect(node(page, 'Signal')).toBeVisible();
  const covered = async (): Promise<number> => {
    await drawnOut(page);
    const { data } = await lookAt(finder);
    let hits = 0;
    for (let i = 0; i < data.length; i += 3)
      if (data[i]! > 130 && data[i + 1]! < 90 && data[i + 2]! > 90) hits++;
    return (3 * hits) / data.length;
  };
  const slider = page.getByRole('slider', { name: 'Time in the take' });
  const to = async (share: number): Promise<void> => {
    const box = (await slider.boundingBox())!;
    await page.mouse.click(box.x + share * box.width, box.y + 20);
  };
  await to(0.02);
  await drawnOut(page);
  const shut = await covered();
  // The mouth is open just after the middle of this take.
  await to(0.53);
  await expect.poll(covered, { timeout: 30_000 }).toBeLessThan(0.75 * shut);

  await page.evaluate(() => ((window as unknown as { refuse: boolean }).refuse = true));
  await choose(page, 'Add a node', 'Time: seconds since the effect started');
  await node(page, 'Surface').locator('header').click();
  await choose(page, 'roughness of Surface comes from', 'Time: seconds');
  await expect(page.getByText(/graphics of this machine refuse the circuit/)).toBeVisible({
    timeout: 30_000,
  });
  await page.evaluate(() => ((window as unknown as { refuse: boolean }).refuse = false));
  await page.getByRole('button', { name: 'Take the wire off roughness of Surface' }).click();
  await expect(page.getByText(/graphics of this machine refuse the circuit/)).toHaveCount(0);
  await saved(page);
});
