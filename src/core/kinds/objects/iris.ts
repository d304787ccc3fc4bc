/** Another colour of the iris. */
import type { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import { blendSchema, type ObjectId } from '../../schema/placed-schema';
import { colour, share } from '../../schema/properties';
import { defineObject } from './object-kind';
import { eyes, LEFT_OUT_AS_ADDED, leftOut, onFace } from './on-face';
import { onWholeFace, placed } from './placed';

export const iris = defineObject({
  kind: 'iris',
  fields: {
    eyes: eyes(),
    /** A picture of an iris, round and filling its square; null is the colour with drawn fibres. */
    asset: assetIdSchema.nullable(),
    tint: colour('Colour'),
    opacity: share('Opacity'),
    blend: blendSchema,
    /** Of the iris that stays black. */
    pupil: share('Pupil'),
    /** A light mirrored in the eye. */
    glint: share('Glint'),
    ...leftOut,
  },
  ...onFace,
  shows: ['picture'],
  isShowing: true,
  rests: 'before',
});
export type Iris = z.infer<typeof iris.schema>;

/** Irises on a face, as they are added. */
export const newIris = (id: ObjectId, order: number, face: FaceChoice = 1): Iris => ({
  ...placed(id, 'Iris', order, onWholeFace(face)),
  kind: 'iris',
  eyes: 'both',
  asset: null,
  tint: '#2f7f78',
  opacity: 0.85,
  blend: 'normal',
  pupil: 0.36,
  glint: 0.6,
  ...LEFT_OUT_AS_ADDED,
});
