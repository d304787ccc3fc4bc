/** Makes everything that ships as stock: npm run stock. The results are kept in the repository. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import type { Document } from '@gltf-transform/core';
import sharp, { type Sharp } from 'sharp';
import { CHROMIUM, CHROMIUM_ARGS } from '../../e2e/chromium';
import { openBlank } from '../../e2e/harness/blank-page';
import { writeCube } from '../../src/core/assets/colour/cube';
import { writeGlb } from '../../src/core/assets/models/open-model';
import { packNumbers } from '../../src/core/assets/models/prepare';
import { QUIET } from '../../src/core/assets/models/quiet';
import { writeRadiance } from '../../src/core/assets/surroundings/radiance';
import { peaksOf } from '../../src/core/assets/sounds/sound';
import { shrinkFloat } from '../../src/core/assets/surroundings/float-raster';
import { catalogueSchema, type StockGroup, type StockItem } from '../../src/core/stock/catalogue';
import { creatures } from './creatures';
import { dotsSvg, maskRaster, neutralHead, MASKED, REGION_LABELS, templateSvg } from './face-layout';
import { sequences, sheets, type Film } from './frames';
import { icons } from './icons';
import { jewellery } from './jewellery';
import { surroundings, swatch, tables } from './light-and-colour';
import { pictures } from './pictures';
import { solids } from './solids';
import { sounds } from './sounds';
import type { StockPage } from './page';
import { textures } from './textures';

const items: StockItem[] = [];
const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
const fresh = [
  'solids',
  'jewellery',
  'creatures',
  'sequences',
  'sheets',
  'pictures',
  'icons',
  'textures',
  'masks',
  'surroundings',
  'sounds',
  'tables',
  'fonts',
  'layout',
  'previews',
];
for (const folder of fresh) {
  rmSync(`stock/${folder}`, { recursive: true, force: true });
  mkdirSync(`stock/${folder}`, { recursive: true });
}

const put = (
  group: StockGroup,
  name: string,
  about: string,
  folder: string,
  ending: string,
  bytes: Uint8Array,
  preview: Uint8Array | 'itself' | null,
  more: Partial<Pick<StockItem, 'sheet' | 'download'>> = {},
): void => {
  const id = slug(`${folder} ${name}`);
  const file = `${folder}/${slug(name)}.${ending}`;
  writeFileSync(`stock/${file}`, bytes);
  if (preview instanceof Uint8Array) writeFileSync(`stock/previews/${id}.webp`, preview);
  items.push({
    id,
    name,
    group,
    about,
    file,
    preview: preview === null ? null : preview === 'itself' ? file : `previews/${id}.webp`,
    bytes: bytes.length,
    sheet: more.sheet ?? null,
    download: more.download ?? false,
  });
};
const small = (picture: Sharp, side = 224): Promise<Uint8Array> =>
  picture.resize(side, side, { fit: 'inside', withoutEnlargement: true }).webp({ quality: 84 }).toBuffer();

/** A waveform as a small picture. */
const waveSvg = (peaks: readonly number[]): string => {
  const [w, h] = [224, 120];
  const most = Math.max(...peaks, 0.01);
  const bar = (p: number, i: number): string => {
    const half = Math.max(1, (p / most) * 44);
    return `<rect x="${((i + 0.2) * w) / peaks.length}" y="${h / 2 - half}" width="${(0.6 * w) / peaks.length}" height="${2 * half}" rx="1"/>`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}"><g fill="#0f6b62">${peaks.map(bar).join('')}</g></svg>`;
};

const base64 = (bytes: Uint8Array): string =>
  Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('base64');
