/** The face part of Style as tests go about it: begun, pieces chosen, strokes drawn, and what changed in the picture. */
import type { Page } from '@playwright/test';
import { blankEffect } from '../../src/core/document/defaults';
import { newLayer } from '../../src/core/kinds/objects/layer';
import type { Effect, Layer, ObjectId } from '../../src/core/document/schema';
import { blobOf, createEffect, drawnOut, lookAt, type Blob } from './pages';
import { finderOf, objectsOf, open } from './place';

export const toFace = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Style', exact: true }).click();
  await page.getByRole('tab', { name: 'Face', exact: true }).click();
};
export const begin = async (
  page: Page,
  name: string,
  effect: Effect = blankEffect(name),
  take = 'neutral',
) => {
  const id = await createEffect(page, name, effect);
  await open(page, id, take);
  await toFace(page);
  await drawnOut(page);
  return id;
};
export const piece = (page: Page, name: string) =>
  page.locator('.tile').filter({ hasText: new RegExp(`^\\s*${name}\\s*$`) });
/** Chooses from a list by its name. */
export const choose = async (page: Page, list: string, option: string): Promise<void> => {
  await page
    .locator('.ant-select')
    .filter({ has: page.locator(`[aria-label="${list}"]`) })
    .click();
  await page
    .locator('.ant-select-item-option:visible')
    .filter({ hasText: new RegExp(`^${option}$`) })
    .click();
};
export const layersOf = (effect: Effect): Layer[] =>
  objectsOf(effect).filter((o): o is Layer => o.kind === 'layer');
export type Seen = Awaited<ReturnType<typeof lookAt>>;
/** Where the picture has changed by more than `by` in all. */
export const changes = (before: Seen, after: Seen, by = 30): Blob =>
  blobOf(
    after,
    (r, g, b, i) =>
      Math.abs(r - before.data[i]!) + Math.abs(g - before.data[i + 1]!) + Math.abs(b - before.data[i + 2]!) >
      by,
  );
export const seen = async (page: Page): Promise<Seen> => {
  await drawnOut(page);
  return lookAt(finderOf(page));
};
/** A layer of plain blue on a region. */
export const blue = (change: Partial<Layer> = {}): Effect => {
  const layer = {
    ...newLayer('obj_blue1' as ObjectId, { name: 'Blue', region: 'lids', tint: '#0000ff' }, 0),
    ...change,
  };
  return { ...blankEffect('Blue'), objects: { [layer.id]: layer } };
};
export const dragOn = async (
  page: Page,
  selector: string,
  points: readonly (readonly [number, number])[],
) => {
  const box = (await page.locator(selector).boundingBox())!;
  const at = ([u, v]: readonly [number, number]) => [box.x + u * box.width, box.y + v * box.height] as const;
  await page.mouse.move(...at(points[0]!));
  await page.mouse.down();
  for (const point of points.slice(1)) await page.mouse.move(...at(point));
  await page.mouse.up();
};
