/** Fountains of particles, and sounds that have a place. */
import { z } from 'zod';
import { assetIdSchema } from './asset-schema';
import { blendSchema, placedSchema, size, size3 } from './placed-schema';
import { hex, unit, vec3Schema, text } from './values-schema';

export const MOST_PARTICLES = 20_000;

/** Parts of a face that particles can be born on. */
export const FACE_AREAS = ['face', 'mouth', 'lips', 'eyes', 'cheeks', 'brow'] as const;
export const FOUNTAIN_AREAS = ['point', 'disc', 'plane', 'box', 'sphere', 'mesh', 'face'] as const;

export const fountainAreaSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('point') }),
  z.strictObject({ kind: z.literal('disc'), radius: size }),
  z.strictObject({ kind: z.literal('plane'), width: size, depth: size }),
  z.strictObject({ kind: z.literal('box'), size: size3 }),
  z.strictObject({ kind: z.literal('sphere'), radius: size }),
  /** The surface of a model: points that were sampled on it, packed as `core/fountain/packed-points.ts` says. */
  z.strictObject({
    kind: z.literal('mesh'),
    asset: assetIdSchema.nullable(),
    points: text(20_000),
  }),
  z.strictObject({ kind: z.literal('face'), part: z.enum(FACE_AREAS) }),
]);

const span = (low: number, high: number) =>
  z.tuple([z.number().min(low).max(high), z.number().min(low).max(high)]);

export const fountainSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('fountain'),
  opacity: unit,
  blend: blendSchema,
  /** It runs from the start; else a cue has to set it off. */
  runs: z.boolean(),
  area: fountainAreaSchema,
  /** Particles a second. */
  rate: z.number().min(0).max(5000),
  /** Seconds: between both. */
  life: span(0.05, 60),
  /** Metres a second: between both. */
  speed: span(0, 50),
  /** Half the angle of the cone around its +Y; 180 is everywhere. */
  spread: z.number().min(0).max(180),
  /** Metres a second squared; below 0 they rise. */
  gravity: z.number().min(-50).max(50),
  drag: z.number().min(0).max(50),
  wind: vec3Schema,
  turbulence: z.number().min(0).max(50),
  /** Size of the swirls in metres. */
  swirl: z.number().min(0.005).max(10),
  /** Turns a second. */
  spin: span(-20, 20),
  /** The share of its speed that is left after it hits; null falls through. */
  floor: unit.nullable(),
  face: unit.nullable(),
  most: z.number().int().min(1).max(MOST_PARTICLES),
  seed: z.number().int().min(0).max(65_535),
  /** Null is a round dot. */
  asset: assetIdSchema.nullable(),
  /** Frames of a sequence run over the life of each, or each keeps one of them. */
  frames: z.enum(['life', 'one']),
  /** Across, in metres. */
  size: z.number().min(0.0002).max(10),
  /** Up to this share smaller or larger. */
  sizeVaries: unit,
  /** How it looks over its life, at 2 to 8 ages from 0 to 1, in order. */
  over: z
    .array(z.strictObject({ at: unit, size: z.number().min(0).max(20), opacity: unit, colour: hex }))
    .min(2)
    .max(8),
});

/** A sound in the effect; on the screen it is everywhere, elsewhere it comes from where it is. */
export const soundObjectSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('sound'),
  asset: assetIdSchema.nullable(),
  /** Volume. */
  opacity: unit,
  /** It sounds from the start; else a cue has to set it off. */
  runs: z.boolean(),
  loop: z.boolean(),
  /** Seconds. */
  fadeIn: z.number().min(0).max(60),
  fadeOut: z.number().min(0).max(60),
  /** 1 is as high as it was recorded. */
  pitch: z.number().min(0.25).max(4),
  /** Within so many metres it is as loud as it can be; twice as far it is half as loud. */
  near: z.number().min(0.01).max(100),
});

export type FountainAreaChoice = z.infer<typeof fountainAreaSchema>;
export type FaceArea = (typeof FACE_AREAS)[number];
