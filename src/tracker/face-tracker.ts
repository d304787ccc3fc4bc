/** The face tracker as a promise: a picture in, a track frame out. It runs in a worker. */
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Degrees, Seconds } from '../core/units';
import { WorkerLine } from './worker-line';
import type { FromWorker, ToWorker } from './worker-messages';

export interface Tracked {
  readonly frame: TrackFrame;
  /** How long the tracker took. */
  readonly milliseconds: number;
}

export class FaceTracker {
  private readonly line = new WorkerLine<ToWorker, Extract<FromWorker, { kind: 'tracked' }>>(
    '/trackers/face-worker.js',
    { name: 'The face tracker' },
  );

  /** Loads the tracker; `faces` is the most it looks for at once. Throws `IconiaError` `tracker.failed`. */
  start(faces: number): Promise<void> {
    return this.line.start({ kind: 'start', base: '/trackers/face_mesh/', faces });
  }

  /** One picture at a time: wait for the answer before the next. The picture is handed over. */
  async track(image: ImageBitmap, time: Seconds, fovY: Degrees): Promise<Tracked> {
    const { frame, milliseconds } = await this.line.ask({ kind: 'frame', image, time, fovY }, [image]);
    return { frame, milliseconds };
  }

  stop(): void {
    this.line.stop();
  }
}
