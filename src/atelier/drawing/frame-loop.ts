/** Frames as long as something moves or is awaited: a page at rest asks nothing of the machine. */
import type { Milliseconds, Seconds } from '../../core/units';

/** How a browser gives frames; tests give them by hand. */
export interface Frames {
  request(call: (now: Milliseconds) => void): number;
  cancel(handle: number): void;
}
const browserFrames: Frames = {
  request: (call) => requestAnimationFrame(call),
  cancel: (handle) => cancelAnimationFrame(handle),
};

export class FrameLoop {
  private handle: number | null = null;
  private last: Milliseconds | null = null;
  private isOver = false;

  /** `frame` says whether there is to be another one; `elapsed` is nothing for the first one after a rest. */
  constructor(
    private readonly frame: (elapsed: Seconds) => boolean,
    private readonly frames: Frames = browserFrames,
  ) {}

  /** There is something to do in the next frame. */
  wake(): void {
    if (!this.isOver) this.handle ??= this.frames.request(this.run);
  }
  /** For good. */
  stop(): void {
    this.isOver = true;
    if (this.handle !== null) this.frames.cancel(this.handle);
    this.handle = null;
  }

  private readonly run = (now: Milliseconds): void => {
    this.handle = null;
    const elapsed = this.last === null ? 0 : (now - this.last) / 1000;
    this.last = now;
    if (this.frame(elapsed)) this.wake();
    // Whoever woke it within the frame has the time go on too.
    if (this.handle === null) this.last = null;
  };
}
