/** What a grade does to the finished picture, step by step. */
import { z } from 'zod';
import { assetIdSchema } from './asset-schema';

const unit = z.number().min(0).max(1);
const signed = z.number().min(-1).max(1);
const shared = {
  id: z.string().regex(/^[a-z]+_[A-Za-z0-9-]{4,64}$/, 'An id looks like step_3f9a1c.'),
  on: z.boolean(),
};

/** Least distance of two points of a curve. */
export const CURVE_GAP = 0.01;
export const MOST_CURVE_POINTS = 16;
export const curveSchema = z
  .array(z.tuple([unit, unit]))
  .min(2)
  .max(MOST_CURVE_POINTS)
  .refine(
    (points) => points.every(([x], i) => i === 0 || x > points[i - 1]![0]),
    'The points of a curve stand from left to right.',
  );

export const gradeStepSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...shared, kind: z.literal('exposure'), stops: z.number().min(-5).max(5) }),
  z.strictObject({
    ...shared,
    kind: z.literal('whiteBalance'),
    /** Temperature of the light that shall be white. */
    kelvin: z.number().min(2000).max(12_000),
    /** How green (above 0) or magenta that light is. */
    tint: signed,
  }),
  /** About middle grey; 0 changes nothing. */
  z.strictObject({ ...shared, kind: z.literal('contrast'), amount: signed }),
  /** -1 is grey, 0 changes nothing. */
  z.strictObject({ ...shared, kind: z.literal('saturation'), amount: signed }),
  z.strictObject({
    ...shared,
    kind: z.literal('curves'),
    /** Of all three, before those of each. */
    all: curveSchema,
    red: curveSchema,
    green: curveSchema,
    blue: curveSchema,
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('table'),
    asset: assetIdSchema.nullable(),
    strength: unit,
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('vignette'),
    /** Above 0 darkens the corners, below lightens them. */
    amount: signed,
    /** How far from the middle (0) to the corners (1) it begins, and how softly. */
    begin: unit,
    softness: unit,
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('grain'),
    amount: unit,
    /** Of a grain, in pixels of a picture 720 wide. */
    size: z.number().min(1).max(8),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('bloom'),
    /** What is brighter than this shines. */
    above: unit,
    strength: z.number().min(0).max(2),
    /** How far it shines. */
    reach: unit,
  }),
  z.strictObject({ ...shared, kind: z.literal('sharpen'), amount: z.number().min(0).max(2) }),
]);

export const MOST_GRADE_STEPS = 24;
export const gradeStepsSchema = z
  .array(gradeStepSchema)
  .max(MOST_GRADE_STEPS)
  .refine((steps) => new Set(steps.map((s) => s.id)).size === steps.length, 'Two steps have the same id.');

export const GRADE_STEP_KINDS = [
  'exposure',
  'whiteBalance',
  'contrast',
  'saturation',
  'curves',
  'table',
  'vignette',
  'grain',
  'bloom',
  'sharpen',
] as const;

export type GradeStep = z.infer<typeof gradeStepSchema>;
export type GradeStepKind = GradeStep['kind'];
export type StepOf<K extends GradeStepKind> = Extract<GradeStep, { kind: K }>;
