/** Seconds since the effect started. */
import { defineSignal } from './signal-kind';

export const time = defineSignal({
  kind: 'time',
  name: 'Time',
  fields: {},
  fresh: {},
  words: () => 'time (s)',
  read: (_, from) => from.time,
});
