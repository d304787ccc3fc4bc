/** What nodes of rotations are called. */
import type { ROTATION_NODES } from '../vector-nodes';
import type { WordsOf } from './node-words-kind';

export const ROTATION_WORDS: WordsOf<typeof ROTATION_NODES> = {
  rotationFrom: {
    name: 'Rotation from angles',
    group: 'Rotations',
    note: 'Three angles, about x, then y, then z.',
    also: 'euler make',
  },
  anglesOf: {
    name: 'Angles of a rotation',
    group: 'Rotations',
    note: 'Three angles, about x, y and z.',
    also: 'euler split',
  },
  aboutAxis: {
    name: 'Turn about an axis',
    group: 'Rotations',
    note: 'By an angle about x, y or z.',
    also: 'axis angle spin',
  },
  lookingAt: {
    name: 'Looking at',
    group: 'Rotations',
    note: 'Turned so that the front looks from one place to another, upright.',
    also: 'aim face point towards',
  },
  turnAfter: {
    name: 'One turn after another',
    group: 'Rotations',
    note: 'First the one, then the other.',
    also: 'multiply combine rotations',
  },
  mixRotations: {
    name: 'Mix rotations',
    group: 'Rotations',
    note: 'From one to the other the short way, by a share.',
    also: 'slerp blend interpolate',
  },
  turned: { name: 'Turn a vector', group: 'Rotations', note: 'The vector, turned.', also: 'rotate apply' },
  rotationAngle: {
    name: 'Angle of two rotations',
    group: 'Rotations',
    note: 'How far one is turned from the other.',
    also: 'difference between',
  },
};
