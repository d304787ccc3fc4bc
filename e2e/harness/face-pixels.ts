/** What tests of faces in pixels share: layers on a neutral face before a plain colour, or on a take, and what is seen. */
import type { Page } from '@playwright/test';
import { expect, test } from './test';
import { blankEffect } from '../../src/core/document/defaults';
import { newLayer, type LayerOf } from '../../src/core/kinds/objects/layer';
import type { Effect, EffectObject, Layer, ObjectId } from '../../src/core/document/schema';
import type { Spot } from '../../src/core/face/skin-spot';
import type { Rgb } from '../../src/core/maths/blend';
import { openBlank } from './blank-page';
import type { FaceDrawing, FacePage, FaceSpec } from './face-page';

let opened: Page | null = null;
/** One page for all tests of a worker, as long as its browser. */
export const openFacePage = (): void => {
  test.beforeAll(async ({ browser }) => {
    if (!opened || opened.isClosed())
      opened = await openBlank(browser, 'e2e/harness/face-page.ts', { smooth: false });
  });
};

export const SIZE = 240;
export interface Picture extends FaceDrawing {
  colour(at: readonly [number, number]): Rgb;
  readonly data: Buffer;
}
/** Draws in the page that is open. */
export const draw = async (spec: Partial<FaceSpec> & { effect: Effect }): Promise<Picture> => {
  const page = opened!;
  const drawing = await page.evaluate((s) => (window as unknown as { facePage: FacePage }).facePage.draw(s), {
    width: SIZE,
    height: SIZE,
    ...spec,
  });
  const data = Buffer.from(drawing.pixels, 'base64');
  const width = spec.width ?? SIZE;
  return {
    ...drawing,
    data,
    colour: ([x, y]) => {
      const i = 4 * (Math.floor(y) * width + Math.floor(x));
      return [data[i]! / 255, data[i + 1]! / 255, data[i + 2]! / 255];
    },
  };
};
export type Spec = LayerOf &
  Partial<Pick<Layer, 'maskedBy' | 'maskedOut' | 'coversEyes' | 'coversMouth' | 'givesWay'>>;
export const id = (i: number) => `obj_layer${i}` as ObjectId;
/** Layers from the topmost to the lowest. */
export const look = (...layers: Spec[]): Effect => ({
  ...blankEffect('Face'),
  objects: Object.fromEntries(layers.map((of, i) => [id(i), { ...newLayer(id(i), of, i), ...of } as Layer])),
});
export const whole = (change: Spec = {}): Spec => ({ region: 'face', ...change });
export const near = (seen: Rgb, wanted: Rgb, by = 3): void =>
  wanted.forEach((c, i) =>
    expect(
      Math.abs(seen[i]! - c) * 255,
      `${seen.map((x) => x * 255).join()} against ${wanted.map((x) => x * 255).join()}`,
    ).toBeLessThanOrEqual(by),
  );
export const CHEEK: Spot = [0.33, 0.55];
export const SKIN: Rgb = [0.72, 0.52, 0.42];
export const colour = `vec3(${SKIN.join(', ')})`;
export const bare = blankEffect('Bare');
/** An effect of one object. */
export const one = (object: EffectObject): Effect => ({ ...bare, objects: { [object.id]: object } });
/** Whether a pixel of two pictures differs by more than `by` of 255 in any channel. */
export const changedAt = (a: Picture, b: Picture, [x, y]: readonly [number, number], by = 4): boolean =>
  a.colour([x, y]).some((c, i) => Math.abs(c - b.colour([x, y])[i]!) * 255 > by);
