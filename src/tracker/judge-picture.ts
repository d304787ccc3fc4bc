/** How well a picture can be found when it is printed, as a promise; the work is done in a worker of its own. */
import { IconiaError } from '../core/errors';
import type { PictureStrength } from '../core/vision/picture-strength';
import type { FromStrengthWorker, ToStrengthWorker } from './strength-messages';

export interface JudgeOptions {
  /** Ends it; the promise is then refused with `strength.cancelled`. */
  readonly signal: AbortSignal;
  readonly onProgress: (share: number) => void;
}

const failed = (message: string): IconiaError =>
  new IconiaError(
    'strength.failed',
    `How well the picture can be found could not be found out: ${message}. Try again, or choose its picture again.`,
  );

/** The pictures are handed over. Throws `IconiaError` `strength.*`. */
export const judgePicture = (
  picture: ImageBitmap,
  others: readonly ImageBitmap[],
  { signal, onProgress }: JudgeOptions,
): Promise<PictureStrength> =>
  new Promise((done, fail) => {
    const worker = new Worker('/trackers/strength-worker.js');
    const end = (): void => {
      worker.terminate();
      signal.removeEventListener('abort', cancel);
    };
    const cancel = (): void => {
      end();
      fail(new IconiaError('strength.cancelled', 'It was cancelled.'));
    };
    signal.addEventListener('abort', cancel);
    worker.onmessage = ({ data }: MessageEvent<FromStrengthWorker>) => {
      if (data.kind === 'progress') return onProgress(data.share);
      end();
      if (data.kind === 'judged') done(data.strength);
      else fail(failed(data.message));
    };
    worker.onerror = (event) => {
      event.preventDefault();
      end();
      fail(failed('its worker stopped'));
    };
    if (signal.aborted) return cancel();
    const message: ToStrengthWorker = { picture, others };
    worker.postMessage(message, [picture, ...others]);
  });
