/**
 * Draws a look on all twelve performers in four lights, and on turned heads, in one picture to be judged: npm run look-sheet [LOOK]
 * LOOK is a look of the make-up kit (`low-sun`, `tide-glass`...); without one it is that of the demo Salt Glow. The picture is
 * docs/contact-sheets/look-LOOK.jpg.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import sharp, { type OverlayOptions } from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { FacePage } from '../e2e/harness/face-page';
import { blankEffect } from '../src/core/document/defaults';
import { newLayer } from '../src/core/kinds/objects/layer';
import type { Effect, ObjectId } from '../src/core/document/schema';
import { KIT_LOOKS } from '../src/core/makeup/kit';
import { readPackage } from '../src/core/package/read-package';
import { PERFORMERS } from '../src/core/takes/library';
import type { Expressions } from '../src/core/tracking/track-frame';

const both = (name: string, v: number): Expressions => ({ [`${name}Left`]: v, [`${name}Right`]: v });
/** Soft, even, dim, and hard and coloured light; turned heads last: nothing may float or stay behind when somebody turns. */
const SHOTS: readonly {
  readonly lit: string;
  readonly face: Expressions;
  readonly turn?: readonly [number, number, number];
}[] = [
  { lit: 'window', face: {} },
  {
    lit: 'studio',
    face: { ...both('mouthSmile', 0.9), ...both('cheekSquint', 0.7), ...both('mouthUpperUp', 0.4) },
  },
  { lit: 'dim', face: { ...both('eyeBlink', 1), mouthPucker: 0.7 } },
  {
    lit: 'low-sun',
    face: { jawOpen: 0.6, ...both('browOuterUp', 0.6), browInnerUp: 0.6, ...both('eyeWide', 0.4) },
  },
  { lit: 'window', face: {}, turn: [4, 38, 0] },
  { lit: 'low-sun', face: both('mouthSmile', 0.6), turn: [-14, -32, 8] },
];
/** So many performers stand in a row. */
const ACROSS = 2;
const [WIDTH, HEIGHT, GAP] = [220, 264, 4];

const name = process.argv[2] ?? 'salt-glow';
const files: Record<string, string> = {};
const effectOf = (): Effect => {
  const look = KIT_LOOKS.find((l) => l.id === name);
  if (look) {
    const id = (i: number) => `obj_look${i}` as ObjectId;
    return {
      ...blankEffect(look.name),
      objects: Object.fromEntries(look.layers.map((of, i) => [id(i), newLayer(id(i), { ...of }, i)])),
    };
  }
  const opened = readPackage(new Uint8Array(readFileSync(`demo/packages/${name}.zip`)));
  for (const [sha256, { bytes }] of opened.files) files[sha256] = Buffer.from(bytes).toString('base64');
  return opened.effect;
};

const effect = effectOf();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/face-page.ts');
  const parts: OverlayOptions[] = [];
  for (const [n, { id }] of PERFORMERS.entries())
    for (const [k, shot] of SHOTS.entries()) {
      const [column, row] = [(n % ACROSS) * SHOTS.length + k, Math.floor(n / ACROSS)];
      const url = await page.evaluate(
        (s) => (window as unknown as { facePage: FacePage }).facePage.photo(s),
        {
          effect,
          files,
          take: `screen-test-${id}`,
          time: 0,
          lit: shot.lit,
          expressions: shot.face,
          ...(shot.turn ? { turn: shot.turn } : {}),
          width: WIDTH,
          height: HEIGHT,
          fovY: 27,
          detail: 'soft' as const,
        },
      );
      parts.push({
        input: Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'),
        left: GAP + column * (WIDTH + GAP),
        top: GAP + row * (HEIGHT + GAP),
      });
    }
  const file = `docs/contact-sheets/look-${name}.jpg`;
  writeFileSync(
    file,
    await sharp({
      create: {
        width: GAP + ACROSS * SHOTS.length * (WIDTH + GAP),
        height: GAP + (PERFORMERS.length / ACROSS) * (HEIGHT + GAP),
        channels: 3,
        background: '#777777',
      },
    })
      .composite(parts)
      .jpeg({ quality: 84 })
      .toBuffer(),
  );
  console.log(file);
} finally {
  await browser.close();
}
