/** What is said between a page and the worker that makes moving pictures. */
import type { Milliseconds, Pixels } from '../../core/units';

export type LoopFormat = 'gif' | 'webp';

/** Pictures one after the other, each with how long it is shown. */
export interface LoopFrames {
  readonly width: Pixels;
  readonly height: Pixels;
  readonly frames: readonly { readonly rgba: Uint8ClampedArray; readonly milliseconds: Milliseconds }[];
}
export interface ToLoopWorker {
  readonly loop: LoopFrames;
  readonly format: LoopFormat;
}
export type FromLoopWorker =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'done'; readonly bytes: Uint8Array }
  | { readonly kind: 'failed'; readonly words: string };
