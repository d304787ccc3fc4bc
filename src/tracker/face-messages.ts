/** What page and face worker say to each other. */
import type { Region } from '../core/tracking/region';
import type { TrackedFace } from '../core/tracking/track-frame';
import type { WorkerState } from './worker-line';

export type ToFaceWorker =
  | { readonly kind: 'start'; readonly base: string; readonly faces: number }
  | {
      readonly kind: 'frame';
      readonly image: ImageBitmap;
      readonly fovY: number;
      /** Only this part of the picture is looked at. */
      readonly region: Region | null;
    };

export type FromFaceWorker = WorkerState | { readonly kind: 'seen'; readonly faces: readonly TrackedFace[] };
