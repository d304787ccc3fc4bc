/** The clip that stands before the fake camera: moments of the shipped take, each held for a while. */
import { chromium } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { CHROMIUM, CHROMIUM_ARGS } from '../chromium';
import { openBlank } from './blank-page';
import type { TakePage } from './take-page';

export const CLIP_WIDTH = 640;
export const CLIP_HEIGHT = 480;
/** Moments of the take; which one is shown is stamped into the picture's lower left corner. */
export const CLIP_MOMENTS = [0.3, 1.0, 1.55, 2.75, 3.35, 3.68, 6.1, 8.1] as const;
/** At 30 pictures a second: a second and a half a moment, for trackers that manage a few pictures a second. */
const HELD = 45;

/** The lens the application assumes for a camera of this shape: 62 degrees over the longer side. */
export const CLIP_FOV_Y =
  (2 * Math.atan(Math.tan((62 * Math.PI) / 360) * (CLIP_HEIGHT / CLIP_WIDTH)) * 180) / Math.PI;

export interface ClipMoment {
  readonly take?: string;
  readonly time: number;
  /** Pictures that show it. */
  readonly held?: number;
}
/** What the clip of a printed picture shows: held nearer and farther, taken away, held again. */
export const PICTURE_MOMENTS: readonly ClipMoment[] = [
  { take: 'picture-in-hand', time: 0, held: 36 },
  { take: 'picture-in-hand', time: 1.7, held: 36 },
  { take: 'picture-in-hand', time: 7.7, held: 36 },
  // Long enough to be missed.
  { take: 'picture-leaving', time: 5.1, held: 75 },
  { take: 'picture-leaving', time: 10, held: 36 },
];
/** In which of them there is none. */
export const PICTURE_GONE = 3;

/** What the clip of a hand shows: an open palm, a fist, a finger that points; then no hand. */
export const HAND_MOMENTS: readonly ClipMoment[] = [
  { take: 'gestures', time: 2, held: 45 },
  { take: 'gestures', time: 4.4, held: 45 },
  { take: 'gestures', time: 9, held: 30 },
  { take: 'gestures', time: 0, held: 60 },
];

/** Draws a clip and writes it as a sequence of JPEG pictures; `print` is printed on the pictures of its takes. */
export const writeClip = async (
  file: string,
  moments: readonly ClipMoment[] = CLIP_MOMENTS.map((time) => ({ time })),
  print: Buffer | null = null,
): Promise<void> => {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  try {
    const page = await openBlank(browser, 'e2e/harness/take-page.ts');
    if (print)
      await page.evaluate(
        (url) => (window as unknown as { takePage: TakePage }).takePage.print(url),
        `data:image/webp;base64,${print.toString('base64')}`,
      );
    const frames: Buffer[] = [];
    for (const [i, { held = HELD, ...moment }] of moments.entries()) {
      const url = await page.evaluate(
        (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
        {
          ...moment,
          width: CLIP_WIDTH,
          height: CLIP_HEIGHT,
          fovY: CLIP_FOV_Y,
          mime: 'image/jpeg',
          stamp: i + 1,
        },
      );
      const picture = Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
      for (let n = 0; n < held; n++) frames.push(picture);
    }
    writeFileSync(file, Buffer.concat(frames));
  } finally {
    await browser.close();
  }
};
