/** What is known of one picture of a performer. */
import type { ExpressionName } from '../../src/core/tracking/expression-names';
import type { Expressions } from '../../src/core/tracking/track-frame';

export interface Sample {
  readonly performer: string;
  /** What the face really shows. */
  readonly face: Expressions;
  /** How the head is turned, as it was tracked: pitch, yaw, roll in degrees. */
  readonly angles: readonly [number, number, number];
  /** What distances between landmarks say of it. */
  readonly read: Expressions;
  /** As tracked, in head space, metres. */
  readonly landmarks: readonly number[];
}

/** The same expression on the other side of the face; itself where it has none. */
export const otherSide = (name: ExpressionName): ExpressionName =>
  (name.includes('Left') ? name.replace('Left', 'Right') : name.replace('Right', 'Left')) as ExpressionName;
