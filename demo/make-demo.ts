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
  ModelAsset,
  SequenceAsset,
  SoundAsset,
  TableAsset,
} from '../src/core/document/schema';
import { readEffect } from '../src/core/document/migrations';
import { writePackage } from '../src/core/package/effect-package';
import { readCube } from '../src/core/assets/colour/cube';
import { deepBooth } from './deep-booth';
import { crabCatch } from './crab-catch';
import { boothIcon, icon, kelpBand, kelpFan, saltIcon } from './kelp-artwork';
import { jellyDrift } from './jelly-drift';
import { kelpCrown } from './kelp-crown';
import { inspectModel } from '../src/core/assets/models/inspect';
import { partFacts } from '../src/core/assets/models/part-facts';
import { openGlb } from '../src/core/assets/models/open-model';
import { peaksOf } from '../src/core/assets/sounds/sound';
import { sounds } from '../stock/make/sounds';
import { crabIcon, jellyIcon, tideIcon } from './tide-artwork';
import { tideCard } from './tide-card';
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

/** Sounds are made by a script, so their lengths and waveforms are known without decoding. */
const stockSound = (name: string): SoundAsset => {
  const file = name.toLowerCase();
  const { ref } = stock(`sounds/${file}.webm`, 'audio/webm');
  const { sound } = sounds().find((s) => s.name === name)!;
  const duration = sound.channels[0]!.length / sound.rate;
  return {
    ...shared(file, name, ref),
    kind: 'sound',
    duration,
    channels: sound.channels.length,
    sampleRate: sound.rate,
    peaks: peaksOf(sound),
    loop: null,
    prep: null,
  };
};
const stockModel = async (path: string, name: string): Promise<ModelAsset> => {
  const { ref, bytes } = stock(path, 'model/gltf-binary');
  const refused = (): never => {
    throw new Error(`${path} needs a decoder`);
  };
  const document = await openGlb(bytes, name, { draco: refused, ktx2: refused } as never);
  const facts = inspectModel(document);
  const {
    triangles,
    vertices,
    parts,
    materials,
    textures,
    texturePixels,
    textureBytes,
    bones,
    likely,
    low,
    high,
    clips,
    morphs,
  } = facts;
  return {
    ...shared(name.toLowerCase(), name, ref),
    kind: 'model',
    triangles,
    vertices,
    parts,
    tree: partFacts(document),
    materials,
    textures,
    texturePixels,
    textureBytes,
    bones,
    likely,
    low: [...low],
    high: [...high],
    clips: clips.map((c) => ({ ...c })),
    morphs: [...morphs],
    prep: null,
  };
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
    icon: await picture('kelp-icon.png', icon()),
    chime: stockSound('Bubbles'),
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
pack(
  jellyDrift({
    jellyfish: await stockModel('creatures/jellyfish.glb', 'Jellyfish'),
    glimmer: stockSound('Glimmer'),
    icon: await picture('jelly-icon.png', jellyIcon()),
  }),
  'jelly-drift',
);
pack(
  crabCatch({
    crab: await stockModel('creatures/crab.glb', 'Crab'),
    icon: await picture('crab-icon.png', crabIcon()),
  }),
  'crab-catch',
);
pack(
  tideCard({
    card: await stockPicture('pictures/tide-card.webp', 'Tide card'),
    ferry: await stockPicture('pictures/ferry.webp', 'Ferry'),
    lighthouse: await stockPicture('pictures/lighthouse.webp', 'Lighthouse'),
    wave: await stockPicture('pictures/wave.webp', 'Wave'),
    surf: stockSound('Surf'),
    horn: stockSound('Foghorn'),
    icon: await picture('tide-icon.png', tideIcon()),
  }),
  'tide-card',
);
