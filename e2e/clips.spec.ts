/** A creator's own clip: brought in, tracked, scrubbed like a take, used in Try, and nothing of it sent anywhere. */
import { blankEffect } from '../src/core/document/defaults';
import { newCue } from '../src/core/document/new-cues';
import type { CueId, Effect, EffectObject, ObjectId } from '../src/core/document/schema';
import { newAction } from '../src/core/kinds/actions/actions';
import { newHair } from '../src/core/kinds/objects/hair';
import { newCard } from '../src/core/kinds/objects/card';
import { openBlank } from './harness/blank-page';
import { paintedFrom, SCREEN } from './harness/behave';
import {
  createEffect,
  drawnOut,
  furthest,
  keptPicture,
  lookAt,
  meanAround,
  seekShare,
  shareOf,
} from './harness/pages';
import type { TakePage } from './harness/take-page';
import { printTideCard, tideCard, type TideCard } from './harness/tide-card';
import { expect, test } from './harness/test';
import type { Browser, Page } from '@playwright/test';

const MAGENTA = [255, 0, 220] as const;

type Shot = Parameters<TakePage['film']>[0][number];
/** A silent film of takes, as a file. */
const filmed = async (browser: Browser, name: string, shots: readonly Shot[], printed?: TideCard) => {
  const maker = await openBlank(browser, 'e2e/harness/take-page.ts');
  if (printed) await printTideCard(maker, printed);
  const film = await maker.evaluate(
    (shots) => (window as unknown as { takePage: TakePage }).takePage.film(shots),
    shots,
  );
  await maker.close();
  return { name: `${name}.webm`, mimeType: 'video/webm', buffer: Buffer.from(film, 'base64') };
};
/** Brings a film in, until it is the take. */
const bringIn = async (page: Page, file: Awaited<ReturnType<typeof filmed>>): Promise<void> => {
  await page.getByRole('region', { name: 'Your own clips' }).getByLabel('Your own clip').setInputFiles(file);
  await expect(page.locator('.finder').getByText(file.name.replace('.webm', ''))).toBeVisible({
    timeout: 120_000,
  });
  await drawnOut(page);
};

/** An effect with a lantern on the forehead, opened in Try. */
const tryLantern = async (page: Page): Promise<void> => {
  const asset = await keptPicture(page, 'lantern', '#ff00dc', 100, 100);
  const card = newCard('obj_lantern' as ObjectId, asset, 0);
  const id = await createEffect(page, 'Lantern', {
    ...blankEffect('Lantern'),
    assets: { [asset.id]: asset },
    objects: { [card.id]: card },
  });
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
};

