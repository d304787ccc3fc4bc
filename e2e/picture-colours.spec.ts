/** The colour of the camera picture at a point: on a take, forwards and back, and on a camera whose picture changes. */
import sharp from 'sharp';
import { blankEffect } from '../src/core/document/defaults';
import type { Effect, ObjectId } from '../src/core/document/schema';
import type { BehaviourNode } from '../src/core/kinds/nodes/nodes';
import { choose, docOf, fill, finderOf, flat, near, opened, paintedFrom } from './harness/behave';
import { showBefore, standInCamera } from './harness/page-camera';
import {
  drawnOut,
  keptPicture,
  lookAt,
  furthest,
  meanAround,
  pixelsWhere,
  releasedPath,
  seekShare,
  type Rgb,
} from './harness/pages';
import { expect, test } from './harness/test';

const rgbOf = (hex: string): Rgb =>
  [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as unknown as Rgb;

test('what the picture shows at a point is what the node says, whichever way the take is gone through', async ({
  page,
}) => {
  const lantern = flat('Lantern', '#ff00dc', { move: [0, -0.06, 0] });
  const effectId = await opened(page, 'Picks', [lantern]);
  const panel = page.getByRole('region', { name: 'Circuits' });
  const node = (name: string) => panel.getByRole('article', { name, exact: true });
  await page.getByRole('tab', { name: 'Circuits' }).click();
  await panel.getByRole('button', { name: 'Make a circuit' }).click();
  await choose(panel, 'Add a node', 'Colour of the picture');
  await fill(node('Colour of the picture'), 'Colour of the picture, down', 0.35);
  await fill(node('Colour of the picture'), 'Colour of the picture, size', 8);
  await choose(panel, 'Add a node', 'Write a colour');
  await choose(panel, 'colour of Write a colour comes from', 'Colour of the picture: colour');
  await choose(node('Write a colour'), 'Which object', 'Lantern');

  // Read once, in the background; until then nobody knows.
  const said = async (port: string): Promise<string> =>
    (
      await node('Colour of the picture').locator('.port.out', { hasText: port }).locator('.live').innerText()
    ).trim();
  await expect.poll(() => said('known'), { timeout: 60_000 }).toBe('yes');
  const found: string[] = [];
  for (const share of [0.15, 0.6, 0.15]) {
    await seekShare(page, share);
    await drawnOut(page);
    // The port is looked at a few times a second.
    const seen = meanAround(await lookAt(finderOf(page)), 0.5, 0.35, 0.08);
    await expect.poll(async () => furthest(rgbOf(await said('colour')), seen)).toBeLessThan(14);
    found.push(await said('colour'));
  }
  expect(found[2]).toBe(found[0]);
  expect(found[1]).not.toBe(found[0]);
  // The lantern is no more what it was, but of that colour.
  expect((await pixelsWhere(finderOf(page), near([255, 0, 220]))).share).toBe(0);

  const [circuit] = Object.values((await docOf(page, effectId)).circuits);
  expect(Object.values(circuit!.nodes as Record<string, BehaviourNode>)).toMatchObject([
    { kind: 'pictureColour', values: { down: 0.35, size: 0.08 } },
    { kind: 'writeColour', set: { object: lantern.id } },
  ]);
});

test('on a camera it follows the picture; on a performer it is read off the take', async ({ page }) => {
  const lantern = flat('Lantern', '#ff00dc', { move: [0, -0.06, 0] });
  const icon = await keptPicture(page, 'icon', '#ffffff');
  const circuit = paintedFrom(lantern.id, 0.25, 0.25);
  const effect = {
    ...blankEffect('Picks'),
    assets: { [icon.id]: icon },
    listing: { summary: 'It takes on a colour.', tags: [], icon: icon.id },
    objects: { [lantern.id as ObjectId]: lantern },
    circuits: { [circuit.id]: circuit },
  } as Effect;
  const path = await releasedPath(page, effect);
  await standInCamera(page);
  await page.goto(path);
  const canvas = page.locator('#picture');
  const isOwn = async (): Promise<boolean> => (await pixelsWhere(canvas, near([255, 0, 220]))).share > 0;
  await expect.poll(isOwn, { timeout: 30_000 }).toBe(true);
  await expect.poll(isOwn, { timeout: 60_000 }).toBe(false);

  // Dark, but for the upper half at the right: the camera is a mirror, and there the point lies. The lantern is below, where it is dark.
  const url = async (colour: string): Promise<string> => {
    const png = await sharp({ create: { width: 8, height: 8, channels: 3, background: colour } })
      .png()
      .toBuffer();
    return `data:image/png;base64,${png.toString('base64')}`;
  };
  const light = async (lit: string): Promise<void> =>
    showBefore(page, {
      pictures: [
        { url: await url('#202020'), x: 0, y: 0, width: 1, height: 1 },
        { url: await url(lit), x: 0.5, y: 0, width: 0.5, height: 0.5 },
      ],
    });
  const lanternColour = async (): Promise<Rgb> => meanAround(await lookAt(canvas), 0.5, 0.9, 0.02);
  await light('#1e28d2');
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(canvas).toHaveAttribute('data-source', 'camera', { timeout: 60_000 });
  await expect.poll(async () => (await lanternColour())[2], { timeout: 30_000 }).toBeGreaterThan(120);
  await light('#d23214');
  await expect.poll(async () => (await lanternColour())[0], { timeout: 30_000 }).toBeGreaterThan(120);
  expect((await lanternColour())[2]).toBeLessThan(90);
});
