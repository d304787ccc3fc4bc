/** What an effect needs to be drawn, loaded for it and nothing else. */
import { materialIdsOf } from '../../core/document/material-queries';
import { anchorOf } from '../../core/document/queries';
import type { Effect, EffectObject, ObjectKind } from '../../core/document/schema';
import { together, type Abilities } from './abilities';

const LOADERS = {
  camera: async () => (await import('./camera')).camera,
  cutouts: async () => (await import('./cutouts')).cutouts,
  faces: async () => (await import('./faces')).faces,
  fountains: async () => (await import('./fountains')).fountains,
  grades: async () => (await import('./grades')).grades,
  models: async () => (await import('./models')).models,
  solids: async () => (await import('./solids')).solids,
  surfaces: async () => (await import('./surfaces')).surfaces,
  texts: async () => (await import('./texts')).texts,
} satisfies Record<string, () => Promise<Partial<Abilities>>>;
export type AbilityName = keyof typeof LOADERS;

/** What makes an object of a kind seen. What lies on faces looks at the camera picture beneath it. */
const OF_KIND: Readonly<Record<ObjectKind, readonly AbilityName[]>> = {
  card: [],
  fill: [],
  live: ['camera'],
  cutout: ['cutouts', 'camera'],
  layer: ['faces', 'camera'],
  iris: ['faces', 'camera'],
  lashes: ['faces', 'camera'],
  hair: ['faces', 'camera'],
  retouch: ['faces', 'camera'],
  morph: ['faces', 'camera'],
  model: ['models', 'surfaces'],
  solid: ['solids', 'surfaces'],
  shadowCatcher: ['solids'],
  text: ['texts'],
  fountain: ['fountains'],
  grade: ['grades'],
  group: [],
  occluder: [],
  light: [],
  sound: [],
};

const ofObject = (effect: Effect, object: EffectObject): readonly AbilityName[] => {
  const worn = materialIdsOf(object).flatMap((id) => effect.materials[id] ?? []);
  return [
    ...OF_KIND[object.kind],
    ...(worn.length > 0 ? (['surfaces'] as const) : []),
    // It may show the camera picture, or be lit as that is.
    ...(worn.length > 0 || anchorOf(effect, object).kind === 'backdrop' ? (['camera'] as const) : []),
  ];
};

/** The names of all that an effect needs; hidden objects count, since they may be shown at any moment. */
export const abilitiesNeeded = (effect: Effect): ReadonlySet<AbilityName> =>
  new Set(Object.values(effect.objects).flatMap((object) => ofObject(effect, object)));

/** Loads what an effect needs. Rejects when a part of the page cannot be fetched. */
export const loadAbilities = async (effect: Effect): Promise<Abilities> =>
  together(await Promise.all([...abilitiesNeeded(effect)].map((name) => LOADERS[name]())));
