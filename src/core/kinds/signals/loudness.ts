/** How loud the microphone hears it, 0 to 1. */
import { defineSignal, ZERO_TO_ONE } from './signal-kind';

export const loudness = defineSignal({
  kind: 'loudness',
  name: 'Loudness',
  also: 'sound noise microphone loud',
  fields: {},
  fresh: {},
  words: () => 'loudness',
  measures: () => 'share',
  read: (_, from) => from.loudness,
  reach: () => ZERO_TO_ONE,
  needs: () => ['microphone'],
});
