/** A grade written down as a colour table: all that it does to a colour, wherever in the picture it is. */
import { tableOf, type ColourTable } from '../assets/colour/table';
import type { AssetId } from '../schema/asset-schema';
import type { GradeStep, GradeStepKind } from '../schema/grade-schema';
import { lerp } from '../maths/scalar';
import { gradeColour } from './grade';

/** Entries along one axis: what programs for pictures and films commonly read. */
export const BAKED_SIZE = 33;

/** What a table cannot hold, since it depends on the place or on the pixels around. */
const BY_PLACE: ReadonlySet<GradeStepKind> = new Set(['vignette', 'grain', 'bloom', 'sharpen']);
/** Kinds of steps that are on and that no table can hold. */
export const leftOut = (steps: readonly GradeStep[]): GradeStepKind[] => [
  ...new Set(steps.filter((s) => s.on && BY_PLACE.has(s.kind)).map((s) => s.kind)),
];

/** A grade as a table of `BAKED_SIZE` entries an axis, at `strength` 0 to 1; without the steps that `leftOut` names. */
export const bakeGrade = (
  title: string,
  steps: readonly GradeStep[],
  strength: number,
  tables: (id: AssetId) => ColourTable | null,
): ColourTable =>
  tableOf(title, BAKED_SIZE, (colour) => {
    const [r, g, b] = gradeColour(steps, colour, tables);
    return [lerp(colour[0], r, strength), lerp(colour[1], g, strength), lerp(colour[2], b, strength)];
  });