test('a clip of one’s own: tracked once, its marks found, scrubbed, a cue fires on it, kept, deleted', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const size = { width: 360, height: 480 };
  // Nobody at first; then a face, the mouth open, and the mouth closed again.
  const yard = await filmed(browser, 'In the yard', [
    { take: 'walk-floor', time: 0, seconds: 0.6, ...size },
    { time: 0.3, seconds: 0.6, ...size },
    { time: 6.1, seconds: 0.6, ...size },
    { time: 0.3, seconds: 0.6, ...size },
  ]);
  const asset = await keptPicture(page, 'lantern', '#ff00dc', 100, 100);
  const card = { ...newCard('obj_lantern' as ObjectId, asset, 0), visible: false };
  const cue = newCue('cue_mouth' as CueId, 'mouthOpens', 0, [
    { id: 'beat_show', actions: [newAction('act_show', 'show', card.id)] },
  ]);
  // In the colour of the picture's middle, which is another before there is a face.
  const white = await keptPicture(page, 'white', '#ffffff', 40, 40);
  const probe = {
    ...newCard('obj_probe' as ObjectId, white, 1),
    anchor: SCREEN,
    move: [0, -0.06, 0],
    extent: [0.03, 0.03],
  } as EffectObject;
  const paint = paintedFrom(probe.id, 0.5, 0.5);
  const effect: Effect = {
    ...blankEffect('Lantern'),
    assets: { [asset.id]: asset, [white.id]: white },
    objects: { [card.id]: card, [probe.id]: probe },
    cues: { [cue.id]: cue },
    circuits: { [paint.id]: paint },
  };
  const sent: string[] = [];
  page.on('request', (request) => {
    if ((request.postDataBuffer()?.length ?? 0) > 20_000) sent.push(request.url());
  });
  const id = await createEffect(page, 'Lantern', effect);
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);

  // What is no clip is said, and the take stays.
  const mine = page.getByRole('region', { name: 'Your own clips' });
  await mine.getByLabel('Your own clip').setInputFiles({
    name: 'letter.mp4',
    mimeType: 'video/mp4',
    buffer: Buffer.from('This is no video at all.'),
  });
  await expect(mine.getByRole('alert')).toContainText('letter.mp4 is');
  // Cancelled, nothing of it is left.
  await mine.getByLabel('Your own clip').setInputFiles(yard);
  await mine.getByRole('button', { name: 'Cancel' }).click();
  await expect(mine.getByRole('button', { name: 'Bring in your own clip' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^In the yard/ })).toHaveCount(0);

  await mine.getByLabel('Your own clip').setInputFiles(yard);
  await expect(mine.getByText('In the yard is being tracked')).toBeVisible();
  await expect(page.locator('.finder').getByText('In the yard')).toBeVisible({ timeout: 120_000 });
  await drawnOut(page);
  // Its marks lie on the strip, read from what was tracked.
  await expect(page.locator('.strip').getByText('mouth open')).toBeVisible();
  await expect(page.locator('.strip').getByText('no face')).toBeVisible();
  // The cue fires where the mouth opens.
  const fired = page.locator('ul.fired li');
  const firedAt = async (): Promise<number> =>
    (await fired.count()) === 1 ? parseFloat((await fired.first().innerText()).match(/[\d.]+/)![0]) : 0;
  // What happened on the take before may still stand there.
  await expect.poll(async () => Math.abs((await firedAt()) - 1.4)).toBeLessThan(0.25);

  // Scrubbed: first nobody, then a face; the lantern is lit after the mouth was open, where the forehead is.
  const canvas = page.locator('.finder canvas');
  const lit = async (share: number): Promise<number> => {
    await seekShare(page, share);
    await drawnOut(page);
    return shareOf(canvas, MAGENTA);
  };
  /** The picture, and how far what is painted is from the picture's middle. */
  const seen = async (): Promise<[Uint8Array, number]> => {
    const picture = await lookAt(canvas);
    return [picture.data, furthest(meanAround(picture, 0.5, 0.5, 0.05), meanAround(picture, 0.5, 0.9, 0.02))];
  };
  await expect(page.locator('.finder').getByText('Reading the colours')).toHaveCount(0, { timeout: 30_000 });
  expect(await lit(0.05)).toBe(0);
  const [floor, floorPainted] = await seen();
  expect(await lit(0.4)).toBe(0);
  const [face, facePainted] = await seen();
  // Each moment shows its own picture.
  const apart = floor.reduce((sum, v, i) => sum + Math.abs(v - face[i]!), 0) / floor.length;
  expect(apart).toBeGreaterThan(20);
  expect(facePainted).toBeLessThan(30);
  expect(floorPainted).toBeLessThan(30);
  expect(await lit(0.95)).toBeGreaterThan(0.005);
  await expect(page.getByTestId('readings')).toBeVisible();
  expect(sent).toEqual([]);

  // It is there again after a reload, and can be deleted.
  await page.reload();
  await expect(page.locator('.finder').getByText('In the yard')).toBeVisible();
  await page.goto('/takes');
  const item = page.getByRole('listitem', { name: 'In the yard' });
  await expect(item).toBeVisible();
  await expect(item.locator('img')).toBeVisible();
  await item.getByRole('button', { name: 'Delete In the yard' }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(item).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('listitem', { name: 'Hand over face' })).toBeVisible();
  await expect(page.getByRole('listitem', { name: 'In the yard' })).toHaveCount(0);
});

test('a face that is too far away for the tracker is shown to it, and tracked from there', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const far = await filmed(browser, 'Far away', [
    { time: 0.3, seconds: 0.5, width: 480, height: 640, fovY: 140 },
  ]);
  await tryLantern(page);
  await bringIn(page, far);
  const canvas = page.locator('.finder canvas');
  expect(await shareOf(canvas, MAGENTA)).toBe(0);

  const correction = page.getByRole('region', { name: 'Correct the clip' });
  await correction.getByRole('button', { name: 'Show the face' }).click();
  // A box that has no face in it: that is said, and the clip stays.
  const upper = correction.getByRole('group', { name: 'Upper left corner' });
  const lower = correction.getByRole('group', { name: 'Lower right corner' });
  const box = async (x: number, y: number, right: number, bottom: number): Promise<void> => {
    await upper.getByRole('spinbutton', { name: 'From the left' }).fill(String(x));
    await upper.getByRole('spinbutton', { name: 'From the top' }).fill(String(y));
    await lower.getByRole('spinbutton', { name: 'From the left' }).fill(String(right));
    await lower.getByRole('spinbutton', { name: 'From the top' }).fill(String(bottom));
  };
  await box(2, 2, 14, 12);
  await correction.getByRole('button', { name: 'Track from here' }).click();
  await expect(correction.getByRole('alert')).toContainText('A face cannot be seen there', {
    timeout: 60_000,
  });

  // Around the head, the last corner dragged in the picture.
  await correction.getByRole('button', { name: 'Show the face' }).click();
  await box(42, 42, 70, 58);
  const handle = page.getByRole('button', { name: 'Lower right corner; arrow keys move it' });
  const from = (await handle.boundingBox())!;
  const frame = (await canvas.boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  // The view shows three quarters of the picture's width.
  await page.mouse.move(frame.x + (0.5 + 0.08 / 0.75) * frame.width, frame.y + 0.58 * frame.height);
  await page.mouse.up();
  await expect(lower.getByRole('spinbutton', { name: 'From the left' })).toHaveValue(/^5[78]/);
  await correction.getByRole('button', { name: 'Track from here' }).click();
  await expect.poll(() => shareOf(canvas, MAGENTA), { timeout: 60_000 }).toBeGreaterThan(0);
  await seekShare(page, 0.9);
  await drawnOut(page);
  expect(await shareOf(canvas, MAGENTA)).toBeGreaterThan(0);

  // Taken back, nobody is found in it again.
  await correction.getByRole('button', { name: 'Take the last back' }).click();
  await expect.poll(() => shareOf(canvas, MAGENTA)).toBe(0);
  await expect(correction.getByRole('button', { name: 'Take the last back' })).toBeHidden();
  // On another stage no corners are left over the picture.
  await correction.getByRole('button', { name: 'Show the face' }).click();
  await expect(handle).toBeVisible();
  await page.getByRole('button', { name: 'Place', exact: true }).click();
  await expect(handle).toHaveCount(0);
});

