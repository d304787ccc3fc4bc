/**
 * The real trackers on a take: they see the drawn picture as they would see a camera's, and their frames take
 * the place of the truth. What they make of a moment comes back with how long it took.
 */
import { sentence, IconiaError } from '../core/errors';
import type { Take } from '../core/takes/take';
import { seenThrough } from '../core/tracking/through-camera';
import type { TrackFrame } from '../core/tracking/track-frame';
import type { Seconds } from '../core/units';
import { FrameTrackers, type FrameNeeds } from './frame-trackers';

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
  ...seenThrough(tracked, truth.camera.pose),
});

export class TakeTracker {
  private readonly trackers: FrameTrackers;
  private stopped = false;
  private busy = false;
  private wanted: Seconds | null = null;
  private looked: Seconds | null = null;

  constructor(
    private readonly take: Take,
    private readonly drawing: TakeDrawing,
    needs: FrameNeeds,
    private readonly events: TakeTrackerEvents,
  ) {
    this.trackers = new FrameTrackers({ onLost: (error) => this.fail(error) });
    this.trackers.need(needs);
  }

  /** Throws `IconiaError` `tracker.*` when one of them cannot be loaded. */
  async start(): Promise<void> {
    await this.trackers.ready();
    if (this.failure) throw this.failure;
  }

  private failure: IconiaError | null = null;
  private fail(error: IconiaError): void {
    if (this.stopped || this.failure) return;
    this.failure = error;
    if (this.looked !== null) this.events.onError(error);
    this.stop();
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
        const drawn = this.drawing.draw(truth);
        // Drawn once: all look at the same moment. A camera's picture is there without drawing, so the delay is the trackers' alone.
        const began = performance.now();
        const frame = await this.trackers.look(
          () => createImageBitmap(drawn),
          { time: truth.time, fovY: truth.camera.fovY },
          { width: drawn.width, height: drawn.height },
        );
        if (!this.stopped) this.events.onFrame(throughCamera(frame, truth), performance.now() - began);
      }
    } catch (cause) {
      this.fail(
        cause instanceof IconiaError ? cause : new IconiaError('tracker.failed', sentence(cause), { cause }),
      );
    } finally {
      this.busy = false;
    }
  }

  stop(): void {
    if (this.stopped) return;
    this.stopped = true;
    this.trackers.stop();
    this.drawing.dispose();
  }
}
