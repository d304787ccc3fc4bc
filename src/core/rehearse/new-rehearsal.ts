/** A rehearsal of which nothing is known: that the effect plays to the end of a take, and does not flash. */
import type { Rehearsal, RehearsalId } from '../document/schema';

export const newRehearsal = (name: string, takes: readonly string[] = []): Rehearsal => ({
  id: 'reh_plain' as RehearsalId,
  name,
  order: 0,
  performance: null,
  takes: [...takes],
  expectations: [{ id: 'exp_flash', kind: 'noFlash' }],
});
