/**
 * People and hair as they are found in a camera picture, against the truth of the takes: every performer, the head held four ways. Intersection over union, and for hair
 * the share that is found and the share of what is found that is none. People come from the shipped finder, hair is judged from them as the stage does.
 * Bare skin of a face is judged over whole performances, in which a hand or a mug comes before it: of skin the share that is taken for covered, of what covers
 * it the share that is told.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import { startServer } from '../e2e/harness/server';
import type { SkinCounts, SkinPage, SkinRequest } from '../e2e/harness/skin-page';
import type { DrawRequest, TakePage } from '../e2e/harness/take-page';
import { guessHair } from '../src/core/face/seen/hair-guess';
import { hairInWhole, hairMatte } from '../src/core/face/seen/hair-matte';
import { headSeen } from '../src/core/face/seen/head-seen';
import { performanceOf, PERFORMERS, screenTest } from '../src/core/takes/library';
import { makeTake } from '../src/core/takes/make-take';
import type { PeopleMask } from '../src/core/tracking/people-mask';
import { median, report } from './report';
import { lookAt, startWorker } from './worker-page';

const PERFORMANCE = 'turn-and-mouth';
const COVERED = ['hand-over-face', 'drinks'];
const SHARES = [0.02, 0.2, 0.45, 0.7];
const [WIDTH, HEIGHT] = [360, 640];
/** The stage judges hair in a copy of 240 pixels. */
const SMALL = { width: 135, height: 240 };
/** What the shader takes for a person. */
const [SURE_FROM, SURE_TO] = [0.25 * 255, 0.75 * 255];
const only = process.argv.slice(2);

interface Overlap {
  readonly iou: number;
  readonly found: number;
  readonly wrong: number;
}
/** Of two masks of the same size; `wrong` is the share of what was found that is not there. */
const overlap = (found: ArrayLike<number>, truth: ArrayLike<number>): Overlap => {
  let [both, foundAll, truthAll] = [0, 0, 0];
  for (let i = 0; i < truth.length; i++) {
    const [a, b] = [found[i]! >= 128, truth[i]! >= 128];
    if (a) foundAll++;
    if (b) truthAll++;
    if (a && b) both++;
  }
  const either = foundAll + truthAll - both;
  return {
    iou: either === 0 ? 1 : both / either,
    found: truthAll === 0 ? 1 : both / truthAll,
    wrong: foundAll === 0 ? 0 : (foundAll - both) / foundAll,
  };
};
const resized = async (
  grey: Uint8Array,
  from: { width: number; height: number },
  to: { width: number; height: number },
): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp(grey, { raw: { ...from, channels: 1 } })
      .resize(to.width, to.height, { fit: 'fill', kernel: 'linear' })
      .extractChannel(0)
      .raw()
      .toBuffer(),
  );
/** RGBA of a picture from the lower left. */
const rawPixels = async (url: string, to: { width: number; height: number }): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'))
      .resize(to.width, to.height, { fit: 'fill' })
      .flip()
      .ensureAlpha()
      .raw()
      .toBuffer(),
  );
/** Rows in the other order. */
const flipped = (grey: Uint8Array, width: number): Uint8Array => {
  const out = new Uint8Array(grey.length);
  for (let at = 0; at < grey.length; at += width)
    out.set(grey.subarray(at, at + width), grey.length - width - at);
  return out;
};

const addedUp = (all: readonly SkinCounts[]): SkinCounts => {
  const sum = (key: keyof SkinCounts): number => all.reduce((total, counts) => total + counts[key], 0);
  return {
    skin: sum('skin'),
    skinCalledCovered: sum('skinCalledCovered'),
    covered: sum('covered'),
    coveredFound: sum('coveredFound'),
    hair: sum('hair'),
    hairFound: sum('hairFound'),
  };
};
/** Nothing there is nothing missed. */
const share = (of: number, all: number): number => (all === 0 ? 1 : of / all);
const reportSkin = (name: string, all: SkinCounts): void => {
  const bare = all.skin - all.skinCalledCovered;
  const wrong = all.covered - all.coveredFound + all.hair - all.hairFound;
  report({
    name,
    value: share(bare, all.skin + wrong),
    unit: 'of 1',
    skinCalledCovered: Number(share(all.skinCalledCovered, all.skin).toFixed(4)),
    coveredFound: Number(share(all.coveredFound, all.covered).toFixed(3)),
    hairFound: Number(share(all.hairFound, all.hair).toFixed(3)),
    hairShare: Number(share(all.hair, all.skin + all.covered + all.hair).toFixed(3)),
  });
};

