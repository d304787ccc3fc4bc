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
/** At 30 pictures a second: two seconds a moment, for trackers that manage a few pictures a second. */
const HELD = 60;

/** The lens the application assumes for a camera of this shape: 62 degrees over the longer side. */
export const CLIP_FOV_Y =
  (2 * Math.atan(Math.tan((62 * Math.PI) / 360) * (CLIP_HEIGHT / CLIP_WIDTH)) * 180) / Math.PI;

/** Draws the clip and writes it as a sequence of JPEG pictures. */
export const writeClip = async (file: string): Promise<void> => {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  try {
    const page = await openBlank(browser, 'e2e/harness/take-page.ts');
    const frames: Buffer[] = [];
    for (const [i, time] of CLIP_MOMENTS.entries()) {
      const url = await page.evaluate(
        (request) => (window as unknown as { takePage: TakePage }).takePage.draw(request),
        {
          time,
          width: CLIP_WIDTH,
          height: CLIP_HEIGHT,
          fovY: CLIP_FOV_Y,
          mime: 'image/jpeg',
          stamp: i + 1,
        },
      );
      const picture = Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
      for (let n = 0; n < HELD; n++) frames.push(picture);
    }
    writeFileSync(file, Buffer.concat(frames));
  } finally {
    await browser.close();
  }
};
