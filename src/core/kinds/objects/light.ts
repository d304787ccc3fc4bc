/** A light: ambient, directional, point, or a picture of surroundings. */
import type { z } from 'zod';
import type { Anchor } from '../../schema/anchor-schema';
import { assetIdSchema } from '../../schema/asset-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { choice, colour, keysOf, number, yesNo } from '../../schema/properties';
import { defineObject } from './object-kind';
import { MARK } from './mark';
import { placed } from './placed';
import { groundDepth } from './resting';

export const LIGHT_WORDS = {
  ambient: 'Ambient light',
  directional: 'Directional light',
  point: 'Point light',
  surroundings: 'Light surroundings',
} as const;
export type LightKind = keyof typeof LIGHT_WORDS;
export const LIGHT_KINDS = keysOf(LIGHT_WORDS);

/** Faces stand in the light of the camera already. */
export const ON_FACES_WORDS = {
  no: 'Not on faces',
  beside: 'On faces too, beside the camera’s light',
  instead: 'On faces too, instead of the camera’s light',
} as const;

export const light = defineObject({
  kind: 'light',
  fields: {
    light: choice('Kind of light', LIGHT_WORDS),
    colour: colour('Colour of the light', { short: 'Colour' }),
    /** 1 is as bright as the usual light. */
    strength: number({
      name: 'Strength of the light',
      low: 0,
      high: 20,
      offered: [0, 3],
      unit: 'percent',
      step: 5,
      driven: true,
    }),
    /** Directional light casts shadows on shadow catchers and models. */
    shadows: yesNo('Casts shadows'),
    /** Whether faces are lit by it: skin, what lies on it, and cutouts of it. */
    onFaces: choice('On faces', ON_FACES_WORDS),
    /** The picture of the surroundings; null is a plain bright room. */
    asset: assetIdSchema.nullable(),
  },
  isSeen: false,
  drawn: 'otherwise',
  drawnBy: [],
  isTouched: false,
  onFace: false,
  shows: ['surroundings'],
  rests: 'inPlace',
  bounds: () => MARK,
  needs: ({ onFaces }) => (onFaces === 'no' ? [] : ['faces']),
});
export type Light = z.infer<typeof light.schema>;

/** Directional light shines along its own -Y, so that unturned it comes from straight above. */
export const newLight = (id: ObjectId, kind: LightKind, order: number, anchor: Anchor): Light => ({
  ...placed(id, LIGHT_WORDS[kind], order, anchor),
  kind: 'light',
  light: kind,
  move: kind === 'point' ? [0.1, 0.15, 0.15] : [0, anchor.kind === 'world' ? 1 : 0.2, groundDepth(anchor)],
  turn: kind === 'directional' ? [25, 0, 42] : [0, 0, 0],
  colour: '#ffffff',
  strength: 1,
  shadows: kind === 'directional',
  onFaces: 'no',
  asset: null,
});
