/** What nodes of points and vectors are called. */
import type { VECTOR_NODES } from '../vector-nodes';
import type { WordsOf } from './node-words-kind';

export const VECTOR_WORDS: WordsOf<typeof VECTOR_NODES> = {
  joinPoint: {
    name: 'Join point',
    group: 'Points and vectors',
    note: 'A point from its x and y.',
    also: 'make vector2 combine',
  },
  splitPoint: {
    name: 'Split point',
    group: 'Points and vectors',
    note: 'x and y of a point.',
    also: 'break vector2 separate',
  },
  joinVector: {
    name: 'Join vector',
    group: 'Points and vectors',
    note: 'A vector from its x, y and z.',
    also: 'make vector3 combine position',
  },
  splitVector: {
    name: 'Split vector',
    group: 'Points and vectors',
    note: 'x, y and z of a vector.',
    also: 'break vector3 separate',
  },
  addVectors: {
    name: 'Add vectors',
    group: 'Points and vectors',
    note: 'Two vectors together.',
    also: 'plus sum offset',
  },
  subtractVectors: {
    name: 'Subtract vectors',
    group: 'Points and vectors',
    note: 'From the second to the first.',
    also: 'minus difference from to',
  },
  multiplyVectors: {
    name: 'Multiply vectors',
    group: 'Points and vectors',
    note: 'Each number by the other’s.',
    also: 'times product',
  },
  scaleVector: {
    name: 'Scale vector',
    group: 'Points and vectors',
    note: 'A vector times a number.',
    also: 'multiply longer shorter',
  },
  mixVectors: {
    name: 'Mix vectors',
    group: 'Points and vectors',
    note: 'From one vector to another by a share.',
    also: 'blend lerp interpolate',
  },
  lengthOf: {
    name: 'Length',
    group: 'Points and vectors',
    note: 'How long a vector is.',
    also: 'magnitude size norm',
  },
  distance: {
    name: 'Distance',
    group: 'Points and vectors',
    note: 'How far two places are apart.',
    also: 'between far near',
  },
  direction: {
    name: 'Direction',
    group: 'Points and vectors',
    note: 'A vector of length 1 the same way; nothing stays nothing.',
    also: 'normalise unit',
  },
  dotProduct: {
    name: 'Dot product',
    group: 'Points and vectors',
    note: 'How far one vector goes along another.',
    also: 'scalar inner projection',
  },
  crossProduct: {
    name: 'Cross product',
    group: 'Points and vectors',
    note: 'Square to both.',
    also: 'normal perpendicular',
  },
  vectorAngle: {
    name: 'Angle of two vectors',
    group: 'Points and vectors',
    note: 'Between their directions; none where one is nothing.',
    also: 'between degrees',
  },
  alongPath: {
    name: 'Point on a path',
    group: 'Points and vectors',
    note: 'Where a share of a smooth path through four places is, and which way it goes there.',
    also: 'curve spline track follow along',
  },
  pathThrough: {
    name: 'Path through many',
    group: 'Points and vectors',
    note: 'The same through as many places as there are, as a list for each axis.',
    also: 'curve spline point on a path track follow along',
  },
};
