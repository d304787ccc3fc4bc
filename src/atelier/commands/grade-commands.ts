/** Grading by command: a new grade, its steps, and the result as a file. */
import { writeCube } from '../../core/assets/colour/cube';
import type { ColourTable } from '../../core/assets/colour/table';
import { newGrade } from '../../core/kinds/objects/grade';
import { newGradeStep } from '../../core/edits/new-grade-step';
import { addGradeStep } from '../../core/edits/grade-edits';
import { stackOrder } from '../../core/document/queries';
import type { AssetId, Effect, Grade, GradeStepKind, ObjectId } from '../../core/document/schema';
import { IconiaError } from '../../core/errors';
import { bakeGrade } from '../../core/grade/bake';
import { newId } from '../api/ids';
import { useAssetsStore } from '../stores/assets';
import { useEffectStore } from '../stores/effect';

/** Grades as the Stack shows them; what stands lower is done first. */
export const gradesOf = (effect: Effect): Grade[] =>
  stackOrder(effect).filter((o): o is Grade => o.kind === 'grade');

/** What most pictures are given first. */
const FIRST_STEPS: readonly GradeStepKind[] = ['exposure', 'whiteBalance', 'contrast'];

/** A grade with its first steps, over everything. */
export const madeGrade = (id: ObjectId, order: number): Grade =>
  newGrade(
    id,
    order,
    FIRST_STEPS.map((kind) => newGradeStep(newId('step'), kind)),
  );

/** Adds a step to a grade; a colour table comes with the table that was brought in last, if any was. */
export const addStep = (grade: Grade, kind: GradeStepKind): void => {
  const effectStore = useEffectStore();
  const step = newGradeStep(newId('step'), kind);
  const table = Object.values(effectStore.effect.assets).findLast((a) => a.kind === 'table');
  effectStore.edit(
    addGradeStep(
      effectStore.effect,
      grade.id,
      step.kind === 'table' && table ? { ...step, asset: table.id } : step,
    ),
  );
};

/**
 * The grade as a .cube file; steps that need the place or the neighbours of a pixel are not in it.
 * Throws `IconiaError` `grade.table` when a table of it cannot be had: a file without it would be another grade.
 */
export const gradeFile = async (grade: Grade): Promise<Blob> => {
  const { effect } = useEffectStore();
  const { stores } = useAssetsStore();
  const tables = new Map<AssetId, ColourTable>();
  for (const step of grade.steps) {
    if (step.kind !== 'table' || !step.on || !step.asset) continue;
    const asset = effect.assets[step.asset];
    if (asset?.kind === 'table') await stores.tables.load(asset);
    const opened = asset?.kind === 'table' ? stores.tables.get(asset) : null;
    if (!opened)
      throw new IconiaError(
        'grade.table',
        `${asset ? `The colour table ${asset.name} could not be read` : 'A colour table of this grade was deleted'}. Choose another in its step, or switch the step off.`,
      );
    tables.set(step.asset, opened.table);
  }
  const table = bakeGrade(grade.name, grade.steps, grade.opacity, (id) => tables.get(id) ?? null);
  return new Blob([writeCube(table) as Uint8Array<ArrayBuffer>], { type: 'text/plain' });
};
