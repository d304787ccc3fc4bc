/** Colour tables, light surroundings, fonts. */
import { EXRLoader } from 'three/addons/loaders/EXRLoader.js';
import { FloatType } from 'three';
import { readCube } from '../../core/assets/colour/cube';
import { readFont } from '../../core/assets/fonts/font';
import { asRefusal } from '../../core/assets/refuse';
import { sniff } from '../../core/assets/sniff';
import { readExrHeader } from '../../core/assets/surroundings/exr-header';
import { peakOf, shrinkFloat, type FloatRaster } from '../../core/assets/surroundings/float-raster';
import { readRadiance, writeRadiance } from '../../core/assets/surroundings/radiance';
import type { SurroundingsPrep } from '../../core/document/schema';
import { result, type AssetDraft, type KeptBytes, type ReadResult } from '../drafts';
import { surroundingsPreview, tablePreview } from '../previews';

const own = (name: string): AssetDraft['from'] => ({ file: name, layer: null });

export const readTable = async (bytes: Uint8Array, name: string): Promise<ReadResult> => {
  const table = readCube(bytes, name);
  return result([
    {
      name,
      facts: { kind: 'table', dimensions: table.dimensions, size: table.size },
      files: [{ bytes, mime: 'text/x-cube' }],
      original: null,
      preview: await tablePreview(table),
      from: own(name),
    },
  ]);
};

export const readFontFile = (bytes: Uint8Array, name: string): ReadResult => {
  const { mime, ...facts } = readFont(bytes, name);
  return result([
    {
      name,
      facts: { kind: 'font', ...facts },
      files: [{ bytes, mime }],
      original: null,
      preview: null,
      from: own(name),
    },
  ]);
};

/** OpenEXR to plain numbers. Throws `IconiaError` `surroundings.*`. */
export const readExr = (bytes: Uint8Array, name: string): FloatRaster => {
  readExrHeader(bytes, name);
  try {
    const { width, height, data } = new EXRLoader().setDataType(FloatType).parse(bytes.slice().buffer) as {
      width: number;
      height: number;
      data: Float32Array;
    };
    const channels = data.length / (width * height);
    const rgb = new Float32Array(width * height * 3);
    // The loader gives rows from the bottom, as textures want them.
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        for (let c = 0; c < 3; c++) {
          const value = data[((height - 1 - y) * width + x) * channels + Math.min(c, channels - 1)]!;
          rgb[(y * width + x) * 3 + c] = Number.isFinite(value) ? Math.max(0, value) : 0;
        }
    return { width, height, data: rgb };
  } catch (cause) {
    throw asRefusal(cause, 'surroundings.broken', `${name} is a damaged OpenEXR picture. Export it again.`);
  }
};

const surroundingsDraft = async (
  { name, from }: Pick<AssetDraft, 'name' | 'from'>,
  light: FloatRaster,
  file: KeptBytes,
  prep: SurroundingsPrep | null,
): Promise<AssetDraft> => ({
  name,
  facts: { kind: 'surroundings', width: light.width, height: light.height, peak: peakOf(light), prep },
  files: [file],
  original: null,
  preview: await surroundingsPreview(light),
  from,
});

export const readSurroundings = async (bytes: Uint8Array, name: string): Promise<ReadResult> => {
  if (sniff(bytes) === 'radiance') {
    const light = readRadiance(bytes, name);
    return result([
      await surroundingsDraft({ name, from: own(name) }, light, { bytes, mime: 'image/vnd.radiance' }, null),
    ]);
  }
  const light = readExr(bytes, name);
  const file: KeptBytes = { bytes: writeRadiance(light), mime: 'image/vnd.radiance' };
  const asset = name.replace(/\.exr$/i, '.hdr');
  return result(
    [await surroundingsDraft({ name: asset, from: own(name) }, light, file, null)],
    [`${name} became a Radiance picture, which viewers’ devices open faster.`],
  );
};

export const prepareSurroundings = async (
  asset: Pick<AssetDraft, 'name' | 'from'>,
  original: KeptBytes,
  prep: SurroundingsPrep | null,
): Promise<AssetDraft> => {
  const light = readRadiance(original.bytes, asset.name);
  if (!prep || prep.width >= light.width) return surroundingsDraft(asset, light, original, null);
  const small = shrinkFloat(
    light,
    prep.width,
    Math.max(1, Math.round((prep.width * light.height) / light.width)),
  );
  return surroundingsDraft(asset, small, { bytes: writeRadiance(small), mime: 'image/vnd.radiance' }, prep);
};
