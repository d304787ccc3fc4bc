/** An occluder: hides what is behind it and draws nothing. It is the wearer's head, a hand, people in a room, or the shape of a model. */
import type { z } from 'zod';
import type { Anchor, FaceChoice, HandChoice } from '../../schema/anchor-schema';
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

/** What of an object tells which occluder it is. */
interface MaybeOccluder {
  readonly kind: string;
  readonly anchor: { readonly kind: string };
  readonly asset?: unknown;
}
const isWhole = ({ kind, asset }: MaybeOccluder): boolean => kind === 'occluder' && asset === null;
/** Whether it is a hand that hides, whichever point of it is named. */
export const isHandOccluder = (object: MaybeOccluder): boolean =>
  isWhole(object) && object.anchor.kind === 'hand';
/** Whether people hide what is behind them, in a room or before a printed picture. */
export const isPeopleOccluder = (object: MaybeOccluder): boolean =>
  isWhole(object) && (object.anchor.kind === 'world' || object.anchor.kind === 'picture');

export const occluder = defineObject({
  kind: 'occluder',
  fields: {
    /** The model whose shape it has; null is the head, on a hand the hand, on a floor or a picture the people before it. */
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
  needs: (object) => {
    if (object.asset !== null) return [];
    // How far away people are is told by their faces.
    if (isPeopleOccluder(object)) return ['people', 'faces'];
    return object.hair && !isHandOccluder(object) ? ['people'] : [];
  },
  rests: 'inPlace',
  ground: ({ asset }, assets) => ({ base: (asset && modelBox(assets[asset])?.low[1]) || 0 }),
  bounds: (object, { assets }) => {
    if (object.asset !== null) return modelBox(assets[object.asset]);
    if (isPeopleOccluder(object)) return null;
    return isHandOccluder(object) ? HAND : HEAD;
  },
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

/** A hand hides what is behind it. */
export const newHandOccluder = (id: ObjectId, order: number, hand: HandChoice = 'every'): Occluder => ({
  ...placed(id, 'Hand occluder', order, handAnchor('wrist', hand)),
  kind: 'occluder',
  depthWrite: true,
  asset: null,
  hair: false,
  neck: false,
});

/** People hide what is behind them, where things stick to a room or a printed picture. */
export const newPeopleOccluder = (id: ObjectId, order: number, anchor: Anchor): Occluder => ({
  ...placed(id, 'People occluder', order, anchor),
  kind: 'occluder',
  depthWrite: true,
  asset: null,
  hair: false,
  neck: false,
});
