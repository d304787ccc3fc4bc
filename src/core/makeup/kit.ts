/** The make-up kit: pieces that go on at a click, and looks made of them. */
import type { LayerOf } from '../kinds/objects/layer';
import type { FaceRegion } from '../face/region-names';
import type { Hex } from '../units';

/** What of a layer a piece of the kit sets. */
export type PieceLayer = LayerOf & {
  readonly name: string;
  readonly region: FaceRegion;
  /** The piece of the same look whose mask limits this one. */
  readonly limit?: PieceKey | null;
};
/** Pieces of a look are told apart by what they are and where. */
export interface PieceKey {
  readonly name: string;
  readonly region: FaceRegion;
}

export const KIT_GROUPS = ['eyes', 'face', 'lips'] as const;
export type KitGroup = (typeof KIT_GROUPS)[number];

export interface KitPiece {
  readonly id: string;
  readonly group: KitGroup;
  readonly layer: PieceLayer;
  /** Colours that are offered beside its own. */
  readonly colours: readonly Hex[];
}

const SHADOWS: readonly Hex[] = ['#86404f', '#7a4b3a', '#b4794f', '#2f7f78', '#5b5f9a', '#8a3d5c', '#3a3f46'];
const LIPS: readonly Hex[] = ['#a3243f', '#c4455a', '#b5654f', '#8d3b46', '#6d2440', '#d87a78'];
const BLUSHES: readonly Hex[] = ['#cf5a57', '#d9705f', '#c24a66', '#b5533f'];
const BROWNS: readonly Hex[] = ['#5a3a28', '#3a2a22', '#7a5a3c', '#2a2422'];

const piece = (id: string, group: KitGroup, colours: readonly Hex[], layer: PieceLayer): KitPiece => ({
  id,
  group,
  colours,
  layer,
});

export const KIT: readonly KitPiece[] = [
  piece('shadow', 'eyes', SHADOWS, {
    name: 'Eye shadow',
    region: 'lids',
    // Redder than all skin, and darker than most: it shows on all six tones.
    tint: '#86404f',
    opacity: 0.8,
    finish: 'matte',
  }),
  piece('shimmer', 'eyes', SHADOWS, {
    name: 'Lid shimmer',
    region: 'lids',
    tint: '#c99a6b',
    opacity: 0.6,
    finish: 'shimmer',
  }),
  piece('crease', 'eyes', SHADOWS, {
    name: 'Crease',
    region: 'crease',
    tint: '#7a4b3a',
    opacity: 0.45,
    blend: 'multiply',
    finish: 'matte',
    softness: 1.4,
  }),
  piece('liner', 'eyes', ['#17171b', '#2b211d', '#1f3550', '#2f7f78'], {
    name: 'Lid line',
    region: 'liner',
    tint: '#17171b',
    opacity: 0.9,
    finish: 'matte',
    shine: 0.5,
  }),
  piece('brows', 'eyes', BROWNS, {
    name: 'Brow pencil',
    region: 'brows',
    tint: '#5a3a28',
    opacity: 0.4,
    blend: 'multiply',
  }),
  piece('bright', 'eyes', ['#ffdcc2', '#ffe9d6', '#f3c3a0'], {
    name: 'Under eyes',
    region: 'underEyes',
    tint: '#ffdcc2',
    opacity: 0.16,
    blend: 'soft-light',
    softness: 1.6,
  }),
  piece('powder', 'face', ['#ffffff'], {
    name: 'Matte powder',
    region: 'skin',
    tint: '#ffffff',
    blend: 'multiply',
    finish: 'matte',
    shine: 0.7,
  }),
  piece('glow', 'face', ['#ffffff'], {
    name: 'Wet glow',
    region: 'cheekbones',
    tint: '#ffffff',
    blend: 'multiply',
    finish: 'gloss',
    shine: 0.55,
    softness: 1.5,
  }),
  piece('blush', 'face', BLUSHES, {
    name: 'Blush',
    region: 'cheeks',
    tint: '#cf5a57',
    opacity: 0.32,
    finish: 'satin',
    shine: 0.4,
  }),
  piece('contour', 'face', BROWNS, {
    name: 'Contour',
    region: 'contour',
    tint: '#8a5f45',
    opacity: 0.34,
    blend: 'multiply',
    finish: 'matte',
    shine: 0.4,
    softness: 1.8,
  }),
  piece('highlight', 'face', ['#ffe3bd', '#ffd0b0', '#e9f2f4'], {
    name: 'Highlight',
    region: 'cheekbones',
    tint: '#ffe3bd',
    opacity: 0.2,
    blend: 'screen',
    finish: 'shimmer',
    shine: 0.6,
  }),
  piece('bridge', 'face', ['#ffe3bd', '#ffffff'], {
    name: 'Nose light',
    region: 'noseBridge',
    tint: '#ffe3bd',
    opacity: 0.12,
    blend: 'screen',
    finish: 'satin',
    shine: 0.7,
  }),
  piece('sun', 'face', ['#b8683c', '#9a5633'], {
    name: 'Forehead sun',
    region: 'forehead',
    tint: '#b8683c',
    opacity: 0.2,
    finish: 'satin',
    shine: 0.3,
    softness: 1.5,
  }),
  piece('lipstick', 'lips', LIPS, {
    name: 'Lipstick',
    region: 'lips',
    tint: '#a3243f',
    opacity: 0.75,
    finish: 'satin',
  }),
  piece('lipGloss', 'lips', LIPS, {
    name: 'Lip gloss',
    region: 'lips',
    tint: '#c4455a',
    opacity: 0.35,
    finish: 'gloss',
    shine: 0.8,
  }),
  piece('lipMatte', 'lips', LIPS, {
    name: 'Matte lipstick',
    region: 'lips',
    tint: '#8d3b46',
    opacity: 0.85,
    finish: 'matte',
  }),
  piece('lipLine', 'lips', LIPS, {
    name: 'Lip line',
    region: 'lipLiner',
    tint: '#8d3b46',
    opacity: 0.5,
    finish: 'matte',
  }),
  piece('lipMetal', 'lips', ['#b08a4a', '#8f9aa3', '#a0605a'], {
    name: 'Metal lips',
    region: 'lips',
    tint: '#b08a4a',
    opacity: 0.8,
    finish: 'metallic',
  }),
];

