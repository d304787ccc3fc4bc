/** Draws the demo artwork and packs the demo effects: npm run demo. The results are kept in the repository. */
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { newPicture } from '../src/core/document/defaults';
import type {
  Asset,
  AssetId,
  Effect,
  FileMime,
  FileRef,
  PictureAsset,
  SequenceAsset,
  TableAsset,
} from '../src/core/document/schema';
import { readEffect } from '../src/core/document/migrations';
import { writePackage } from '../src/core/package/effect-package';
import { readCube } from '../src/core/assets/colour/cube';
import { deepBooth } from './deep-booth';
import { boothIcon, bubbles, icon, kelpBand, kelpFan, saltIcon } from './kelp-artwork';
import { kelpCrown } from './kelp-crown';
import { saltGlow } from './salt-glow';

mkdirSync('demo/artwork', { recursive: true });
mkdirSync('demo/packages', { recursive: true });

const files = new Map<string, Uint8Array>();
const picture = async (name: string, svg: string): Promise<PictureAsset> => {
  const { data, info } = await sharp(Buffer.from(svg))
    .png({ compressionLevel: 9, palette: true, quality: 92 })
    .toBuffer({ resolveWithObject: true });
  const bytes = new Uint8Array(data);
  writeFileSync(`demo/artwork/${name}`, bytes);
  const id = `asset_${name.replace(/\.\w+$/, '')}` as AssetId;
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  files.set(sha256, bytes);
  return newPicture(id, name, { sha256, mime: 'image/png', bytes: bytes.length }, info.width, info.height);
};

/** A file of the stock, as it is when a creator brings it in. */
const stock = (path: string, mime: FileMime): { readonly ref: FileRef; readonly bytes: Uint8Array } => {
  const bytes = new Uint8Array(readFileSync(`stock/${path}`));
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  files.set(sha256, bytes);
  return { ref: { sha256, mime, bytes: bytes.length }, bytes };
};
const shared = (id: string, name: string, file: FileRef): Omit<Asset, 'kind'> => ({
  id: `asset_${id}` as AssetId,
  name,
  files: [file],
  original: null,
  preview: null,
  from: null,
});
const stockPicture = async (path: string, name: string): Promise<PictureAsset> => {
  const { ref, bytes } = stock(path, 'image/webp');
  const { width, height } = await sharp(bytes).metadata();
  return newPicture(`asset_${name.toLowerCase().replace(/ /g, '-')}` as AssetId, name, ref, width, height);
};
const stockSequence = async (
  path: string,
  name: string,
  [columns, rows, frames, rate]: readonly [number, number, number, number],
): Promise<SequenceAsset> => {
  const { ref, bytes } = stock(path, 'image/webp');
  const { width, height } = await sharp(bytes).metadata();
  return {
    ...shared('rising', name, ref),
    kind: 'sequence',
    width: width / columns,
    height: height / rows,
    sheet: [width, height],
    grid: { columns, rows, margin: 0, gap: 0 },
    frames,
    rate,
    prep: null,
    brought: null,
  };
};
const stockTable = (path: string, name: string): TableAsset => {
  const { ref, bytes } = stock(path, 'text/x-cube');
  const { size, dimensions } = readCube(bytes, name);
  return { ...shared('deep', name, ref), kind: 'table', dimensions, size };
};

const pack = (made: Effect, name: string): void => {
  const zip = writePackage(readEffect(made), 1, ({ sha256 }) => files.get(sha256)!);
  writeFileSync(`demo/packages/${name}.zip`, zip);
  console.log(`demo/packages/${name}.zip: ${zip.length} bytes`);
};

pack(
  kelpCrown({
    fan: await picture('kelp-fan.png', kelpFan()),
    band: await picture('kelp-band.png', kelpBand()),
    bubbles: await picture('bubbles.png', bubbles()),
    icon: await picture('kelp-icon.png', icon()),
  }),
  'kelp-crown',
);
pack(
  deepBooth({
    water: await stockPicture('pictures/deep-water.webp', 'Deep water'),
    bubbles: await stockSequence('sequences/bubbles-rising.webp', 'Bubbles rising', [6, 6, 32, 16]),
    deep: stockTable('tables/deep.cube', 'Deep'),
    icon: await picture('booth-icon.png', boothIcon()),
  }),
  'deep-booth',
);
pack(
  saltGlow({
    crystals: await stockPicture('masks/glitter.webp', 'Crystals'),
    freckles: await stockPicture('masks/freckles.webp', 'Freckles'),
    icon: await picture('salt-icon.png', saltIcon()),
  }),
  'salt-glow',
);
