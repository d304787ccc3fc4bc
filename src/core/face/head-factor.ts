/** How large a head is, told by its face. */
import { distance, pointAt } from '../maths/vec3';
import type { Metres } from '../units';
import { NEUTRAL_FACE } from './neutral';

/** Landmarks at the two sides of the face, before the ears. */
const SIDES = [234, 454] as const;
const faceWidth = (landmarks: ArrayLike<number>): Metres =>
  distance(pointAt(landmarks, SIDES[0]), pointAt(landmarks, SIDES[1]));
const USUAL_WIDTH = faceWidth(NEUTRAL_FACE);

/** How large a head is, measured by the width of the face: 1 is the usual size. */
export const headFactor = (landmarks: ArrayLike<number>): number => faceWidth(landmarks) / USUAL_WIDTH;
