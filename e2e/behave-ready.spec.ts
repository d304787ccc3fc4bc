/** Behaviour that is ready or goes wrong: recipes, why, sounds that cannot be decoded, what viewers read and set. */
import { expect, test } from './harness/test';
import { newCard } from '../src/core/kinds/objects/card';
import { newSound } from '../src/core/kinds/objects/sound';
import type {
  AssetId,
  SurfaceCircuit,
  MaterialId,
  NodeId,
  Effect,
  EffectObject,
  SequenceAsset,
} from '../src/core/document/schema';
import { keptFile, pixelsWhere, plainPng, seekShare, shareOf } from './harness/pages';
import sharp from 'sharp';
import { newMaterial } from '../src/core/document/new-material';
import {
  BLUE,
  SCREEN,
  id,
  finderOf,
  opened,
  docOf,
  choose,
  fill,
  select,
  addCue,
  doing,
  flat,
  blueish,
  keptSound,
} from './harness/behave';

test('pictures are stepped through by tapping', async ({ page }) => {
  const colours = ['#ff0000', '#00ff00', '#143cff'];
  const cells = await Promise.all(colours.map((c) => plainPng(c, 64, 64)));
  const sheet = await sharp({ create: { width: 192, height: 64, channels: 4, background: '#000000' } })
    .composite(cells.map((input, i) => ({ input, left: 64 * i, top: 0 })))
    .png()
    .toBuffer();
  const asset: SequenceAsset = {
    kind: 'sequence',
    id: 'asset_steps' as AssetId,
    name: 'steps.png',
    files: [await keptFile(page, 'steps.png', sheet)],
    original: null,
    preview: null,
    from: null,
    width: 64,
    height: 64,
    sheet: [192, 64],
    grid: { columns: 3, rows: 1, margin: 0, gap: 0 },
    frames: 3,
    rate: 3,
    prep: null,
    brought: null,
  };
  const card = { ...newCard(id('steps'), asset, 0, SCREEN), name: 'Steps' } as EffectObject;
  await opened(page, 'Steps', [card], { assets: { [asset.id]: asset } as Effect['assets'] });
  await select(page, 'Steps');
  await page.getByRole('button', { name: '+ Recipe' }).last().click();
  await page.getByRole('searchbox', { name: 'Seek a recipe' }).fill('next picture tap');
  await page.getByRole('button', { name: 'Next picture on a tap on the screen' }).click();
  await page.getByRole('button', { name: 'Add it' }).click();
  const finder = finderOf(page);
  for (const share of [0.2, 0.4, 0.6]) {
    await seekShare(page, share);
    await finder.click({ position: { x: 20, y: 200 } });
  }
  for (const [share, colour] of [
    [0.3, [0, 255, 0]],
    [0.5, BLUE],
    [0.7, [255, 0, 0]],
    // Backwards the past is the same.
    [0.35, [0, 255, 0]],
  ] as const) {
    await seekShare(page, share);
    await expect.poll(() => shareOf(finder, colour), { message: `at ${share}` }).toBeGreaterThan(0.01);
  }
});

test("one recipe's trigger joined to another's response, then copied onto another object", async ({
  page,
}) => {
  const effectId = await opened(page, 'Halves', [
    flat('Lamp', '#143cff'),
    flat('Buoy', '#ff8800', { move: [0, 0.05, 0] }),
  ]);
  await select(page, 'Lamp');
  await page.getByRole('button', { name: 'Choose a ready-made one' }).click();
  await page.getByRole('button', { name: 'Show while the mouth is open', exact: true }).click();
  const shelf = page.getByRole('region', { name: 'Recipes' });
  await choose(shelf, 'Then half', 'grow to 160 %');
  await shelf.getByRole('button', { name: 'Add it' }).click();
  let effect = await docOf(page, effectId);
  const [made] = Object.values(effect.cues);
  expect(made).toMatchObject({
    name: '',
    resets: [{ kind: 'level', when: 'falls' }],
    beats: [{ actions: [{ kind: 'size', factor: 1.6, targets: ['obj_lamp-flat'] }] }],
  });
  const cue = page.getByRole('article', { name: /when mouth opens/ });
  await cue.getByRole('button', { name: 'Copy cue' }).click();
  await select(page, 'Buoy');
  await page.getByRole('button', { name: 'Paste', exact: true }).first().click();
  effect = await docOf(page, effectId);
  const pasted = Object.values(effect.cues).find((c) => c.id !== made!.id)!;
  expect(pasted.beats[0]!.actions[0]!.targets).toEqual(['obj_buoy-flat']);
  expect({ ...pasted, id: '', order: 0, beats: [] }).toEqual({ ...made!, id: '', order: 0, beats: [] });
});

