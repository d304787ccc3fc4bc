/** Says in a worker how well a picture can be found when it is printed. */
import { sentence } from '../core/errors';
import { MOST_PRINTED } from '../core/vision/grey';
import { findNearest, makeFindNearest } from '../core/vision/hamming';
import { pictureStrength } from '../core/vision/picture-strength';
import { makePictureTarget } from '../core/vision/picture-target';
import { greyOfImage } from './grey-of-image';
import type { FromStrengthWorker, ToStrengthWorker } from './strength-messages';

const answer = (message: FromStrengthWorker): void =>
  (self as unknown as { postMessage(m: FromStrengthWorker): void }).postMessage(message);

const judge = async ({ picture, others }: ToStrengthWorker): Promise<void> => {
  const strength = pictureStrength(greyOfImage(picture, MOST_PRINTED), {
    nearest: (await makeFindNearest()) ?? findNearest,
    others: others.map((other) => makePictureTarget(greyOfImage(other, MOST_PRINTED))),
    onProgress: (share) => answer({ kind: 'progress', share }),
  });
  answer({ kind: 'judged', strength });
};

self.addEventListener('message', ({ data }: MessageEvent<ToStrengthWorker>) => {
  judge(data).catch((error: unknown) => answer({ kind: 'failed', message: sentence(error) }));
});
