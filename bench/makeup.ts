/**
 * Make-up: a face with twenty layers against one with two, a stroke of the brush until it is seen on the face, and what
 * retouch adds to a picture of 720 x 1280. Drawn by the browser, without a graphics card where there is none.
 */
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { FacePage, FaceSpec } from '../e2e/harness/face-page';
import { blankEffect } from '../src/core/document/defaults';
import { newLayer } from '../src/core/kinds/objects/layer';
import { newRetouch } from '../src/core/kinds/objects/retouch';
import type { Effect, EffectObject, ObjectId } from '../src/core/document/schema';
import { KIT } from '../src/core/makeup/kit';
import { median, report } from './report';

const FRAMES = 15;
const id = (i: number): ObjectId => `obj_bench${i}` as ObjectId;
const effectOf = (objects: readonly EffectObject[]): Effect => ({
  ...blankEffect('Bench'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
});
/** Pieces of the kit one after the other, from the start again when there are no more. */
const wearing = (count: number): Effect =>
  effectOf(
    Array.from({ length: count }, (_, i) => newLayer(id(i), { ...KIT[i % KIT.length]!.layer }, count - i)),
  );

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/face-page.ts');
  const time = async (spec: FaceSpec): Promise<number> => {
    const frames = await page.evaluate(
      ([s, n]) => (window as unknown as { facePage: FacePage }).facePage.time(s, n),
      [spec, FRAMES] as const,
    );
    // The first frames compile programs and flatten layers.
    return median(frames.slice(3));
  };
  const small = { width: 360, height: 640, take: 'neutral', time: 0.5 };
  // By turns, so that a machine that is slow for a while is so for both.
  const turns: { two: number; twenty: number }[] = [];
  for (let n = 0; n < 5; n++)
    turns.push({
      two: await time({ ...small, effect: wearing(2) }),
      twenty: await time({ ...small, effect: wearing(20) }),
    });
  const twenty = median(turns.map((t) => t.twenty));
  const two = median(turns.map((t) => t.two));
  report({ name: 'face.layers-20', value: twenty, unit: 'ms', ratio: twenty / two, against: '2 layers' });

  const stroke = await page.evaluate(
    ([s, layer]) => (window as unknown as { facePage: FacePage }).facePage.paint(s, layer, 20),
    [{ width: 360, height: 640, effect: wearing(1) } as FaceSpec, id(0) as string] as const,
  );
  report({ name: 'painter.stroke', value: median(stroke.slice(3)), unit: 'ms' });

  const large = { width: 720, height: 1280 };
  const plain = await time({ ...large, effect: blankEffect('Bench') });
  const retouched = await time({ ...large, effect: effectOf([newRetouch(id(0), 0)]) });
  report({ name: 'face.retouch', value: retouched - plain, unit: 'ms' });
} finally {
  await browser.close();
}
