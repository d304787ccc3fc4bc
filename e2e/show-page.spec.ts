/** The show page on a take: taps, switching, what it says when there is no camera. */
import type { Page } from '@playwright/test';
import { movingFacts, pinkIn, savedBy, videoFacts } from './harness/captured';
import { expect, test } from './harness/test';
import { blankEffect } from '../src/core/document/defaults';
import sharp from 'sharp';
import { newControl, newCue, newDrive, newPrompt } from '../src/core/document/new-cues';
import { newAction } from '../src/core/kinds/actions/actions';
import { newCard } from '../src/core/kinds/objects/card';
import type {
  CircuitId,
  NodeId,
  ControlId,
  Cue,
  CueId,
  DriveId,
  Effect,
  EffectObject,
  ObjectId,
  PromptId,
} from '../src/core/document/schema';
import { newCircuit } from '../src/core/document/new-circuit';
import { newPort } from '../src/core/kinds/nodes/declared-ports';
import { newBehaviourNode } from '../src/core/kinds/nodes/nodes';
import { readyTrigger } from '../src/core/kinds/triggers/ready-triggers';
import { ball, blueish, SCREEN } from './harness/behave';
import { newLayer } from '../src/core/kinds/objects/layer';
import { keptPicture, pixelsWhere, releasedPath, shareOf } from './harness/pages';

const MAGENTA = [255, 0, 220] as const;

/** A slider that sizes the lamp, a prompt until it is lit, and a flipped camera that puts it out. */
const usedParts = (lamp: ObjectId, cue: Cue): Partial<Effect> => {
  const slider = { ...newControl('control_size' as ControlId, 'slider', 'How large', 0), start: 1 };
  const drive = newDrive(
    'drive_size' as DriveId,
    0,
    { kind: 'control', control: slider.id },
    { kind: 'number', objects: [lamp], property: 'size' },
  );
  const prompt = {
    ...newPrompt('prompt_taps' as PromptId, 0),
    text: { kind: 'ready', key: 'tapScreen' } as const,
    hiddenWhen: [{ kind: 'cue', cue: cue.id, moment: 'begins', share: 0.5 } as const],
  };
  const out = newCue('cue_flip' as CueId, 'cameraFlips', 1, [
    { id: 'beat_flip', actions: [newAction('act_flip', 'hide', lamp)] },
  ]);
  return {
    cues: { [cue.id]: cue, [out.id]: out },
    controls: { [slider.id]: slider },
    drives: { [drive.id]: { ...drive, remap: { ...drive.remap, to: [0.3, 1] } } },
    prompts: { [prompt.id]: prompt },
  } as unknown as Partial<Effect>;
};

/** Releases an effect with a card that a tap shows, and gives its path. */
const released = async (page: Page, used = false, worn: readonly EffectObject[] = []): Promise<string> => {
  const asset = await keptPicture(page, 'lamp', '#ff00dc');
  const card = {
    ...newCard('obj_lamp' as ObjectId, asset, 0),
    visible: false,
    move: [0, -0.04, 0.05] as [number, number, number],
  };
  const cue = newCue('cue_lamp' as CueId, 'screenTapped', 0, [
    { id: 'beat_lamp', actions: [newAction('act_lamp', 'toggle', card.id)] },
  ]);
  const effect: Effect = {
    ...blankEffect('Lamp'),
    assets: { [asset.id]: asset },
    objects: Object.fromEntries([card, ...worn].map((object) => [object.id, object])),
    cues: { [cue.id]: cue },
    listing: { summary: 'Tap to light the lamp.', tags: [], icon: asset.id },
    ...(used ? usedParts(card.id, cue) : {}),
  };
  return releasedPath(page, effect);
};

