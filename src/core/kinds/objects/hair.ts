/** Dyed hair, strands and shine kept. */
import type { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import { blendSchema, type ObjectId } from '../../schema/placed-schema';
import { choice, colour, keysOf, share } from '../../schema/properties';
import { defineObject } from './object-kind';
import { onFace } from './on-face';
import { onWholeFace, placed } from './placed';

/** Left and right are the wearer's own. */
const HAIR_PART_WORDS = {
  all: 'All of it',
  left: 'The left half',
  right: 'The right half',
  fringe: 'What hangs over the forehead',
  lengths: 'What hangs below the ears',
} as const;
export type HairPart = keyof typeof HAIR_PART_WORDS;
export const HAIR_PARTS = keysOf(HAIR_PART_WORDS);

export const hair = defineObject({
  kind: 'hair',
  fields: {
    tint: colour('Colour'),
    opacity: share('Opacity'),
    /** Normal dyes: the hair's own light and shade stay. */
    blend: blendSchema,
    /** How far along the strands, from the crown down, the wearer's own colour goes over into the dye; 0 dyes the roots too. */
    roots: share('Roots that keep their colour', { short: 'Roots' }),
    /** A second tone: of the tips, as far up as it reaches, and of single strands. */
    tips: colour('Second colour, of tips and streaks', { short: 'Second' }),
    tipsReach: share('How far up the tips have the second colour', { short: 'Tips' }),
    streaks: share('Strands that have the second colour', { short: 'Streaks' }),
    part: choice('Where the hair is dyed', HAIR_PART_WORDS),
    /** How softly that part goes over into the hair beside it. */
    edge: share('Soft edge of where it is dyed', { short: 'Soft edge' }),
    /** A picture laid over the head from the front, a square of `HAIR_MASK`: light and opaque is dyed. Null is no mask. */
    mask: assetIdSchema.nullable(),
  },
  ...onFace,
  rests: 'before',
  // Hair is dyed on people.
  needs: () => ['faces', 'people'],
});
export type Hair = z.infer<typeof hair.schema>;

/** Where the mask of dyed hair lies in head space: its middle and its side, metres. */
export const HAIR_MASK = { middle: [0, -0.06], side: 0.6 } as const;

/** Hair colour on a face, as it is added. */
export const newHair = (id: ObjectId, order: number, face: FaceChoice = 1): Hair => ({
  ...placed(id, 'Hair colour', order, onWholeFace(face)),
  kind: 'hair',
  tint: '#a0473a',
  opacity: 0.8,
  blend: 'normal',
  roots: 0,
  tips: '#e0b070',
  tipsReach: 0,
  streaks: 0,
  part: 'all',
  edge: 0.3,
  mask: null,
});
