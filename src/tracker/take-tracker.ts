/**
 * The real trackers on a take: they see the drawn picture as they would see a camera's, and their frames take
 * the place of the truth; so does the simulated one of rooms. What they make of a moment comes back with how long it took.
 */
import { sentence, IconiaError } from '../core/errors';
import type { Take } from '../core/takes/take';
import { SimulatedRoomTracker, type RoomSight } from '../core/tracking/simulated-room-tracker';
import { seenThrough } from '../core/tracking/through-camera';
import { faceFrame, type TrackFrame } from '../core/tracking/track-frame';
import type { Seconds } from '../core/units';
import { needsPicture, type TakeNeeds } from './camera-needs';
import { FrameTrackers } from './frame-trackers';

export interface TakeTrackerEvents {
  /** `milliseconds` from the picture to the frame. */
  onFrame(frame: TrackFrame, milliseconds: number): void;
  onError(error: IconiaError): void;
}

/** Draws the take at a frame's time into a canvas that the tracker looks at. */
export interface TakeDrawing {
  prepare?(frame: TrackFrame): Promise<void>;
  draw(frame: TrackFrame): HTMLCanvasElement | OffscreenCanvas;
  dispose(): void;
}

/** The tracker of a take's surfaces; null where none of them is looked for. Its errors are the same whenever the take is tried. */
export const roomTrackerOf = (
  { id, duration, sceneAt }: Take,
  { surfaces }: Pick<TakeNeeds, 'surfaces'>,
): SimulatedRoomTracker | null => {
  if (surfaces.length === 0) return null;
  const seed = [...id].reduce((sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0, 7);
  return new SimulatedRoomTracker(sceneAt, duration, seed);
};

/** A tracker's frame is relative to a camera at rest; the take's camera may move, and `room` says how a tracker would have that. */
export const throughCamera = (
  tracked: TrackFrame,
  truth: TrackFrame,
  room: RoomSight | null = null,
): TrackFrame => {
  const camera = room ? { ...truth.camera, pose: room.camera } : truth.camera;
  const surfaces = room ? room.surfaces : truth.surfaces;
  return { ...truth, camera, surfaces, ...seenThrough(tracked, camera.pose) };
};

/** What trackers see in a drawn moment; nothing where there is nothing to look at. */
export const lookAt = async (
  trackers: FrameTrackers,
  truth: TrackFrame,
  drawn: ReturnType<TakeDrawing['draw']> | null,
): Promise<TrackFrame> =>
  drawn
    ? trackers.look(
        () => createImageBitmap(drawn),
        { time: truth.time, fovY: truth.camera.fovY },
        { width: drawn.width, height: drawn.height },
      )
    : faceFrame(truth.time, truth.camera, []);

export class TakeTracker {
  private readonly trackers: FrameTrackers;
  private readonly room: SimulatedRoomTracker | null;
  private stopped = false;
  private busy = false;
  private wanted: Seconds | null = null;
  private looked: Seconds | null = null;

  constructor(
    private readonly take: Take,
    private readonly drawing: TakeDrawing,
    private readonly needs: TakeNeeds,
    private readonly events: TakeTrackerEvents,
  ) {
    this.trackers = new FrameTrackers({ onLost: (error) => this.fail(error) });
    this.trackers.need(needs);
    this.room = roomTrackerOf(take, needs);
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
        // Drawn once: all look at the same moment. A camera's picture is there without drawing, so the delay is the trackers' alone.
        const drawn = needsPicture(this.needs) ? this.drawing.draw(truth) : null;
        const began = performance.now();
        const frame = await lookAt(this.trackers, truth, drawn);
        const room = this.room?.at(truth.time) ?? null;
        if (!this.stopped) this.events.onFrame(throughCamera(frame, truth, room), performance.now() - began);
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
