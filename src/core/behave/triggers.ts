/** What can set off a cue, and the signal each one watches. */
import type { TriggerKind } from '../document/schema';
import { expression, type TrackedFace } from '../tracking/track-frame';
import type { Degrees, Unit } from '../units';

/** A point of the picture: x and y from 0 to 1, from the top left. */
export interface PicturePoint {
  readonly x: Unit;
  readonly y: Unit;
}
/** A finger on the picture. Fingers are told apart by their id. */
export interface Finger extends PicturePoint {
  readonly id: number;
}

/** What the viewer did since the last step. */
export interface Inputs {
  readonly taps: readonly PicturePoint[];
  /** The fingers that lie on the picture now. */
  readonly fingers: readonly Finger[];
  /** What of the camera is seen; without it the whole upright picture. */
  readonly view?: View;
}
/** Opening angle from top to bottom, and width over height. */
export interface View {
  readonly fovY: Degrees;
  readonly aspect: number;
}
export const NO_INPUTS: Inputs = { taps: [], fingers: [] };

export type FaceSignal = 'jawOpen' | 'mouthPucker';

/** The face signal a trigger watches; null for triggers that are events by themselves. */
export const SIGNAL_OF: Record<TriggerKind, FaceSignal | null> = {
  effectStarts: null,
  screenTapped: null,
  mouthOpens: 'jawOpen',
  mouthCloses: 'jawOpen',
  lipsPucker: 'mouthPucker',
  lipsRelax: 'mouthPucker',
};

/** Whether the trigger fires when the signal rises over the threshold, or when it falls back below. */
export const FIRES_ON: Record<TriggerKind, 'rise' | 'fall' | 'event'> = {
  effectStarts: 'event',
  screenTapped: 'event',
  mouthOpens: 'rise',
  mouthCloses: 'fall',
  lipsPucker: 'rise',
  lipsRelax: 'fall',
};

export const DEFAULT_THRESHOLD: Record<TriggerKind, number> = {
  effectStarts: 0.4,
  screenTapped: 0.4,
  mouthOpens: 0.4,
  mouthCloses: 0.4,
  lipsPucker: 0.45,
  lipsRelax: 0.45,
};

/** A signal that went over the threshold counts as back below at this share of it, so that it cannot flutter. */
export const RELEASE_SHARE = 0.7;

/** The signal on a face; 0 when there is none. */
export const signalOf = (face: TrackedFace | undefined, signal: FaceSignal): Unit => expression(face, signal);
