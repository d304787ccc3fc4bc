/** Dyed hair, strands and shine kept. */
import type { z } from 'zod';
import type { FaceChoice } from '../../schema/anchor-schema';
import { blendSchema, type ObjectId } from '../../schema/placed-schema';
import { colour, share } from '../../schema/properties';
import { defineObject } from './object-kind';
import { onFace } from './on-face';
import { onWholeFace, placed } from './placed';

export const hair = defineObject({
  kind: 'hair',
  fields: {
    tint: colour('Colour'),
    opacity: share('Opacity'),
    /** Normal dyes: the hair's own light and shade stay. */
    blend: blendSchema,
    /** How far from the crown the wearer's own colour goes over into the dye; 0 dyes the roots too. */
    roots: share('Roots that keep their colour', { short: 'Roots' }),
    /** A second tone: of the tips, as far up as it reaches, and of single strands. */
    tips: colour('Second colour, of tips and streaks', { short: 'Second' }),
    tipsReach: share('How far up the tips have the second colour', { short: 'Tips' }),
    streaks: share('Strands that have the second colour', { short: 'Streaks' }),
  },
  ...onFace,
  rests: 'before',
  // Hair is dyed on people.
  needs: () => ['faces', 'people'],
});
export type Hair = z.infer<typeof hair.schema>;

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
});
