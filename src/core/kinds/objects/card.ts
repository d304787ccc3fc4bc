/** A card: a flat picture, a sequence of pictures or a video that plays. */
import type { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import {
  assetIdSchema,
  type PictureAsset,
  type SequenceAsset,
  type VideoAsset,
} from '../../schema/asset-schema';
import { materialIdSchema } from '../../schema/material-schema';
import { startDelay, type ObjectId } from '../../schema/placed-schema';
import { yesNo } from '../../schema/properties';
import { boxAbout } from '../../maths/box';
import { defineObject } from './object-kind';
import { FLAT, FOREHEAD, flatFields, hidesFarther, objectNameFor, placed } from './placed';
import { cardExtent, restOn } from './resting';

export const card = defineObject({
  kind: 'card',
  fields: {
    ...flatFields,
    asset: assetIdSchema,
    /** With one, the picture lies on this material where the material has no base picture of its own. */
    material: materialIdSchema.nullable(),
    startDelay,
    /** Else it stands at its first picture until a cue plays it or turns it on. */
    runs: yesNo('Plays by itself'),
  },
  isSeen: true,
  drawn: 'flat',
  drawnBy: [],
  isTouched: true,
  onFace: false,
  shows: ['picture', 'sequence', 'video'],
  isShowing: true,
  holds: ['things'],
  rests: 'before',
  ground: ({ extent }) => ({ extent }),
  bounds: ({ extent: [width, height] }) => boxAbout(width, height, 0),
});
export type Card = z.infer<typeof card.schema>;

/** What a card may show. */
type Flat = Pick<PictureAsset | SequenceAsset | VideoAsset, 'id' | 'name' | 'width' | 'height'>;

/** A card that shows `asset` in the picture's own proportions, where such a card rests on its anchor. */
export const newCard = (id: ObjectId, asset: Flat, order: number, anchor: Anchor = FOREHEAD): Card => {
  const extent = cardExtent(asset.width / asset.height, anchor);
  return {
    ...placed(id, objectNameFor(asset, 'Picture'), order, anchor),
    depthWrite: hidesFarther(anchor),
    kind: 'card',
    material: null,
    ...restOn(anchor, card.rests, { extent }),
    asset: asset.id,
    extent,
    ...FLAT,
    startDelay: 0,
    runs: true,
  };
};
