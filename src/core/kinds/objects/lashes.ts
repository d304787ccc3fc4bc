/** False lashes along the lids. */
import type { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { blendSchema, type ObjectId } from '../../schema/placed-schema';
import { colour, number, share, yesNo } from '../../schema/properties';
import { defineObject } from './object-kind';
import { eyes, LEFT_OUT_AS_ADDED, leftOut, onFace } from './on-face';
import { onWholeFace, placed } from './placed';

export const lashes = defineObject({
  kind: 'lashes',
  fields: {
    eyes: eyes(),
    tint: colour('Colour'),
    opacity: share('Opacity'),
    blend: blendSchema,
    /** Factor on the usual length. */
    length: number({ name: 'Length', low: 0.2, high: 3, unit: 'percent', driven: true }),
    /** They are bent upwards from root to tip. */
    curl: number({ name: 'Curl', low: 0, high: 120, unit: 'degrees', driven: true }),
    /** Factor on the usual number. */
    density: number({ name: 'Density', low: 0.2, high: 3, unit: 'percent', driven: true }),
    lower: yesNo('On the lower lids too'),
    ...leftOut,
  },
  ...onFace,
  rests: 'before',
});
export type Lashes = z.infer<typeof lashes.schema>;

/** Lashes on a face, as they are added. */
export const newLashes = (id: ObjectId, order: number, face: FaceChoice = 1): Lashes => ({
  ...placed(id, 'Lashes', order, onWholeFace(face)),
  kind: 'lashes',
  eyes: 'both',
  tint: '#17130f',
  opacity: 0.95,
  blend: 'normal',
  length: 1,
  curl: 55,
  density: 1,
  lower: false,
  ...LEFT_OUT_AS_ADDED,
});
