/** Made by circuits alone, as a creator builds them: a ring that a slider turns backwards too, and earrings that swing by gravity. */
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './harness/test';
import { newControl } from '../src/core/document/new-cues';
import type { FeaturePoint } from '../src/core/face/feature-points';
import type { ControlId, EffectObject } from '../src/core/document/schema';
import { headAnchor } from '../src/core/kinds/objects/placed';
import type { BehaviourNode } from '../src/core/kinds/nodes/nodes';
import { newSolid } from '../src/core/kinds/objects/solid';
import { blueish, choose, docOf, finderOf, id, opened, SCREEN } from './harness/behave';
import { drawnOut, pixelsWhere, seekShare } from './harness/pages';

const nodeOf = (panel: Locator, name: string): Locator => panel.getByRole('article', { name, exact: true });
/** The number at the output of a node, at a share of the take. */
const numberAt = async (page: Page, node: Locator, share: number): Promise<number> => {
  await seekShare(page, share);
  await drawnOut(page);
  // What is shown beside ports is looked at a few times a second.
  let last = NaN;
  const read = async (): Promise<number> =>
    Number.parseFloat((await node.locator('.live').first().textContent()) ?? '');
  await expect
    .poll(async () => {
      const before = last;
      last = await read();
      return last === before;
    })
    .toBe(true);
  return last;
};
const begun = async (page: Page): Promise<Locator> => {
  const panel = page.getByRole('region', { name: 'Circuits' });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  return panel;
};

test('a slider turns a ring, backwards where the viewer pulls it below the middle', async ({ page }) => {
  const ring = {
    ...newSolid(id('ring'), 'box', 0, SCREEN),
    name: 'Ring',
    move: [0, 0, 0],
    extent: [0.07, 0.012, 0.004],
    colour: '#143cff',
    roughness: 1,
  } as EffectObject;
  const slider = {
    ...newControl('control_speed' as ControlId, 'slider', 'Speed', 0),
    least: -90,
    most: 90,
    start: 45,
  };
  const effectId = await opened(page, 'Ring', [ring], { controls: { [slider.id]: slider } } as never);
  await page.getByRole('button', { name: 'Ring', exact: true }).first().click();
  const panel = await begun(page);
  // Degrees a second, added up, are written into the turn.
  await choose(panel, 'Add a node', 'Signal: A number');
  const signal = panel.getByRole('article').first();
  await choose(signal, 'Signal', 'Control');
  await choose(signal, 'Which control', 'Speed');
  await choose(panel, 'Add a node', 'Add up');
  await choose(panel, 'a second of Add up comes from', /value/);
  await choose(panel, 'Add a node', 'Write: Writes');
  await choose(panel, 'value of Write comes from', 'Add up: value');
  await choose(nodeOf(panel, 'Write'), 'Which number is driven', 'turn z');
  const turn = nodeOf(panel, 'Add up');
  const [early, late] = [await numberAt(page, turn, 0.1), await numberAt(page, turn, 0.2)];
  expect(late).toBeGreaterThan(early);
  const wide = async (): Promise<number> => {
    await drawnOut(page);
    const seen = await pixelsWhere(finderOf(page), blueish);
    return seen.right - seen.left;
  };
  const before = await wide();
  // The viewer pulls it to the other end: from there it goes back.
  await page.locator('.viewer-overlay').getByRole('slider').fill('-90');
  const [first, then] = [await numberAt(page, turn, 0.25), await numberAt(page, turn, 0.35)];
  expect(then).toBeLessThan(first);
  expect(Math.abs((await wide()) - before)).toBeGreaterThan(0.02);
  const doc = await docOf(page, effectId);
  expect(Object.keys(doc.drives)).toEqual([]);
  const nodes = Object.values(Object.values(doc.circuits)[0]!.nodes as Record<string, BehaviourNode>);
  expect(nodes.find(({ kind }) => kind === 'write')!.set).toMatchObject({
    to: { kind: 'number', objects: [ring.id], property: 'turnZ' },
  });
});

test('an earring on each ear swings by gravity as the head turns', async ({ page }) => {
  const earring = (name: string, point: FeaturePoint, order: number): EffectObject =>
    ({
      ...newSolid(id(name.toLowerCase()), 'capsule', order, headAnchor(point)),
      name,
      move: [order === 0 ? 0.03 : -0.03, -0.03, 0.04],
      extent: [0.012, 0.05, 0.012],
      pivot: [0, 0.025, 0],
      colour: '#143cff',
      roughness: 1,
    }) as EffectObject;
  const effectId = await opened(page, 'Earrings', [
    earring('Lefty', 'earLeft', 0),
    earring('Right', 'earRight', 1),
  ]);
  await page.getByRole('button', { name: 'Lefty', exact: true }).first().click();
  await page
    .getByRole('button', { name: 'Right', exact: true })
    .first()
    .click({ modifiers: ['Control'] });
  const panel = await begun(page);
  // Both hang from what the head does.
  await choose(panel, 'Add a node', 'turn to the side');
  await choose(panel, 'Add a node', 'Pendulum');
  await choose(panel, 'tilt of Pendulum comes from', /value/);
  await choose(panel, 'Add a node', 'Write: Writes');
  await choose(panel, 'value of Write comes from', 'Pendulum: angle');
  await choose(nodeOf(panel, 'Write'), 'Which number is driven', 'turn z');
  const swing = nodeOf(panel, 'Pendulum');
  const angles: number[] = [];
  for (const share of [0.02, 0.12, 0.2, 0.28, 0.34]) angles.push(await numberAt(page, swing, share));
  expect(Math.max(...angles) - Math.min(...angles)).toBeGreaterThan(2);
  expect((await pixelsWhere(finderOf(page), blueish)).share).toBeGreaterThan(0.0005);
  const looks = async (): Promise<number> => {
    await drawnOut(page);
    const { x, y, share } = await pixelsWhere(finderOf(page), blueish);
    return share === 0 ? NaN : x * 7 + y;
  };
  const swung = await looks();
  await panel.getByRole('switch', { name: 'The circuit is on' }).click();
  await expect.poll(async () => Math.abs((await looks()) - swung)).toBeGreaterThan(0.0005);
  const doc = await docOf(page, effectId);
  const nodes = Object.values(Object.values(doc.circuits)[0]!.nodes as Record<string, BehaviourNode>);
  expect(nodes.find(({ kind }) => kind === 'write')!.set).toMatchObject({
    to: { objects: [id('lefty'), id('right')], property: 'turnZ' },
  });
});