test('without a camera it says so; on a performer taps light and put out, a prompt goes, a slider drives, a photo is taken', async ({
  page,
}) => {
  await page.setViewportSize({ width: 300, height: 533 });
  await page.goto(await released(page, true));
  await expect(page).toHaveTitle('Lamp · Iconia');
  await expect(page.getByText('Tap to light the lamp.')).toBeVisible();
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(page.getByText('No camera was found')).toBeVisible();
  await page.getByRole('button', { name: 'Watch it on a performer' }).click();
  await expect(page.getByText('No camera was found')).toBeHidden();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'take');

  const overlay = page.locator('.viewer-overlay');
  await expect(overlay.getByText('Tap the screen')).toBeVisible();
  const lit = () => shareOf(canvas, MAGENTA);
  await expect.poll(lit).toBe(0);
  await canvas.click({ position: { x: 150, y: 200 } });
  await expect(overlay.getByText('Tap the screen')).toBeHidden();
  await expect.poll(lit).toBeGreaterThan(0.003);
  const large = await lit();
  await overlay.getByRole('slider', { name: 'How large' }).fill('0');
  await expect.poll(lit).toBeLessThan(0.5 * large);
  await overlay.getByRole('slider', { name: 'How large' }).fill('1');
  await expect.poll(lit).toBeGreaterThan(0.9 * large);
  // Another tap, elsewhere, puts it out; one more lights it again.
  await canvas.click({ position: { x: 20, y: 300 } });
  await expect.poll(lit).toBe(0);
  await canvas.click({ position: { x: 150, y: 200 } });
  await expect.poll(lit).toBeGreaterThan(0.003);
  await page.getByRole('button', { name: 'Photo' }).click();
  const sheet = page.getByRole('region', { name: 'What you captured' });
  for (const [label, format] of [
    ['Save as PNG', 'png'],
    ['Save as JPEG', 'jpeg'],
  ] as const) {
    const photo = await sharp(await savedBy(page, label)).metadata();
    expect([photo.format, photo.width! > 100]).toEqual([format, true]);
  }
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(sheet).toBeHidden();
  // What is done with the camera application sets off cues.
  await page.getByRole('button', { name: 'Flip camera' }).click();
  await expect.poll(lit).toBe(0);
  await page.getByRole('button', { name: 'Use my camera' }).click();
  await expect(page.getByText('No camera was found')).toBeVisible();
});

test('a photo, a video and a loop hold what was seen, as large and as long as it was', async ({ page }) => {
  test.slow();
  await page.setViewportSize({ width: 300, height: 533 });
  await page.goto(await released(page));
  await page.getByRole('button', { name: 'Watch it on a performer' }).click();
  const canvas = page.locator('#picture');
  await expect(canvas).toHaveAttribute('data-source', 'take');
  await canvas.click({ position: { x: 150, y: 200 } });
  await expect.poll(() => shareOf(canvas, MAGENTA)).toBeGreaterThan(0.003);
  const [width, height] = await canvas.evaluate((c: HTMLCanvasElement) => [c.width, c.height]);
  const sheet = page.getByRole('region', { name: 'What you captured' });
  await page.getByRole('button', { name: 'Photo' }).click();
  const photo = sharp(await savedBy(page, 'Save as PNG'));
  expect(await photo.metadata()).toMatchObject({ width, height });
  expect(await pinkIn(photo)).toBeGreaterThan(0.003);
  // By the keyboard: nothing beneath is reached, and Escape goes back to where one was.
  await expect(page.locator('#controls')).toHaveJSProperty('inert', true);
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('button', { name: 'Photo' })).toBeFocused();

  // A loop: pictures of four seconds, for ever.
  await page.getByRole('button', { name: 'Loop', exact: true }).click();
  await expect(page.getByText(/^Taking a loop/)).toBeVisible();
  await expect(sheet.getByRole('img', { name: 'Your loop' })).toBeVisible({ timeout: 60_000 });
  for (const [label, format] of [
    ['Save as GIF', 'gif'],
    ['Save as WebP', 'webp'],
  ] as const) {
    if (format === 'webp') await sheet.getByRole('button', { name: 'Make it WebP' }).click();
    const loop = await movingFacts(await savedBy(page, label));
    expect(loop).toMatchObject({ format, width, height, loop: 0 });
    expect(loop.pictures).toBeGreaterThan(5);
    expect(loop.milliseconds).toBeGreaterThan(3500);
    expect(loop.milliseconds).toBeLessThan(6000);
    expect(loop.lastPink).toBeGreaterThan(0.003);
  }
  await sheet.getByRole('button', { name: 'Close' }).click();

  // A video, as long as it was recorded: decoded again in the page.
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  const began = Date.now();
  await expect.poll(() => Date.now() - began).toBeGreaterThan(2000);
  await page.getByRole('button', { name: 'Stop recording' }).click();
  const took = (Date.now() - began) / 1000;
  const video = sheet.getByLabel('Your recording');
  await expect(video).toBeVisible();
  const facts = await videoFacts(video);
  expect([facts.width, facts.height]).toEqual([width, height]);
  expect(facts.length).toBeGreaterThan(1.2);
  expect(facts.length).toBeLessThan(took + 1);
});

