/**
 * Draws what each starter looks like into src/atelier/starters/pictures: npm run starter-pictures [ID...]
 * Run it again after starters, their stock or performers have changed; build first.
 */
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { STARTERS } from '../src/atelier/starters/starters';

const PORT = 4189;
const FOLDER = 'src/atelier/starters/pictures';
/** The share of the take at which a starter shows itself best. */
const AT: Record<string, number> = { 'head-piece': 0.18, 'make-up': 0.33, printed: 0.1, picture: 0 };
/** Which part of the picture's height is cut out: the middle of it. */
const MIDDLE: Record<string, number> = { floor: 0.56, sticker: 0.5, printed: 0.48, two: 0.36 };
const only = process.argv.slice(2);
mkdirSync(FOLDER, { recursive: true });
const data = mkdtempSync(join(tmpdir(), 'iconia-starters-'));
const server = spawn(process.execPath, ['dist/server/main.js', '--port', String(PORT), '--data', data], {
  stdio: 'inherit',
});
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  for (let i = 0; i < 120; i++) {
    const up = await fetch(`http://127.0.0.1:${PORT}/healthz`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) break;
    await new Promise((next) => setTimeout(next, 250));
  }
  for (const starter of STARTERS) {
    if (starter.id === 'blank' || (only.length > 0 && !only.includes(starter.id))) continue;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    page.on('console', (m) => m.type() === 'error' && console.log(m.text().slice(0, 300)));
    page.on('pageerror', (e) => console.log(String(e).slice(0, 300)));
    await page.goto(`http://127.0.0.1:${PORT}/`);
    await page.getByRole('button', { name: new RegExp(`^${starter.name}`) }).click();
    const finder = page.locator('.finder canvas');
    await finder.waitFor();
    const track = page.getByRole('slider', { name: 'Time in the take' });
    const box = (await track.boundingBox())!;
    await page.mouse.click(box.x + (AT[starter.id] ?? 0.02) * box.width, box.y + 20);
    // Until the Viewfinder has stopped drawing.
    for (let quiet = 0, last = ''; quiet < 4;) {
      await page.waitForTimeout(700);
      const now = (await finder.getAttribute('data-drawn'))!;
      quiet = now === last ? quiet + 1 : 0;
      last = now;
    }
    await page.addStyleTag({
      content:
        '.finder * { visibility: hidden !important } .finder canvas { visibility: visible !important }',
    });
    const shot = sharp(await finder.screenshot());
    const { width, height } = await shot.metadata();
    const tall = Math.round(width * 0.74);
    const top = Math.round(
      Math.min(height - tall, Math.max(0, (MIDDLE[starter.id] ?? 0.36) * height - tall / 2)),
    );
    const picture = await shot
      // Without the rim, which may be half of what is behind it.
      .extract({ left: 2, top, width: width - 4, height: tall })
      .resize(360)
      .webp({ quality: 80 })
      .toBuffer();
    writeFileSync(`${FOLDER}/${starter.id}.webp`, picture);
    console.log(`${starter.id}.webp ${Math.round(picture.length / 1024)} kB`);
    if (process.env.KEEP_PAGES)
      await page.screenshot({ path: join(process.env.KEEP_PAGES, `${starter.id}.png`) });
    await page.close();
  }
} finally {
  await browser.close();
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
