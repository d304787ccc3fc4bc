/**
 * Whole pieces of work made through the interface, with a count of what a hand does for them: clicks, drags, drops, keys and typed values.
 * Names on the command line choose some; `--pictures DIR` keeps a picture of each.
 */
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/chromium';
import { drawnOut, serverEffect } from '../e2e/harness/pages';
import { startServer } from '../e2e/harness/server';
import { Hand } from '../e2e/pieces/hand';
import { folderOf } from '../e2e/harness/drop';
import { pieceFiles } from '../e2e/pieces/files';
import { PIECES } from '../e2e/pieces/pieces';
import { report } from './report';

const [pictures, ...words] = ((): (string | undefined)[] => {
  const args = process.argv.slice(2);
  const at = args.indexOf('--pictures');
  return at < 0 ? [undefined, ...args] : [args[at + 1], ...args.filter((_, i) => i !== at && i !== at + 1)];
})();
if (pictures) mkdirSync(pictures, { recursive: true });

const folder = folderOf('pieces', await pieceFiles());
const data = mkdtempSync(join(tmpdir(), 'iconia-pieces-'));
const server = await startServer(data);
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
for (const [i, piece] of PIECES.entries()) {
  if (words.length > 0 && !words.some((word) => piece.name.includes(word!))) continue;
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: server.base });
  page.setDefaultTimeout(20_000);
  const hand = new Hand(page);
  try {
    await piece.make(hand, (name) => folder.file(name));
    await hand.saved();
    piece.proves(await serverEffect(page, /effects\/([^/]+)/.exec(page.url())![1]!));
    await drawnOut(page);
    report({ name: `pieces.${piece.name}`, value: hand.count, unit: `actions, at most ${piece.most}` });
    if (hand.count > piece.most) process.exitCode = 1;
  } catch (error) {
    console.log(`${piece.name}: not made after ${hand.count} actions: ${(error as Error).message}`);
    process.exitCode = 1;
  }
  if (pictures) await page.screenshot({ path: join(pictures, `${i + 1}.png`) });
  await page.close();
}
await browser.close();
await server.stop();
folder.remove();
rmSync(data, { recursive: true, force: true });
