/** Has a moving picture made in a worker. */
import { IconiaError } from '../../core/errors';
import type { FromLoopWorker, LoopFormat, LoopFrames, ToLoopWorker } from './loop-messages';

/** Rejects with what there is to say, or when it is aborted. The worker ends with it. */
export const makeLoop = (
  loop: LoopFrames,
  format: LoopFormat,
  { onProgress, signal }: { onProgress?: (share: number) => void; signal?: AbortSignal } = {},
): Promise<Blob> =>
  new Promise((done, fail) => {
    const worker = new Worker(new URL('./loop-worker.ts', import.meta.url), { type: 'module', name: 'loop' });
    const over = (): void => worker.terminate();
    signal?.addEventListener('abort', () => {
      over();
      fail(new IconiaError('capture.cancelled', 'The loop was not made.'));
    });
    worker.addEventListener('error', () => {
      over();
      fail(
        new IconiaError('loop.failed', 'The loop could not be made in this browser. Record a video instead.'),
      );
    });
    worker.addEventListener('message', ({ data }: MessageEvent<FromLoopWorker>) => {
      if (data.kind === 'progress') return onProgress?.(data.share);
      over();
      if (data.kind === 'failed') fail(new IconiaError('loop.failed', data.words));
      else done(new Blob([data.bytes as BlobPart], { type: `image/${format}` }));
    });
    worker.postMessage({ loop, format } satisfies ToLoopWorker);
  });
