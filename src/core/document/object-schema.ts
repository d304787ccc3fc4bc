/** The kinds of objects in the Stack. Units: metres, degrees (never wrapped), seconds, sRGB hex. */
import { z } from 'zod';
import { assetIdSchema } from './asset-schema';
import {
  cutoutSchema,
  hairSchema,
  irisSchema,
  lashesSchema,
  layerSchema,
  morphSchema,
  retouchSchema,
} from './face-object-schema';
import { fountainSchema, soundObjectSchema } from './fountain-schema';
import { gradeStepsSchema } from './grade-schema';
import { materialIdSchema } from './material-schema';
import {
  blendSchema,
  delay,
  flat,
  placedSchema,
  size,
  size3,
  type byViewerSchema,
  type fitSchema,
  type lookAtSchema,
  type objectIdSchema,
  type sceneIdSchema,
  type touchAreaSchema,
} from './placed-schema';
import { cameraView, hex, unit, text } from './values-schema';

/** A flat picture, a sequence of pictures or a video that plays. */
export const cardSchema = z.strictObject({
  ...flat,
  kind: z.literal('card'),
  asset: assetIdSchema,
  /** With one, the picture lies on this material where the material has no base picture of its own. */
  material: materialIdSchema.nullable(),
  /** How long after the effect starts a sequence or video begins. */
  startDelay: delay,
});

/** A flat thing that shows the camera picture as it is now. */
export const liveSchema = z.strictObject({
  ...flat,
  kind: z.literal('live'),
  ...cameraView,
});

/** A flat thing in one colour (its tint), or running to another. */
export const fillSchema = z.strictObject({
  ...flat,
  kind: z.literal('fill'),
  /** With one, its own colours are not used. */
  material: materialIdSchema.nullable(),
  /** The other end of the gradient; null is one colour. */
  to: hex.nullable(),
  gradient: z.enum(['linear', 'radial']),
  /** Of a linear gradient: 0 runs upwards, above 0 clockwise. */
  angle: z.number().min(-360).max(360),
});

/** Hides what is behind it and draws nothing: the wearer's head, or the shape of a model. */
export const occluderSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('occluder'),
  /** The model whose shape it has; null is the head. */
  asset: assetIdSchema.nullable(),
});

/** A model with its materials; one of its clips may play. */
export const modelObjectSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('model'),
  asset: assetIdSchema,
  opacity: unit,
  blend: blendSchema,
  /** Name of the clip that plays again and again; null keeps it at rest. */
  clip: text(200).nullable(),
  startDelay: delay,
  /** Materials instead of the model's own: by the number of that material in the model, or `all` for every other one. */
  materials: z
    .record(z.string().regex(/^(all|\d{1,4})$/), materialIdSchema)
    .refine((slots) => Object.keys(slots).length <= 1000, 'At most 1000 materials.'),
  /** Parts that are not shown, by their place in the part tree. */
  hiddenParts: z.array(z.number().int().min(0).max(100_000)).max(2000),
});

/** Holds objects together: they move, turn, grow, fade and hide with it. */
export const groupSchema = z.strictObject({ ...placedSchema, kind: z.literal('group'), opacity: unit });

export const SOLID_SHAPES = ['box', 'sphere', 'cylinder', 'cone', 'torus', 'plane', 'capsule'] as const;
export const solidSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('solid'),
  shape: z.enum(SOLID_SHAPES),
  /** Width, height and depth at scale 1. */
  extent: size3,
  colour: hex,
  /** With one, colour, roughness and metalness below are not used. */
  material: materialIdSchema.nullable(),
  /** glTF roughness and metalness. */
  roughness: unit,
  metalness: unit,
  opacity: unit,
  blend: blendSchema,
});