test('why an object is not seen, and a cue that does nothing mended from there, undone, redone', async ({
  page,
}) => {
  const effectId = await opened(page, 'Why', [flat('Lamp', '#143cff')]);
  await select(page, 'Lamp');
  const hides = await addCue(page, 'effect starts');
  await doing(hides, 'hide');
  const shows = await addCue(page, 'lips pucker');
  await fill(shows, 'Threshold', 0.99);
  await seekShare(page, 0.9);
  await page.getByRole('button', { name: 'Why is it not seen now?' }).click();
  const chain = page.getByRole('list', { name: 'Why', exact: true });
  await expect(chain.getByText(/hide: the cue “effect starts” did it at 0.0 s/)).toBeVisible();
  await expect(chain.getByText(/mouth pucker peaked at 0.9\d, needs 0.99/)).toBeVisible();
  const level = async (): Promise<unknown> => {
    const cue = Object.values((await docOf(page, effectId)).cues).find(
      (c) => c.triggers[0]!.kind === 'level',
    )!;
    return (cue.triggers[0] as { level: number }).level;
  };
  const finder = finderOf(page);
  const seen = async (): Promise<number> => (await pixelsWhere(finder, blueish)).share;
  await expect.poll(seen).toBeLessThan(0.0005);
  await chain.getByRole('button', { name: /^Lower to/ }).click();
  await expect.poll(seen).toBeGreaterThan(0.003);
  expect(await level()).toBeLessThan(0.95);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(level).toBe(0.99);
  await expect.poll(seen).toBeLessThan(0.0005);
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect.poll(seen).toBeGreaterThan(0.003);
});

test('a sound that cannot be decoded is named in a sentence, and the effect goes on', async ({ page }) => {
  const sound = await keptSound(page);
  const broken = Buffer.from('this is no sound at all');
  await page.route(`**/api/files/${sound.files[0]!.sha256}*`, (route) => route.fulfill({ body: broken }));
  const objects = [
    { ...newSound(id('chime'), sound, 0, SCREEN), name: 'Chime', runs: true },
    flat('Lamp', '#143cff'),
  ];
  await opened(page, 'Broken', objects, { assets: { [sound.id]: sound } as Effect['assets'] });
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText(/tone.wav cannot be played/)).toBeVisible();
  const before = await finderOf(page).getAttribute('data-drawn');
  await expect.poll(() => finderOf(page).getAttribute('data-drawn')).not.toBe(before);
});

test('a slider drives an input of a surface circuit: the colour of a material turns under it', async ({
  page,
}) => {
  const material = 'material_tide' as MaterialId;
  const [surface, mix] = ['node_surface', 'node_mixes'] as NodeId[];
  const node = { at: [0, 0], values: {}, inputs: {}, picture: null };
  const circuit = {
    [surface!]: { ...node, id: surface, type: 'surface', inputs: { colour: { node: mix, port: 'colour' } } },
    [mix!]: { ...node, id: mix, type: 'mix', values: { a: '#00ff00', b: '#143cff', amount: 0 } },
  } as unknown as SurfaceCircuit;
  const worn = { ...newMaterial(material, 'Tide', { shading: 'unlit' }), circuit };
  const effectId = await opened(
    page,
    'Circuit',
    [flat('Tile', '#ffffff', { material } as Partial<EffectObject>)],
    {
      materials: { [material]: worn } as Effect['materials'],
    },
  );
  const finder = finderOf(page);
  const share = (asked: (r: number, g: number, b: number) => boolean) => async (): Promise<number> =>
    (await pixelsWhere(finder, asked)).share;
  const green = share((r, g, b) => g > 150 && r < 110 && b < 110);
  await expect.poll(green).toBeGreaterThan(0.01);
  await page.getByRole('tab', { name: 'Controls and prompts' }).click();
  await page.getByRole('button', { name: '+ Slider' }).click();
  const slider = page.getByRole('article', { name: 'Slider Slider' });
  await fill(slider, 'Starts at', 0);
  await slider.getByRole('button', { name: '+ What it drives' }).click();
  await choose(slider, 'What is driven', /Tide: .*amount/i);
  const [drive] = Object.values((await docOf(page, effectId)).drives);
  expect(drive!.to).toEqual({ kind: 'circuit', material, node: mix, port: 'amount' });
  await page.locator('.viewer-overlay').getByRole('slider').fill('1');
  await expect.poll(share(blueish)).toBeGreaterThan(0.01);
  expect(await green()).toBeLessThan(0.0005);
});

test('a prompt is read until the mouth opens, in the language of the browser', async ({ page }) => {
  await opened(page, 'Prompt', [flat('Lamp', '#143cff')]);
  await page.getByRole('tab', { name: 'Controls and prompts' }).click();
  await page.getByRole('button', { name: '+ Prompt' }).click();
  const overlay = page.locator('.viewer-overlay');
  await seekShare(page, 0.05);
  await expect(overlay.getByText('Open your mouth')).toBeVisible();
  await seekShare(page, 0.7);
  await expect(overlay.getByText('Open your mouth')).toBeHidden();
});
