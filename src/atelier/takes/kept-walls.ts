/** The creator's own sets of takes for a wall, in this browser. What was kept may be damaged: what cannot be read is left out. */
import { z } from 'zod';
import { LEAST_TILES, MOST_TILES } from '../../core/takes/library/wall-sets';

/** Letters of a set's name. */
export const MOST_NAME = 40;
/** More are hardly told from each other. */
export const MOST_SETS = 40;

const ownSetSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().trim().min(1).max(MOST_NAME),
  /** Ids of takes, shipped and own. */
  takes: z.array(z.string().min(1).max(120)).min(LEAST_TILES).max(MOST_TILES),
});
export type OwnSet = z.infer<typeof ownSetSchema>;

const KEY = 'iconia.walls';

export const readOwnSets = (): OwnSet[] => {
  try {
    const kept = z.array(z.unknown()).parse(JSON.parse(localStorage.getItem(KEY) ?? '[]'));
    return kept.slice(0, MOST_SETS).flatMap((one) => ownSetSchema.safeParse(one).data ?? []);
  } catch {
    return [];
  }
};
/** Whether the browser keeps them; else they hold until the window is closed. */
export const keepOwnSets = (sets: readonly OwnSet[]): boolean => {
  try {
    localStorage.setItem(KEY, JSON.stringify(sets));
    return true;
  } catch {
    return false;
  }
};
