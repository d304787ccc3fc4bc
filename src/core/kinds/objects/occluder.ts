/** An occluder: hides what is behind it and draws nothing. It is the wearer's head, a hand, or the shape of a model. */
import type { z } from 'zod';
import type { FaceChoice, HandChoice } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { yesNo } from '../../schema/properties';
import type { Box } from '../../maths/box';
import { modelBox } from './model';
import { defineObject } from './object-kind';
import { handAnchor, placed } from './placed';

/** An open hand with the beginning of its arm, roughly. */
const HAND: Box = { low: [-0.05, -0.1, -0.03], high: [0.1, 0.2, 0.05] };
/** The head, roughly. */
const HEAD: Box = { low: [-0.08, -0.11, -0.125], high: [0.08, 0.125, 0.09] };

export const occluder = defineObject({
  kind: 'occluder',
  fields: {
    /** The model whose shape it has; null is the head, or on a hand the hand. */
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
  bounds: ({ asset, anchor }, { assets }) =>
    asset !== null ? modelBox(assets[asset]) : anchor.kind === 'hand' ? HAND : HEAD,
});
export type Occluder = z.infer<typeof occluder.schema>;

/** Whether it is a hand that hides, whichever point of it is named. */
export const isHandOccluder = (object: {
  readonly kind: string;
  readonly anchor: { readonly kind: string };
  readonly asset?: unknown;
}): boolean => object.kind === 'occluder' && object.asset === null && object.anchor.kind === 'hand';

/** The head of a face; or the shape of a model, in its place. */
export const newOccluder = (id: ObjectId, order: number, face: FaceChoice = 1): Occluder => ({
  ...placed(id, 'Head occluder', order, { kind: 'head', face, point: 'headCentre', grows: false }),
  kind: 'occluder',
  depthWrite: true,
  asset: null,
  hair: false,
  neck: true,
});

/** A hand hides what is behind it. */
export const newHandOccluder = (id: ObjectId, order: number, hand: HandChoice = 'every'): Occluder => ({
  ...placed(id, 'Hand occluder', order, handAnchor('wrist', hand)),
  kind: 'occluder',
  depthWrite: true,
  asset: null,
  hair: false,
  neck: false,
});
