/** A stroke: touches set evenly along the way of the pointer, on both halves of the face when it is mirrored. */
import { radiusOf, SPACING, touch, type Brush, type Carried, type Touch } from './brush';
import { union, type Rect, type Sheet } from './sheet';

export class Stroke {
  private last: Touch | null = null;
  /** Left to go before the next touch. */
  private left = 0;
  private readonly carried: readonly [Carried, Carried] = [
    { pixels: null, reach: 0 },
    { pixels: null, reach: 0 },
  ];

  constructor(
    private readonly sheet: Sheet,
    private readonly brush: Brush,
    private readonly mirrored: boolean,
  ) {}

  /** Goes on to a point of the sheet, in pixels; gives what was changed. */
  to(next: Touch): Rect | null {
    if (!this.last) {
      this.last = next;
      this.left = this.step(next);
      return this.touch(next);
    }
    let changed: Rect | null = null;
    const from = this.last;
    const far = Math.hypot(next.x - from.x, next.y - from.y);
    let gone = 0;
    while (gone + this.left <= far) {
      gone += this.left;
      const t = gone / far;
      const at: Touch = {
        x: from.x + t * (next.x - from.x),
        y: from.y + t * (next.y - from.y),
        pressure: from.pressure + t * (next.pressure - from.pressure),
      };
      changed = union(changed, this.touch(at));
      this.left = this.step(at);
    }
    this.left -= far - gone;
    this.last = next;
    return changed;
  }

  /** The pointer goes on elsewhere: nothing is painted on the way there. */
  lift(): void {
    this.last = null;
    for (const hand of this.carried) hand.pixels = null;
  }

  private step(at: Touch): number {
    return Math.max(0.5, 2 * radiusOf(this.brush, at.pressure) * SPACING);
  }

  private touch(at: Touch): Rect | null {
    const changed = touch(this.sheet, this.brush, at, this.carried[0]);
    if (!this.mirrored) return changed;
    const other = { ...at, x: this.sheet.size - at.x };
    return union(changed, touch(this.sheet, this.brush, other, this.carried[1]));
  }
}