const inPage = <T>(
  page: Page,
  call: (stock: StockPage, args: T) => Promise<string>,
  args: T,
): Promise<Uint8Array> =>
  page
    .evaluate(
      ([source, a]) =>
        // oxlint-disable-next-line no-eval -- the page's own scripts, sent as text
        (0, eval)(`(${source as string})`)(
          (window as unknown as { stockPage: StockPage }).stockPage,
          a,
        ) as Promise<string>,
      [call.toString(), args] as const,
    )
    .then((text) => new Uint8Array(Buffer.from(text, 'base64')));

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
try {
  const page = await openBlank(browser, 'stock/make/page.ts');

  const models = async (
    group: StockGroup,
    folder: string,
    documents: Map<string, Document>,
    about: (name: string, d: Document) => string,
  ): Promise<void> => {
    for (const [name, document] of documents) {
      document.setLogger(QUIET);
      const words = about(name, document);
      await packNumbers(document);
      const glb = await writeGlb(document);
      put(
        group,
        name,
        words,
        folder,
        'glb',
        glb,
        await inPage(page, (stock, text: string) => stock.preview(text), base64(glb)),
      );
    }
  };
  const clips = (d: Document): string =>
    d
      .getRoot()
      .listAnimations()
      .map((a) => a.getName())
      .join(', ');
  await models('Solids', 'solids', solids(), () => 'Ten centimetres large');
  await models('Jewellery', 'jewellery', jewellery(), (_n, d) =>
    clips(d) ? `With the clip ${clips(d)}` : 'In true size',
  );
  await models('Sea creatures', 'creatures', creatures(), (_n, d) => `With the clip ${clips(d)}`);

  for (const { name, about, sound } of sounds()) {
    const [channel] = sound.channels;
    const bytes = await inPage(
      page,
      (stock, a: { samples: string; rate: number }) => stock.sound(a.samples, a.rate, 64),
      { samples: base64(new Uint8Array(channel!.buffer)), rate: sound.rate },
    );
    put(
      'Sounds',
      name,
      about,
      'sounds',
      'webm',
      bytes,
      await small(sharp(Buffer.from(waveSvg(peaksOf(sound, 60))))),
    );
  }

  const drawn = (film: Film, i: number): Promise<Buffer> =>
    sharp(
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" width="${film.size}" height="${film.size}" viewBox="0 0 ${film.size} ${film.size}">${film.svg(i / film.frames)}</svg>`,
      ),
    )
      .png()
      .toBuffer();
  const sheetOf = async (film: Film, columns: number, rows: number): Promise<Sharp> => {
    const frames = await Promise.all(Array.from({ length: film.frames }, (_, i) => drawn(film, i)));
    return sharp({
      create: { width: columns * film.size, height: rows * film.size, channels: 4, background: '#0000' },
    }).composite(
      frames.map((input, i) => ({
        input,
        left: (i % columns) * film.size,
        top: Math.floor(i / columns) * film.size,
      })),
    );
  };
  for (const film of sequences()) {
    const columns = Math.ceil(Math.sqrt(film.frames));
    const rows = Math.ceil(film.frames / columns);
    const sheet = await (
      await sheetOf(film, columns, rows)
    )
      .webp({ quality: 86, alphaQuality: 90 })
      .toBuffer();
    const still = sharp(await drawn(film, Math.floor(film.frames * 0.35)));
    put(
      'Sequences',
      film.name,
      `${film.about}; ${film.frames} frames`,
      'sequences',
      'webp',
      sheet,
      await small(still),
      {
        sheet: { grid: { columns, rows, margin: 0, gap: 0 }, frames: film.frames, rate: film.rate },
      },
    );
  }
  for (const film of sheets()) {
    const png = await (
      await sheetOf(film, film.columns, film.rows)
    )
      .png({ compressionLevel: 9, palette: true, quality: 90 })
      .toBuffer();
    put(
      'Sprite sheets',
      `${film.name} ${film.columns}x${film.rows}`,
      film.about,
      'sheets',
      'png',
      png,
      await small(sharp(png)),
    );
  }
  for (const { name, about, svg } of pictures()) {
    const bytes = await sharp(Buffer.from(svg)).webp({ quality: 88, alphaQuality: 95 }).toBuffer();
    put('Pictures', name, about, 'pictures', 'webp', bytes, await small(sharp(bytes), 224));
  }
  for (const { name, svg } of await icons()) {
    const bytes = await sharp(Buffer.from(svg)).png({ palette: true, compressionLevel: 9 }).toBuffer();
    put('Icons', name, 'For the controls of a viewer', 'icons', 'png', bytes, 'itself');
  }
  for (const { name, about, raster } of textures()) {
    const picture = sharp(Buffer.from(raster.data), {
      raw: { width: raster.width, height: raster.height, channels: 4 },
    });
    // Normals are numbers: nothing of them is given away.
    const bytes = await (
      name.includes('normals')
        ? picture.removeAlpha().webp({ lossless: true })
        : picture.webp({ quality: 84, alphaQuality: 90 })
    ).toBuffer();
    put('Textures', name, about, 'textures', 'webp', bytes, await small(sharp(bytes), 160));
  }

  const MASK = 1024;
  const mask = async (name: string, white: Sharp): Promise<void> => {
    const bytes = await white.clone().webp({ quality: 80, alphaQuality: 92 }).toBuffer();
    // White on white shows nothing: the small picture lies on ink.
    const shown = await sharp({ create: { width: MASK, height: MASK, channels: 3, background: '#2c3438' } })
      .composite([{ input: await white.png().toBuffer() }])
      .png()
      .toBuffer();
    put(
      'Make-up masks',
      name,
      'White with transparency, in the face layout',
      'masks',
      'webp',
      bytes,
      await small(sharp(shown), 160),
    );
  };
  const raw = { width: MASK, height: MASK, channels: 4 } as const;
  for (const name of MASKED) await mask(REGION_LABELS[name], sharp(maskRaster(name, MASK), { raw }));
  await mask('Freckles', sharp(Buffer.from(dotsSvg('freckles', MASK))));
  await mask('Glitter', sharp(Buffer.from(dotsSvg('glitter', MASK))));

  for (const { name, about, light } of surroundings()) {
    const seen = shrinkFloat(light, 192, 96);
    const rgb = Buffer.from(
      Uint8Array.from(seen.data, (v) => Math.round(255 * Math.min(1, (v * 1.2) / (v + 0.6)) ** (1 / 2.2))),
    );
    put(
      'Light surroundings',
      name,
      about,
      'surroundings',
      'hdr',
      writeRadiance(light),
      await small(sharp(rgb, { raw: { width: 192, height: 96, channels: 3 } })),
    );
  }
  for (const { name, about, table } of tables()) {
    const [w, h] = [160, 100];
    const rgb = Buffer.from(
      Array.from({ length: w * h }, (_, i) =>
        swatch(table, (i % w) / w, Math.floor(i / w) / h).map((c) =>
          Math.round(255 * Math.min(1, Math.max(0, c))),
        ),
      ).flat(),
    );
    put(
      'Colour tables',
      name,
      about,
      'tables',
      'cube',
      writeCube(table),
      await small(sharp(rgb, { raw: { width: w, height: h, channels: 3 } })),
    );
  }
  for (const [name, about, file] of [
    [
      'Hanken Grotesk',
      'Clear, for prompts',
      '@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2',
    ],
    [
      'Bricolage Grotesque',
      'For headlines',
      '@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2',
    ],
    [
      'JetBrains Mono',
      'All letters equally wide',
      '@fontsource-variable/jetbrains-mono/files/jetbrains-mono-latin-wght-normal.woff2',
    ],
    ['Caveat', 'Handwriting', '@fontsource/caveat/files/caveat-latin-700-normal.woff2'],
    ['Bungee', 'Signs', '@fontsource/bungee/files/bungee-latin-400-normal.woff2'],
    [
      'Playfair Display',
      'Posters',
      '@fontsource/playfair-display/files/playfair-display-latin-700-normal.woff2',
    ],
    ['Righteous', 'Neon', '@fontsource/righteous/files/righteous-latin-400-normal.woff2'],
  ] as const) {
    const bytes = new Uint8Array(readFileSync(`node_modules/${file}`));
    await page.setContent(
      `<style>@font-face{font-family:F;src:url(data:font/woff2;base64,${base64(bytes)})}body{margin:0;width:224px;height:120px;display:grid;place-items:center;font:44px F;color:#1d2327;background:#fcfaf7}</style><body>Tide 7</body>`,
    );
    await page.evaluate(() => document.fonts.ready);
    const shot = await page.screenshot({ clip: { x: 0, y: 0, width: 224, height: 120 } });
    put('Fonts', name, about, 'fonts', 'woff2', bytes, await small(sharp(shot)));
  }

  const template = templateSvg(2048);
  const paper = sharp({
    create: { width: 2048, height: 2048, channels: 4, background: '#ffffff' },
  }).composite([{ input: await sharp(Buffer.from(template)).png().toBuffer() }]);
  const png = await paper.png({ palette: true, compressionLevel: 9 }).toBuffer();
  put(
    'Face layout',
    'Face template (PNG)',
    'The layout with names, to paint on',
    'layout',
    'png',
    png,
    await small(sharp(png)),
    { download: true },
  );
  put(
    'Face layout',
    'Face template (SVG)',
    'The layout with a group for each region',
    'layout',
    'svg',
    Buffer.from(template),
    await small(sharp(png)),
    { download: true },
  );
  const head = neutralHead().setLogger(QUIET);
  const blank = await openBlank(browser, 'stock/make/page.ts');
  const glb = await writeGlb(head);
  put(
    'Face layout',
    'Neutral head',
    'With the layout’s UVs, to paint on in 3D',
    'layout',
    'glb',
    glb,
    await inPage(blank, (stock, text: string) => stock.preview(text), base64(glb)),
  );
} finally {
  await browser.close();
}
writeFileSync('stock/catalogue.json', `${JSON.stringify(catalogueSchema.parse(items), null, 1)}\n`);
console.log(`${items.length} items, ${Math.round(items.reduce((s, i) => s + i.bytes, 0) / 1024)} kB`);
