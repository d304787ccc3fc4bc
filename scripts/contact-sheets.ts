/**
 * Draws the contact sheets in docs/contact-sheets: npm run contact-sheets [performers|close|takes|heads ID...]
 * `performers`: all twelve, four expressions each. `close`: all twelve from close by, in four lights; of some by their IDs larger, into the
 * system's temporary folder. `takes`: every take at a telling moment.
 * `heads ID...`: large pictures of single performers from three sides, to judge details, into the system's temporary folder.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import sharp, { type OverlayOptions } from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { DrawRequest, TakePage } from '../e2e/harness/take-page';
import { PERFORMERS, TAKE_SPECS } from '../src/core/takes/library';
import type { Expressions } from '../src/core/tracking/track-frame';

const FOLDER = 'docs/contact-sheets';
const both = (name: string, v: number): Expressions => ({ [`${name}Left`]: v, [`${name}Right`]: v });
const FACES: readonly Expressions[] = [
  {},
  {
    ...both('mouthSmile', 0.9),
    ...both('cheekSquint', 0.7),
    ...both('eyeSquint', 0.4),
    ...both('mouthUpperUp', 0.4),
  },
  { jawOpen: 0.75, ...both('browOuterUp', 0.6), browInnerUp: 0.6, ...both('eyeWide', 0.6) },
  { ...both('eyeBlink', 1), mouthPucker: 0.9 },
];
/** Seconds into each take at which it shows what it is about. */
const TELLING: Readonly<Record<string, number>> = {
  'solo-turn-and-mouth': 2,
  'slow-turn': 4.6,
  'nod-and-tilt': 6.8,
  mouth: 7,
  'pucker-and-blow': 6,
  'smile-and-wink': 2.2,
  talking: 1.2,
  brows: 4.8,
  'eyes-shut': 3,
  'close-and-far': 4,
  'close-eyes': 2.2,
  'close-lips': 9.5,
  'close-skin': 14,
  'hand-over-face': 5.4,
  gestures: 2,
  drink: 4.4,
  'two-people': 3.6,
  'three-people': 7,
  'dim-room': 2.5,
  'low-sun': 5,
  'skin-tones': 11,
  'walk-floor': 4,
  'round-table': 2,
  'along-wall': 4,
  'garden-path': 6,
  'picture-in-hand': 3,
  'picture-on-table': 4,
  'picture-tilting': 2.4,
  'picture-covered': 5,
  'picture-leaving': 4,
  'two-pictures': 3,
};

const draw = async (page: Page, request: DrawRequest): Promise<Buffer> => {
  const url = await page.evaluate(
    (r) => (window as unknown as { takePage: TakePage }).takePage.draw(r),
    request,
  );
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
};
const caption = (text: string, width: number): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="20"><text x="4" y="15" font-family="sans-serif" font-size="12" fill="#1d2327">${text}</text></svg>`,
  );
const sheet = async (width: number, height: number, parts: OverlayOptions[], file: string): Promise<void> => {
  mkdirSync(FOLDER, { recursive: true });
  const png = await sharp({ create: { width, height, channels: 3, background: '#f6f3ee' } })
    .composite(parts)
    .png({ palette: true, quality: 90 })
    .toBuffer();
  writeFileSync(file, png);
  console.log(file);
};

const performers = async (page: Page): Promise<void> => {
  const [w, h, gap] = [150, 190, 6];
  const parts: OverlayOptions[] = [];
  for (const [n, { id, name, tone }] of PERFORMERS.entries()) {
    const [column, row] = [n % 2, Math.floor(n / 2)];
    const [left, top] = [gap + column * (4 * w + 2 * gap), gap + row * (h + 26)];
    for (const [k, face] of FACES.entries())
      parts.push({
        input: await draw(page, {
          take: `screen-test-${id}`,
          time: 0,
          width: w,
          height: h,
          face,
          fovY: 34,
          detail: 'soft',
        }),
        left: left + k * w,
        top,
      });
    parts.push({ input: caption(`${name}, skin tone ${tone}`, 300), left, top: top + h });
  }
  await sheet(2 * (4 * w + 2 * gap) + gap, gap + 6 * (h + 26), parts, `${FOLDER}/performers.png`);
};

const takes = async (page: Page): Promise<void> => {
  const [w, h, gap, columns] = [135, 240, 6, 10];
  const parts: OverlayOptions[] = [];
  for (const [n, { id, name }] of TAKE_SPECS.entries()) {
    const [left, top] = [gap + (n % columns) * (w + gap), gap + Math.floor(n / columns) * (h + 26)];
    parts.push(
      {
        input: await draw(page, { take: id, time: TELLING[id] ?? 0, width: w, height: h, detail: 'soft' }),
        left,
        top,
      },
      { input: caption(name, w), left, top: top + h },
    );
  }
  const rows = Math.ceil(TAKE_SPECS.length / columns);
  await sheet(gap + columns * (w + gap), gap + rows * (h + 26), parts, `${FOLDER}/takes.png`);
};

/** Soft, even, dim and coloured, hard and coloured. */
const FOUR_LIGHTS = ['window', 'studio', 'dim', 'low-sun'] as const;
const close = async (page: Page, ids: readonly string[]): Promise<void> => {
  const some = ids.length > 0;
  const [w, h, columns] = some ? [400, 480, 1] : [220, 264, 2];
  const shown = PERFORMERS.filter(({ id }) => !some || ids.includes(id));
  const parts: OverlayOptions[] = [];
  for (const [n, { id }] of shown.entries())
    for (const [k, light] of FOUR_LIGHTS.entries())
      parts.push({
        input: await draw(page, {
          take: `screen-test-${id}`,
          time: 0,
          width: w,
          height: h,
          face: k === 3 ? { ...both('mouthSmile', 0.5), ...both('eyeBlink', 0.15) } : {},
          light,
          fovY: 26,
          detail: 'soft',
        }),
        left: ((n % columns) * FOUR_LIGHTS.length + k) * w,
        top: Math.floor(n / columns) * h,
      });
  await sheet(
    columns * FOUR_LIGHTS.length * w,
    Math.ceil(shown.length / columns) * h,
    parts,
    some ? join(tmpdir(), 'close.png') : `${FOLDER}/close.png`,
  );
};

const heads = async (page: Page, ids: readonly string[]): Promise<void> => {
  const [w, h] = [400, 520];
  const parts: OverlayOptions[] = [];
  for (const [row, id] of ids.entries())
    for (const [k, take] of ['neutral', 'slow-turn', 'mouth'].entries())
      parts.push({
        input: await draw(page, {
          take: `screen-test-${id}/${take}`,
          time: [0, 4.6, 7][k]!,
          width: w,
          height: h,
          fovY: 36,
          detail: 'soft',
        }),
        left: k * w,
        top: row * h,
      });
  await sheet(3 * w, ids.length * h, parts, join(tmpdir(), 'heads.png'));
};

const [what, ...ids] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/take-page.ts');
  if (what === 'heads') await heads(page, ids);
  if (what === undefined || what === 'close') await close(page, ids);
  if (what === undefined || what === 'performers') await performers(page);
  if (what === undefined || what === 'takes') await takes(page);
} finally {
  await browser.close();
}
