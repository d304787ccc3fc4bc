/** Seconds since the effect started. */
import { defineSignal } from './signal-kind';

export const time = defineSignal({
  kind: 'time',
  name: 'Time',
  also: 'seconds passed',
  fields: {},
  fresh: {},
  words: () => 'time (s)',
  measures: () => 'time',
  read: (_, from) => from.time,
});
