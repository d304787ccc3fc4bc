/** What is said while nothing of what an effect needs is in the camera's picture. */
import type { LiveInput } from '../tracker/live-input';

export const SEEKING_WORDS: Readonly<Record<NonNullable<LiveInput['seeks']>, string>> = {
  face: 'No face in the picture yet',
  hand: 'No hand in the picture yet',
  picture: 'Point the camera at the printed picture',
  floor: 'Point the camera at the floor, the table or the wall',
  several: 'Nothing of what the effect looks for is in sight yet',
};
