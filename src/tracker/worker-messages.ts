/** What page and tracker worker say to each other. */
import type { TrackFrame } from '../core/tracking/track-frame';
import type { WorkerState } from './worker-line';

export type ToWorker =
  | { readonly kind: 'start'; readonly base: string; readonly faces: number }
  | { readonly kind: 'frame'; readonly image: ImageBitmap; readonly time: number; readonly fovY: number };

export type FromWorker =
  | WorkerState
  | { readonly kind: 'tracked'; readonly frame: TrackFrame; readonly milliseconds: number };