test('nothing is fetched from anywhere else, and no Vue or component library comes along', async ({
  page,
}) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.goto(await released(page));
  await expect(page.getByRole('heading', { name: 'Lamp' })).toBeVisible();
  const { origin } = new URL(page.url());
  expect(
    asked.filter((url) => !url.startsWith(origin) && !url.startsWith('blob:') && !url.startsWith('data:')),
  ).toEqual([]);
  for (const url of asked.filter((u) => u.endsWith('.js'))) {
    const text = await (await page.request.get(url)).text();
    expect(text).not.toMatch(/ant-design|createElementVNode|__vue_app__/);
  }
});

test('a script runs on the show page, in a sandbox that only effects with scripts fetch', async ({
  page,
}) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  const sandbox = (): string[] => asked.filter((url) => /quickjs|emscripten/.test(url));
  await page.goto(await released(page));
  await expect(page.getByRole('heading', { name: 'Lamp' })).toBeVisible();
  expect(sandbox()).toEqual([]);
  // Each tap turns it on and off: by a script alone.
  const crab = { ...ball('Crab'), anchor: SCREEN, move: [0, 0, 0] } as EffectObject;
  const taps = newBehaviourNode('node_taps' as NodeId, 'trigger', [0, 0], {
    set: { trigger: readyTrigger('screenTapped') },
  });
  const script = newBehaviourNode('node_code' as NodeId, 'script', [200, 0], {
    set: {
      takes: [newPort('tap', 'event')],
      gives: [newPort('on', 'truth')],
      source: `export const state = { on: false };
export function step({ inputs, state }) {
  if (inputs.tap) state.on = !state.on;
  return { on: state.on };
}`,
    },
    inputs: { tap: { node: taps.id, port: 'event' } },
  });
  const write = newBehaviourNode('node_write' as NodeId, 'write', [400, 0], {
    set: { to: { kind: 'number', objects: [crab.id], property: 'visible' } },
    inputs: { value: { node: script.id, port: 'on' } },
  });
  const circuit = {
    ...newCircuit('circuit_main' as CircuitId, 'Main', 0),
    nodes: Object.fromEntries([taps, script, write].map((n) => [n.id, n])),
  };
  const icon = await keptPicture(page, 'lamp', '#ff00dc');
  const effect = {
    ...blankEffect('Blinks'),
    assets: { [icon.id]: icon },
    listing: { summary: 'Tap to light it.', tags: [], icon: icon.id },
    objects: { [crab.id]: crab },
    circuits: { [circuit.id]: circuit },
  } as Effect;
  await page.goto(await releasedPath(page, effect));
  const canvas = page.locator('#picture');
  await expect.poll(async () => Number(await canvas.getAttribute('data-faces'))).toBe(1);
  const blue = async (): Promise<number> => (await pixelsWhere(canvas, blueish)).share;
  await expect.poll(blue).toBe(0);
  expect(sandbox().length).toBeGreaterThan(0);
  for (const seen of [true, false]) {
    await canvas.click({ position: { x: 150, y: 200 } });
    await expect.poll(async () => (await blue()) > 0.001).toBe(seen);
  }
});

