/** Any number of an object that behaviour can change, beside those that all objects have: as cues, drives and circuits have made it. */
import { objectIdSchema } from '../../schema/placed-schema';
import { toChoose } from '../../schema/references';
import { text } from '../../schema/values-schema';
import { POSE_WORDS, numberName, offeredNumbers } from '../numbers';
import { defineSignal } from './signal-kind';

/** Those that the signal `object` has. */
const OF_ALL = new Set([...Object.keys(POSE_WORDS), 'visible', 'opacity']);

export const objectNumber = defineSignal({
  kind: 'objectNumber',
  name: 'Number of an object',
  fields: {
    object: toChoose(objectIdSchema, 'Object of the signal', { ask: 'Choose what' }),
    /** By its path; see `numbers.ts`. */
    property: text(40),
  },
  fresh: { object: null, property: 'size' },
  words: ({ object, property }, names) => `${names.object(object)} ${names.numberOf(object, property)}`,
  read: ({ object, property }, from) => (object === null ? NaN : from.numberOf(object, property)),
  parts: {
    field: 'property',
    of: (own) =>
      offeredNumbers(own)
        .filter((path) => !OF_ALL.has(path))
        .map((path) => ({ value: path, label: numberName(own, path) })),
  },
  // Other units stand in its name.
  shownIn: ({ object, property }, unitOf) => (unitOf(object, property) === 'percent' ? 'percent' : 'plain'),
  gist: ({ property }) => property,
});
