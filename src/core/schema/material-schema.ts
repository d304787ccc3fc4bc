/**
 * Materials: what surfaces are made of. The numbers are those of glTF 2.0 metallic-roughness and its extensions
 * KHR_materials_clearcoat, _sheen, _transmission, _ior, _volume, _unlit and _emissive_strength.
 */
import { z } from 'zod';
import { circuitSchema, pictureSourceSchema } from './circuit-schema';
import { idOf } from './references';
import { hex, label, unit } from './values-schema';

export const materialIdSchema = idOf('materials').brand<'MaterialId'>();

/** Lit by the lights of the effect, by nothing, or as the camera picture is lit. */
export const SHADINGS = ['lit', 'unlit', 'camera'] as const;
/** glTF OPAQUE, BLEND and MASK. */
export const ALPHAS = ['opaque', 'blend', 'cutoff'] as const;
/** Pictures laid over the surface. Roughness lies in green, metalness in blue, occlusion in red, as in glTF. */
export const MAP_SLOTS = ['base', 'normal', 'occlusion', 'roughness', 'metalness', 'glow'] as const;

const map = pictureSourceSchema.nullable();
const far = z.number().min(-1000).max(1000);

export const materialSchema = z.strictObject({
  id: materialIdSchema,
  name: label,
  shading: z.enum(SHADINGS),
  /** Tints the base picture, or is the colour without one. */
  colour: hex,
  opacity: unit,
  alpha: z.enum(ALPHAS),
  /** With `cutoff`: what is less opaque than this is not there. */
  cutoff: unit,
  doubleSided: z.boolean(),
  maps: z.strictObject({ base: map, normal: map, occlusion: map, roughness: map, metalness: map, glow: map }),
  /** A picture that says where the surface is: by its grey, or by its own transparency. */
  mask: z
    .strictObject({ picture: pictureSourceSchema, by: z.enum(['grey', 'alpha']), invert: z.boolean() })
    .nullable(),
  roughness: unit,
  metalness: unit,
  /** How steep the normal picture is. */
  normalStrength: z.number().min(0).max(4),
  /** Green of the normal picture points down instead of up. */
  normalDown: z.boolean(),
  occlusionStrength: unit,
  glow: hex,
  glowStrength: z.number().min(0).max(20),
  clearcoat: unit,
  clearcoatRoughness: unit,
  /** The colour of its velvet; black has none. */
  sheen: hex,
  sheenRoughness: unit,
  /** How much light goes through it, tinted by the colour. */
  transmission: unit,
  /** How much the light is bent (index of refraction), and over which thickness in metres. */
  ior: z.number().min(1).max(2.333),
  thickness: z.number().min(0).max(10),
  /** How pictures lie on it. */
  uv: z.strictObject({
    offset: z.tuple([far, far]),
    repeat: z.tuple([far, far]),
    /** Degrees, about the middle. */
    turn: z.number().min(-36_000).max(36_000),
  }),
  /** Nodes that make its look; null leaves it to the values above. */
  circuit: circuitSchema.nullable(),
});

export type MaterialId = z.infer<typeof materialIdSchema>;
export type MapSlot = (typeof MAP_SLOTS)[number];
export type Shading = (typeof SHADINGS)[number];
export type MaterialMask = NonNullable<z.infer<typeof materialSchema>['mask']>;
export type Material = z.infer<typeof materialSchema>;
