/** Edits of performances and rehearsals. Unknown ids change nothing. */
import type { Draft } from 'immer';
import { edit, type Edit } from '../document/edit';
import type {
  ApprovedPicture,
  Effect,
  PerformanceId,
  Rehearsal,
  RehearsalId,
  ViewerPerformance,
} from '../document/schema';
import { forget } from './forget';

/** Adds a performance, or puts it in the place of the one of its id. */
export const putPerformance = (performance: ViewerPerformance, label = `Keep ${performance.name}`): Edit =>
  edit(label, (d) => {
    d.performances[performance.id] = performance as Draft<ViewerPerformance>;
  });

/** Deletes a performance; rehearsals that played it play none. */
export const removePerformance = (effect: Effect, id: PerformanceId): Edit =>
  edit('Delete performance', (d) => {
    delete d.performances[id];
    forget(d, effect, 'performances', new Set([id]));
  });

/** Adds a rehearsal, or puts it in the place of the one of its id. */
export const putRehearsal = (rehearsal: Rehearsal, label = 'Change rehearsal'): Edit =>
  edit(label, (d) => {
    d.rehearsals[rehearsal.id] = rehearsal as Draft<Rehearsal>;
  });

export const removeRehearsal = (id: RehearsalId): Edit =>
  edit('Delete rehearsal', (d) => {
    delete d.rehearsals[id];
  });

/** A rehearsal with approved pictures, by the id of the expectation, in the place of those of the same takes. */
export const withApproved = (
  rehearsal: Rehearsal,
  pictures: ReadonlyMap<string, readonly ApprovedPicture[]>,
): Rehearsal => ({
  ...rehearsal,
  expectations: rehearsal.expectations.map((expected) => {
    const came = pictures.get(expected.id);
    if (!came || expected.kind !== 'looks') return expected;
    const takes = new Set(came.map(({ take }) => take));
    return { ...expected, pictures: [...expected.pictures.filter(({ take }) => !takes.has(take)), ...came] };
  }),
});
