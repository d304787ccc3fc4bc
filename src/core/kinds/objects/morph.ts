/** A face morph: another shape of the face, by sliders, by a sculpted mesh, or by both. */
import { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { bakedAssetIdSchema, shaSchema } from '../../schema/asset-schema';
import { materialIdSchema } from '../../schema/material-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { number, share } from '../../schema/properties';
import { unit } from '../../schema/values-schema';
import { PACKED_MOVES } from '../../face/morph/packed-moves';
import { FACE_REGIONS } from '../../face/region-names';
import { SHAPE_NAMES, type ShapeName } from '../../face/shape-names';
import { defineObject } from './object-kind';
import { onFace } from './on-face';
import { onWholeFace, placed } from './placed';

/** "noseWidth" is "nose width". */
const spaced = (name: string): string => name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
const slider = (name: ShapeName) =>
  number({ name: `Shape: ${spaced(name)}`, low: -1, high: 1, unit: 'percent', driven: true }).optional();
const sliders = Object.fromEntries(SHAPE_NAMES.map((name) => [name, slider(name)])) as Record<
  ShapeName,
  ReturnType<typeof slider>
>;

export const morph = defineObject({
  kind: 'morph',
  fields: {
    /** How far it has come, for what fades: 0 is the wearer's own face, 1 all of its strength. */
    opacity: share('Opacity', { quietFor: 'amount' }),
    /** How strong it is: 1 is as set and as sculpted; below 0 the other way. */
    amount: number({ name: 'Strength', low: -1, high: 2, unit: 'percent', driven: true }),
    /** How much of the light and shade of the new shape is seen on the skin; 0 leaves the skin as light as it was. */
    relief: share('Light and shade of the shape', { short: 'Shading' }),
    sliders: z.strictObject(sliders),
    mesh: z
      .strictObject({
        asset: bakedAssetIdSchema,
        /** The file that was measured. */
        file: shaSchema,
        /** How far the landmarks move, as `packMoves` writes it. */
        moves: z.string().regex(PACKED_MOVES, 'Moves of 468 landmarks.'),
        /** What was left between mesh and face, as a share of the face's width. */
        error: unit,
        by: z.enum(['layout', 'surface']),
      })
      .nullable(),
    /** What the reshaped face is made of, where it counts; null is its own skin. */
    material: materialIdSchema.nullable(),
    /** Where on the face it counts; none is everywhere. */
    regions: z.array(z.enum(FACE_REGIONS)).max(FACE_REGIONS.length),
    /** How far it runs out around them, in shares of the layout. */
    fade: number({
      name: 'How far the morph runs out around them',
      short: 'Fade',
      low: 0,
      high: 0.3,
      unit: 'percent',
      digits: 1,
      step: 0.5,
    }),
  },
  ...onFace,
  rests: 'before',
});
export type Morph = z.infer<typeof morph.schema>;

/** Another face shape, as it is added: it changes nothing yet. */
export const newMorph = (id: ObjectId, order: number, face: FaceChoice = 1): Morph => ({
  ...placed(id, 'Face morph', order, onWholeFace(face)),
  kind: 'morph',
  opacity: 1,
  amount: 1,
  relief: 0.7,
  sliders: {},
  mesh: null,
  material: null,
  regions: [],
  fade: 0.06,
});
