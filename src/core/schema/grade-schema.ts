/** What a grade does to the finished picture, step by step. */
import { z } from 'zod';
import { assetIdSchema } from './asset-schema';
import { number } from './properties';

const unit = z.number().min(0).max(1);
const part = (name: string) => number({ name, low: 0, high: 1, unit: 'percent' });
const signed = (name: string) => number({ name, low: -1, high: 1, unit: 'percent' });
const twice = (name: string) => number({ name, low: 0, high: 2, unit: 'percent' });
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
  z.strictObject({
    ...shared,
    kind: z.literal('exposure'),
    stops: number({ name: 'Stops', low: -5, high: 5, unit: 'plain', step: 0.05 }),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('whiteBalance'),
    /** Temperature of the light that shall be white. */
    kelvin: number({ name: 'Temperature', low: 2000, high: 12_000, unit: 'kelvin' }),
    /** How green (above 0) or magenta that light is. */
    tint: signed('Tint'),
  }),
  /** About middle grey; 0 changes nothing. */
  z.strictObject({ ...shared, kind: z.literal('contrast'), amount: signed('Amount') }),
  /** -1 is grey, 0 changes nothing. */
  z.strictObject({ ...shared, kind: z.literal('saturation'), amount: signed('Amount') }),
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
    strength: part('Strength'),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('vignette'),
    /** Above 0 darkens the corners, below lightens them. */
    amount: signed('Darker'),
    /** How far from the middle (0) to the corners (1) it begins, and how softly. */
    begin: part('Begins at'),
    softness: part('Softness'),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('grain'),
    amount: part('Amount'),
    /** Of a grain, in pixels of a picture 720 wide. */
    size: number({ name: 'Size', low: 1, high: 8, unit: 'pixels' }),
  }),
  z.strictObject({
    ...shared,
    kind: z.literal('bloom'),
    /** What is brighter than this shines. */
    above: part('Brighter than'),
    strength: twice('Strength'),
    /** How far it shines. */
    reach: part('Reach'),
  }),
  z.strictObject({ ...shared, kind: z.literal('sharpen'), amount: twice('Amount') }),
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
