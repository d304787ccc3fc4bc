/** An occluder: hides what is behind it and draws nothing. It is the wearer's head, or the shape of a model. */
import type { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import type { ObjectId } from '../../schema/placed-schema';
import type { Box } from '../../maths/box';
import { modelBox } from './model';
import { defineObject } from './object-kind';
import { placed } from './placed';

/** The head, roughly. */
const HEAD: Box = { low: [-0.08, -0.11, -0.125], high: [0.08, 0.125, 0.09] };

export const occluder = defineObject({
  kind: 'occluder',
  fields: {
    /** The model whose shape it has; null is the head. */
    asset: assetIdSchema.nullable(),
  },
  isSeen: false,
  drawn: 'otherwise',
  drawnBy: [],
  isTouched: false,
  onFace: false,
  shows: ['model'],
  rests: 'inPlace',
  ground: ({ asset }, assets) => ({ base: (asset && modelBox(assets[asset])?.low[1]) || 0 }),
  bounds: ({ asset }, { assets }) => (asset === null ? HEAD : modelBox(assets[asset])),
});
export type Occluder = z.infer<typeof occluder.schema>;

/** The head of a face; or the shape of a model, in its place. */
export const newOccluder = (id: ObjectId, order: number, face: FaceChoice = 1): Occluder => ({
  ...placed(id, 'Head occluder', order, { kind: 'head', face, point: 'headCentre', grows: false }),
  kind: 'occluder',
  depthWrite: true,
  asset: null,
});
