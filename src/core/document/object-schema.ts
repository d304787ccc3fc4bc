/** The kinds of objects in the Stack. Units: metres, degrees (never wrapped), seconds, sRGB hex. */
import { z } from 'zod';
import { anchorSchema, MOST_FACES } from './anchor-schema';
import { PACKED_MOVES } from '../face/morph/packed-moves';
import { CUTOUT_PARTS } from '../face/cutout-parts';
import { FACE_REGIONS } from '../face/region-names';
import { SHAPE_NAMES } from '../face/shape-names';
import { FINISHES } from '../makeup/finish';
import { assetIdSchema, shaSchema } from './asset-schema';
import { gradeStepsSchema } from './grade-schema';
import { materialIdSchema } from './material-schema';
import { cameraView, finite, hex, idText, label, unit, vec3Schema } from './values-schema';

export const objectIdSchema = idText.brand<'ObjectId'>();
export const sceneIdSchema = idText.brand<'SceneId'>();

const size = z.number().positive().max(1000);
const size3 = z.tuple([size, size, size]);

/** W3C Compositing and Blending Level 1, and its operator plus-lighter. */
export const BLEND_MODES = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
  'plus-lighter',
] as const;
export const blendSchema = z.enum(BLEND_MODES);

/** The side of an object that is its front. */
export const FRONTS = ['+z', '-z', '+x', '-x', '+y', '-y'] as const;
/** What it may turn about to face the viewer: anything, or one of its own axes alone. */
export const TURNS_ABOUT = ['any', 'x', 'y', 'z'] as const;
export const lookAtSchema = z.strictObject({ front: z.enum(FRONTS), about: z.enum(TURNS_ABOUT) });

/** Where a touch counts as a touch of the object, in its own space. */
export const touchAreaSchema = z.strictObject({
  shape: z.enum(['box', 'ball']),
  centre: vec3Schema,
  size: size3,
});

/** What the viewer may do with the object. */
export const byViewerSchema = z.strictObject({
  drag: z.boolean(),
  pinch: z.boolean(),
  twist: z.boolean(),
  /** How far it may be dragged from where it was placed. */
  reach: z.number().min(0.01).max(100),
  /** How small and how large it may be pinched: factors on the placed size. */
  least: z.number().min(0.05).max(1),
  most: z.number().min(1).max(20),
});

export const placedSchema = {
  id: objectIdSchema,
  name: label,
  /** The group it belongs to; what it sticks to is then the group's business. */
  parent: objectIdSchema.nullable(),
  /** The scene it is part of; null is part of all. */
  scene: sceneIdSchema.nullable(),
  anchor: anchorSchema,
  /** Place within its anchor; a lower number stands higher in the Stack and covers what is below. */
  order: finite,
  visible: z.boolean(),
  /** Kept from being picked and dragged by chance. */
  locked: z.boolean(),
  /** Came with a starter, to be replaced by the creator's own. */
  sample: z.boolean(),
  /** Where its pivot is, from what it sticks to. */
  move: vec3Schema,
  turn: vec3Schema,
  scale: vec3Schema,
  /** The point of its own space that it turns and grows about. */
  pivot: vec3Schema,
  lookAt: lookAtSchema.nullable(),
  /** Hidden by what is nearer, and hides what is farther. */
  depthTest: z.boolean(),
  depthWrite: z.boolean(),
  touchArea: touchAreaSchema.nullable(),
  byViewer: byViewerSchema.nullable(),
};

const delay = z.number().min(0).max(600);

/**
 * How a flat thing fills the backdrop or the screen: where it is placed (`free`), all covered, all of it seen, pulled
 * to the shape of the screen, or repeated at its size.
 */
export const FITS = ['free', 'cover', 'contain', 'stretch', 'tile'] as const;
export const fitSchema = z.enum(FITS);

const flat = {
  ...placedSchema,
  /** Width and height in metres at scale 1. */
  extent: z.tuple([size, size]),
  /** Elsewhere than on the backdrop and the screen it lies where it is placed. */
  fit: fitSchema,
  opacity: unit,
  tint: hex,
  blend: blendSchema,
  doubleSided: z.boolean(),
};

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

