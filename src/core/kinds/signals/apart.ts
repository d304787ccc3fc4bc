/** Metres between two objects, or an object and the viewer. */
import { positionOf } from '../../maths/matrix';
import { distance } from '../../maths/vec3';
import { betweenFields, betweenWords, bothOf, NOTHING_BETWEEN } from './between';
import { defineSignal } from './signal-kind';

export const apart = defineSignal({
  kind: 'apart',
  name: 'Distance of objects',
  also: 'near far',
  fields: betweenFields(),
  fresh: NOTHING_BETWEEN,
  words: (signal, names) => `${betweenWords(signal, names)} (m)`,
  measures: () => 'length',
  read: (signal, source) => {
    const both = bothOf(signal, source);
    return both ? distance(positionOf(both.matrix), both.other) : NaN;
  },
  isPlaced: () => true,
  gist: ({ from }) => (from === null ? 'viewer' : 'object'),
  unit: 'm',
});
