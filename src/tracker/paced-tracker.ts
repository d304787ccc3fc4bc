/**
 * A tracker at its own pace, so that a slow one does not hold up a fast one: it is offered every picture, and while it is still at one the
 * others are let go. They are never queued: what is late would only get later.
 */
import type { IconiaError } from '../core/errors';
import type { PictureMoment, Tracker } from './tracker';

export interface PacedEvents<Seen> {
  /** What it has seen, and in the picture of which moment. */
  onSeen(seen: Seen, moment: PictureMoment): void;
  /** It could not be loaded, or has stopped; it looks at nothing more. */
  onError(error: IconiaError): void;
}

export class PacedTracker<Seen> {
  private state: 'loading' | 'ready' | 'busy' | 'over' = 'loading';

  constructor(
    private readonly tracker: Tracker<Seen>,
    private readonly events: PacedEvents<Seen>,
  ) {}

  async start(): Promise<void> {
    try {
      await this.tracker.start();
      if (this.state === 'loading') this.state = 'ready';
    } catch (error) {
      this.fail(error);
    }
  }

  /** A picture; `take` makes it when it is wanted. False when it was let go. */
  offer(take: () => Promise<ImageBitmap>, moment: PictureMoment): boolean {
    if (this.state !== 'ready') return false;
    this.state = 'busy';
    void this.lookAt(take, moment);
    return true;
  }

  private async lookAt(take: () => Promise<ImageBitmap>, moment: PictureMoment): Promise<void> {
    try {
      const seen = await this.tracker.look(await take(), moment);
      if (this.state !== 'busy') return;
      this.state = 'ready';
      this.events.onSeen(seen, moment);
    } catch (error) {
      this.fail(error);
    }
  }

  private fail(error: unknown): void {
    if (this.state === 'over') return;
    this.stop();
    this.events.onError(error as IconiaError);
  }

  /** Nothing is seen any more, also of what it is at now. */
  stop(): void {
    this.state = 'over';
    this.tracker.stop();
  }
}