test('a printed picture is shown by its corners, and lies on its own patches from there', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const card = await tideCard(page);
  const held = await filmed(
    browser,
    'Held',
    [{ take: 'picture-in-hand', time: 0, seconds: 0.5, width: 480, height: 640 }],
    card,
  );
  const id = await createEffect(page, 'Tide', card.effect);
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  await bringIn(page, held);
  const correction = page.getByRole('region', { name: 'Correct the clip' });
  const numbers = correction.getByRole('spinbutton');
  const corners = async (): Promise<number[]> => {
    await correction.getByRole('button', { name: 'Show Tide card' }).click();
    return numbers.evaluateAll((all) => all.map((field) => parseFloat((field as HTMLInputElement).value)));
  };
  const found = await corners();
  expect(found).toHaveLength(8);
  // Two of its corners a little off: it is brought onto the frame.
  await numbers.nth(0).fill(String(found[0]! + 1));
  await numbers.nth(5).fill(String(found[5]! - 1));
  await correction.getByRole('button', { name: 'Track from here' }).click();
  await correction.getByRole('button', { name: 'Take the last back' }).waitFor({ timeout: 60_000 });
  const now = await corners();
  expect(Math.max(...now.map((v, i) => Math.abs(v - found[i]!)))).toBeLessThan(0.35);
  // Inside out it cannot be seen: that is said.
  const [x, y] = [found[2]!, found[3]!];
  await numbers.nth(2).fill(String(found[6]!));
  await numbers.nth(3).fill(String(found[7]!));
  await numbers.nth(6).fill(String(x));
  await numbers.nth(7).fill(String(y));
  await correction.getByRole('button', { name: 'Track from here' }).click();
  await expect(correction.getByRole('alert')).toContainText('The picture cannot be seen there', {
    timeout: 60_000,
  });
});

test('a clip whose size changes in the midst of it keeps its face, and the shape of its first picture', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const turned = await filmed(browser, 'Turned', [
    { time: 0.3, seconds: 0.4, width: 360, height: 480 },
    { time: 0.3, seconds: 0.4, width: 480, height: 360 },
  ]);
  await tryLantern(page);
  await bringIn(page, turned);
  const canvas = page.locator('.finder canvas');
  const shares: number[] = [];
  for (const share of [0.2, 0.8]) {
    await seekShare(page, share);
    await drawnOut(page);
    shares.push(await shareOf(canvas, MAGENTA));
  }
  expect(Math.min(...shares)).toBeGreaterThan(0.0005);
  // Lying within the upright picture it is smaller.
  expect(shares[1]!).toBeLessThan(0.8 * shares[0]!);
});

test('hair is dyed in the picture that is shown, also where the clip stands still', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const size = { width: 360, height: 480 };
  const clip = await filmed(browser, 'Comes in', [
    { take: 'walk-floor', time: 0, seconds: 0.4, ...size },
    { time: 0.3, seconds: 0.4, ...size },
  ]);
  const dye = { ...newHair('obj_hairdye' as ObjectId, 0), tint: '#ff00dc', opacity: 1, roots: 0 };
  const id = await createEffect(page, 'Dye', { ...blankEffect('Dye'), objects: { [dye.id]: dye } });
  await page.goto(`/effects/${id}/try`);
  await drawnOut(page);
  await bringIn(page, clip);
  const dyed = async (share: number): Promise<number> => {
    await seekShare(page, share);
    await drawnOut(page);
    const { data } = await lookAt(page.locator('.finder canvas'));
    let hits = 0;
    // Much more red and blue than green.
    for (let i = 0; i < data.length; i += 3)
      if (data[i]! > data[i + 1]! + 25 && data[i + 2]! > data[i + 1]! + 25) hits++;
    return hits / (data.length / 3);
  };
  expect(await dyed(0.1)).toBe(0);
  await expect.poll(() => dyed(0.9)).toBeGreaterThan(0.01);
  // From the far end of what is kept decoded, and back.
  expect(await dyed(0.1)).toBe(0);
  await page.reload();
  await drawnOut(page);
  expect(await dyed(0.1)).toBe(0);
  expect(await dyed(0.9)).toBeGreaterThan(0.01);
});
