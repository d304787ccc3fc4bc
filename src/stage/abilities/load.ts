/** What an effect needs to be drawn, loaded for it and nothing else. */
import type { DrawingPart } from '../../core/kinds/needs';
import type { Requirements } from '../../core/requirements/requirements';
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
} satisfies Record<DrawingPart, () => Promise<Partial<Abilities>>>;
/** Loads what an effect needs to be drawn, as its requirements say. Rejects when a part of the page cannot be fetched. */
export const loadAbilities = async ({ drawing }: Pick<Requirements, 'drawing'>): Promise<Abilities> =>
  together(await Promise.all([...drawing].map((name) => LOADERS[name]())));
