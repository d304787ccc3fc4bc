/** A shadow catcher: draws nothing but the shadows that fall on it. */
import { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { size, type ObjectId } from '../../schema/placed-schema';
import { share } from '../../schema/properties';
import { boxAbout } from '../../maths/box';
import { defineObject } from './object-kind';
import { placed } from './placed';
import { groundDepth, standsOn } from './resting';

export const shadowCatcher = defineObject({
  kind: 'shadowCatcher',
  fields: {
    /** Width and depth. */
    extent: z.tuple([size, size]),
    /** 1 is black where no light falls. */
    density: share('Density of the shadow', { mark: 'dark' }),
    /** 0 has hard edges, 1 very soft ones. */
    softness: share('Softness of the shadow', { mark: 'soft' }),
  },
  isSeen: false,
  drawn: 'ground',
  drawnBy: ['solids'],
  isTouched: false,
  onFace: false,
  rests: 'before',
  bounds: ({ extent: [width, depth] }) => boxAbout(width, 0, depth),
});
export type ShadowCatcher = z.infer<typeof shadowCatcher.schema>;

/** Lies flat on what it sticks to and shows the shadows that fall there. */
export const newShadowCatcher = (id: ObjectId, order: number, anchor: Anchor): ShadowCatcher => ({
  ...placed(id, 'Shadow catcher', order, anchor),
  kind: 'shadowCatcher',
  move: [0, 0, groundDepth(anchor)],
  turn: standsOn(anchor) ? [0, 0, 0] : [90, 0, 0],
  extent: anchor.kind === 'world' ? [3, 3] : [0.4, 0.4],
  density: 0.45,
  softness: 0.5,
});
