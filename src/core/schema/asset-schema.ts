/**
 * What a creator brought in. An asset is one or more files, kept by their content, and facts about them that
 * were measured when they were read. Where Iconia has prepared them (shrunk, cut, repaired), the files as they
 * came stay beside them as `original`, with the preparation written down, so that it can be changed or undone.
 *
 * Units: pixels, metres, seconds, bytes.
 */
import { z } from 'zod';
import { choice, number, yesNo } from './properties';
import { idOf } from './references';
import { text } from './values-schema';
import { wornAsSchema } from './worn-as';

export const assetIdSchema = idOf('assets').brand<'AssetId'>();
/** An asset whose shape was taken over: what names it does without it from then on. */
export const bakedAssetIdSchema = idOf('assets', { baked: true }).brand<'AssetId'>();

export const shaSchema = z.string().regex(/^[0-9a-f]{64}$/, 'The SHA-256 of a file, in lower case hex.');

/** Kinds of files Iconia keeps; every one of them is recognised by its bytes. */
export const FILE_MIMES = [
  'image/png',
  'image/jpeg',
  'image/webp',
  'model/gltf-binary',
  'audio/webm',
  'audio/mpeg',
  'audio/wav',
  'audio/ogg',
  'audio/mp4',
  'audio/flac',
  'video/webm',
  'video/mp4',
  'text/x-cube',
  'image/vnd.radiance',
  'font/ttf',
  'font/otf',
  'font/woff',
  'font/woff2',
] as const;
export const fileMimeSchema = z.enum(FILE_MIMES);

export const fileRefSchema = z.strictObject({
  sha256: shaSchema,
  mime: fileMimeSchema,
  bytes: z.number().int().positive(),
});

const pixels = z.number().int().positive().max(100_000);
const count = z.number().int().nonnegative();
const metres = z.number().finite();
const seconds = z.number().finite().min(0).max(36_000);
const size3 = z.tuple([metres, metres, metres]);
const quality = (name: string) =>
  number({ name, low: 1, high: 100, offered: [10, 100], unit: 'percentPoints', whole: true });
const FORMATS = { webp: 'WebP: lightest', png: 'PNG: exact', jpeg: 'JPEG: no transparency' } as const;

const shared = {
  id: assetIdSchema,
  name: text(200).min(1),
  /** What a viewer's device loads. */
  files: z.array(fileRefSchema).min(1).max(64),
  /** As brought in, when `files` were prepared from it; null when nothing was prepared. */
  original: z.array(fileRefSchema).min(1).max(64).nullable(),
  /** A small picture for lists; null where the file itself is one, or none is needed. */
  preview: shaSchema.nullable(),
  /** The file it was read from; bringing in a file of that name again updates this asset. */
  from: z.strictObject({ file: text(300), layer: text(300).nullable() }).nullable(),
};

/** Every preparation of pictures goes from the original: first the size, then the encoding. */
export const picturePrepSchema = z.strictObject({
  /** Longest side; null leaves the size. */
  longest: pixels.nullable(),
  format: choice('Format', FORMATS),
  /** 100 loses nothing where the format can (PNG always, WebP at 100). */
  quality: quality('Quality'),
});

/** Where a layer lies on the canvas it was painted on. */
export const layerPlaceSchema = z.strictObject({
  canvas: z.tuple([pixels, pixels]),
  left: z.number().int(),
  top: z.number().int(),
  /** Of the layer on its canvas; the picture itself may have been shrunk since. */
  width: pixels,
  height: pixels,
});

const picture = z.strictObject({
  ...shared,
  kind: z.literal('picture'),
  width: pixels,
  height: pixels,
  prep: picturePrepSchema.nullable(),
  layer: layerPlaceSchema.nullable(),
});

/** How frames lie on a sheet: row by row from the top left. `margin` runs around the sheet, `gap` between cells. */
export const gridSchema = z.strictObject({
  columns: z.number().int().min(1).max(256),
  rows: z.number().int().min(1).max(256),
  margin: z.number().int().min(0).max(4096),
  gap: z.number().int().min(0).max(4096),
});

