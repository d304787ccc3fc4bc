/** How a model is worn on a head. */
import type { FeaturePoint } from '../face/feature-points';
import { choice, keysOf } from './properties';

export const WORN_WORDS = {
  crown: 'a crown',
  cap: 'a cap',
  band: 'a band',
  shell: 'a piece around the whole head',
  glasses: 'glasses',
  mask: 'a mask',
  earring: 'an earring',
} as const;
export type WornAs = keyof typeof WORN_WORDS;
export const WORN_AS = keysOf(WORN_WORDS);
export const wornAsSchema = choice('How it is worn', WORN_WORDS);

/** The point of the head that it sticks to. */
export const WORN_ON: Readonly<Record<WornAs, FeaturePoint>> = {
  crown: 'crown',
  cap: 'crown',
  band: 'crown',
  shell: 'headCentre',
  glasses: 'noseBridge',
  mask: 'noseTip',
  earring: 'earLeft',
};
