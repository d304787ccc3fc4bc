/** Signals: numbers about faces, objects and the viewer that change with time. Cues watch them, conditions compare them, they drive things. */
import { z } from 'zod';
import { EXPRESSION_NAMES } from '../tracking/expression-names';
import { MOST_FACES, targetIdSchema } from './anchor-schema';
import { controlIdSchema, cueIdSchema, variableIdSchema } from './behave-ids';
import { objectIdSchema, sceneIdSchema } from './placed-schema';
import { toChoose } from './references';
import { finite } from './values-schema';

/** What a whole face does: made of several expression coefficients, each from 0 to 1. `core/behave/face-measures.ts` has the sums. */
export const FACE_MEASURES = [
  'smile',
  'frown',
  'blow',
  'winkLeft',
  'winkRight',
  'eyesClosed',
  'browsRaised',
  'tongueShown',
] as const;
/** What of an object can be asked for. World places in metres, screen places in shares of the picture from the top left. */
export const OBJECT_SIGNALS = [
  'visible',
  'opacity',
  'moveX',
  'moveY',
  'moveZ',
  'turnX',
  'turnY',
  'turnZ',
  'size',
  'worldX',
  'worldY',
  'worldZ',
  'screenX',
  'screenY',
  'distance',
  'speed',
] as const;
/** Angles in degrees, distances and lengths in metres: as the camera sees the head. */
export const HEAD_SIGNALS = [
  'pitch',
  'yaw',
  'roll',
  'distance',
  'acrossX',
  'upY',
  'faceWidth',
  'mouthWidth',
  'mouthOpening',
] as const;
/** `any` is a hand that does whatever it does. */
export const HAND_SHAPES = ['any', 'palm', 'fist', 'thumb', 'point'] as const;

const faceNumber = z.number().int().min(1).max(MOST_FACES);
const object = toChoose(objectIdSchema);
const seed = z.number().int().min(0).max(65_535);
/** New values a second. */
const rate = z.number().min(0).max(60);

export const signalSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('expression'),
    face: faceNumber,
    name: z.enum([...EXPRESSION_NAMES, ...FACE_MEASURES]),
  }),
  z.strictObject({ kind: z.literal('head'), face: faceNumber, of: z.enum(HEAD_SIGNALS) }),
  /** How many faces there are. */
  z.strictObject({ kind: z.literal('faces') }),
  /** Metres between two faces. */
  z.strictObject({ kind: z.literal('facesApart'), face: faceNumber, other: faceNumber }),
  z.strictObject({ kind: z.literal('object'), object, of: z.enum(OBJECT_SIGNALS) }),
  /** Metres between two objects; from null it is the distance to the viewer. */
  z.strictObject({ kind: z.literal('apart'), object, from: objectIdSchema.nullable() }),
  /** Degrees between where the front of an object points and the way to another, or to the viewer. */
  z.strictObject({ kind: z.literal('angle'), object, from: objectIdSchema.nullable() }),
  /** Seconds since the effect started. */
  z.strictObject({ kind: z.literal('time') }),
  /** How far a cue is, 0 to 1; 0 while it rests. */
  z.strictObject({ kind: z.literal('progress'), cue: toChoose(cueIdSchema) }),
  /** How often a cue has fired. */
  z.strictObject({ kind: z.literal('times'), cue: toChoose(cueIdSchema) }),
  z.strictObject({ kind: z.literal('control'), control: toChoose(controlIdSchema) }),
  z.strictObject({ kind: z.literal('variable'), variable: toChoose(variableIdSchema) }),
  /** 1 while the scene is on. */
  z.strictObject({ kind: z.literal('scene'), scene: toChoose(sceneIdSchema) }),
  /** 1 while the printed picture is seen. */
  z.strictObject({ kind: z.literal('picture'), target: toChoose(targetIdSchema) }),
  /** 1 while a hand of this shape is shown. */
  z.strictObject({ kind: z.literal('hand'), shape: z.enum(HAND_SHAPES) }),
  /** How loud the microphone hears it, 0 to 1. */
  z.strictObject({ kind: z.literal('loudness') }),
  /** Anything from 0 to 1: jumping, or smoothly. */
  z.strictObject({ kind: z.literal('random'), rate, seed }),
  z.strictObject({ kind: z.literal('noise'), rate, seed }),
]);

export const COMPARISONS = ['above', 'below', 'equals', 'differs'] as const;
export const conditionSchema = z.strictObject({
  signal: signalSchema,
  is: z.enum(COMPARISONS),
  value: finite,
});

export type Signal = z.infer<typeof signalSchema>;
export type SignalKind = Signal['kind'];
export type FaceMeasure = (typeof FACE_MEASURES)[number];
export type ObjectSignal = (typeof OBJECT_SIGNALS)[number];
export type HeadSignal = (typeof HEAD_SIGNALS)[number];
export type HandShape = (typeof HAND_SHAPES)[number];
export type Condition = z.infer<typeof conditionSchema>;
export type Comparison = Condition['is'];
