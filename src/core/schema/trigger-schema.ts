/** What can set off a cue. */
import { z } from 'zod';
import { controlIdSchema, cueIdSchema, variableIdSchema } from './behave-ids';
import { MOST_FACES, SURFACE_KINDS, targetIdSchema } from './anchor-schema';
import { objectIdSchema } from './placed-schema';
import { signalSchema } from './signal-schema';
import { finite } from './values-schema';

export const TOUCHES = ['tap', 'doubleTap', 'hold', 'drag', 'pinch', 'twist'] as const;
export const HEAD_GESTURES = ['nod', 'shake', 'tilt'] as const;
/** What the viewer does with the camera application. */
export const VIEWER_EVENTS = ['recordStarts', 'recordStops', 'photo', 'cameraFlips'] as const;
export const CUE_MOMENTS = ['begins', 'ends', 'passes'] as const;

const faceNumber = z.number().int().min(1).max(MOST_FACES);
const seconds = z.number().min(0).max(3600);

export const triggerSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('effectStarts') }),
  z.strictObject({ kind: z.literal('after'), seconds }),
  z.strictObject({ kind: z.literal('every'), seconds: z.number().min(0.05).max(3600) }),
  z.strictObject({ kind: z.literal('screen'), gesture: z.enum(TOUCHES) }),
  z.strictObject({ kind: z.literal('touch'), gesture: z.enum(TOUCHES), object: objectIdSchema.nullable() }),
  /** A signal crosses a level and stays beyond it for a while. */
  z.strictObject({
    kind: z.literal('level'),
    signal: signalSchema,
    when: z.enum(['rises', 'falls']),
    level: finite,
    /** How far it has to come back before it can cross again, in the signal's own unit. */
    slack: z.number().min(0).max(1e6),
    hold: z.number().min(0).max(60),
  }),
  z.strictObject({ kind: z.literal('head'), gesture: z.enum(HEAD_GESTURES), face: faceNumber }),
  z.strictObject({ kind: z.literal('face'), face: faceNumber, when: z.enum(['appears', 'leaves']) }),
  z.strictObject({
    kind: z.literal('picture'),
    target: targetIdSchema.nullable(),
    when: z.enum(['found', 'lost']),
  }),
  /** Placed: the viewer has dragged something that stands on it, and let go. */
  z.strictObject({
    kind: z.literal('surface'),
    surface: z.enum(SURFACE_KINDS),
    when: z.enum(['found', 'placed']),
  }),
  z.strictObject({ kind: z.literal('viewer'), event: z.enum(VIEWER_EVENTS) }),
  z.strictObject({ kind: z.literal('control'), control: controlIdSchema.nullable() }),
  z.strictObject({ kind: z.literal('variable'), variable: variableIdSchema.nullable() }),
  z.strictObject({
    kind: z.literal('cue'),
    cue: cueIdSchema.nullable(),
    moment: z.enum(CUE_MOMENTS),
    /** Which part of it is behind, for `passes`. */
    share: z.number().min(0).max(1),
  }),
]);

export type Trigger = z.infer<typeof triggerSchema>;
export type TriggerKind = Trigger['kind'];
export type TouchGesture = (typeof TOUCHES)[number];
export type HeadGesture = (typeof HEAD_GESTURES)[number];
export type ViewerEvent = (typeof VIEWER_EVENTS)[number];
