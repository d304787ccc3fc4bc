/**
 * What is odd about an asset, and what Iconia can mend with one click. All of it follows from the facts that were
 * measured, so a note goes when what it says is mended.
 */
import { assetBytes } from '../document/queries';
import type {
  Asset,
  ModelAsset,
  ModelPrep,
  PictureAsset,
  PicturePrep,
  SequenceAsset,
  SequencePrep,
  SoundAsset,
  SoundPrep,
  SurroundingsAsset,
  SurroundingsPrep,
} from '../document/schema';
import { HEAD_WIDTH } from '../face/head-fit';
import type { Bytes, Metres } from '../units';
import { AS_IT_IS } from './models/as-it-is';

export type Prep =
  | { readonly kind: 'picture'; readonly prep: PicturePrep }
  | { readonly kind: 'sequence'; readonly prep: SequencePrep }
  | { readonly kind: 'model'; readonly prep: ModelPrep }
  | { readonly kind: 'sound'; readonly prep: SoundPrep }
  | { readonly kind: 'surroundings'; readonly prep: SurroundingsPrep };

export type NoteCode =
  | 'model-huge'
  | 'model-vast'
  | 'model-tiny'
  | 'model-pivot'
  | 'model-triangles'
  | 'model-textures'
  | 'model-no-material'
  | 'picture-large'
  | 'picture-heavy'
  | 'sequence-heavy'
  | 'sequence-long'
  | 'sound-long'
  | 'sound-heavy'
  | 'surroundings-large'
  | 'surroundings-shape'
  | 'table-large'
  | 'font-restricted'
  | 'video-long';

export interface AssetNote {
  readonly code: NoteCode;
  /** Each is one click. */
  readonly mends: readonly Mend[];
}
export interface Mend {
  readonly code:
    | 'fit-head'
    | 'centimetres'
    | 'millimetres'
    | 'inches'
    | 'pivot-base'
    | 'pivot-centre'
    | 'simplify'
    | 'shrink-textures'
    | 'shrink'
    | 'lighter'
    | 'halve-frames';
  readonly prep: Prep;
}

/** Default budget of a model. */
export const TRIANGLE_BUDGET = 10_000;
/** A face fills about this many pixels on a phone; more is not seen. */
export const PICTURE_SIDE = 1024;
export const TEXTURE_SIDE = 1024;
const HEAVY_PICTURE: Bytes = 700 * 1024;
const HEAVY_SEQUENCE: Bytes = 2 * 1024 * 1024;
const HEAVY_TEXTURES: Bytes = 1024 * 1024;
const HEAVY_SOUND: Bytes = 500 * 1024;
export const SURROUNDINGS_WIDTH = 512;

/** Width, height and depth of a model. */
export const sizeOf = ({ low, high }: Pick<ModelAsset, 'low' | 'high'>): [Metres, Metres, Metres] => [
  high[0] - low[0],
  high[1] - low[1],
  high[2] - low[2],
];

/**
 * Where the origin lies in a model's box, along each axis: 0 at its low side, 1 at its high side. Flat axes
 * count as the middle.
 */
const pivotShare = (asset: ModelAsset): number[] =>
  sizeOf(asset).map((size, k) => (size < 1e-6 ? 0.5 : -asset.low[k]! / size));

/** Whether a model is worn on a head, or stands elsewhere: what is odd about its size depends on that. */
export type Use = 'worn' | 'elsewhere';
/** Larger than anything of its kind: something worn, something that stands in a room. */
const HUGE: Record<Use, Metres> = { worn: 1.2, elsewhere: 5 };

const modelNotes = (asset: ModelAsset, use: Use): AssetNote[] => {
  const notes: AssetNote[] = [];
  const base = asset.prep ?? AS_IT_IS;
  const mend = (code: Mend['code'], change: Partial<ModelPrep>): Mend => ({
    code,
    prep: { kind: 'model', prep: { ...base, ...change } },
  });
  const longest = Math.max(...sizeOf(asset));
  const factor = base.size.kind === 'factor' ? base.size.factor : 1;
  // Units that would make it a size somebody wears or holds.
  const units = (
    [
      ['centimetres', 0.01],
      ['millimetres', 0.001],
      ['inches', 0.0254],
    ] as const
  ).filter(([, k]) => longest * k > 0.02 && longest * k < 0.8);
  const fit =
    use === 'worn' ? [mend('fit-head', { size: { kind: 'head', as: asset.likely ?? 'crown' } })] : [];
  if (longest > HUGE[use])
    notes.push({
      code: use === 'worn' ? 'model-huge' : 'model-vast',
      mends: [
        ...fit,
        ...units.slice(0, 2).map(([unit, k]) => mend(unit, { size: { kind: 'factor', factor: factor * k } })),
      ],
    });
  else if (longest < 0.01) notes.push({ code: 'model-tiny', mends: fit });
  const share = pivotShare(asset);
  const centred = (k: number): boolean => Math.abs(share[k]! - 0.5) < 0.2;
  // Glasses and masks rest with their front on the face, wherever their origin is.
  const restsByBox = use === 'worn' && (asset.likely === 'glasses' || asset.likely === 'mask');
  if (!restsByBox && (!centred(0) || !centred(2) || share[1]! < -0.25 || share[1]! > 1.25))
    notes.push({
      code: 'model-pivot',
      mends: [
        mend('pivot-base', { pivot: { kind: 'base' } }),
        mend('pivot-centre', { pivot: { kind: 'centre' } }),
      ],
    });
  if (asset.triangles > TRIANGLE_BUDGET)
    notes.push({
      code: 'model-triangles',
      mends: [mend('simplify', { triangles: TRIANGLE_BUDGET, weld: true })],
    });
  if (asset.texturePixels > 2 * TEXTURE_SIDE || asset.textureBytes > HEAVY_TEXTURES)
    notes.push({
      code: 'model-textures',
      mends: [
        mend('shrink-textures', {
          textures: { longest: TEXTURE_SIDE, format: 'webp', quality: 82 },
          prune: true,
        }),
      ],
    });
  if (asset.materials === 0) notes.push({ code: 'model-no-material', mends: [] });
  return notes;
};

