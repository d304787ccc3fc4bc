/** Which of several faces is meant. */
import { MOST_FACES } from '../../schema/anchor-schema';
import { number } from '../../schema/properties';

/** The number of a face, from 1. */
export const faceNumber = (name = 'Number of the face', mark = 'face') =>
  number({ name, low: 1, high: MOST_FACES, unit: 'count', whole: true, mark });

/** Said only where it is not the first. */
export const ofFace = (face: number): string => (face > 1 ? ` of face ${face}` : '');
