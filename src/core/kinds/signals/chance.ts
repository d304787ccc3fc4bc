/** Numbers that look like chance, and are the same everywhere. */
import { z } from 'zod';
import { pcg3d } from '../../maths/hash';
import { number } from '../../schema/properties';
import type { Seconds, Unit } from '../../units';

/** Which chance it is, and how many new values a second. */
export const chanceFields = () => ({
  rate: number({
    name: 'New values a second',
    low: 0,
    high: 60,
    unit: 'perSecond',
    digits: 2,
    mark: '',
  }),
  seed: z.number().int().min(0).max(65_535),
});
export const FIRST_CHANCE = { rate: 2, seed: 1 } as const;

/** Value number `n` of a seed, 0 to 1. */
export const chance = (seed: number, n: number): Unit => pcg3d(seed, n >>> 0, 77)[0] / 4294967296;
/** The same without a jump: from one value to the next along 3 t² - 2 t³. */
export const smoothChance = (seed: number, at: Seconds): Unit => {
  const n = Math.floor(at);
  const t = at - n;
  const k = t * t * (3 - 2 * t);
  return chance(seed, n) * (1 - k) + chance(seed, n + 1) * k;
};
