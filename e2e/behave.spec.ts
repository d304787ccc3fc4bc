/** Behaviour as creators build it: cues, controls, fountains, curves; seen in the document, in pixels and in the scope. */
import { expect, test } from './harness/test';
import { headAnchor } from '../src/core/kinds/objects/placed';
import { newFountain } from '../src/core/kinds/objects/fountain';
import { newGroup } from '../src/core/kinds/objects/group';
import { newSolid } from '../src/core/kinds/objects/solid';
import { newSound } from '../src/core/kinds/objects/sound';
import type { Effect, EffectObject } from '../src/core/document/schema';
import { pixelsWhere, seekShare } from './harness/pages';
import {
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
  beside,
  nextBeat,
  scopeAt,
  boardMovesBy,
  ball,
  flat,
  near,
  blueish,
  keptSound,
} from './harness/behave';

test('a ring circles the head, and a slider of the viewer drives its speed backwards', async ({ page }) => {
  const ring = {
    ...newGroup(id('ring'), 'Sea glass', 0, headAnchor('crown')),
    move: [0, 0.02, 0],
  } as EffectObject;
  const effectId = await opened(page, 'Ring', [ring, ball('Glass', { parent: ring.id, move: [0.11, 0, 0] })]);
  await select(page, 'Sea glass');
  const cue = await addCue(page, 'effect starts');
  await doing(cue, 'circle');
  await fill(cue, 'Duration, seconds', 8);
  await page.getByRole('tab', { name: 'Controls and prompts' }).click();
  await page.getByRole('button', { name: '+ Slider' }).click();
  const slider = page.getByRole('article', { name: 'Slider Slider' });
  await fill(slider, 'Starts at', 0);
  await slider.getByRole('button', { name: '+ What it drives' }).click();
  await choose(slider, 'What is driven', /circle its middle/);
  await fill(slider, 'To, at the lower end', 8);
  await fill(slider, 'To, at the upper end', 0.2);
  const effect = await docOf(page, effectId);
  const [drive] = Object.values(effect.drives);
  const action = Object.values(effect.cues)[0]!.beats[0]!.actions[0]!;
  expect(drive).toMatchObject({
    signal: { kind: 'control' },
    remap: { from: [0, 1], to: [8, 0.2], bounded: true },
    to: { kind: 'duration', action: action.id },
  });
  expect(action).toMatchObject({ kind: 'circle', duration: 8, repeat: 0 });

  // The cue sheet says so too, in words and over time.
  await page.getByRole('tab', { name: 'Cue sheet' }).click();
  await expect(page.getByText('0.2 to 8 s by Slider, without end')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Beats over time' }).locator('.driven')).toHaveCount(1);

  // The scope: 45 degrees a second until the viewer moves the slider to its end.
  await seekShare(page, 0.5);
  await page.locator('.viewer-overlay').getByRole('slider').fill('1');
  await expect(page.getByRole('button', { name: /Recorded control at/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Scope' }).click();
  expect(await boardMovesBy(page), 'what stands in the scope keeps its place while it runs ahead').toBe(0);
  await page.locator('.scope').getByRole('button', { name: 'jaw open' }).click();
  await choose(page.locator('.scope'), 'Signal', 'turn y (°)');
  const words = 'Sea glass turn y (°)';
  // Two seconds of the twelve at 45 degrees a second.
  await expect
    .poll(async () => Math.abs((await scopeAt(page, words, 0.01 / 12 + 2 / 12)) - 90))
    .toBeLessThan(6);

  // In pixels: where the glass stands changes from a quarter of the slow turn to the next.
  const finder = finderOf(page);
  const across = async (): Promise<number | null> => {
    const blob = await pixelsWhere(finder, blueish);
    return blob.share > 0.0004 ? blob.x : null;
  };
  await seekShare(page, 0.02);
  await expect.poll(across).toBeGreaterThan(0.55);
  await seekShare(page, 3.9 / 12);
  await expect.poll(async () => (await across()) ?? 1).toBeLessThan(0.48);
});

test('a shell whose lid opens over 2 s when recording starts, by captured poses, and begins to turn half-way', async ({
  page,
}) => {
  const shell = flat('Shell', '#ff8800', { extent: [0.05, 0.01, 0.001] });
  const effectId = await opened(page, 'Shell', [
    shell,
    flat('Lid', '#143cff', { extent: [0.05, 0.008, 0.001], move: [0, 0.01, 0] }),
  ]);
  await select(page, 'Lid');
  const cue = await addCue(page, 'recording starts');
  await doing(cue, 'go to a captured pose');
  // Placed by hand where it shall go, captured, and put back.
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await fill(page, 'Move y, cm', 4);
  await fill(page, 'Turn z, degrees', 80);
  await page.getByRole('button', { name: 'Behave', exact: true }).click();
  await page.getByRole('button', { name: 'Capture where it stands now' }).click();
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await fill(page, 'Move y, cm', 1);
  await fill(page, 'Turn z, degrees', 0);
  await page.getByRole('button', { name: 'Behave', exact: true }).click();
  const open = page.locator('article.cue');
  await fill(open, 'Duration, seconds', 2);
  await nextBeat(page, open, 'turn');
  await choose(open, 'To, by or from', /^by$/);
  await fill(open, 'z, degrees', 360);
  await fill(open, 'Duration, seconds', 2);
  await fill(open, 'The beat begins after so much of the one before, per cent', 50);
  const effect = await docOf(page, effectId);
  const made = Object.values(effect.cues)[0]!;
  expect(made.triggers).toEqual([{ kind: 'viewer', event: 'recordStarts' }]);
  expect(made.beats[0]!.actions[0]).toMatchObject({ kind: 'pose', duration: 2, turn: [0, 0, 80] });
  expect(made.beats[0]!.actions[0]).toMatchObject({ move: [0, expect.closeTo(0.04, 6), 0] });
  expect(made.beats[1]).toMatchObject({ begins: 0.5 });
  expect(effect.objects[id('lid-flat')]).toMatchObject({ turn: [0, 0, 0] });

  await expect(open.getByText(/recording starts did not happen/)).toBeVisible();
  await seekShare(page, 3 / 12);
  await page.getByRole('button', { name: 'The viewer starts recording' }).click();
  await expect(open.getByText(/Fires at/)).toBeVisible();
  const finder = finderOf(page);
  const height = async (): Promise<number> => (await pixelsWhere(finder, blueish)).y;
  await seekShare(page, 2.5 / 12);
  await expect.poll(height).toBeGreaterThan(0.42);
  await seekShare(page, 5.6 / 12);
  // 4 cm up of the 16 that the screen is high.
  await expect.poll(height).toBeLessThan(0.3);
});

test('an anemone folds on a pucker only if a tap has opened it; then a title pops in, a fountain runs, a sound plays', async ({
  page,
}) => {
  const sound = await keptSound(page);
  const objects = [
    flat('Anemone', '#143cff', { move: [0, -0.05, 0] }),
    flat('Title', '#ff8800', { visible: false, move: [0, 0.05, 0] }),
    {
      ...newFountain(id('fountain'), 0, SCREEN),
      name: 'Bubbles',
      runs: false,
      rate: 120,
      size: 0.01,
      over: [
        { at: 0, size: 1, opacity: 1, colour: '#00ff00' },
        { at: 1, size: 1, opacity: 1, colour: '#00ff00' },
      ],
    } as EffectObject,
    { ...newSound(id('chime'), sound, 0, SCREEN), name: 'Chime' },
  ];
  const effectId = await opened(page, 'Anemone', objects, {
    assets: { [sound.id]: sound } as Effect['assets'],
  });
  await select(page, 'Anemone');
  const opens = await addCue(page, 'screen is tapped');
  await doing(opens, 'size');
  await fill(opens, 'Size, per cent', 180);
  const folds = await addCue(page, 'lips pucker');
  await doing(folds, 'size');
  await fill(folds, 'Size, per cent', 30);
  await folds.getByRole('button', { name: '+ Only if' }).click();
  await choose(folds, 'Condition', 'Times a cue fired');
  await choose(folds, 'Which cue', 'screen is tapped');
  await select(page, 'Title');
  await nextBeat(page, folds, 'show');
  await beside(page, folds, 'size');
  await choose(folds, 'To, by or from', /^from$/);
  await fill(folds, 'Size, per cent', 0);
  await folds.getByRole('button', { name: /^Curve/ }).click();
  await folds.getByRole('button', { name: 'overshoot' }).click();
  await select(page, 'Bubbles');
  await nextBeat(page, folds, 'let it flow');
  await select(page, 'Chime');
  await beside(page, folds, 'play or stop');
  const effect = await docOf(page, effectId);
  const made = Object.values(effect.cues).find((c) => c.conditions.length > 0)!;
  expect(made.conditions[0]).toMatchObject({ signal: { kind: 'times' }, is: 'above' });
  expect(made.beats.map((b) => b.actions.map((a) => a.kind))).toEqual([
    ['size'],
    ['show', 'size'],
    ['flow', 'play'],
  ]);
  expect(made.beats[1]!.actions[1]).toMatchObject({ mode: 'from', factor: 0, easing: 'overshoot' });

  // Puckered without a tap: set off, but not let, and the cue says so.
  await expect(folds.getByText(/Set off at .* but not: “screen is tapped” has fired/)).toBeVisible();
  const finder = finderOf(page);
  const orange = near([255, 136, 0]);
  await seekShare(page, 11 / 12);
  await expect.poll(async () => (await pixelsWhere(finder, orange)).share).toBeLessThan(0.0005);
  // With one, all of it happens.
  await seekShare(page, 2 / 12);
  await finder.click({ position: { x: 20, y: 200 } });
  await expect(folds.getByText(/Fires at/)).toBeVisible();
  const fired = Number(/(\d+\.\d+) s/.exec((await folds.getByText(/Fires at/).textContent())!)![1]);
  await seekShare(page, (fired + 1.4) / 12);
  await expect.poll(async () => (await pixelsWhere(finder, orange)).share).toBeGreaterThan(0.003);
  await expect
    .poll(async () => (await pixelsWhere(finder, (r, g, b) => g > 150 && r < 110 && b < 110)).share)
    .toBeGreaterThan(0.001);
  // The sound plays while the take does.
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(finder).toHaveAttribute('data-sounds', '1');
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(finder).toHaveAttribute('data-sounds', '0');
});

test('crabs scuttle off and vanish when the viewer comes near, twelve copies varied in one action', async ({
  page,
}) => {
  const crabs = Array.from({ length: 12 }, (_, i) => ({
    ...newSolid(id(`crab${i}`), 'box', 0, { kind: 'world', surface: 'floor' }),
    name: i === 0 ? 'Crab' : `Crab ${i + 1}`,
    extent: [0.12, 0.12, 0.12],
    colour: '#143cff',
    move: [-0.5 + (i % 4) * 0.33, 0.06, -0.6 - Math.floor(i / 4) * 0.35],
  })) as EffectObject[];
  const effectId = await opened(page, 'Crabs', crabs);
  await page.getByRole('button', { name: 'Crab', exact: true }).click();
  for (let i = 2; i <= 12; i++)
    await page.getByRole('button', { name: `Crab ${i}`, exact: true }).click({ modifiers: ['Control'] });
  const cue = await addCue(page, 'viewer comes near');
  await choose(cue, 'Near which object', 'Crab 6');
  await fill(cue, 'Threshold', 0.8);
  await doing(cue, 'move');
  await fill(cue, 'x, cm', 150);
  await fill(cue, 'Duration, seconds', 1);
  await cue.getByRole('button', { name: 'Vary: each a little otherwise' }).click();
  await nextBeat(page, cue, 'hide');
  const effect = await docOf(page, effectId);
  const [made] = Object.values(effect.cues);
  expect(made!.triggers[0]).toMatchObject({
    kind: 'level',
    when: 'falls',
    level: 0.8,
    signal: { kind: 'apart', from: null },
  });
  const [moves] = made!.beats[0]!.actions;
  expect(moves!.targets).toHaveLength(12);
  expect(moves!.vary).toMatchObject({ delay: 0.6, speed: 0.2, amount: 0.2 });
  // On this take nobody walks near: the cue says how near it was, and one click mends it.
  await expect(cue.getByText(/went down to [\d.]+, needs less than 0.80/)).toBeVisible();
  const before = (await docOf(page, effectId)).cues;
  await cue.getByRole('button', { name: /^Raise to/ }).click();
  await expect(cue.getByText(/Fires at/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(cue.getByText(/needs less than 0.80/)).toBeVisible();
  expect((await docOf(page, effectId)).cues).toEqual(before);
  await page.getByRole('button', { name: /^Redo/ }).click();
  const finder = finderOf(page);
  const fired = Number(/(\d+\.\d+) s/.exec((await cue.getByText(/Fires at/).textContent())!)![1]);
  const duration = Number(
    await page.getByRole('slider', { name: 'Time in the take' }).getAttribute('aria-valuemax'),
  );
  await seekShare(page, Math.max(0, fired - 0.1) / duration);
  await expect.poll(async () => (await pixelsWhere(finder, blueish)).share).toBeGreaterThan(0.004);
  await seekShare(page, Math.min(0.99, (fired + 3.2) / duration));
  await expect.poll(async () => (await pixelsWhere(finder, blueish)).share).toBeLessThan(0.0005);
});

test('a curve is drawn by its handles and beats are dragged over time', async ({ page }) => {
  const effectId = await opened(page, 'Curve', [flat('Lamp', '#143cff')]);
  await select(page, 'Lamp');
  const cue = await addCue(page, 'effect starts');
  await doing(cue, 'move');
  await cue.getByRole('button', { name: /^Curve/ }).click();
  await cue.getByRole('button', { name: 'Drawn' }).click();
  const grip = cue.getByRole('slider', { name: 'First handle' });
  const box = (await grip.boundingBox())!;
  await page.mouse.move(box.x + 6, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y - 40, { steps: 6 });
  await page.mouse.up();
  const action = async () => Object.values((await docOf(page, effectId)).cues)[0]!.beats[0]!.actions[0]!;
  const { easing } = await action();
  expect(easing).toMatchObject({ kind: 'bezier' });
  const handles = (easing as { handles: number[] }).handles;
  expect(handles[0]).toBeGreaterThan(0.4);
  expect(handles[1]).toBeGreaterThan(0.4);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect
    .poll(async () => ((await action()).easing as { handles: number[] }).handles)
    .toEqual([0.25, 0.1, 0.25, 1]);
  await nextBeat(page, cue, 'hide');
  const bar = cue.getByRole('slider', { name: /^move by/ });
  const at = (await bar.boundingBox())!;
  await page.mouse.move(at.x + 8, at.y + 5);
  await page.mouse.down();
  await page.mouse.move(at.x + 108, at.y + 5, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await action()).delay).toBeGreaterThan(0.04);
  await bar.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await action()).duration).toBeCloseTo(0.45, 5);
});
