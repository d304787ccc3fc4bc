/**
 * The effect document: plain JSON in flat maps keyed by id. A creator's whole effect is one of these; the
 * server stores it, the atelier edits it, a release carries it.
 *
 * Units: metres, degrees (never wrapped), seconds, sRGB hex.
 */
import { z } from 'zod';
import { EASING_NAMES } from '../maths/easing';
import { FEATURE_POINT_NAMES } from '../face/feature-points';
import { assetIdSchema, assetSchema, type Asset, type AssetId } from './asset-schema';

export * from './asset-schema';

export const SCHEMA_VERSION = 3;

const idText = z.string().regex(/^[a-z]+_[A-Za-z0-9-]{4,64}$/, 'An id looks like obj_3f9a1c.');
export const objectIdSchema = idText.brand<'ObjectId'>();
export const cueIdSchema = idText.brand<'CueId'>();
const partIdSchema = idText;

const finite = z.number().finite().min(-1e6).max(1e6);
const vec3Schema = z.tuple([finite, finite, finite]);
const unit = z.number().min(0).max(1);
const hex = z.string().regex(/^#[0-9a-f]{6}$/, 'A colour looks like #0f6b62.');
const label = z.string().max(80);

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

/** What an object sticks to. */
export const anchorSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('head'),
    face: z.number().int().min(1).max(4),
    point: z.enum(FEATURE_POINT_NAMES),
  }),
]);

const placed = {
  id: objectIdSchema,
  name: label,
  /** The group it belongs to; what it sticks to is then the group's business. */
  parent: objectIdSchema.nullable(),
  anchor: anchorSchema,
  /** Place within its anchor; a lower number stands higher in the Stack and covers what is below. */
  order: finite,
  visible: z.boolean(),
  move: vec3Schema,
  turn: vec3Schema,
  scale: vec3Schema,
};

/** A flat picture, or a sequence of pictures that plays. */
export const cardSchema = z.strictObject({
  ...placed,
  kind: z.literal('card'),
  asset: assetIdSchema,
  /** Width and height in metres at scale 1. */
  extent: z.tuple([z.number().positive().max(1000), z.number().positive().max(1000)]),
  opacity: unit,
  tint: hex,
  blend: blendSchema,
  doubleSided: z.boolean(),
});

/** The shape of the wearer's head: draws nothing, hides what is behind it. */
export const occluderSchema = z.strictObject({ ...placed, kind: z.literal('occluder') });

/** A model with its materials; one of its clips may play. */
export const modelObjectSchema = z.strictObject({
  ...placed,
  kind: z.literal('model'),
  asset: assetIdSchema,
  opacity: unit,
  /** Name of the clip that plays again and again; null keeps it at rest. */
  clip: z.string().max(200).nullable(),
});

/** Holds objects together: they move, turn, grow, fade and hide with it. */
export const groupSchema = z.strictObject({ ...placed, kind: z.literal('group'), opacity: unit });

export const objectSchema = z.discriminatedUnion('kind', [
  cardSchema,
  modelObjectSchema,
  groupSchema,
  occluderSchema,
]);

export const TRIGGER_KINDS = [
  'effectStarts',
  'screenTapped',
  'mouthOpens',
  'mouthCloses',
  'lipsPucker',
  'lipsRelax',
] as const;
export const triggerSchema = z.strictObject({
  kind: z.enum(TRIGGER_KINDS),
  /** How far the mouth has to open, or the lips to pucker. Not used by the other triggers. */
  threshold: z.number().min(0.05).max(0.95),
});

const timed = {
  id: partIdSchema,
  target: objectIdSchema.nullable(),
  duration: z.number().min(0).max(600),
  delay: z.number().min(0).max(600),
  easing: z.enum(EASING_NAMES),
  /** How many times; 0 runs without end. */
  repeat: z.number().int().min(0).max(1000),
  thereAndBack: z.boolean(),
};
const mode = z.enum(['to', 'by']);
export const ACTION_KINDS = ['show', 'hide', 'toggle', 'fade', 'move', 'turn', 'size'] as const;
export const actionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...timed, kind: z.literal('show') }),
  z.strictObject({ ...timed, kind: z.literal('hide') }),
  z.strictObject({ ...timed, kind: z.literal('toggle') }),
  z.strictObject({ ...timed, kind: z.literal('fade'), opacity: unit }),
  z.strictObject({ ...timed, kind: z.literal('move'), mode, by: vec3Schema }),
  z.strictObject({ ...timed, kind: z.literal('turn'), mode, by: vec3Schema }),
  /** Factor on the placed size: 1.5 is 150 %. */
  z.strictObject({ ...timed, kind: z.literal('size'), mode, factor: z.number().min(0).max(100) }),
]);

/** Actions in one beat run side by side; the next beat starts when all of them have ended. */
export const beatSchema = z.strictObject({ id: partIdSchema, actions: z.array(actionSchema).max(50) });

export const cueSchema = z.strictObject({
  id: cueIdSchema,
  name: label,
  order: finite,
  enabled: z.boolean(),
  trigger: triggerSchema,
  beats: z.array(beatSchema).max(50),
});

export const listingSchema = z.strictObject({
  summary: z.string().max(280),
  tags: z.array(z.string().min(1).max(24)).max(10),
  icon: assetIdSchema.nullable(),
});

/** A map whose keys are the ids of its values, with at most `most` entries. */
const mapById = <K extends z.ZodType<string>, V extends z.ZodType<{ id: string }>>(
  key: K,
  value: V,
  most: number,
) =>
  z.record(key as unknown as z.ZodString, value).superRefine((map, context) => {
    const entries = Object.entries(map as Record<string, { id: string }>);
    if (entries.length > most) context.addIssue({ code: 'custom', message: `At most ${most} entries.` });
    for (const [id, entry] of entries)
      if (entry.id !== id)
        context.addIssue({ code: 'custom', path: [id], message: 'Its id differs from its key.' });
  });

export const effectSchema = z.strictObject({
  schema: z.literal(SCHEMA_VERSION),
  name: label,
  objects: mapById(objectIdSchema, objectSchema, 2000),
  assets: mapById(assetIdSchema, assetSchema, 1000),
  cues: mapById(cueIdSchema, cueSchema, 1000),
  listing: listingSchema,
});

export type ObjectId = z.infer<typeof objectIdSchema>;
export type CueId = z.infer<typeof cueIdSchema>;
export type BlendMode = z.infer<typeof blendSchema>;
export type Anchor = z.infer<typeof anchorSchema>;
export type Card = z.infer<typeof cardSchema>;
export type ModelObject = z.infer<typeof modelObjectSchema>;
export type Group = z.infer<typeof groupSchema>;
export type Occluder = z.infer<typeof occluderSchema>;
export type EffectObject = z.infer<typeof objectSchema>;
export type Trigger = z.infer<typeof triggerSchema>;
export type TriggerKind = Trigger['kind'];
export type Action = z.infer<typeof actionSchema>;
export type ActionKind = Action['kind'];
export type Beat = z.infer<typeof beatSchema>;
export type Cue = z.infer<typeof cueSchema>;
export type Listing = z.infer<typeof listingSchema>;
export interface Effect extends Omit<z.infer<typeof effectSchema>, 'objects' | 'assets' | 'cues'> {
  objects: Record<ObjectId, EffectObject>;
  assets: Record<AssetId, Asset>;
  cues: Record<CueId, Cue>;
}
