/** What is deleted is named nowhere any more. */
import { current, isDraft, type Draft } from 'immer';
import type { z } from 'zod';
import { cueSchema } from '../document/cue-schema';
import { lookSchema, targetSchema, type Effect } from '../document/schema';
import { controlSchema, driveSchema, promptSchema } from '../document/viewer-schema';
import { objectSchema } from '../kinds/objects/objects';
import { perObject } from '../memo';
import { materialSchema } from '../schema/material-schema';
import { mapReferences, referencesIn, type Named } from '../schema/references';
import type { Referred } from '../schema/referred';

/** The maps of a document whose entries name others. */
const SCHEMAS = {
  objects: objectSchema,
  cues: cueSchema,
  prompts: promptSchema,
  drives: driveSchema,
  controls: controlSchema,
  looks: lookSchema,
  materials: materialSchema,
  targets: targetSchema,
} as const satisfies Partial<Record<keyof Effect, z.ZodType>>;
type NamingMap = keyof typeof SCHEMAS;

const MAPS = Object.keys(SCHEMAS) as NamingMap[];

const named = new Map<NamingMap, (thing: object) => readonly Named[]>(
  MAPS.map((map) => [map, perObject((thing: object) => referencesIn(SCHEMAS[map], thing))]),
);

/**
 * Takes every reference to things that are gone out of a draft of `effect`: what may name nothing is to be chosen anew, lists go on
 * without. What has to name something stays as it is; checks and cues say so.
 */
export const forget = (d: Draft<Effect>, effect: Effect, to: Referred, gone: ReadonlySet<string>): void => {
  for (const map of MAPS) {
    const namesOf = named.get(map)!;
    const drafts = d[map] as Record<string, object>;
    for (const [id, thing] of Object.entries(effect[map] as Record<string, object>)) {
      if (!drafts[id]) continue;
      if (!namesOf(thing).some((r) => r.to === to && r.id !== null && r.id !== id && gone.has(r.id)))
        continue;
      drafts[id] = mapReferences(
        SCHEMAS[map] as z.ZodType,
        isDraft(drafts[id]) ? current(drafts[id]) : drafts[id],
        (kind, name) => (kind === to && name !== id && gone.has(name) ? null : name),
      );
    }
  }
};
