/** What is kept of a creator's own clip, beside its pictures. */
import type { TrackFrame } from '../tracking/track-frame';
import type { Pixels } from '../units';

export interface Clip {
  /** Begins with `clip-`. */
  readonly id: string;
  readonly name: string;
  readonly width: Pixels;
  readonly height: Pixels;
  /** One a picture, `CLIP_RATE` a second. */
  readonly frames: readonly TrackFrame[];
  /** The printed pictures that were looked for when it was tracked, by their keys; each in the place of its number. */
  readonly sought: readonly string[];
  /** Where people are is kept for each picture. */
  readonly hasPeople?: boolean;
  readonly hasSound?: boolean;
}
