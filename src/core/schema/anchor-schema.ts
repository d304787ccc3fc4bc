/** What an object sticks to. Units: metres. */
import { z } from 'zod';
import { idOf } from './references';
import { FEATURE_POINT_NAMES } from '../face/feature-points';
import { HAND_POINT_NAMES } from '../hand/points';

export const targetIdSchema = idOf('targets').brand<'TargetId'>();

/** How many faces an effect tells apart. */
export const MOST_FACES = 4;

/** One face by its number, whichever face is there, or each of them. */
export const faceChoiceSchema = z.union([
  z.number().int().min(1).max(MOST_FACES),
  z.literal('any'),
  z.literal('every'),
]);

/** How many hands are told apart. */
export const MOST_HANDS = 2;
/** Whichever hand is there, or each of them. */
export const HAND_CHOICES = ['any', 'every'] as const;

export const SURFACE_KINDS = ['floor', 'table', 'wall'] as const;
export const SCREEN_PINS = ['centre', 'top', 'bottom', 'left', 'right'] as const;

const unit = z.number().min(0).max(1);

export const anchorSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('head'),
    face: faceChoiceSchema,
    point: z.enum(FEATURE_POINT_NAMES),
    /** Grows and shrinks with the head, so that it fits a child and a giant. */
    grows: z.boolean(),
  }),
  /** A spot of the face surface, by its place on the face layout (0..1 from the top left). Layers cover the whole face. */
  z.strictObject({ kind: z.literal('skin'), face: faceChoiceSchema, spot: z.tuple([unit, unit]) }),
  /** A point of a hand: turned with the hand, or with the finger it is the tip of. */
  z.strictObject({
    kind: z.literal('hand'),
    hand: z.enum(HAND_CHOICES),
    point: z.enum(HAND_POINT_NAMES),
    /** Grows and shrinks with the hand. */
    grows: z.boolean(),
  }),
  /** Stands on the floor or a table, hangs on a wall. */
  z.strictObject({ kind: z.literal('world'), surface: z.enum(SURFACE_KINDS) }),
  /** Lies on one of the effect's printed pictures. */
  z.strictObject({ kind: z.literal('picture'), target: targetIdSchema }),
  /** Lies on the screen, measured from its middle or from an edge. The screen is 16 cm high. */
  z.strictObject({ kind: z.literal('screen'), pin: z.enum(SCREEN_PINS) }),
  /** Lies behind the people in the picture. */
  z.strictObject({ kind: z.literal('backdrop') }),
]);

export type TargetId = z.infer<typeof targetIdSchema>;
export type FaceChoice = z.infer<typeof faceChoiceSchema>;
export type HandChoice = (typeof HAND_CHOICES)[number];
export type SurfaceKind = (typeof SURFACE_KINDS)[number];
export type ScreenPin = (typeof SCREEN_PINS)[number];
export type Anchor = z.infer<typeof anchorSchema>;
export type AnchorKind = Anchor['kind'];
