/** An occluder: hides what is behind it and draws nothing. It is the wearer's head, or the shape of a model. */
import type { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { yesNo } from '../../schema/properties';
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
    /** Of a head: what its hair covers in the picture lies at the depth of the head, and hides what is behind that. */
    hair: yesNo('Hair hides too', { help: 'Its hair, as far as it is seen, hides what is behind the head' }),
    /** Of a head. */
    neck: yesNo('Neck hides too', { help: 'Its neck hides what is behind it: the clasp of a necklace' }),
  },
  isSeen: false,
  drawn: 'otherwise',
  drawnBy: [],
  isTouched: false,
  onFace: false,
  shows: ['model'],
  // Hair is told from the room by knowing people.
  needs: ({ asset, hair }) => (asset === null && hair ? ['people'] : []),
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
  hair: false,
  neck: true,
});
