/** One asset of each kind, for tests: made by rule. */
import { sampleAsset, sampleFile } from './sample';
import type { Asset, AssetId, FileMime, ModelAsset, SequenceAsset } from './schema';

const shared = (n: number, kind: string, name: string, mime: FileMime) => ({
  id: `asset_${kind}${n}` as AssetId,
  name,
  files: [{ ...sampleFile(5000 + n), mime }],
  original: null,
  preview: null,
  from: null,
});

/** A model of a shell; `n` tells several apart. */
export const sampleModel = (n: number): ModelAsset => ({
  ...shared(n, 'model', `shell-${n}.glb`, 'model/gltf-binary'),
  kind: 'model',
  triangles: 1200,
  vertices: 800,
  parts: 2,
  tree: [
    {
      name: 'Shell',
      above: null,
      origin: [0, 0, 0],
      box: { low: [-0.1, 0, -0.1], high: [0.1, 0.12, 0.1] },
    },
    {
      name: 'Pearl',
      above: 0,
      origin: [0, 0.05, 0],
      box: { low: [-0.02, -0.02, -0.02], high: [0.02, 0.02, 0.02] },
    },
  ],
  likely: null,
  materials: 1,
  textures: 0,
  texturePixels: 0,
  textureBytes: 0,
  bones: 0,
  low: [-0.1, 0, -0.1],
  high: [0.1, 0.12, 0.1],
  clips: [],
  morphs: [],
  prep: null,
});

/** A sequence of bubbles; `n` tells several apart. */
export const sampleSequence = (n: number): SequenceAsset => ({
  ...shared(n, 'sequence', `bubbles-${n}`, 'image/webp'),
  kind: 'sequence',
  width: 100,
  height: 80,
  sheet: [408, 328],
  grid: { columns: 4, rows: 4, margin: 1, gap: 2 },
  frames: 12,
  rate: 12,
  prep: null,
  brought: null,
});

/** All kinds, in the order of the schema. */
export const sampleAssets = (): Asset[] => [
  sampleAsset(0),
  sampleSequence(0),
  sampleModel(0),
  {
    ...shared(0, 'sound', 'lap.webm', 'audio/webm'),
    kind: 'sound',
    duration: 2,
    channels: 1,
    sampleRate: 48_000,
    peaks: [0, 0.5, 1],
    loop: null,
    prep: null,
  },
  {
    ...shared(0, 'video', 'tide.webm', 'video/webm'),
    kind: 'video',
    width: 320,
    height: 180,
    duration: 4,
    alpha: false,
    audible: false,
  },
  { ...shared(0, 'table', 'deep.cube', 'text/x-cube'), kind: 'table', dimensions: 3, size: 17 },
  {
    ...shared(0, 'surroundings', 'dusk.hdr', 'image/vnd.radiance'),
    kind: 'surroundings',
    width: 512,
    height: 256,
    peak: 40,
    prep: null,
  },
  {
    ...shared(0, 'font', 'tide.woff2', 'font/woff2'),
    kind: 'font',
    family: 'Tide',
    style: 'Regular',
    glyphs: 200,
    embedding: 'free',
  },
];
