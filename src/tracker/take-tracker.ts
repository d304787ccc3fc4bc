/**
 * The real face tracker on a take: it sees the drawn picture as it would see a camera's, and its frames take
 * the place of the truth. What it makes of a moment comes back with how long it took.
 */
import { sentence, IconiaError } from '../core/errors';
import { composePoses } from '../core/maths/pose';
import type { Take } from '../core/takes/take';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Seconds } from '../core/units';
import { FaceTracker } from './face-tracker';

export interface TakeTrackerEvents {
  /** `milliseconds` from the picture to the frame. */
  onFrame(frame: TrackFrame, milliseconds: number): void;
  onError(error: IconiaError): void;
}

/** Draws the take at a frame's time into a canvas that the tracker looks at. */
export interface TakeDrawing {
  draw(frame: TrackFrame): HTMLCanvasElement | OffscreenCanvas;
  dispose(): void;
}

/** A tracker's frame is relative to a camera at rest; the take's camera may move. */
export const throughCamera = (tracked: TrackFrame, truth: TrackFrame): TrackFrame => ({
  ...truth,
  faces: tracked.faces.map((face) => ({ ...face, pose: composePoses(truth.camera.pose, face.pose) })),
});

export class TakeTracker {
  private readonly tracker: FaceTracker;
  private stopped = false;
  private busy = false;
  private wanted: Seconds | null = null;
  private looked: Seconds | null = null;

  constructor(
    private readonly take: Take,
    private readonly drawing: TakeDrawing,
    private readonly events: TakeTrackerEvents,
  ) {
    this.tracker = new FaceTracker(Math.max(1, Math.min(4, take.performers.length)));
  }

  async start(): Promise<void> {
    await this.tracker.start();
  }

  /** Asks for a moment. While the tracker is at work only the newest wish is kept. */
  look(time: Seconds): void {
    if (time === this.looked) return;
    this.looked = time;
    this.wanted = time;
    if (!this.busy && !this.stopped) void this.next();
  }

  private async next(): Promise<void> {
    this.busy = true;
    try {
      while (this.wanted !== null && !this.stopped) {
        const truth = this.take.frameAt(this.wanted);
        this.wanted = null;
        const image = await createImageBitmap(this.drawing.draw(truth));
        // A camera's picture is there without drawing: the delay is the tracker's alone.
        const began = performance.now();
        const { frame } = await this.tracker.look(image, { time: truth.time, fovY: truth.camera.fovY });
        if (!this.stopped) this.events.onFrame(throughCamera(frame, truth), performance.now() - began);
      }
    } catch (cause) {
      if (!this.stopped)
        this.events.onError(
          cause instanceof IconiaError
            ? cause
            : new IconiaError('tracker.failed', sentence(cause), { cause }),
        );
      this.stop();
    } finally {
      this.busy = false;
    }
  }

  stop(): void {
    if (this.stopped) return;
    this.stopped = true;
    this.tracker.stop();
    this.drawing.dispose();
  }
}