/** A look that ships with the kit. Its pieces are in the order of the Stack: the topmost first. */
export interface KitLook {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly layers: readonly PieceLayer[];
}

const of = (id: string, change: LayerOf = {}): PieceLayer => ({
  ...KIT.find((p) => p.id === id)!.layer,
  ...change,
});

export const KIT_LOOKS: readonly KitLook[] = [
  {
    id: 'low-sun',
    name: 'Low sun',
    about: 'Warm and soft: copper lids, sun on cheeks and nose.',
    layers: [
      of('lipGloss', { tint: '#c2644f', opacity: 0.45 }),
      of('liner', { tint: '#2b211d', opacity: 0.6 }),
      of('shimmer', { tint: '#b8713f' }),
      of('crease'),
      of('highlight'),
      of('blush', { tint: '#d9705f', opacity: 0.26 }),
      of('sun'),
    ],
  },
  {
    id: 'tide-glass',
    name: 'Tide glass',
    about: 'Wet green lids with a dark line, bare lips.',
    layers: [
      of('lipGloss', { tint: '#b5766b', opacity: 0.25 }),
      of('liner', { tint: '#1f3550' }),
      of('shimmer', { name: 'Glass lids', tint: '#2f7f78', finish: 'gloss', opacity: 0.62 }),
      of('crease', { tint: '#2f5f66', opacity: 0.4 }),
      of('glow'),
      of('contour', { opacity: 0.28 }),
    ],
  },
  {
    id: 'harbour-night',
    name: 'Harbour night',
    about: 'Smoke around the eyes, deep matte lips.',
    layers: [
      of('lipLine', { tint: '#4f1a30' }),
      of('lipMatte', { tint: '#6d2440' }),
      of('brows', { tint: '#3a2a22' }),
      of('liner'),
      of('shadow', { tint: '#3a3f46', opacity: 0.6 }),
      of('crease', { tint: '#4a4148', opacity: 0.55 }),
      of('highlight', { tint: '#e9f2f4', opacity: 0.16 }),
      of('contour'),
      of('powder'),
    ],
  },
  {
    id: 'storm-tide',
    name: 'Storm tide',
    about: 'Bold: blue foil on the lids, smoke above them, lips of cold metal.',
    layers: [
      of('lipLine', { tint: '#2a2440', opacity: 0.6 }),
      of('lipMetal', { tint: '#5f6f9a', opacity: 0.85 }),
      of('brows', { tint: '#2a2422', opacity: 0.4 }),
      of('liner', { tint: '#0f1626', opacity: 1 }),
      of('shimmer', { name: 'Foil lids', tint: '#3f7fae', finish: 'metallic', opacity: 0.85 }),
      of('crease', { tint: '#2a4470', opacity: 0.6, softness: 1.7 }),
      of('bright', {
        name: 'Under the lids',
        tint: '#2f5f9a',
        opacity: 0.3,
        blend: 'multiply',
        softness: 1.2,
      }),
      of('highlight', { tint: '#dcecf6', opacity: 0.22 }),
      of('contour', { opacity: 0.4 }),
    ],
  },
  {
    id: 'morning',
    name: 'Morning',
    about: 'Hardly there: rested eyes, rosy cheeks, natural lips.',
    layers: [
      of('lipstick', { tint: '#b5655f', opacity: 0.35, shine: 0.5 }),
      of('brows', { opacity: 0.22 }),
      of('bright'),
      of('blush', { opacity: 0.22 }),
      of('powder', { shine: 0.35 }),
    ],
  },
];

/** What lies under what on a face: regions in the order in which make-up is put on. */
const ORDER: readonly FaceRegion[] = [
  'face',
  'skin',
  'forehead',
  'temples',
  'jaw',
  'chin',
  'nose',
  'contour',
  'cheeks',
  'noseBridge',
  'noseTip',
  'cheekbones',
  'underEyes',
  'crease',
  'lids',
  'liner',
  'brows',
  'lips',
  'upperLip',
  'lowerLip',
  'lipLiner',
  'teeth',
];
/** Where a region stands in the order in which make-up is put on. */
export const regionRank = (region: FaceRegion): number => ORDER.indexOf(region);

/**
 * Where a layer stands in that order. What is painted or brought in for the whole face (stickers, freckles, a drawn mask) lies over
 * make-up, so that neither colour nor shine covers it; a plain colour on the whole face lies beneath everything.
 */
export const layerRank = ({
  region,
  mask,
  asset,
}: {
  readonly region: FaceRegion;
  readonly mask?: unknown;
  readonly asset?: unknown;
}): number => (region === 'face' && (mask || asset) ? ORDER.length : regionRank(region));
