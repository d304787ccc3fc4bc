/** What is said while nothing of what an effect needs is in the camera's picture. */
import type { LiveInput } from '../tracker/live-input';

export const SEEKING_WORDS: Readonly<Record<NonNullable<LiveInput['seeks']>, string>> = {
  face: 'No face in the picture yet',
  picture: 'Point the camera at the printed picture',
  faceOrPicture: 'No face and no printed picture in sight yet',
};
