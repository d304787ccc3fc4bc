/** What each thing of a document names: one walk by its schema, worked out once a thing. */
import type { z } from 'zod';
import { objectSchema } from '../kinds/objects/objects';
import { perObject } from '../memo';
import { materialSchema } from '../schema/material-schema';
import { referencesIn, type Named } from '../schema/references';
import type { Referred } from '../schema/referred';
import { circuitSchema, compoundSchema } from './circuit-schema';
import { cueSchema } from './cue-schema';
import { performanceSchema, rehearsalSchema } from './rehearsal-schema';
import { lookSchema, targetSchema, type AssetId, type Effect } from './schema';
import { controlSchema, driveSchema, promptSchema } from './viewer-schema';

/** The maps of a document whose entries name others, by the schema of an entry. */
export const NAMING = {
  objects: objectSchema,
  materials: materialSchema,
  looks: lookSchema,
  targets: targetSchema,
  controls: controlSchema,
  cues: cueSchema,
  prompts: promptSchema,
  drives: driveSchema,
  circuits: circuitSchema,
  compounds: compoundSchema,
  rehearsals: rehearsalSchema,
  performances: performanceSchema,
} as const satisfies Partial<Record<keyof Effect, z.ZodType>>;
export type NamingMap = keyof typeof NAMING;
export const NAMING_MAPS = Object.keys(NAMING) as readonly NamingMap[];

const walks = Object.fromEntries(
  NAMING_MAPS.map((map) => [map, perObject((thing: object) => referencesIn(NAMING[map], thing))]),
) as unknown as Readonly<Record<NamingMap, (thing: object) => readonly Named[]>>;

/** Whether something that is named is there. */
export const hasIn =
  (effect: Effect) =>
  (to: Referred, id: string): boolean =>
    // Nodes are named within their circuit.
    to === 'nodes' || Object.hasOwn(effect[to], id);

/** Everything that an entry of a map names, in its order. */
export const namesOf = (map: NamingMap, thing: object): readonly Named[] => walks[map](thing);

/** The assets that an entry of a map names, each once; without `baked`, those whose shape it has taken over are left out. */
export const assetsNamedBy = (map: NamingMap, thing: object, baked = true): AssetId[] => [
  ...new Set(
    namesOf(map, thing).flatMap((r) =>
      r.to === 'assets' && r.id !== null && (baked || !r.baked) ? [r.id as AssetId] : [],
    ),
  ),
];
