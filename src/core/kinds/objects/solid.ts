/** A solid: a box, a sphere and so on, of one material. */
import type { z } from 'zod';
import type { Anchor, AnchorKind } from '../../schema/anchor-schema';
import { materialIdSchema } from '../../schema/material-schema';
import { blendSchema, size3, type ObjectId } from '../../schema/placed-schema';
import { choice, colour, keysOf, share } from '../../schema/properties';
import { boxAbout } from '../../maths/box';
import { defineObject } from './object-kind';
import { FOREHEAD, placed } from './placed';
import { restOn } from './resting';

export const SOLID_WORDS = {
  box: 'Box',
  sphere: 'Sphere',
  cylinder: 'Cylinder',
  cone: 'Cone',
  torus: 'Torus',
  plane: 'Plane',
  capsule: 'Capsule',
} as const;
export type SolidShape = keyof typeof SOLID_WORDS;
export const SOLID_SHAPES = keysOf(SOLID_WORDS);

export const solid = defineObject({
  kind: 'solid',
  fields: {
    shape: choice('Shape', SOLID_WORDS),
    /** Width, height and depth at scale 1. */
    extent: size3,
    colour: colour('Colour of the solid', { short: 'Colour' }),
    /** With one, colour, roughness and metalness below are not used. */
    material: materialIdSchema.nullable(),
    /** glTF roughness and metalness. */
    roughness: share('Roughness'),
    metalness: share('Metalness'),
    opacity: share('Opacity'),
    blend: blendSchema,
  },
  isSeen: true,
  drawn: 'solid',
  drawnBy: ['solids', 'surfaces'],
  isTouched: true,
  onFace: false,
  holds: ['things'],
  rests: 'solid',
  ground: ({ extent }) => ({ base: -extent[1] / 2 }),
  bounds: ({ extent }) => boxAbout(...extent),
});
export type Solid = z.infer<typeof solid.schema>;

/** Size of a new solid by what it sticks to, in metres. */
const SIZE: Record<AnchorKind, number> = {
  head: 0.04,
  skin: 0.015,
  hand: 0.03,
  world: 0.3,
  picture: 0.05,
  screen: 0.02,
  backdrop: 0.03,
};

/** A shape, as it is added: as large as things on its anchor usually are. */
export const newSolid = (
  id: ObjectId,
  shape: SolidShape,
  order: number,
  anchor: Anchor = FOREHEAD,
): Solid => {
  const s = SIZE[anchor.kind];
  const extent: [number, number, number] =
    shape === 'plane'
      ? [s, s, s / 1000]
      : shape === 'torus'
        ? [s, s, s * 0.3]
        : shape === 'capsule'
          ? [s / 2, s, s / 2]
          : [s, s, s];
  return {
    ...placed(id, SOLID_WORDS[shape], order, anchor),
    kind: 'solid',
    material: null,
    ...restOn(anchor, solid.rests, { base: -extent[1] / 2 }),
    depthWrite: true,
    shape,
    extent,
    colour: '#0f8f84',
    roughness: 0.5,
    metalness: 0,
    opacity: 1,
    blend: 'normal',
  };
};
