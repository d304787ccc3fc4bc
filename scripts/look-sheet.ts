/**
 * Draws a look on six skin tones with four faces each, and two turned heads, in one picture to be judged: npm run look-sheet [LOOK]
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
import { performerOf } from '../src/core/takes/library/performers';
import type { Expressions } from '../src/core/tracking/track-frame';

/** One performer of each skin tone, from I to VI. */
const PEOPLE = ['wren', 'ines', 'marin', 'asha', 'halima', 'nkem'] as const;
const both = (name: string, v: number): Expressions => ({ [`${name}Left`]: v, [`${name}Right`]: v });
/** Turned heads last: nothing may float or stay behind when somebody turns. */
const FACES: readonly { readonly face: Expressions; readonly turn?: readonly [number, number, number] }[] = [
  { face: {} },
  { face: { ...both('mouthSmile', 0.9), ...both('cheekSquint', 0.7), ...both('mouthUpperUp', 0.4) } },
  { face: { jawOpen: 0.75, ...both('browOuterUp', 0.6), browInnerUp: 0.6, ...both('eyeWide', 0.6) } },
  { face: { ...both('eyeBlink', 1), mouthPucker: 0.9 } },
  { face: {}, turn: [4, 38, 0] },
  { face: { ...both('mouthSmile', 0.6) }, turn: [-14, -32, 8] },
];
const [WIDTH, HEIGHT, GAP] = [300, 360, 6];

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
  for (const [row, person] of PEOPLE.entries())
    for (const [column, { face, turn }] of FACES.entries()) {
      const url = await page.evaluate(
        (s) => (window as unknown as { facePage: FacePage }).facePage.photo(s),
        {
          effect,
          files,
          take: `screen-test-${person}`,
          time: 0,
          expressions: face,
          ...(turn ? { turn } : {}),
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
  const tones = PEOPLE.map((p) => performerOf(p).tone);
  if (new Set(tones).size !== 6) throw new Error(`Six tones are wanted; these are ${tones.join()}.`);
  const file = `docs/contact-sheets/look-${name}.jpg`;
  writeFileSync(
    file,
    await sharp({
      create: {
        width: GAP + FACES.length * (WIDTH + GAP),
        height: GAP + PEOPLE.length * (HEIGHT + GAP),
        channels: 3,
        background: '#777777',
      },
    })
      .composite(parts)
      .jpeg({ quality: 86 })
      .toBuffer(),
  );
  console.log(file);
} finally {
  await browser.close();
}
