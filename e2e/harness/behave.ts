/** What tests of behaviour share: effects to behave, cues built as a creator builds them, and what the scope says. */
import type { Locator, Page } from '@playwright/test';
import { blankEffect } from '../../src/core/document/defaults';
import { headAnchor } from '../../src/core/kinds/objects/placed';
import { newSolid } from '../../src/core/kinds/objects/solid';
import { newCircuit } from '../../src/core/document/new-circuit';
import { newBehaviourNode } from '../../src/core/kinds/nodes/nodes';
import type {
  AssetId,
  Circuit,
  CircuitId,
  Effect,
  EffectObject,
  NodeId,
  ObjectId,
  SoundAsset,
} from '../../src/core/document/schema';
import { createEffect, keptFile, saved, serverEffect } from './pages';
import type { Atelier } from './window';

export const BLUE = [20, 60, 255] as const;
export const SCREEN = { kind: 'screen', pin: 'centre' } as const;
export const id = (name: string): ObjectId => `obj_${name}` as ObjectId;
export const finderOf = (page: Page): Locator => page.locator('.finder canvas');

export const opened = async (
  page: Page,
  name: string,
  objects: readonly EffectObject[],
  more: Partial<Effect> = {},
): Promise<string> => {
  const effect = {
    ...blankEffect(name),
    ...more,
    objects: Object.fromEntries(objects.map((o, i) => [o.id, { ...o, order: i }])),
  } as Effect;
  const effectId = await createEffect(page, name, effect);
  await page.goto(`/effects/${effectId}/behave`);
  await finderOf(page).waitFor();
  return effectId;
};
export const docOf = async (page: Page, effectId: string): Promise<Effect> => {
  await saved(page);
  return serverEffect(page, effectId);
};
/** Chooses from a list by its accessible name. */
export const choose = async (
  within: Page | Locator,
  label: string,
  option: string | RegExp,
): Promise<void> => {
  const page = 'page' in within ? within.page() : within;
  await within
    .locator('.ant-select', { has: page.locator(`[aria-label="${label}"]`) })
    .first()
    .click();
  const list = page.locator('.ant-select-dropdown:visible');
  if (typeof option === 'string') {
    await page.keyboard.type(option.slice(0, 24));
    await list.locator('.ant-select-item-option', { hasText: option }).first().click();
  } else await list.locator('.ant-select-item-option').filter({ hasText: option }).first().click();
  await page.keyboard.press('Escape');
};
export const fill = async (within: Page | Locator, label: string, value: number): Promise<void> => {
  const field = within.getByRole('spinbutton', { name: label }).first();
  await field.fill(String(value));
  await field.press('Enter');
};
export const select = (page: Page, name: string): Promise<void> =>
  page.getByRole('button', { name, exact: true }).first().click();
/** A cue of the selected object, begun in the cue sheet. */
export const addCue = async (page: Page, when: string): Promise<Locator> => {
  await page.getByRole('button', { name: '+ Cue', exact: true }).last().click();
  const cue = page.locator('article.cue.open');
  await choose(cue, 'When', when);
  return cue;
};
/** The action that stands open is turned into another kind. */
export const doing = (cue: Locator, what: string): Promise<void> => choose(cue, 'What happens', what);
export const beside = async (page: Page, cue: Locator, what: string): Promise<void> => {
  await cue.getByRole('button', { name: '+ Beside it' }).last().click();
  await page
    .locator('.ant-dropdown:visible')
    .getByRole('menuitem', { name: new RegExp(`^${what}( for .*)?$`) })
    .click();
};
export const nextBeat = async (page: Page, cue: Locator, what: string): Promise<void> => {
  await cue.getByRole('button', { name: '+ Next beat' }).click();
  await page
    .locator('.ant-dropdown:visible')
    .getByRole('menuitem', { name: new RegExp(`^${what}( for .*)?$`) })
    .click();
};
/** What the scope says of a signal at a share of the take. */
export const scopeAt = async (page: Page, words: string, share: number): Promise<number> => {
  const board = page.locator('.scope .board');
  const box = (await board.boundingBox())!;
  await page.mouse.move(box.x + share * box.width, box.y + 40);
  const text = await page
    .getByLabel(new RegExp(`^${words.replace(/[()]/g, '\\$&')} at [\\d.]+ seconds`))
    .textContent();
  return Number(text);
};
/** How far the lines of the scope move when it says that it runs ahead, in pixels. */
export const boardMovesBy = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const { $pinia } = document.querySelector<Atelier>('#app')!.__vue_app__!.config.globalProperties;
    const store = $pinia._s.get('chronicle') as unknown as { running: boolean };
    const top = async (running: boolean): Promise<number> => {
      store.running = running;
      await new Promise(requestAnimationFrame);
      await new Promise(requestAnimationFrame);
      return document.querySelector('.scope .board')!.getBoundingClientRect().top;
    };
    return (await top(true)) - (await top(false));
  });
