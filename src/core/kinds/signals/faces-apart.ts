/** Metres between two faces. */
import { distance } from '../../maths/vec3';
import { faceNumber } from './face-number';
import { defineSignal } from './signal-kind';

export const facesApart = defineSignal({
  kind: 'facesApart',
  name: 'Two faces apart',
  fields: { face: faceNumber(), other: faceNumber('Number of the other face', 'and') },
  fresh: { face: 1, other: 2 },
  words: ({ face, other }) => `face ${face} to face ${other} (m)`,
  measures: () => 'length',
  read: ({ face, other }, from) => {
    const [a, b] = [from.face(face), from.face(other)];
    return a && b ? distance(a.pose.position, b.pose.position) : NaN;
  },
  needs: () => ['faces'],
  unit: 'm',
});