export const sequencePrepSchema = z.strictObject({
  /** Longest side of a frame; null leaves the size. */
  longest: pixels.nullable(),
  quality: quality('Quality'),
  /** Keeps every n-th frame. */
  every: z.number().int().min(1).max(10),
});

const sequence = z.strictObject({
  ...shared,
  kind: z.literal('sequence'),
  /** Of one frame. */
  width: pixels,
  height: pixels,
  /** Of one sheet; all sheets are alike, the last one may be partly empty. */
  sheet: z.tuple([pixels, pixels]),
  grid: gridSchema,
  frames: z.number().int().min(1).max(4096),
  /** Frames a second. */
  rate: number({ name: 'Frames a second', low: 0.1, high: 120, unit: 'plain', digits: 1, step: 1 }),
  prep: sequencePrepSchema.nullable(),
  /** How the frames lie on the original sheets; null when there are none. */
  brought: z
    .strictObject({
      sheet: z.tuple([pixels, pixels]),
      grid: gridSchema,
      frames: z.number().int().min(1).max(4096),
    })
    .nullable(),
});

/** Which point of a model becomes its origin: what it turns and grows about. */
export const pivotSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('kept') }),
  z.strictObject({ kind: z.literal('centre') }),
  z.strictObject({ kind: z.literal('base') }),
  /** The middle of a part, by its place in the part tree. */
  z.strictObject({ kind: z.literal('part'), part: count }),
]);

/** Repairs of a model, done in this order: axis, size, pivot, triangles, textures. */
export const modelPrepSchema = z.strictObject({
  /** Which axis of the file points up. */
  up: z.enum(['x', 'y', 'z']),
  size: z.discriminatedUnion('kind', [
    /** Factor on every length; 0.01 reads centimetres as what they are. */
    z.strictObject({ kind: z.literal('factor'), factor: z.number().positive().min(1e-6).max(1e6) }),
    /** Fits a head of the usual size, worn like this. */
    z.strictObject({ kind: z.literal('head'), as: wornAsSchema }),
    z.strictObject({ kind: z.literal('longest'), metres: z.number().positive().min(1e-4).max(1000) }),
  ]),
  pivot: pivotSchema,
  /** Most triangles; null leaves them. */
  triangles: z.number().int().min(12).max(2_000_000).nullable(),
  /** Joins points that lie on each other. */
  weld: yesNo('Join points'),
  /** Leaves out what nothing uses. */
  prune: yesNo('Drop unused'),
  /** Shrinks and re-encodes textures; null leaves them. */
  textures: z
    .strictObject({
      longest: pixels,
      format: choice('Format of textures', FORMATS),
      quality: quality('Texture quality'),
    })
    .nullable(),
  /** Stores numbers in fewer bits (KHR_mesh_quantization). */
  pack: yesNo('Pack numbers'),
});

/** The node under which a preparation hangs everything; it is no part of the model to its creator. */
export const PLACED = 'Placed by Iconia';

/** Most parts of a model that are written down: those that can become objects of their own. */
export const MOST_PARTS = 500;
/**
 * A part of a model: a node of its file. Its own space has the axes and metres of the model, whatever nodes above it turn and size, and its
 * origin where the node's is in rest.
 */
export const partFactsSchema = z.strictObject({
  /** Empty for what is no part to a creator. */
  name: text(200),
  /** Place in the list of the part that it hangs in; null for none. */
  above: count.nullable(),
  /** Of its own space, in the model's. */
  origin: size3,
  /** Around it and all that hangs in it, in rest, in its own space; null where nothing is to be seen. */
  box: z.strictObject({ low: size3, high: size3 }).nullable(),
});

