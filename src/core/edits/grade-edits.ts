/** Edits of a grade's steps. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import type { Effect, Grade, GradeStep, GradeStepKind, ObjectId, StepOf } from '../document/schema';
import { MOST_GRADE_STEPS } from '../document/schema';

const inGrade = (effect: Effect, id: ObjectId, label: string, change: (draft: Draft<Grade>) => void): Edit =>
  edit(`${label} ${effect.objects[id]?.name ?? 'grade'}`, (d) => {
    const object = d.objects[id];
    if (object?.kind === 'grade') change(object);
  });

/** Puts a step at the end; a grade that is full stays as it is. */
export const addGradeStep = (effect: Effect, id: ObjectId, step: GradeStep): Edit =>
  inGrade(effect, id, 'Add a step to', (grade) => {
    if (grade.steps.length < MOST_GRADE_STEPS) grade.steps.push(step as Draft<GradeStep>);
  });

/** Takes a step off a grade. */
export const removeGradeStep = (effect: Effect, id: ObjectId, step: string): Edit =>
  inGrade(effect, id, 'Remove a step of', (grade) => {
    grade.steps = grade.steps.filter((s) => s.id !== step);
  });

/** Moves a step so that it is the one at `to` (0 is done first). */
export const moveGradeStep = (effect: Effect, id: ObjectId, step: string, to: number): Edit =>
  inGrade(effect, id, 'Reorder the steps of', (grade) => {
    const from = grade.steps.findIndex((s) => s.id === step);
    if (from < 0) return;
    const [moved] = grade.steps.splice(from, 1);
    grade.steps.splice(Math.max(0, Math.min(grade.steps.length, to)), 0, moved!);
  });

/** Changes numbers of a step of a kind; a step of another kind stays as it is. */
export const changeGradeStep = <K extends GradeStepKind>(
  effect: Effect,
  id: ObjectId,
  step: string,
  kind: K,
  change: Partial<Omit<StepOf<K>, 'id' | 'kind'>>,
): Edit =>
  inGrade(effect, id, 'Grade', (grade) => {
    const found = grade.steps.find((s) => s.id === step);
    if (found?.kind === kind) Object.assign(found, change);
  });