export const ball = (name: string, more: Partial<EffectObject> = {}): EffectObject =>
  ({
    ...newSolid(id(name.toLowerCase().replaceAll(' ', '-')), 'sphere', 0, headAnchor('crown')),
    name,
    extent: [0.03, 0.03, 0.03],
    colour: '#143cff',
    roughness: 1,
    ...more,
  }) as EffectObject;
export const flat = (name: string, colour: string, more: Partial<EffectObject> = {}): EffectObject =>
  ({
    ...newSolid(id(`${name.toLowerCase()}-flat`), 'plane', 0, SCREEN),
    name,
    extent: [0.03, 0.03, 0.001],
    colour,
    roughness: 1,
    ...more,
  }) as EffectObject;
export const near =
  (colour: readonly [number, number, number], d = 70) =>
  (r: number, g: number, b: number): boolean =>
    Math.abs(r - colour[0]) < d && Math.abs(g - colour[1]) < d && Math.abs(b - colour[2]) < d;
export const blueish = (r: number, g: number, b: number): boolean => b > 110 && b > r + 60 && b > g + 50;

/** A tone as a WAV file of 16 bits. */
export const tone = (seconds: number, rate = 8000): Buffer => {
  const count = Math.round(seconds * rate);
  const buffer = Buffer.alloc(44 + 2 * count);
  buffer.write('RIFF', 0);
  buffer.writeUInt32LE(36 + 2 * count, 4);
  buffer.write('WAVEfmt ', 8);
  buffer.writeUInt32LE(16, 16);
  buffer.writeUInt16LE(1, 20);
  buffer.writeUInt16LE(1, 22);
  buffer.writeUInt32LE(rate, 24);
  buffer.writeUInt32LE(2 * rate, 28);
  buffer.writeUInt16LE(2, 32);
  buffer.writeUInt16LE(16, 34);
  buffer.write('data', 36);
  buffer.writeUInt32LE(2 * count, 40);
  for (let i = 0; i < count; i++)
    buffer.writeInt16LE(Math.round(8000 * Math.sin((2 * Math.PI * 440 * i) / rate)), 44 + 2 * i);
  return buffer;
};
export const keptSound = async (page: Page): Promise<SoundAsset> => ({
  kind: 'sound',
  id: 'asset_tone' as AssetId,
  name: 'tone.wav',
  files: [await keptFile(page, 'tone.wav', tone(2))],
  original: null,
  preview: null,
  from: null,
  duration: 2,
  channels: 1,
  sampleRate: 8000,
  peaks: [],
  loop: null,
  prep: null,
});

/** A circuit that paints an object in the colour of the picture at a point. */
export const paintedFrom = (object: ObjectId, across: number, down: number): Circuit => {
  const nodeId = (name: string) => `node_${name}` as NodeId;
  const nodes = [
    newBehaviourNode(nodeId('point'), 'pictureColour', [0, 0], { values: { across, down } }),
    newBehaviourNode(nodeId('paint'), 'writeColour', [200, 0], {
      set: { object },
      inputs: { colour: { node: nodeId('point'), port: 'colour' } },
    }),
  ];
  return {
    ...newCircuit('circuit_paint' as CircuitId, 'Paint', 0),
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
  };
};
