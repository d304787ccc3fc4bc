/** The face tracker as a promise: a picture in, the faces in it out. It runs in a worker. */
import type { TrackedFace } from '../core/tracking/track-frame';
import type { PictureMoment, Tracker } from './tracker';
import { WorkerLine } from './worker-line';
import type { FromFaceWorker, ToFaceWorker } from './face-messages';

export class FaceTracker implements Tracker<readonly TrackedFace[]> {
  private readonly line = new WorkerLine<ToFaceWorker, Extract<FromFaceWorker, { kind: 'seen' }>>(
    '/trackers/face-worker.js',
    { name: 'The face tracker' },
  );

  /** `faces` is the most it looks for at once. */
  constructor(private readonly faces: number) {}

  start(): Promise<void> {
    return this.line.start({ kind: 'start', base: '/trackers/face_mesh/', faces: this.faces });
  }

  async look(image: ImageBitmap, { fovY, region }: PictureMoment): Promise<readonly TrackedFace[]> {
    return (await this.line.ask({ kind: 'frame', image, fovY, region: region ?? null }, [image])).faces;
  }

  stop(): void {
    this.line.stop();
  }
}
