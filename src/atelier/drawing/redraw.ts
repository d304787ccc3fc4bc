/**
 * When a picture is to be drawn anew. What the creator does is drawn in the next frame. What merely arrives, textures and models one
 * by one, is gathered while more is on its way: else an effect of a thousand pictures is drawn a thousand times while it opens. The
 * first picture is gathered too: drawing is dearest then, and without its textures it would be drawn for nothing.
 */
import type { Milliseconds } from '../../core/units';

/** What arrives waits at least this long for more. */
const PATIENCE: Milliseconds = 200;

export class Redraw {
  private atOnce = false;
  private arrived = true;
  private drawnOnce = false;
  /** Since when pictures are asked for; when the last one was drawn. */
  private last: Milliseconds | null = null;
  private drewAt: Milliseconds | null = null;
  private cost: Milliseconds = 0;

  /** `underWay` counts what is still to arrive. */
  constructor(private readonly underWay: () => number) {}

  /** Something was done. */
  ask(): void {
    if (this.drawnOnce) this.atOnce = true;
  }
  /** Something has come that may be seen. */
  arrive(): void {
    this.arrived = true;
  }
  get isWanted(): boolean {
    return this.atOnce || this.arrived;
  }
  /** A picture is wanted, or was just drawn and its cost is not known yet: there has to be another frame. */
  get needsFrame(): boolean {
    return this.isWanted || this.drewAt !== null;
  }
  /**
   * Whether to draw at `now`; then it is not wanted any more. Asked once a frame: how long the frame after a drawing is in coming
   * tells what the drawing cost, on the graphics card too.
   */
  take(now: Milliseconds): boolean {
    if (this.drewAt !== null) this.cost = now - this.drewAt;
    this.last ??= now;
    this.drewAt = null;
    const gathered = this.underWay() === 0 || now - this.last > Math.max(PATIENCE, 5 * this.cost);
    if (!this.atOnce && !(this.arrived && gathered)) return false;
    this.atOnce = this.arrived = false;
    this.drawnOnce = true;
    this.drewAt = this.last = now;
    return true;
  }
}
