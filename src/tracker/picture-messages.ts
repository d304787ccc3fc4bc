/** What page and picture worker say to each other. */
import type { PicturePlace } from '../core/tracking/region';
import type { TrackedPicture } from '../core/tracking/track-frame';
import type { WorkerState } from './worker-line';

/** A printed picture that is looked for: which of the effect's targets, from 1, and what is printed. */
export interface SoughtImage {
  readonly id: number;
  /** The same for the same picture. */
  readonly key: string;
  readonly image: ImageBitmap;
  /** What it is found by, where that was made before. */
  readonly made: Uint8Array | null;
}

/** Corners in shares of the camera picture, from its own top left, clockwise. */
export interface KnownPicture {
  readonly id: number;
  readonly corners: readonly PicturePlace[];
}

export type ToPictureWorker =
  | { readonly kind: 'start'; readonly pictures: readonly SoughtImage[] }
  | {
      readonly kind: 'frame';
      readonly image: ImageBitmap;
      readonly fovY: number;
      /** Where a picture is in this frame, known from elsewhere: which of the targets, and its corners. */
      readonly known: KnownPicture | null;
    };

export type FromPictureWorker =
  | WorkerState
  | {
      readonly kind: 'seen';
      readonly pictures: readonly TrackedPicture[];
      readonly milliseconds: number;
      /** How the camera opens, once that is known. */
      readonly fovY: number | null;
    };
