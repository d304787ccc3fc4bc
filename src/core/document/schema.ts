/**
 * The effect document: plain JSON in flat maps keyed by id. A creator's whole effect is one of these; the
 * server stores it, the atelier edits it, a release carries it.
 *
 * Units: metres, degrees (never wrapped), seconds, sRGB hex.
 */
import { z } from 'zod';
import { anchorSchema, targetIdSchema, type TargetId } from '../schema/anchor-schema';
import { assetIdSchema, assetSchema, type Asset, type AssetId } from '../schema/asset-schema';
import {
  controlIdSchema,
  cueIdSchema,
  circuitIdSchema,
  compoundIdSchema,
  driveIdSchema,
  promptIdSchema,
  variableIdSchema,
  type ControlId,
  type CueId,
  type CircuitId,
  type CompoundId,
  type DriveId,
  type PromptId,
  type VariableId,
} from '../schema/behave-ids';
import { circuitSchema, compoundSchema, type Circuit, type Compound } from './circuit-schema';
import {
  performanceIdSchema,
  performanceSchema,
  rehearsalIdSchema,
  rehearsalSchema,
  type PerformanceId,
  type Rehearsal,
  type RehearsalId,
  type ViewerPerformance,
} from './rehearsal-schema';
import { cueSchema, MOST_CUES, type Cue } from './cue-schema';
import { materialIdSchema, materialSchema, type Material, type MaterialId } from '../schema/material-schema';
import type { varySchema } from '../kinds/actions/action-kind';
import { hair } from '../kinds/objects/hair';
import { iris } from '../kinds/objects/iris';
import { lashes } from '../kinds/objects/lashes';
import { layer } from '../kinds/objects/layer';
import { retouch } from '../kinds/objects/retouch';
import type { EffectObject } from '../kinds/objects/objects';
import type { ObjectId, SceneId } from '../schema/placed-schema';
import { objectSchema } from '../kinds/objects/objects';
import { objectIdSchema, sceneIdSchema } from '../schema/placed-schema';
import {
  controlSchema,
  driveSchema,
  promptSchema,
  variableSchema,
  type Control,
  type Drive,
  type Prompt,
  type Variable,
} from './viewer-schema';
import { idOf } from '../schema/references';
import { choice, number, yesNo } from '../schema/properties';
import { finite, label, text } from '../schema/values-schema';