/** Colour or a picture on the skin, by the face layout. */
export const layerSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('layer'),
  region: z.enum(FACE_REGIONS),
  /** A painted mask instead of the region's own: light where the layer is, by its grey and its transparency. */
  mask: assetIdSchema.nullable(),
  /** Factor on the softness that the region's edge usually has; 0 is hard. */
  softness: z.number().min(0).max(4),
  /** Picture, sequence or video over the whole layout; null is plain colour, the tint. */
  asset: assetIdSchema.nullable(),
  /** How long after the effect starts a sequence or video begins. */
  startDelay: delay,
  opacity: unit,
  tint: hex,
  blend: blendSchema,
  finish: z.enum(FINISHES),
  /** How strong the finish is. */
  shine: unit,
  /** The layer whose mask limits this one; null is none. */
  maskedBy: objectIdSchema.nullable(),
  /** It is seen outside of that mask instead of inside. */
  maskedOut: z.boolean(),
  /** It goes over the eyes, over the inside of the mouth; else it leaves them out. */
  coversEyes: z.boolean(),
  coversMouth: z.boolean(),
  /** It is left out where a hand, hair or a thing is before the face. */
  givesWay: z.boolean(),
});

export const EYES = ['both', 'left', 'right'] as const;
/** Another colour of the iris; left and right are the wearer's own. */
export const irisSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('iris'),
  eyes: z.enum(EYES),
  /** A picture of an iris, round and filling its square; null is the colour with drawn fibres. */
  asset: assetIdSchema.nullable(),
  tint: hex,
  opacity: unit,
  /** Of the iris that stays black. */
  pupil: unit,
  /** A light mirrored in the eye. */
  glint: unit,
});

/** False lashes along the lids. */
export const lashesSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('lashes'),
  eyes: z.enum(EYES),
  tint: hex,
  opacity: unit,
  /** Factor on the usual length. */
  length: z.number().min(0.2).max(3),
  /** Degrees they are bent upwards from root to tip. */
  curl: z.number().min(0).max(120),
  /** Factor on the usual number. */
  density: z.number().min(0.2).max(3),
  lower: z.boolean(),
});

/** Dyed hair, strands and shine kept. */
export const hairSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('hair'),
  tint: hex,
  opacity: unit,
  /** How far from the crown the wearer's own colour goes over into the dye; 0 dyes the roots too. */
  roots: unit,
});

/** Evens out the skin and brightens the eyes and teeth, each by itself. */
export const retouchSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('retouch'),
  /** Of all of it. */
  opacity: unit,
  smooth: z.strictObject({
    on: z.boolean(),
    strength: unit,
    /** How much of the finest texture stays. */
    detail: unit,
  }),
  underEyes: z.strictObject({ on: z.boolean(), amount: unit }),
  eyes: z.strictObject({ on: z.boolean(), amount: unit }),
  teeth: z.strictObject({ on: z.boolean(), amount: unit }),
});

/** Another shape of the face: by sliders, by a sculpted mesh, or by both. */
export const morphSchema = z.strictObject({
  ...placedSchema,
  kind: z.literal('morph'),
  /** How far it has come: 0 is the wearer's own face, 1 all of the amount. */
  opacity: unit,
  /** 1 is as set and as sculpted; below 0 the other way. */
  amount: z.number().min(-1).max(2),
  sliders: z.partialRecord(z.enum(SHAPE_NAMES), z.number().min(-1).max(1)),
  mesh: z
    .strictObject({
      asset: assetIdSchema,
      /** The file that was measured. */
      file: shaSchema,
      /** How far the landmarks move, as `packMoves` writes it. */
      moves: z.string().regex(PACKED_MOVES, 'Moves of 468 landmarks.'),
      /** What was left between mesh and face, as a share of the face's width. */
      error: unit,
      by: z.enum(['layout', 'surface']),
    })
    .nullable(),
  /** Where on the face it counts; none is everywhere. */
  regions: z.array(z.enum(FACE_REGIONS)).max(FACE_REGIONS.length),
  /** How far it runs out around them, in shares of the layout. */
  fade: z.number().min(0).max(0.3),
});

const spot = z.tuple([unit, unit]);
/** A part of a face as the camera sees it now, cut out with a soft edge. */
export const cutoutSchema = z.strictObject({
  ...flat,
  kind: z.literal('cutout'),
  part: z.enum(CUTOUT_PARTS),
  /** The outline of a drawn part, by the face layout. */
  outline: z.array(spot).max(48),
  /** How far inside the outline the edge begins, and how far outside it ends: metres on a head of the usual size. */
  inner: z.number().min(0).max(0.1),
  outer: z.number().min(0).max(0.1),
  /** Whose: the number of the face. On a face it is that face's own. */
  face: z.number().int().min(1).max(MOST_FACES),
  /** With make-up and morphs, as the effect shows the face; else as the camera sees it. */
  made: z.boolean(),
  /** Mirrored left to right. */
  flip: z.boolean(),
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
  clip: z.string().max(200).nullable(),
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
  text: z.string().max(500),
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
export type EffectObject = z.infer<typeof objectSchema>;
export type ObjectKind = EffectObject['kind'];
