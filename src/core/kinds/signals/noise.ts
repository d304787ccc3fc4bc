/** Anything from 0 to 1, smoothly. */
import { chanceFields, FIRST_CHANCE, smoothChance } from './chance';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

export const noise = defineSignal({
  kind: 'noise',
  name: 'Smooth noise',
  fields: chanceFields(),
  fresh: FIRST_CHANCE,
  words: () => 'noise',
  measures: () => 'share',
  read: ({ seed, rate }, { time }) => smoothChance(seed, time * rate),
  reach: () => ZERO_TO_ONE,
});
