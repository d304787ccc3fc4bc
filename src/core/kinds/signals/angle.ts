/** Degrees between where the front of an object points and the way to another, or to the viewer. */
import { column, positionOf } from '../../maths/matrix';
import { dot, normalise, subtract } from '../../maths/vec3';
import { betweenFields, betweenWords, bothOf, NOTHING_BETWEEN } from './between';
import { defineSignal } from './signal-kind';

export const angle = defineSignal({
  kind: 'angle',
  name: 'Angle between objects',
  fields: betweenFields(),
  fresh: NOTHING_BETWEEN,
  words: (signal, names) => `angle of ${betweenWords(signal, names)} (°)`,
  measures: () => 'angle',
  read: (signal, source) => {
    const both = bothOf(signal, source);
    if (!both) return NaN;
    const way = normalise(subtract(both.other, positionOf(both.matrix)));
    const cosine = dot(normalise(column(both.matrix, 2)), way);
    return (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI;
  },
  isPlaced: () => true,
});
