/** Fingers on the picture, from pointers and the wheel. */
import type { Finger, PicturePoint } from '../../../core/program/inputs';

interface Events {
  /** The first finger came down and moved: a gesture begins. */
  begin(): void;
  change(fingers: readonly Finger[]): void;
}

/** A finger that moves less than this, in shares of the picture, only taps. */
const STILL = 0.012;
/** The wheel's two fingers lie this far apart. */
const APART = 0.12;

export class FingerRecorder {
  private readonly fingers = new Map<number, PicturePoint>();
  private readonly began = new Map<number, PicturePoint>();
  private dragging = false;

  constructor(private readonly events: Events) {}

  private list(): Finger[] {
    return [...this.fingers].map(([id, point]) => ({ id, ...point }));
  }

  down(id: number, point: PicturePoint): void {
    this.fingers.set(id, point);
    this.began.set(id, point);
    if (this.fingers.size < 2) return;
    if (!this.dragging) this.start();
    else this.events.change(this.list());
  }

  private start(): void {
    this.dragging = true;
    this.events.begin();
    // Where they came down first, so that the way from there counts.
    this.events.change([...this.began].map(([id, point]) => ({ id, ...point })));
    this.events.change(this.list());
  }

  move(id: number, point: PicturePoint): void {
    const from = this.began.get(id);
    if (!from) return;
    this.fingers.set(id, point);
    if (this.dragging) this.events.change(this.list());
    else if (Math.hypot(point.x - from.x, point.y - from.y) > STILL) this.start();
  }

  /** Whether it ended a gesture; else it was a tap. */
  up(id: number): boolean {
    const was = this.dragging;
    this.fingers.delete(id);
    this.began.delete(id);
    if (was) this.events.change(this.list());
    if (this.fingers.size === 0) this.dragging = false;
    return was;
  }

  /** Two fingers around a point that spread, or turn by degrees. */
  wheel({ x, y }: PicturePoint, { pinch = 1, twist = 0 }: { pinch?: number; twist?: number }): void {
    if (this.fingers.size > 0) return;
    const pair = (apart: number, degrees: number): Finger[] => {
      const a = (degrees * Math.PI) / 180;
      return [-1, 1].map((side, i) => ({
        id: 900 + i,
        x: x + (side * apart * Math.cos(a)) / 2,
        y: y - (side * apart * Math.sin(a)) / 2,
      }));
    };
    this.events.begin();
    this.events.change(pair(APART, 0));
    this.events.change(pair(APART * pinch, twist));
    this.events.change([]);
  }
}
