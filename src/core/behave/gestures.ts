/** Recorded touches as gestures: each from the first finger that comes down to the last one that leaves. */
import type { Seconds } from '../units';
import type { RecordedOf } from './recorded';

export interface Gesture {
  readonly from: Seconds;
  readonly to: Seconds;
}

/** `touches` are in order of time. A gesture that was cut off ends with its last record. */
export const gesturesOf = (touches: readonly RecordedOf<'fingers'>[]): Gesture[] => {
  const gestures: Gesture[] = [];
  let from: Seconds | null = null;
  let last: Seconds = 0;
  for (const { time, input } of touches) {
    if (input.fingers.length > 0) from ??= time;
    else if (from !== null) {
      gestures.push({ from, to: time });
      from = null;
    }
    last = time;
  }
  if (from !== null) gestures.push({ from, to: last });
  return gestures;
};
