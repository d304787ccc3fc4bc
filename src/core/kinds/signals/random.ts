/** Anything from 0 to 1, jumping. */
import { chance, chanceFields, FIRST_CHANCE } from './chance';
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

export const random = defineSignal({
  kind: 'random',
  name: 'Random',
  also: 'chance dice',
  fields: chanceFields(),
  fresh: FIRST_CHANCE,
  words: () => 'random',
  measures: () => 'share',
  read: ({ seed, rate }, { time }) => chance(seed, Math.floor(time * rate + 1e-9)),
  reach: () => ZERO_TO_ONE,
});
