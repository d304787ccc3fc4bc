/** A contact shadow: a soft dark oval on the ground, that follows a thing above it and fades as that rises. */
import { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { objectIdSchema, size, type ObjectId } from '../../schema/placed-schema';
import { number, share } from '../../schema/properties';
import { orNone } from '../../schema/references';
import { boxAbout } from '../../maths/box';
import { defineObject } from './object-kind';
import { placed } from './placed';
import { groundDepth, standsOn } from './resting';

export const contactShadow = defineObject({
  kind: 'contactShadow',
  fields: {
    /** Width and depth of the oval. */
    extent: z.tuple([size, size]),
    /** 1 is black in its middle. */
    density: share('Density of the shadow', { short: 'Density' }),
    /** 0 has a hard edge, 1 fades from its middle on. */
    softness: share('Softness of the shadow', { short: 'Softness' }),
    /** It stays below this thing. */
    below: orNone(objectIdSchema, 'Follows', 'nothing: it stays where it is'),
    /** As high above it nothing is left of the shadow. */
    fadesAt: number({
      name: 'Gone when that is so high',
      short: 'Gone at',
      low: 0.001,
      high: 100,
      unit: 'centimetres',
      driven: true,
    }),
  },
  isSeen: true,
  drawn: 'ground',
  drawnBy: ['solids'],
  isTouched: false,
  onFace: false,
  rests: 'before',
  bounds: ({ extent: [width, depth] }) => boxAbout(width, 0, depth),
});
export type ContactShadow = z.infer<typeof contactShadow.schema>;

/** Just above what it lies on, so that it is not drawn through it. */
const LIFT = 0.001;

/** Lies flat on what it sticks to. */
export const newContactShadow = (id: ObjectId, order: number, anchor: Anchor): ContactShadow => {
  const stands = standsOn(anchor);
  const wide = anchor.kind === 'world' ? 0.6 : 0.08;
  return {
    ...placed(id, 'Contact shadow', order, anchor),
    kind: 'contactShadow',
    move: stands ? [0, LIFT, groundDepth(anchor)] : [0, 0, LIFT],
    turn: stands ? [0, 0, 0] : [90, 0, 0],
    extent: [wide, wide * 0.7],
    density: 0.55,
    softness: 0.7,
    below: null,
    fadesAt: anchor.kind === 'world' ? 0.8 : 0.1,
  };
};
