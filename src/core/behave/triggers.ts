/** What can set off a cue, and the signal each one watches. */
import type { TriggerKind } from '../document/schema';
import { expression, type TrackFrame } from '../tracking/track-frame';
import type { Unit } from '../units';

/** What the viewer did since the last step. */
export interface Inputs {
  /** Taps on the picture: x and y from 0 to 1, from the top left. */
  readonly taps: readonly { readonly x: Unit; readonly y: Unit }[];
}
export const NO_INPUTS: Inputs = { taps: [] };

export type Signal = 'jawOpen' | 'mouthPucker';

/** The face signal a trigger watches; null for triggers that are events by themselves. */
export const SIGNAL_OF: Record<TriggerKind, Signal | null> = {
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

/** The signal on the first face; 0 when there is no face. */
export const signalOf = (frame: TrackFrame, signal: Signal): Unit => expression(frame.faces[0], signal);
