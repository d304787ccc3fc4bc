/** How an action goes from its beginning to its end. */
import { z } from 'zod';
import { EASING_NAMES } from '../maths/easing';
import { JUMPS } from '../maths/timing';
import { unit } from './values-schema';

/** The two handles of a cubic-bezier() of CSS. */
export const handlesSchema = z.tuple([unit, z.number().min(-4).max(5), unit, z.number().min(-4).max(5)]);

/** A named curve, or one that the creator has drawn. */
export const easingSchema = z.union([
  z.enum(EASING_NAMES),
  z.strictObject({ kind: z.literal('bezier'), handles: handlesSchema }),
  z.strictObject({
    kind: z.literal('steps'),
    count: z.number().int().min(1).max(100),
    jump: z.enum(JUMPS),
  }),
  z.strictObject({
    kind: z.literal('spring'),
    /** How often it swings over. */
    swings: z.number().min(0.5).max(20),
    /** 1 comes to rest without swinging over. */
    damping: z.number().min(0.02).max(1),
  }),
]);
export type EasingChoice = z.infer<typeof easingSchema>;

/** A value carried from one range to another; either may run backwards. */
export const remapSchema = z.strictObject({
  from: z.tuple([z.number().finite(), z.number().finite()]),
  to: z.tuple([z.number().finite(), z.number().finite()]),
  curve: handlesSchema,
  /** Beyond its ends it stays there; else it goes on in a straight line. */
  bounded: z.boolean(),
});