export * from '../schema/anchor-schema';
export * from '../schema/asset-schema';
export * from '../schema/behave-ids';
export type { NodeId } from '../schema/node-id';
export * from '../schema/surface-circuit-schema';
export * from './board-note-schema';
export {
  circuitSchema,
  compoundSchema,
  MOST_NODES,
  type BehaviourNodes,
  type Circuit,
  type Compound,
  type Compounds,
} from './circuit-schema';
export * from './cue-schema';
export { MOST_TARGETS } from '../kinds/actions/action-kind';
export {
  ACTION_KINDS,
  actionSchema,
  type Action,
  type ActionKind,
  type ActionOf,
} from '../kinds/actions/actions';
export type Vary = z.infer<typeof varySchema>;
export * from '../schema/grade-schema';
export * from '../schema/material-schema';
export { BLEND_MODES, type BlendMode } from '../maths/blend';
export {
  FITS,
  FRONTS,
  TURNS_ABOUT,
  objectIdSchema,
  type ByViewer,
  type Fit,
  type LookAt,
  type ObjectId,
  type SceneId,
  type TouchArea,
} from '../schema/placed-schema';
export {
  COMPARISONS,
  conditionSchema,
  SIGNAL_KINDS,
  signalSchema,
  type Comparison,
  type Condition,
  type Signal,
  type SignalKind,
} from '../kinds/signals/signals';
export * from '../schema/timing-schema';
export { CUE_MOMENTS } from '../kinds/triggers/cue';
export {
  HEAD_GESTURES,
  TOUCHES,
  VIEWER_EVENTS,
  type HeadGesture,
  type TouchGesture,
  type ViewerEvent,
} from '../kinds/triggers/gestures';
export { triggerSchema, type Trigger, type TriggerKind } from '../kinds/triggers/triggers';
export * from './rehearsal-schema';
export * from './viewer-schema';
export type { Card } from '../kinds/objects/card';
export type { ContactShadow } from '../kinds/objects/contact-shadow';
export type { Cutout } from '../kinds/objects/cutout';
export type { Fill } from '../kinds/objects/fill';
export {
  FACE_AREAS,
  FOUNTAIN_AREAS,
  MOST_PARTICLES,
  type FaceArea,
  type Fountain,
  type FountainAreaChoice,
} from '../kinds/objects/fountain';
export type { Grade } from '../kinds/objects/grade';
export type { Group } from '../kinds/objects/group';
export type { Hair } from '../kinds/objects/hair';
export type { Iris } from '../kinds/objects/iris';
export type { Lashes } from '../kinds/objects/lashes';
export type { Layer } from '../kinds/objects/layer';
export { LIGHT_KINDS, type Light, type LightKind } from '../kinds/objects/light';
export type { Live } from '../kinds/objects/live';
export type { ModelObject } from '../kinds/objects/model';
export type { Morph } from '../kinds/objects/morph';
export type { EffectObject, ObjectKind, ObjectOf } from '../kinds/objects/objects';
export type { Occluder } from '../kinds/objects/occluder';
export { EYES, type Eyes } from '../kinds/objects/on-face';
export type { Part } from '../kinds/objects/part';
export type { Retouch } from '../kinds/objects/retouch';
export type { ShadowCatcher } from '../kinds/objects/shadow-catcher';
export { SOLID_SHAPES, type Solid, type SolidShape } from '../kinds/objects/solid';
export type { SoundObject } from '../kinds/objects/sound';
export { TEXT_ALIGNS, type TextObject } from '../kinds/objects/text';
export { CAMERA_PARTS, type CameraPart } from '../schema/values-schema';

export const SCHEMA_VERSION = 21;
/** More objects than this no phone draws, and no creator oversees. */
export const MOST_OBJECTS = 2000;

/** A part of the effect with objects of its own; one scene is on at a time. */
export const sceneSchema = z.strictObject({ id: sceneIdSchema, name: label, order: finite });

/** What is to be seen of a picture's content while the picture itself is not seen. */
const BEFORE_FOUND = {
  nothing: 'Nothing',
  hint: 'Its outline, to look for',
  content: 'What lies on it, in the middle',
} as const;
const AFTER_LOST = {
  nothing: 'Nothing',
  stays: 'Stays where it was',
  content: 'What lies on it, in the middle',
} as const;

/** A printed picture that things stick to. */
export const targetSchema = z.strictObject({
  id: targetIdSchema,
  name: label,
  order: finite,
  /** The picture that is printed; null until one is chosen. */
  asset: assetIdSchema.nullable(),
  /** How wide it is printed, in metres. Content is measured in the same metres. */
  width: number({
    name: 'Width of the printed picture',
    low: 0.005,
    high: 50,
    unit: 'centimetres',
    mark: 'w',
  }),
  /** `content` shows it in the middle of the view, `hint` an outline that says what to look for. */
  beforeFound: choice('What is seen before it is found', BEFORE_FOUND),
  /** `stays` leaves it where the picture was last seen. */
  afterLost: choice('What is seen after it is lost', AFTER_LOST),
});

/** How people are cut out of the picture when something lies behind them, or they are shown elsewhere. */
export const backdropSchema = z.strictObject({
  /** Softness of their edge; 1 is the softest. */
  feather: number({ name: 'Feather', low: 0, high: 1, unit: 'percent' }),
  /** Below 0 their edge moves inwards, above outwards. */
  grow: number({ name: 'Grow', low: -1, high: 1, unit: 'percent' }),
  /** How much of the old background's colour is taken off their edge. */
  spill: number({ name: 'Take off spill', low: 0, high: 1, unit: 'percent' }),
  /** The backdrop is seen where people are, and the room stays. */
  invert: yesNo('Invert: in the people instead of behind them', {
    help: 'The backdrop is seen where people are; the room stays',
  }),
});

