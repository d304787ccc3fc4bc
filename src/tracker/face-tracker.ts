/** The face tracker as a promise: a picture in, a track frame out. It runs in a worker. */
import { IconiaError } from '../core/errors';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Degrees, Seconds } from '../core/units';
import type { FromWorker, ToWorker } from './worker-messages';

export interface Tracked {
  readonly frame: TrackFrame;
  /** How long the tracker took. */
  readonly milliseconds: number;
}

export class FaceTracker {
  private worker: Worker | null = null;
  private waiting: { done: (tracked: Tracked) => void; fail: (error: IconiaError) => void } | null = null;

  /** Loads the tracker; `faces` is the most it looks for at once. Throws `IconiaError` `tracker.failed`. */
  start(faces: number): Promise<void> {
    return new Promise((ready, refuse) => {
      const worker = new Worker('/trackers/face-worker.js');
      this.worker = worker;
      const fail = (error: IconiaError): void => {
        this.stop();
        refuse(error);
        this.waiting?.fail(error);
        this.waiting = null;
      };
      worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
        if (data.kind === 'ready') ready();
        else if (data.kind === 'tracked') {
          const { waiting } = this;
          this.waiting = null;
          waiting?.done({ frame: data.frame, milliseconds: data.milliseconds });
        } else
          fail(
            new IconiaError(
              'tracker.failed',
              `The face tracker stopped: ${data.message}. Reload the page to start it again.`,
            ),
          );
      };
      worker.onerror = (event) => {
        event.preventDefault();
        fail(
          new IconiaError(
            'tracker.failed',
            'The face tracker could not be loaded. Reload the page to try again.',
          ),
        );
      };
      this.post({ kind: 'start', base: '/trackers/face_mesh/', faces });
    });
  }

  /** One picture at a time: wait for the answer before the next. The picture is handed over. */
  track(image: ImageBitmap, time: Seconds, fovY: Degrees): Promise<Tracked> {
    return new Promise((done, fail) => {
      this.waiting = { done, fail };
      this.post({ kind: 'frame', image, time, fovY }, [image]);
    });
  }

  private post(message: ToWorker, transfer: Transferable[] = []): void {
    this.worker?.postMessage(message, transfer);
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}
