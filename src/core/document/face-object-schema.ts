/** The objects on a face and made of one: layers, irises, lashes, dyed hair, retouch, morphs, cutouts. */
import { z } from 'zod';
import { CUTOUT_PARTS } from '../face/cutout-parts';
import { PACKED_MOVES } from '../face/morph/packed-moves';
import { FACE_REGIONS } from '../face/region-names';
import { SHAPE_NAMES } from '../face/shape-names';
import { FINISHES } from '../makeup/finish';
import { MOST_FACES } from './anchor-schema';
import { assetIdSchema, shaSchema } from './asset-schema';
import { blendSchema, delay, flat, objectIdSchema, placedSchema } from './placed-schema';
import { hex, unit } from './values-schema';

/** Colour or a picture on the skin, by the face layout. */
export const layerSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('layer'),
  region: z.enum(FACE_REGIONS),
  /** A painted mask instead of the region's own: light where the layer is, by its grey and its transparency. */
  mask: assetIdSchema.nullable(),
  /** Factor on the softness that the region's edge usually has; 0 is hard. */
  softness: z.number().min(0).max(4),
  /** Picture, sequence or video over the whole layout; null is plain colour, the tint. */
  asset: assetIdSchema.nullable(),
  /** How long after the effect starts a sequence or video begins. */
  startDelay: delay,
  opacity: unit,
  tint: hex,
  blend: blendSchema,
  finish: z.enum(FINISHES),
  /** How strong the finish is. */
  shine: unit,
  /** The layer whose mask limits this one; null is none. */
  maskedBy: objectIdSchema.nullable(),
  /** It is seen outside of that mask instead of inside. */
  maskedOut: z.boolean(),
  /** It goes over the eyes, over the inside of the mouth; else it leaves them out. */
  coversEyes: z.boolean(),
  coversMouth: z.boolean(),
  /** It is left out where a hand, hair or a thing is before the face. */
  givesWay: z.boolean(),
});

export const EYES = ['both', 'left', 'right'] as const;
/** Another colour of the iris; left and right are the wearer's own. */
export const irisSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('iris'),
  eyes: z.enum(EYES),
  /** A picture of an iris, round and filling its square; null is the colour with drawn fibres. */
  asset: assetIdSchema.nullable(),
  tint: hex,
  opacity: unit,
  /** Of the iris that stays black. */
  pupil: unit,
  /** A light mirrored in the eye. */
  glint: unit,
});

/** False lashes along the lids. */
export const lashesSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('lashes'),
  eyes: z.enum(EYES),
  tint: hex,
  opacity: unit,
  /** Factor on the usual length. */
  length: z.number().min(0.2).max(3),
  /** Degrees they are bent upwards from root to tip. */
  curl: z.number().min(0).max(120),
  /** Factor on the usual number. */
  density: z.number().min(0.2).max(3),
  lower: z.boolean(),
});

/** Dyed hair, strands and shine kept. */
export const hairSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('hair'),
  tint: hex,
  opacity: unit,
  /** How far from the crown the wearer's own colour goes over into the dye; 0 dyes the roots too. */
  roots: unit,
});

/** Evens out the skin and brightens the eyes and teeth, each by itself. */
export const retouchSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('retouch'),
  /** Of all of it. */
  opacity: unit,
  smooth: z.strictObject({
    on: z.boolean(),
    strength: unit,
    /** How much of the finest texture stays. */
    detail: unit,
  }),
  underEyes: z.strictObject({ on: z.boolean(), amount: unit }),
  eyes: z.strictObject({ on: z.boolean(), amount: unit }),
  teeth: z.strictObject({ on: z.boolean(), amount: unit }),
});

/** Another shape of the face: by sliders, by a sculpted mesh, or by both. */
export const morphSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('morph'),
  /** How far it has come: 0 is the wearer's own face, 1 all of the amount. */
  opacity: unit,
  /** 1 is as set and as sculpted; below 0 the other way. */
  amount: z.number().min(-1).max(2),
  sliders: z.partialRecord(z.enum(SHAPE_NAMES), z.number().min(-1).max(1)),
  mesh: z
    .strictObject({
      asset: assetIdSchema,
      /** The file that was measured. */
      file: shaSchema,
      /** How far the landmarks move, as `packMoves` writes it. */
      moves: z.string().regex(PACKED_MOVES, 'Moves of 468 landmarks.'),
      /** What was left between mesh and face, as a share of the face's width. */
      error: unit,
      by: z.enum(['layout', 'surface']),
    })
    .nullable(),
  /** Where on the face it counts; none is everywhere. */
  regions: z.array(z.enum(FACE_REGIONS)).max(FACE_REGIONS.length),
  /** How far it runs out around them, in shares of the layout. */
  fade: z.number().min(0).max(0.3),
});

const spot = z.tuple([unit, unit]);
/** A part of a face as the camera sees it now, cut out with a soft edge. */
export const cutoutSchema = z.strictObject({
  ...flat,
  kind: z.literal('cutout'),
  part: z.enum(CUTOUT_PARTS),
  /** The outline of a drawn part, by the face layout. */
  outline: z.array(spot).max(48),
  /** How far inside the outline the edge begins, and how far outside it ends: metres on a head of the usual size. */
  inner: z.number().min(0).max(0.1),
  outer: z.number().min(0).max(0.1),
  /** Whose: the number of the face. On a face it is that face's own. */
  face: z.number().int().min(1).max(MOST_FACES),
  /** With make-up and morphs, as the effect shows the face; else as the camera sees it. */
  made: z.boolean(),
  /** Mirrored left to right. */
  flip: z.boolean(),
});
