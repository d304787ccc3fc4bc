/** A fountain of particles. Metres, seconds. */
import { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { assetIdSchema, bakedAssetIdSchema } from '../../schema/asset-schema';
import { blendSchema, type ObjectId } from '../../schema/placed-schema';
import { choice, colour, keysOf, number, share, yesNo } from '../../schema/properties';
import { text } from '../../schema/values-schema';
import { defineObject } from './object-kind';
import { MARK } from './mark';
import { placed } from './placed';
import { restOn } from './resting';

export const MOST_PARTICLES = 20_000;

/** Parts of a face that particles can be born on. */
export const FACE_AREA_WORDS = {
  face: 'all of it',
  mouth: 'the open mouth',
  lips: 'the lips',
  eyes: 'the lids',
  cheeks: 'the cheeks',
  brow: 'the forehead',
} as const;
export type FaceArea = keyof typeof FACE_AREA_WORDS;
export const FACE_AREAS = keysOf(FACE_AREA_WORDS);

const length = (name: string, mark?: string) =>
  number({
    name,
    low: 0.0001,
    high: 1000,
    unit: 'centimetres',
    driven: true,
    ...(mark === undefined ? {} : { mark }),
  });

export const fountainAreaSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('point') }),
  z.strictObject({ kind: z.literal('disc'), radius: length('Radius') }),
  z.strictObject({ kind: z.literal('plane'), width: length('Width', 'x'), depth: length('Depth', 'z') }),
  z.strictObject({
    kind: z.literal('box'),
    size: z.tuple([
      length('Extent along x', 'x'),
      length('Extent along y', 'y'),
      length('Extent along z', 'z'),
    ]),
  }),
  z.strictObject({ kind: z.literal('sphere'), radius: length('Radius') }),
  /** The surface of a model: points that were sampled on it, packed as `core/fountain/packed-points.ts` says. */
  z.strictObject({
    kind: z.literal('mesh'),
    asset: bakedAssetIdSchema.nullable(),
    points: text(20_000),
  }),
  z.strictObject({ kind: z.literal('face'), part: choice('Part of the face', FACE_AREA_WORDS) }),
]);
export type FountainAreaChoice = z.infer<typeof fountainAreaSchema>;
export const FOUNTAIN_AREA_WORDS: Readonly<Record<FountainAreaChoice['kind'], string>> = {
  point: 'a point',
  disc: 'a disc',
  plane: 'a rectangle',
  box: 'a box',
  sphere: 'a ball',
  mesh: 'the surface of a model',
  face: 'the face',
};
export const FOUNTAIN_AREAS = keysOf(FOUNTAIN_AREA_WORDS);

const life = (name: string) => number({ name, low: 0.05, high: 60, unit: 'seconds', driven: true });
const speed = (name: string) =>
  number({ name, low: 0, high: 50, unit: 'centimetresPerSecond', driven: true });
const wind = (axis: string) =>
  number({
    name: `Wind along ${axis}`,
    low: -50,
    high: 50,
    unit: 'centimetresPerSecond',
    bare: true,
    mark: axis,
    driven: true,
  });
const spin = (name: string) => number({ name, low: -20, high: 20, unit: 'turnsPerSecond', driven: true });

