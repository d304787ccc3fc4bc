/** Finds people in pictures: a picture in, a mask out. It runs in a worker of its own, beside the face tracker. */
import type { PeopleMask } from '../core/tracking/people-mask';
import type { FromPersonWorker, ToPersonWorker } from './person-messages';
import type { Tracker } from './tracker';
import { WorkerLine } from './worker-line';

export class PersonFinder implements Tracker<PeopleMask> {
  private readonly line = new WorkerLine<ToPersonWorker, Extract<FromPersonWorker, { kind: 'found' }>>(
    '/trackers/person-worker.js',
    { name: 'The search for people' },
  );

  start(): Promise<void> {
    return this.line.start({ kind: 'start', base: '/trackers/selfie_segmentation/' });
  }

  async look(image: ImageBitmap): Promise<PeopleMask> {
    return (await this.line.ask({ kind: 'frame', image }, [image])).mask;
  }

  stop(): void {
    this.line.stop();
  }
}