export const lookIdSchema = idOf('looks').brand<'LookId'>();
/** Face layers kept together under a name, to be put on a face again or mixed with another look. */
export const lookSchema = z.strictObject({
  id: lookIdSchema,
  name: label,
  order: finite,
  /** In the order of the Stack. */
  layers: z.array(layer.schema).max(100),
  /** Irises, lashes, hair and retouch. */
  extras: z
    .array(z.discriminatedUnion('kind', [iris.schema, lashes.schema, hair.schema, retouch.schema]))
    .max(20),
});

export const listingSchema = z.strictObject({
  summary: text(280),
  tags: z.array(text(24).min(1)).max(10),
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
  objects: mapById(objectIdSchema, objectSchema, MOST_OBJECTS),
  assets: mapById(assetIdSchema, assetSchema, 1000),
  cues: mapById(cueIdSchema, cueSchema, MOST_CUES),
  /** None at all is one scene with everything in it. */
  scenes: mapById(sceneIdSchema, sceneSchema, 100),
  /** The scene the effect begins with; null with no scenes. */
  openingScene: sceneIdSchema.nullable(),
  /** What new things stick to where nothing else says so: what the effect was begun for. Null lets the take say. */
  ground: anchorSchema.nullable(),
  targets: mapById(targetIdSchema, targetSchema, 20),
  materials: mapById(materialIdSchema, materialSchema, 500),
  looks: mapById(lookIdSchema, lookSchema, 100),
  variables: mapById(variableIdSchema, variableSchema, 200),
  controls: mapById(controlIdSchema, controlSchema, 20),
  prompts: mapById(promptIdSchema, promptSchema, 50),
  /** Asks the viewer by itself for what it needs and does not see: a face, a hand, the printed picture, the floor. */
  asks: z.boolean(),
  drives: mapById(driveIdSchema, driveSchema, 200),
  circuits: mapById(circuitIdSchema, circuitSchema, 200),
  compounds: mapById(compoundIdSchema, compoundSchema, 200),
  /** What a viewer does, kept under a name, and what has to happen then. */
  performances: mapById(performanceIdSchema, performanceSchema, 100),
  rehearsals: mapById(rehearsalIdSchema, rehearsalSchema, 100),
  backdrop: backdropSchema,
  listing: listingSchema,
});

export type EffectScene = z.infer<typeof sceneSchema>;
export type Target = z.infer<typeof targetSchema>;
export type Backdrop = z.infer<typeof backdropSchema>;
export type LookId = z.infer<typeof lookIdSchema>;
export type Look = z.infer<typeof lookSchema>;
export type Listing = z.infer<typeof listingSchema>;
type Maps =
  | 'objects'
  | 'assets'
  | 'cues'
  | 'scenes'
  | 'targets'
  | 'materials'
  | 'looks'
  | 'variables'
  | 'controls'
  | 'prompts'
  | 'drives'
  | 'circuits'
  | 'compounds'
  | 'performances'
  | 'rehearsals';
export interface Effect extends Omit<z.infer<typeof effectSchema>, Maps> {
  objects: Record<ObjectId, EffectObject>;
  assets: Record<AssetId, Asset>;
  cues: Record<CueId, Cue>;
  scenes: Record<SceneId, EffectScene>;
  targets: Record<TargetId, Target>;
  materials: Record<MaterialId, Material>;
  looks: Record<LookId, Look>;
  variables: Record<VariableId, Variable>;
  controls: Record<ControlId, Control>;
  prompts: Record<PromptId, Prompt>;
  drives: Record<DriveId, Drive>;
  circuits: Record<CircuitId, Circuit>;
  compounds: Record<CompoundId, Compound>;
  performances: Record<PerformanceId, ViewerPerformance>;
  rehearsals: Record<RehearsalId, Rehearsal>;
}
