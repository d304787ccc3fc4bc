/** The hand tracker as a promise: a picture in, the hands in it out. It runs in a worker. */
import type { TrackedHand } from '../core/tracking/track-frame';
import type { PictureMoment, Tracker } from './tracker';
import { WorkerLine } from './worker-line';
import type { FromHandWorker, ToHandWorker } from './hand-messages';

export class HandFinder implements Tracker<readonly TrackedHand[]> {
  private readonly line = new WorkerLine<ToHandWorker, Extract<FromHandWorker, { kind: 'seen' }>>(
    '/trackers/hand-worker.js',
    { name: 'The hand tracker' },
  );

  /** `hands` is the most it looks for at once. */
  constructor(private readonly hands: number) {}

  start(): Promise<void> {
    return this.line.start({ kind: 'start', base: '/trackers/hands/', hands: this.hands });
  }

  async look(image: ImageBitmap, { fovY }: PictureMoment): Promise<readonly TrackedHand[]> {
    return (await this.line.ask({ kind: 'frame', image, fovY }, [image])).hands;
  }

  stop(): void {
    this.line.stop();
  }
}
