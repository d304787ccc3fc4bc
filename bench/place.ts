/**
 * Placing in the real page: 500 objects selected and dragged by their handles, a Stack of 2,000 rows scrolled.
 * A frame is the time from one animation frame to the next while the pointer moves.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { startServer } from '../e2e/harness/server';
import { blankEffect } from '../src/core/document/defaults';
import { FOREHEAD } from '../src/core/kinds/objects/placed';
import { newSolid } from '../src/core/kinds/objects/solid';
import { changeObjects, type Common } from '../src/core/edits/object-edits';
import { History } from '../src/core/document/history';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { dragged } from '../src/core/placing/drag';
import { restBase, restOf } from '../src/core/placing/rest';
import { median, report } from './report';

const effectOf = (count: number): Effect => ({
  ...blankEffect(`${count} boxes`),
  objects: Object.fromEntries(
    Array.from({ length: count }, (_, i) => {
      const id = `obj_box${i}` as ObjectId;
      const move: [number, number, number] = [(i % 25) * 0.008 - 0.1, Math.floor(i / 25) * 0.008, 0.02];
      return [
        id,
        { ...newSolid(id, 'box', i, FOREHEAD), name: `Box ${i}`, move, extent: [0.005, 0.005, 0.005] },
      ];
    }),
  ),
});

// What the edit of a drag costs by itself: places, document, patches.
const base = effectOf(500);
const rest = restOf(base);
const held = Object.values(base.objects).map((object) => ({ object, base: restBase(rest, object) }));
const history = new History(base);
const edits: number[] = [];
for (let n = 1; n <= 40; n++) {
  const started = performance.now();
  const changes = new Map<ObjectId, Common>(
    held.map((h) => {
      const { move, turn, scale } = dragged(h, { kind: 'move', by: [n * 0.001, 0, 0] }, false);
      return [h.object.id, { move: [...move], turn: [...turn], scale: [...scale] }];
    }),
  );
  history.edit(changeObjects(history.effect, changes, 'Move'), 'drag');
  edits.push(performance.now() - started);
}
report({ name: 'place.drag-500.edit', value: median(edits), unit: 'ms' });

/** Times between animation frames while `act` runs. */
const framesOf = async (page: Page, act: () => Promise<void>): Promise<number[]> => {
  await page.evaluate(() => {
    const store = window as unknown as { frames: number[]; watching: boolean };
    store.frames = [];
    store.watching = true;
    let last = performance.now();
    const look = (now: number): void => {
      store.frames.push(now - last);
      last = now;
      if (store.watching) requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
  await act();
  return page.evaluate(() => {
    const store = window as unknown as { frames: number[]; watching: boolean };
    store.watching = false;
    return store.frames.slice(1);
  });
};

const data = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const open = async (effect: Effect): Promise<Page> => {
  const made = (await (
    await fetch(`${server.base}/api/effects`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(effect),
    })
  ).json()) as { id: string };
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.base}/effects/${made.id}/place`);
  await page.locator('[data-object]').first().waitFor();
  await page.waitForTimeout(8000);
  return page;
};

{
  const page = await open(effectOf(500));
  await page.locator('.space canvas').click({ position: { x: 20, y: 400 } });
  await page.keyboard.press('Control+a');
  await page.getByText('500 selected').waitFor();
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await page.waitForTimeout(2500);
  // The handles stand in the middle of all boxes; the arrow to the right of it.
  const canvas = (await page.locator('.space canvas').boundingBox())!;
  const [x, y] = [canvas.x + canvas.width / 2, canvas.y + canvas.height / 2];
  let grip: [number, number] | null = null;
  for (let dy = -220; dy <= 220 && !grip; dy += 6)
    for (const dx of [45, 60]) {
      await page.mouse.move(x + dx, y + dy);
      await page.mouse.move(x + dx + 1, y + dy);
      if ((await page.locator('.space canvas').evaluate((c) => c.style.cursor)) === 'grab')
        grip = [x + dx, y + dy];
      if (grip) break;
    }
  if (!grip) throw new Error('The handles of 500 objects could not be found.');
  await page.mouse.down();
  const [gx, gy] = grip;
  const frames = await framesOf(page, async () => {
    for (let n = 0; n < 40; n++) await page.mouse.move(gx + 2 * (n % 20), gy + n);
  });
  await page.mouse.up();
  await page.getByRole('button', { name: /^Undo: Move 500/ }).waitFor();
  report({ name: 'place.drag-500', value: median(frames), unit: 'ms a frame' });
  await page.close();
}
{
  const page = await open(effectOf(2000));
  const list = page.locator('.stack .list');
  await list.hover();
  const frames = await framesOf(page, async () => {
    for (let n = 0; n < 120; n++) await page.mouse.wheel(0, 400);
  });
  report({ name: 'place.stack-2000', value: median(frames), unit: 'ms a frame' });
  report({ name: 'place.stack-2000.worst', value: Math.max(...frames), unit: 'ms a frame' });
  await page.close();
}
await browser.close();
await server.stop();
rmSync(data, { recursive: true, force: true });
