/**
 * Which sign a hand shows, read from its 21 points. Everything is measured in the hand's own size, so that a child's hand and one that
 * a tracker thinks too large are read alike.
 */
import { distance, pointAt } from '../maths/vec3';
import type { Gesture } from '../tracking/track-frame';
import { palmLength } from './points';

/** How far a fingertip is from the wrist, over its middle joint: above it a finger is held out. */
const HELD_OUT = 1.12;
/** The same below which a finger is curled in: the tip has come back to the palm. */
const CURLED = 1.02;
/** A finger that comes to meet the thumb is held out farther than this. */
const HALF_WAY = 0.95;
/** Tips that touch are nearer than this, in lengths of the palm: landmarks lie inside the fingers. */
const TOUCHING = 0.3;
/** Two fingers held apart, in lengths of the palm. */
const APART = 0.28;
/** From the thumb's tip to the root of the little finger, in lengths of the palm: a thumb that lies over the fingers is nearer. */
const THUMB_OUT = 1.15;

/** How far finger 1 (index) to 4 (little) is held out: about 1.35 straight, 0.6 curled in. */
export const reachOf = (landmarks: ArrayLike<number>, finger: 1 | 2 | 3 | 4): number => {
  const wrist = pointAt(landmarks, 0);
  const to = (joint: number) => distance(wrist, pointAt(landmarks, 1 + 4 * finger + joint));
  return to(3) / to(1);
};

/** The sign of a hand: 21 x (x, y, z) in any space and unit; null for none of them. */
export const gestureOf = (landmarks: ArrayLike<number>): Gesture | null => {
  const palm = palmLength(landmarks);
  if (palm === 0) return null;
  const reach = ([1, 2, 3, 4] as const).map((finger) => reachOf(landmarks, finger));
  const [index, middle] = reach.map((r) => r > HELD_OUT);
  const apart = (a: number, b: number) => distance(pointAt(landmarks, a), pointAt(landmarks, b)) / palm;
  // In a fist the thumb lies over a finger that is curled in; in a pinch the finger comes half-way to meet it.
  if (apart(4, 8) < TOUCHING && reach[0]! > HALF_WAY && middle) return 'pinch';
  const out = reach.filter((r) => r > HELD_OUT).length;
  const curled = reach.filter((r) => r < CURLED).length;
  if (out === 4) return 'palm';
  if (out === 2 && index && middle && curled === 2 && apart(8, 12) > APART) return 'victory';
  if (out === 1 && index && curled === 3) return 'point';
  if (curled === 4) return apart(4, 17) > THUMB_OUT ? 'thumb' : 'fist';
  return null;
};
