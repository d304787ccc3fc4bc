/** A grade: changes the colours of the finished picture, with all that is in it. It has no place of its own. */
import type { z } from 'zod';
import { gradeStepsSchema, type GradeStep } from '../../schema/grade-schema';
import type { ObjectId } from '../../schema/placed-schema';
import { share } from '../../schema/properties';
import { defineObject } from './object-kind';
import { placed } from './placed';

export const grade = defineObject({
  kind: 'grade',
  fields: {
    /** How much of it: 0 leaves the picture as it was. */
    opacity: share('Strength'),
    /** In order. */
    steps: gradeStepsSchema,
  },
  isSeen: true,
  drawn: 'otherwise',
  drawnBy: ['grades'],
  isTouched: false,
  onFace: false,
  shows: ['table'],
  rests: 'before',
  bounds: () => null,
});
export type Grade = z.infer<typeof grade.schema>;

/** Over the finished picture. */
export const newGrade = (id: ObjectId, order: number, steps: readonly GradeStep[] = []): Grade => ({
  ...placed(id, 'Grade', order, { kind: 'screen', pin: 'centre' }),
  kind: 'grade',
  opacity: 1,
  steps: [...steps],
});
