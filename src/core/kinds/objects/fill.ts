/** A colour field: flat, in one colour (its tint), or running to another. */
import { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { materialIdSchema } from '../../schema/material-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { choice, colour, number } from '../../schema/properties';
import { boxAbout } from '../../maths/box';
import { defineObject } from './object-kind';
import { FLAT, FOREHEAD, flatFields, hidesFarther, placed } from './placed';
import { cardExtent, restOn } from './resting';

export const fill = defineObject({
  kind: 'fill',
  fields: {
    ...flatFields,
    tint: colour('Colour'),
    /** With one, its own colours are not used. */
    material: materialIdSchema.nullable(),
    /** The other end of the gradient; null is one colour. */
    to: colour('Other end of the gradient').nullable(),
    gradient: choice('Gradient', { linear: 'Straight', radial: 'Round' }),
    /** Of a linear gradient: 0 runs upwards, above 0 clockwise. */
    angle: number({
      name: 'Angle of the gradient',
      low: -360,
      high: 360,
      unit: 'degrees',
      step: 5,
      driven: true,
    }),
  },
  isSeen: true,
  drawn: 'flat',
  drawnBy: [],
  isTouched: true,
  onFace: false,
  rests: 'before',
  ground: ({ extent }) => ({ extent }),
  bounds: ({ extent: [width, height] }) => boxAbout(width, height, 0),
});
export type Fill = z.infer<typeof fill.schema>;

/** A plain colour; behind the people it fills the screen. */
export const newFill = (id: ObjectId, order: number, anchor: Anchor = FOREHEAD): Fill => {
  const extent = cardExtent(1, anchor);
  return {
    ...placed(id, 'Colour', order, anchor),
    depthWrite: hidesFarther(anchor),
    kind: 'fill',
    material: null,
    ...restOn(anchor, fill.rests, { extent }),
    extent,
    ...FLAT,
    fit: anchor.kind === 'backdrop' ? 'stretch' : 'free',
    tint: '#0f6b62',
    to: null,
    gradient: 'linear',
    angle: 0,
  };
};