export const fountain = defineObject({
  kind: 'fountain',
  fields: {
    opacity: share('Opacity'),
    blend: blendSchema,
    /** Else a cue has to set it off. */
    runs: yesNo('Runs from the start'),
    area: fountainAreaSchema,
    rate: number({ name: 'Particles a second', low: 0, high: 5000, unit: 'perSecond', driven: true }),
    /** Between both. */
    life: z.tuple([life('Shortest life'), life('Longest life')]),
    /** Between both. */
    speed: z.tuple([speed('Least speed'), speed('Most speed')]),
    /** Half the angle of the cone around its +Y; 180 is everywhere. */
    spread: number({ name: 'Spread', low: 0, high: 180, unit: 'degrees', driven: true }),
    /** Metres a second squared. */
    gravity: number({
      name: 'Gravity, metres a second squared; below 0 they rise',
      low: -50,
      high: 50,
      unit: 'plain',
      step: 0.05,
      driven: true,
    }),
    drag: number({ name: 'Drag of the air', low: 0, high: 50, unit: 'plain', digits: 1, driven: true }),
    wind: z.tuple([wind('x'), wind('y'), wind('z')]),
    turbulence: number({
      name: 'How strong swirls are',
      low: 0,
      high: 50,
      unit: 'plain',
      step: 0.05,
      driven: true,
    }),
    swirl: number({ name: 'Size of swirls', low: 0.005, high: 10, unit: 'centimetres', driven: true }),
    spin: z.tuple([spin('Least spin'), spin('Most spin')]),
    /** The share of its speed that is left after it hits; null falls through. */
    floor: share('Bounce off the floor').nullable(),
    face: share('Bounce off the head').nullable(),
    most: number({
      name: 'Most at once',
      low: 1,
      high: MOST_PARTICLES,
      unit: 'count',
      whole: true,
      mark: '≤',
    }),
    seed: number({
      name: 'Another way of falling: its seed',
      low: 0,
      high: 65_535,
      unit: 'count',
      whole: true,
      mark: 'seed',
    }),
    /** Null is a round dot. */
    asset: assetIdSchema.nullable(),
    /** Frames of a sequence run over the life of each, or each keeps one of them. */
    frames: choice('Frames of its sequence', { life: 'over life', one: 'one each' }),
    /** Across. */
    size: number({ name: 'Size', low: 0.0002, high: 10, unit: 'millimetres', driven: true }),
    /** Up to this share smaller or larger. */
    sizeVaries: share('Size varies by', { mark: '±' }),
    /** How it looks over its life, at 2 to 8 ages from 0 to 1, in order. */
    over: z
      .array(
        z.strictObject({
          at: number({ name: 'Age', low: 0, high: 1, unit: 'percent' }),
          size: number({
            name: 'Size at this age',
            low: 0,
            high: 20,
            unit: 'percent',
            driven: true,
            mark: 'size',
          }),
          opacity: share('Opacity at this age', { mark: 'op.' }),
          colour: colour('Colour at this age'),
        }),
      )
      .min(2)
      .max(8),
  },
  isSeen: true,
  drawn: 'otherwise',
  drawnBy: ['fountains'],
  isTouched: false,
  onFace: false,
  shows: ['picture', 'sequence'],
  rests: 'inPlace',
  bounds: () => MARK,
});
export type Fountain = z.infer<typeof fountain.schema>;

/** Bubbles that rise, from a small disc; on a face from its mouth. */
export const newFountain = (id: ObjectId, order: number, anchor: Anchor): Fountain => ({
  ...placed(id, 'Fountain', order, anchor),
  kind: 'fountain',
  move: restOn(anchor, fountain.rests).move,
  opacity: 1,
  blend: 'normal',
  runs: true,
  area:
    anchor.kind === 'head' || anchor.kind === 'skin'
      ? { kind: 'face', part: 'mouth' }
      : { kind: 'disc', radius: 0.02 },
  rate: 30,
  life: [0.8, 1.6],
  speed: [0.08, 0.16],
  spread: 25,
  gravity: -0.05,
  drag: 0.4,
  wind: [0, 0, 0],
  turbulence: 0.15,
  swirl: 0.06,
  spin: [-0.2, 0.2],
  floor: null,
  face: null,
  most: 600,
  seed: 1,
  asset: null,
  frames: 'life',
  size: 0.008,
  sizeVaries: 0.4,
  over: [
    { at: 0, size: 0.4, opacity: 0, colour: '#ffffff' },
    { at: 0.2, size: 1, opacity: 0.8, colour: '#ffffff' },
    { at: 1, size: 1.3, opacity: 0, colour: '#ffffff' },
  ],
});
