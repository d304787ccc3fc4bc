/** How many faces there are. */
import { defineSignal } from './signal-kind';

export const faces = defineSignal({
  kind: 'faces',
  name: 'Number of faces',
  also: 'people persons how many',
  fields: {},
  fresh: {},
  words: () => 'number of faces',
  read: (_, { frame }) => frame.faces.length,
  needs: () => ['faces'],
});
