/** What page and strength worker say to each other. */
import type { PictureStrength } from '../core/vision/picture-strength';

export interface ToStrengthWorker {
  readonly picture: ImageBitmap;
  /** Pictures that it must not be taken for. */
  readonly others: readonly ImageBitmap[];
}

export type FromStrengthWorker =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'judged'; readonly strength: PictureStrength }
  | { readonly kind: 'failed'; readonly message: string };