test('a card shows another picture by a circuit: it is packed, fetched and drawn as wide as its own', async ({
  page,
}) => {
  const own = await keptPicture(page, 'lamp', '#ff00dc');
  const other = await keptPicture(page, 'kelp', '#0000ff');
  const card = {
    ...newCard('obj_lamp' as ObjectId, own, 0),
    anchor: SCREEN,
    move: [0, 0, 0],
  } as EffectObject;
  const node = newBehaviourNode;
  const id = (name: string) => `node_${name}` as NodeId;
  const nodes = [
    node(id('taps'), 'trigger', [0, 0], { set: { trigger: readyTrigger('screenTapped') } }),
    node(id('flip'), 'toggle', [200, 0], { inputs: { event: { node: id('taps'), port: 'event' } } }),
    node(id('kelp'), 'thePicture', [0, 200], { set: { picture: other.id } }),
    node(id('show'), 'writePicture', [400, 0], {
      set: { object: card.id },
      inputs: { picture: { node: id('kelp'), port: 'picture' }, while: { node: id('flip'), port: 'yes' } },
    }),
  ];
  const circuit = {
    ...newCircuit('circuit_main' as CircuitId, 'Main', 0),
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
  };
  const effect = {
    ...blankEffect('Swaps'),
    assets: { [own.id]: own, [other.id]: other },
    listing: { summary: 'Tap to swap it.', tags: [], icon: own.id },
    objects: { [card.id]: card },
    circuits: { [circuit.id]: circuit },
  } as Effect;
  await page.goto(await releasedPath(page, effect));
  const canvas = page.locator('#picture');
  const share = async (colour: 'own' | 'other'): Promise<number> =>
    colour === 'own' ? shareOf(canvas, MAGENTA) : (await pixelsWhere(canvas, blueish)).share;
  await expect.poll(() => share('own')).toBeGreaterThan(0.01);
  const before = await share('own');
  expect(await share('other')).toBe(0);
  await canvas.click({ position: { x: 20, y: 20 } });
  await expect.poll(() => share('other')).toBeGreaterThan(0.8 * before);
  expect(await share('own')).toBe(0);
  await canvas.click({ position: { x: 20, y: 20 } });
  await expect.poll(() => share('own')).toBeGreaterThan(0.8 * before);
});

test('only what the effect needs is fetched to draw it', async ({ page }) => {
  const fetchedFor = async (...worn: readonly EffectObject[]): Promise<readonly string[]> => {
    const asked: string[] = [];
    page.on('request', (request) => asked.push(new URL(request.url()).pathname));
    await page.goto(await released(page, false, worn));
    await expect(page.locator('#picture')).toHaveAttribute('data-source', 'take');
    page.removeAllListeners('request');
    return ['camera', 'faces', 'models', 'grades', 'fountains', 'effect-sounds', 'on-performer'].filter(
      (part) => asked.some((path) => path.startsWith(`/assets/show/${part}-`)),
    );
  };
  expect(await fetchedFor()).toEqual(['on-performer']);
  expect(await fetchedFor(newLayer('obj_lips' as ObjectId, { region: 'lips' }, 1))).toEqual([
    'camera',
    'faces',
    'on-performer',
  ]);
});

test('what cannot be fetched is told with what to do', async ({ page }) => {
  const path = await released(page, false, [newLayer('obj_lips' as ObjectId, { region: 'lips' }, 1)]);
  for (const missing of ['**/assets/show/faces-*', '**/outlet/*/effect.zip']) {
    await page.route(missing, (route) => route.abort());
    await page.goto(path);
    await expect(page.locator('#message')).toHaveText(
      'The effect could not be loaded. Check the connection and reload.',
    );
    await page.unroute(missing);
  }
});
