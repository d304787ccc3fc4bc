/**
 * Materials: what surfaces are made of. The numbers are those of glTF 2.0 metallic-roughness and its extensions
 * KHR_materials_clearcoat, _sheen, _transmission, _ior, _volume, _unlit and _emissive_strength.
 */
import { z } from 'zod';
import { surfaceCircuitSchema, pictureSourceSchema } from './surface-circuit-schema';
import { idOf } from './references';
import { choice, colour, number, yesNo, type NumberProperty } from './properties';
import { label } from './values-schema';

export const materialIdSchema = idOf('materials').brand<'MaterialId'>();

/** Lit by the lights of the effect, by nothing, or as the camera picture is lit. */
export const SHADING_WORDS = {
  lit: 'By the lights',
  unlit: 'By nothing',
  camera: 'As the camera picture is',
} as const;
/** glTF OPAQUE, BLEND and MASK. */
export const ALPHA_WORDS = {
  opaque: 'Covers everything',
  blend: 'Lets through',
  cutoff: 'Cut out sharply',
} as const;
/** Pictures laid over the surface. Roughness lies in green, metalness in blue, occlusion in red, as in glTF. */
export const MAP_SLOTS = ['base', 'normal', 'occlusion', 'roughness', 'metalness', 'glow'] as const;

const map = pictureSourceSchema.nullable();
const percent = (name: string, high: number, more: Partial<Omit<NumberProperty, 'type'>> = {}) =>
  number({ name, low: 0, high, unit: 'percent', ...more });
const part = (name: string, short?: string) => percent(name, 1, short === undefined ? {} : { short });
/** Across and down. */
const pair = (name: string, more: Partial<Omit<NumberProperty, 'type'>>) => {
  const one = (way: string, mark: string) =>
    number({ name: `${name} ${way}`, low: -1000, high: 1000, unit: 'plain', mark, ...more });
  return z.tuple([one('across', 'x'), one('down', 'y')]);
};

export const materialSchema = z.strictObject({
  id: materialIdSchema,
  name: label,
  shading: choice('What lights it', SHADING_WORDS),
  /** Tints the base picture, or is the colour without one. */
  colour: colour('Colour of the material', { short: 'Colour' }),
  opacity: percent('Opacity of the material', 1, { short: 'Opacity' }),
  alpha: choice('What transparency does', ALPHA_WORDS),
  /** With `cutoff`: what is less opaque than this is not there. */
  cutoff: part('Cut below'),
  doubleSided: yesNo('Both sides'),
  maps: z.strictObject({ base: map, normal: map, occlusion: map, roughness: map, metalness: map, glow: map }),
  /** A picture that says where the surface is: by its grey, or by its own transparency. */
  mask: z
    .strictObject({
      picture: pictureSourceSchema,
      by: choice('How the mask counts', { grey: 'By its grey', alpha: 'By its transparency' }),
      invert: yesNo('Turned over'),
    })
    .nullable(),
  roughness: part('Roughness'),
  metalness: part('Metalness'),
  /** How steep the normal picture is. */
  normalStrength: percent('Bumps', 4),
  /** Green of the normal picture points down instead of up. */
  normalDown: yesNo('Bumps the other way round', {
    help: 'Some programs paint the green of normal pictures the other way round; bumps then look like dents',
  }),
  occlusionStrength: part('Hollows'),
  glow: colour('Colour of the glow', { short: 'Glow' }),
  glowStrength: percent('Glow strength', 20, { offered: [0, 5] }),
  clearcoat: part('Clear coat'),
  clearcoatRoughness: part('Coat roughness'),
  /** The colour of its velvet; black has none. */
  sheen: colour('Colour of the sheen', { short: 'Sheen' }),
  sheenRoughness: part('Roughness of the sheen', 'Sheen rough'),
  /** How much light goes through it, tinted by the colour. */
  transmission: part('Goes through'),
  /** How much the light is bent (index of refraction), and over which thickness in metres. */
  ior: number({ name: 'Bends light', low: 1, high: 2.333, unit: 'plain', step: 0.01 }),
  thickness: number({ name: 'Thickness', low: 0, high: 10, offered: [0, 0.2], unit: 'metres' }),
  /** How pictures lie on it. */
  uv: z.strictObject({
    offset: pair('Moved', { digits: 3, step: 0.01 }),
    repeat: pair('Repeats', {}),
    /** Degrees, about the middle. */
    turn: number({ name: 'Pictures turned', low: -36_000, high: 36_000, unit: 'degrees', digits: 1 }),
  }),
  /** Nodes that make its look; null leaves it to the values above. */
  circuit: surfaceCircuitSchema.nullable(),
});

export type MaterialId = z.infer<typeof materialIdSchema>;
export type MapSlot = (typeof MAP_SLOTS)[number];
export type Shading = keyof typeof SHADING_WORDS;
export type MaterialMask = NonNullable<z.infer<typeof materialSchema>['mask']>;
export type Material = z.infer<typeof materialSchema>;
