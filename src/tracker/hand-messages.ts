/** What page and hand worker say to each other. */
import type { TrackedHand } from '../core/tracking/track-frame';
import type { WorkerState } from './worker-line';

export type ToHandWorker =
  | { readonly kind: 'start'; readonly base: string; readonly hands: number }
  | { readonly kind: 'frame'; readonly image: ImageBitmap; readonly fovY: number };

export type FromHandWorker = WorkerState | { readonly kind: 'seen'; readonly hands: readonly TrackedHand[] };
