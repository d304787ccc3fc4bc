/** What page and person worker say to each other. */
import type { PeopleMask } from '../core/tracking/people-mask';
import type { WorkerState } from './worker-line';

export type ToPersonWorker =
  | { readonly kind: 'start'; readonly base: string }
  | { readonly kind: 'frame'; readonly image: ImageBitmap };

export type FromPersonWorker = WorkerState | { readonly kind: 'found'; readonly mask: PeopleMask };
