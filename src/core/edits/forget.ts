/** What is deleted is named nowhere any more. */
import { current, isDraft, type Draft } from 'immer';
import type { z } from 'zod';
import { NAMING, NAMING_MAPS, namesOf } from '../document/named-in';
import type { Effect } from '../document/schema';
import { mapReferences } from '../schema/references';
import type { Referred } from '../schema/referred';

/**
 * Takes every reference to things that are gone out of a draft of `effect`: what may name nothing is to be chosen anew, lists go on
 * without. What has to name something stays as it is; checks and cues say so.
 */
export const forget = (d: Draft<Effect>, effect: Effect, to: Referred, gone: ReadonlySet<string>): void => {
  for (const map of NAMING_MAPS) {
    const drafts = d[map] as Record<string, object>;
    for (const [id, thing] of Object.entries(effect[map] as Record<string, object>)) {
      if (!drafts[id]) continue;
      if (!namesOf(map, thing).some((r) => r.to === to && r.id !== null && r.id !== id && gone.has(r.id)))
        continue;
      drafts[id] = mapReferences(
        NAMING[map] as z.ZodType,
        isDraft(drafts[id]) ? current(drafts[id]) : drafts[id],
        (kind, name) => (kind === to && name !== id && gone.has(name) ? null : name),
      );
    }
  }
};
