/**
 * Draws the moving thumbnails of the takes that ship: npm run take-films [ID...]
 * Each is a row of frames from the whole take, in src/atelier/assets/take-films. Run it again after performers,
 * rooms or takes have changed.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { openBlank } from '../e2e/harness/blank-page';
import type { TakePage } from '../e2e/harness/take-page';
import { FILM_FRAMES, FILM_HEIGHT, FILM_WIDTH } from '../src/atelier/takes/film';
import { TAKE_SPECS } from '../src/core/takes/library';

const FOLDER = 'src/atelier/assets/take-films';
const only = process.argv.slice(2);
mkdirSync(FOLDER, { recursive: true });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'e2e/harness/take-page.ts');
  for (const { id, duration } of TAKE_SPECS) {
    if (only.length > 0 && !only.includes(id)) continue;
    const frames = [];
    for (let i = 0; i < FILM_FRAMES; i++) {
      const url = await page.evaluate((r) => (window as unknown as { takePage: TakePage }).takePage.draw(r), {
        take: id,
        time: ((i + 0.5) / FILM_FRAMES) * duration,
        // Drawn twice as large and made smaller: smoother edges.
        width: 2 * FILM_WIDTH,
        height: 2 * FILM_HEIGHT,
        detail: 'full' as const,
      });
      const frame = await sharp(Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'))
        .resize(FILM_WIDTH, FILM_HEIGHT)
        .png()
        .toBuffer();
      frames.push({ input: frame, left: i * FILM_WIDTH, top: 0 });
    }
    const film = await sharp({
      create: { width: FILM_WIDTH * FILM_FRAMES, height: FILM_HEIGHT, channels: 3, background: '#777' },
    })
      .composite(frames)
      .webp({ quality: 78 })
      .toBuffer();
    writeFileSync(`${FOLDER}/${id}.webp`, film);
    console.log(`${id}.webp ${Math.round(film.length / 1024)} kB`);
  }
} finally {
  await browser.close();
}
