/**
 * When a picture is to be drawn anew. What the creator does is drawn in the next frame. What merely arrives, textures and models one
 * by one, is gathered while more is on its way: else an effect of a thousand pictures is drawn a thousand times while it opens.
 */
export class Redraw {
  private atOnce = true;
  private arrived = false;
  private last: number | null = null;
  private drewAt: number | null = null;
  private cost = 0;

  /** `underWay` counts what is still to arrive. */
  constructor(private readonly underWay: () => number) {}

  /** Something was done. */
  ask(): void {
    this.atOnce = true;
  }
  /** Something has come that may be seen. */
  arrive(): void {
    this.arrived = true;
  }
  get isWanted(): boolean {
    return this.atOnce || this.arrived;
  }
  /**
   * Whether to draw at `now`, in milliseconds; then it is not wanted any more. Asked once a frame: how long the frame after a drawing
   * is in coming tells what the drawing cost, on the graphics card too.
   */
  take(now: number): boolean {
    if (this.drewAt !== null) this.cost = now - this.drewAt;
    const since = now - (this.last ?? -Infinity);
    this.drewAt = null;
    const gathered = this.underWay() === 0 || since > Math.max(200, 5 * this.cost);
    if (!this.atOnce && !(this.arrived && gathered)) return false;
    this.atOnce = this.arrived = false;
    this.drewAt = this.last = now;
    return true;
  }
}