const pictureNotes = (asset: PictureAsset): AssetNote[] => {
  const shrunk: PicturePrep = { longest: PICTURE_SIDE, format: 'webp', quality: 85 };
  const mend: Mend = { code: 'shrink', prep: { kind: 'picture', prep: shrunk } };
  if (Math.max(asset.width, asset.height) > 2 * PICTURE_SIDE)
    return [{ code: 'picture-large', mends: [mend] }];
  if (assetBytes(asset) > HEAVY_PICTURE)
    return [
      {
        code: 'picture-heavy',
        mends: [
          {
            code: 'lighter',
            prep: { kind: 'picture', prep: { ...shrunk, longest: asset.prep?.longest ?? null } },
          },
        ],
      },
    ];
  return [];
};

const sequenceNotes = (asset: SequenceAsset): AssetNote[] => {
  const base: SequencePrep = asset.prep ?? { longest: null, quality: 90, every: 1 };
  if (assetBytes(asset) > HEAVY_SEQUENCE)
    return [
      {
        code: 'sequence-heavy',
        mends: [
          {
            code: 'shrink',
            prep: {
              kind: 'sequence',
              prep: { ...base, longest: Math.round(Math.max(asset.width, asset.height) / 2), quality: 80 },
            },
          },
          ...(asset.frames > 24
            ? [
                {
                  code: 'halve-frames',
                  prep: { kind: 'sequence', prep: { ...base, every: Math.min(10, base.every * 2) } },
                } as const,
              ]
            : []),
        ],
      },
    ];
  if (asset.frames > 240) return [{ code: 'sequence-long', mends: [] }];
  return [];
};

const soundNotes = (asset: SoundAsset): AssetNote[] => {
  const base: SoundPrep = asset.prep ?? { start: 0, end: null, rate: 96, channels: 2 };
  if (assetBytes(asset) > HEAVY_SOUND)
    return [
      {
        code: asset.duration > 60 ? 'sound-long' : 'sound-heavy',
        mends: [{ code: 'lighter', prep: { kind: 'sound', prep: { ...base, rate: 48, channels: 1 } } }],
      },
    ];
  return [];
};

const surroundingsNotes = (asset: SurroundingsAsset): AssetNote[] => {
  const notes: AssetNote[] = [];
  if (asset.width > 2 * SURROUNDINGS_WIDTH)
    notes.push({
      code: 'surroundings-large',
      mends: [{ code: 'shrink', prep: { kind: 'surroundings', prep: { width: SURROUNDINGS_WIDTH } } }],
    });
  if (Math.abs(asset.width / asset.height - 2) > 0.05) notes.push({ code: 'surroundings-shape', mends: [] });
  return notes;
};

/** The worst first. */
export const notesOn = (asset: Asset, use: Use = 'worn'): AssetNote[] => {
  switch (asset.kind) {
    case 'model':
      return modelNotes(asset, use);
    case 'picture':
      return pictureNotes(asset);
    case 'sequence':
      return sequenceNotes(asset);
    case 'sound':
      return soundNotes(asset);
    case 'surroundings':
      return surroundingsNotes(asset);
    case 'table':
      return asset.dimensions === 3 && asset.size > 65 ? [{ code: 'table-large', mends: [] }] : [];
    case 'font':
      return asset.embedding === 'restricted' ? [{ code: 'font-restricted', mends: [] }] : [];
    case 'video':
      return asset.duration > 60 ? [{ code: 'video-long', mends: [] }] : [];
  }
};

/** How many heads wide a model is, for sentences. */
export const headsWide = (asset: ModelAsset): number => Math.max(...sizeOf(asset)) / HEAD_WIDTH;