export const TEXT_ALIGNS = ['left', 'centre', 'right'] as const;
export const textSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('text'),
  text: text(500),
  /** A font that was brought in; null is the one Iconia ships. */
  font: assetIdSchema.nullable(),
  /** Height of a line. */
  size: z.number().min(0.0005).max(100),
  align: z.enum(TEXT_ALIGNS),
  colour: hex,
  /** Width of the outline as a share of the line's height; 0 has none. */
  outline: z.number().min(0).max(0.5),
  outlineColour: hex,
  /** Degrees of a circle the line is bent to: above 0 like a hill, below like a bowl. */
  arc: z.number().min(-350).max(350),
  /** Space between letters as a share of the line's height. */
  spacing: z.number().min(-0.2).max(2),
  opacity: unit,
  blend: blendSchema,
});

/** Draws nothing but the shadows that fall on it. */
export const shadowCatcherSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('shadowCatcher'),
  /** Width and depth. */
  extent: z.tuple([size, size]),
  /** 1 is black where no light falls. */
  density: unit,
  /** 0 has hard edges, 1 very soft ones. */
  softness: unit,
});

export const LIGHT_KINDS = ['ambient', 'directional', 'point', 'surroundings'] as const;
export const lightSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('light'),
  light: z.enum(LIGHT_KINDS),
  colour: hex,
  /** 1 is as bright as the usual light. */
  strength: z.number().min(0).max(20),
  /** Directional light casts shadows on shadow catchers and models. */
  shadows: z.boolean(),
  /** The picture of the surroundings; null is a plain bright room. */
  asset: assetIdSchema.nullable(),
});

/** Changes the colours of the finished picture, with all that is in it. It has no place of its own. */
export const gradeSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('grade'),
  /** How much of it: 0 leaves the picture as it was. */
  opacity: unit,
  /** In order. */
  steps: gradeStepsSchema,
});

export const objectSchema = z.discriminatedUnion('kind', [
  cardSchema,
  liveSchema,
  fillSchema,
  layerSchema,
  irisSchema,
  lashesSchema,
  hairSchema,
  retouchSchema,
  morphSchema,
  cutoutSchema,
  modelObjectSchema,
  solidSchema,
  textSchema,
  groupSchema,
  occluderSchema,
  shadowCatcherSchema,
  lightSchema,
  gradeSchema,
  fountainSchema,
  soundObjectSchema,
]);

export type ObjectId = z.infer<typeof objectIdSchema>;
export type SceneId = z.infer<typeof sceneIdSchema>;
export type BlendMode = z.infer<typeof blendSchema>;
export type LookAt = z.infer<typeof lookAtSchema>;
export type TouchArea = z.infer<typeof touchAreaSchema>;
export type ByViewer = z.infer<typeof byViewerSchema>;
export type Card = z.infer<typeof cardSchema>;
export type Live = z.infer<typeof liveSchema>;
export type CameraPart = Live['part'];
export type Fill = z.infer<typeof fillSchema>;
export type Fit = z.infer<typeof fitSchema>;
export type Layer = z.infer<typeof layerSchema>;
export type Iris = z.infer<typeof irisSchema>;
export type Lashes = z.infer<typeof lashesSchema>;
export type Hair = z.infer<typeof hairSchema>;
export type Retouch = z.infer<typeof retouchSchema>;
export type Morph = z.infer<typeof morphSchema>;
export type Cutout = z.infer<typeof cutoutSchema>;
export type Eyes = Iris['eyes'];
export type ModelObject = z.infer<typeof modelObjectSchema>;
export type Solid = z.infer<typeof solidSchema>;
export type SolidShape = Solid['shape'];
export type TextObject = z.infer<typeof textSchema>;
export type Group = z.infer<typeof groupSchema>;
export type Occluder = z.infer<typeof occluderSchema>;
export type ShadowCatcher = z.infer<typeof shadowCatcherSchema>;
export type Light = z.infer<typeof lightSchema>;
export type LightKind = Light['light'];
export type Grade = z.infer<typeof gradeSchema>;
export type Fountain = z.infer<typeof fountainSchema>;
export type SoundObject = z.infer<typeof soundObjectSchema>;
export type EffectObject = z.infer<typeof objectSchema>;
export type ObjectKind = EffectObject['kind'];