const model = z.strictObject({
  ...shared,
  kind: z.literal('model'),
  triangles: count,
  vertices: count,
  parts: count,
  /** The first of its parts, by their place in the part tree; null for models that came in before parts were measured. */
  tree: z.array(partFactsSchema).max(MOST_PARTS).nullable(),
  /** How it is worn, as far as its shape tells; null where it is like nothing that is worn. */
  likely: wornAsSchema.nullable(),
  materials: count,
  textures: count,
  /** Longest side of the largest texture. */
  texturePixels: count,
  textureBytes: count,
  bones: count,
  /** Lowest and highest corner in metres, in rest. */
  low: size3,
  high: size3,
  clips: z.array(z.strictObject({ name: text(200), duration: seconds })).max(200),
  morphs: z.array(text(200)).max(500),
  prep: modelPrepSchema.nullable(),
});

export const soundPrepSchema = z
  .strictObject({
    /** What is kept of the original. */
    start: seconds,
    end: seconds.nullable(),
    /** Thousand bits a second. */
    rate: z.number().int().min(16).max(256),
    channels: z.union([z.literal(1), z.literal(2)]),
  })
  .refine((prep) => prep.end === null || prep.end > prep.start, 'A sound ends after it starts.');

const sound = z.strictObject({
  ...shared,
  kind: z.literal('sound'),
  duration: seconds,
  channels: z.number().int().min(1).max(32),
  /** Samples a second. */
  sampleRate: z.number().positive().max(400_000),
  /** Loudest sample in each of up to 128 equal parts, 0 to 1: its waveform. */
  peaks: z.array(z.number().min(0).max(1)).max(128),
  /** The stretch that repeats; null plays once. */
  loop: z.strictObject({ start: seconds, end: seconds }).nullable(),
  prep: soundPrepSchema.nullable(),
});

const video = z.strictObject({
  ...shared,
  kind: z.literal('video'),
  width: pixels,
  height: pixels,
  duration: seconds,
  alpha: z.boolean(),
  audible: z.boolean(),
});

const table = z.strictObject({
  ...shared,
  kind: z.literal('table'),
  dimensions: z.union([z.literal(1), z.literal(3)]),
  /** Entries along one axis. */
  size: z.number().int().min(2).max(65_536),
});

export const surroundingsPrepSchema = z.strictObject({ width: pixels });
const surroundings = z.strictObject({
  ...shared,
  kind: z.literal('surroundings'),
  width: pixels,
  height: pixels,
  /** Brightest value, 1 is the white of a sheet of paper. */
  peak: z.number().nonnegative(),
  prep: surroundingsPrepSchema.nullable(),
});

const font = z.strictObject({
  ...shared,
  kind: z.literal('font'),
  family: text(200),
  style: text(200),
  glyphs: count,
  /** What its maker allows, as the file says (OpenType OS/2 fsType). */
  embedding: z.enum(['free', 'preview', 'editable', 'restricted']),
});

export const assetSchema = z.discriminatedUnion('kind', [
  picture,
  sequence,
  model,
  sound,
  video,
  table,
  surroundings,
  font,
]);

export type AssetId = z.infer<typeof assetIdSchema>;
export type FileMime = z.infer<typeof fileMimeSchema>;
export type FileRef = z.infer<typeof fileRefSchema>;
export type Asset = z.infer<typeof assetSchema>;
export type AssetKind = Asset['kind'];
export type PictureAsset = z.infer<typeof picture>;
export type SequenceAsset = z.infer<typeof sequence>;
export type PartFacts = z.infer<typeof partFactsSchema>;
export type ModelAsset = z.infer<typeof model>;
export type SoundAsset = z.infer<typeof sound>;
export type VideoAsset = z.infer<typeof video>;
export type TableAsset = z.infer<typeof table>;
export type SurroundingsAsset = z.infer<typeof surroundings>;
export type FontAsset = z.infer<typeof font>;
export type PicturePrep = z.infer<typeof picturePrepSchema>;
export type SequencePrep = z.infer<typeof sequencePrepSchema>;
export type ModelPrep = z.infer<typeof modelPrepSchema>;
export type SoundPrep = z.infer<typeof soundPrepSchema>;
export type SurroundingsPrep = z.infer<typeof surroundingsPrepSchema>;
export type Pivot = z.infer<typeof pivotSchema>;
export type Grid = z.infer<typeof gridSchema>;
export type LayerPlace = z.infer<typeof layerPlaceSchema>;
