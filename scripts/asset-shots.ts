/** The pictures of assets for the docs: what is brought in is stock and what the tests make, as a creator would. */
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { bubbles, kelpBand, kelpFan } from '../demo/kelp-artwork';
import { chosen } from '../e2e/harness/drop';
import { framesZip } from '../e2e/harness/files';
import { createEffect, tileOf } from '../e2e/harness/pages';

/** The artwork of the demo as layered artwork. */
const kelpOra = async (name: string) => {
  const drawn = (svg: string, width: number, mirrored = false): Promise<Buffer> =>
    sharp(Buffer.from(svg)).resize(width).flop(mirrored).png().toBuffer();
  const layers = [
    ['Bubbles', await drawn(bubbles(), 260), 370, 30, 'composite-op="svg:screen"'],
    ['Fan', await drawn(kelpFan(), 420), 290, 60, ''],
    ['Fan left', await drawn(kelpFan(), 300), 70, 190, 'opacity="0.9"'],
    ['Fan right', await drawn(kelpFan(), 300, true), 630, 190, 'opacity="0.9"'],
    ['Band', await drawn(kelpBand(), 900), 50, 330, ''],
  ] as const;
  const stack = layers.map(
    ([layer, , x, y, more], i) => `<layer name="${layer}" src="data/${i}.png" x="${x}" y="${y}" ${more}/>`,
  );
  const files = Object.fromEntries(layers.map(([, png], i) => [`data/${i}.png`, new Uint8Array(png)]));
  return chosen({
    name,
    bytes: zipSync({
      mimetype: [strToU8('image/openraster'), { level: 0 }],
      'stack.xml': strToU8(
        `<?xml version='1.0'?><image w="1000" h="700"><stack>${stack.join('')}</stack></image>`,
      ),
      ...files,
    }),
  });
};

type Shot = (page: Page) => Promise<void>;

const stock = (...files: string[]): string[] => files.map((file) => join('stock', file));
const report = (page: Page) => page.getByRole('region', { name: 'Import report' });
const opened = async (page: Page, name: string): Promise<void> => {
  const id = await createEffect(page, name);
  await page.goto(`/effects/${id}/place`);
};
type Chosen = ReturnType<typeof chosen>;
const bringIn = async (page: Page, files: (string | Chosen)[]): Promise<void> => {
  const named = files.filter((f) => typeof f === 'string');
  const made = files.filter((f): f is Chosen => typeof f !== 'string');
  for (const some of [named, made])
    if (some.length > 0) {
      await page.getByLabel('Choose files').setInputFiles(some as string[]);
      await expect(report(page).getByRole('status')).toContainText('came in', { timeout: 180_000 });
    }
};
const openLibrary = async (page: Page): Promise<void> => {
  await report(page).getByRole('button', { name: 'Put away' }).click();
  await page.getByRole('button', { name: 'Library', exact: true }).click();
};

const reef = async (page: Page): Promise<void> => {
  await opened(page, 'Reef at dusk');
  await bringIn(page, [
    ...stock(
      'creatures/jellyfish.glb',
      'creatures/fish.glb',
      'creatures/turtle.glb',
      'jewellery/tide-tiara.glb',
      'textures/fish-scales.webp',
      'textures/mother-of-pearl.webp',
      'masks/cheekbones.webp',
      'masks/lips.webp',
      'sheets/bubble-pops-4x4.png',
      'surroundings/evening-beach.hdr',
      'sounds/chime.webm',
      'sounds/surf.webm',
      'tables/moonlit.cube',
      'fonts/bungee.woff2',
    ),
    chosen(framesZip('bubbles.zip', 24, 128)),
    await kelpOra('kelp crown.ora'),
  ]);
};

export const assetShots: Record<string, Shot> = {
  library: async (page) => {
    await reef(page);
    await openLibrary(page);
    await tileOf(page, 'Fan').click();
  },
};
