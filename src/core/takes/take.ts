/** A camera clip that Iconia makes itself: its true tracking is known at every instant. */
import type { TrackFrame } from '../tracking/track-frame';
import type { Seconds } from '../units';
import type { Performer } from './performer';

export type MarkKind = 'eyesClosed' | 'mouthOpen' | 'pucker' | 'browsUp' | 'turned';
/** A stretch of the take in which something happens. */
export interface Mark {
  readonly kind: MarkKind;
  readonly from: Seconds;
  readonly to: Seconds;
}

export interface Take {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly duration: Seconds;
  readonly performer: Performer;
  /** The exact truth at `time`; loops past the end. */
  frameAt(time: Seconds): TrackFrame;
  readonly marks: readonly Mark[];
}
