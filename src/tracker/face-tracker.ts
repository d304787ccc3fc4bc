/** The face tracker as a promise: a picture in, a track frame out. It runs in a worker. */
import type { TrackFrame } from '../core/tracking/track-frame';
import type { PictureMoment, Tracker } from './tracker';
import { WorkerLine } from './worker-line';
import type { FromWorker, ToWorker } from './worker-messages';

export interface Tracked {
  readonly frame: TrackFrame;
  /** How long the tracker took. */
  readonly milliseconds: number;
}

export class FaceTracker implements Tracker<Tracked> {
  private readonly line = new WorkerLine<ToWorker, Extract<FromWorker, { kind: 'tracked' }>>(
    '/trackers/face-worker.js',
    { name: 'The face tracker' },
  );

  /** `faces` is the most it looks for at once. */
  constructor(private readonly faces: number) {}

  start(): Promise<void> {
    return this.line.start({ kind: 'start', base: '/trackers/face_mesh/', faces: this.faces });
  }

  async look(image: ImageBitmap, { time, fovY }: PictureMoment): Promise<Tracked> {
    const { frame, milliseconds } = await this.line.ask({ kind: 'frame', image, time, fovY }, [image]);
    return { frame, milliseconds };
  }

  stop(): void {
    this.line.stop();
  }
}