const data = mkdtempSync(join(tmpdir(), 'iconia-bench-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const drawer = await openBlank(browser, 'e2e/harness/take-page.ts');
  const page = await browser.newPage();
  await page.goto(`${server.base}/`);
  await startWorker(page, '/trackers/person-worker.js', {
    kind: 'start',
    base: '/trackers/selfie_segmentation/',
  });
  const skinPage = await openBlank(browser, 'e2e/harness/skin-page.ts');
  const all = { person: [] as number[], hair: [] as number[], skin: [] as SkinCounts[] };
  for (const { id } of PERFORMERS) {
    if (only.length > 0 && !only.includes(id)) continue;
    const { duration } = performanceOf(PERFORMANCE);
    const take = makeTake(screenTest(id, PERFORMANCE, duration));
    const of = { person: [] as number[], hair: [] as Overlap[] };
    for (const share of SHARES) {
      const time = share * duration;
      const frame = take.frameAt(time);
      const request: DrawRequest = {
        take: `screen-test-${id}/${PERFORMANCE}`,
        time,
        width: WIDTH,
        height: HEIGHT,
        mime: 'image/jpeg',
      };
      const url = await drawer.evaluate(
        (r) => (window as unknown as { takePage: TakePage }).takePage.draw(r),
        request,
      );
      const truthOf = async (what: 'people' | 'hair'): Promise<Uint8Array> =>
        new Uint8Array(
          Buffer.from(
            await drawer.evaluate(
              ([r, what]) => (window as unknown as { takePage: TakePage }).takePage.mask(r, what),
              [request, what] as const,
            ),
            'base64',
          ),
        );
      const { seen } = await lookAt<{ mask: PeopleMask }>(page, url, frame.camera.fovY, 2);
      const { width, height } = seen.mask;
      const edge = (v: number): number => (255 * (v - SURE_FROM)) / (SURE_TO - SURE_FROM);
      const sure = Uint8Array.from(seen.mask.alpha, (v) => Math.min(255, Math.max(0, edge(v))));
      const people = flipped(await resized(sure, { width, height }, { width: WIDTH, height: HEIGHT }), WIDTH);
      of.person.push(overlap(people, await truthOf('people')).iou);
      const small = await rawPixels(url, SMALL);
      const smallPeople = flipped(await resized(sure, { width, height }, SMALL), SMALL.width);
      const head = headSeen(
        frame.faces[0]!,
        frame,
        frame.camera.fovY,
        WIDTH / HEIGHT,
        SMALL.width,
        SMALL.height,
      );
      if (!head) continue;
      const guess = guessHair({ ...SMALL, data: small }, smallPeople, head);
      const whole = await rawPixels(url, { width: WIDTH, height: HEIGHT });
      const matte = hairMatte({ ...SMALL, data: small }, guess);
      const hair = hairInWhole(matte, SMALL, { data: whole, width: WIDTH, height: HEIGHT });
      of.hair.push(
        overlap(
          hair.map((v) => 255 * v),
          await truthOf('hair'),
        ),
      );
    }
    const hair = (pick: (o: Overlap) => number): number => median(of.hair.map(pick));
    report({ name: `mask.person.${id}.iou`, value: median(of.person), unit: 'of 1' });
    report({
      name: `mask.hair.${id}.iou`,
      value: hair((o) => o.iou),
      unit: 'of 1',
      found: Number(hair((o) => o.found).toFixed(3)),
      wrong: Number(hair((o) => o.wrong).toFixed(3)),
    });
    const skin: SkinCounts[] = [];
    for (const performance of COVERED)
      skin.push(
        await skinPage.evaluate(
          (request) => (window as unknown as { skinPage: SkinPage }).skinPage.judge(request),
          { performer: id, performance, width: 180, height: 320, rate: 15, compare: 5 } satisfies SkinRequest,
        ),
      );
    reportSkin(`mask.skin.${id}.iou`, addedUp(skin));
    all.skin.push(...skin);
    all.person.push(...of.person);
    all.hair.push(...of.hair.map((o) => o.iou));
  }
  report({ name: 'mask.person.iou', value: median(all.person), unit: 'of 1' });
  report({ name: 'mask.hair.iou', value: median(all.hair), unit: 'of 1' });
  reportSkin('mask.skin.iou', addedUp(all.skin));
} finally {
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
