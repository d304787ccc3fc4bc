/** How much of the picture a machine can draw in time: less of the take first, then a smaller picture, while it moves. */
import type { Seconds } from '../../../core/units';
import { DETAILS, type Detail } from '../../../stage/take-picture';

/** A frame that takes longer is late. */
const LATE: Seconds = 0.05;
/** So many late frames in a row are no chance. */
const PATIENCE = 4;
const SMALLEST = 0.4;
const STEP = 1.4;

export interface Moment {
  /** Since the frame before. */
  readonly elapsed: Seconds;
  /** It plays, or a camera runs. A picture that stands still is drawn in full. */
  readonly moving: boolean;
  /** A camera picture comes as it is: only its size can be made less. */
  readonly camera: boolean;
}

export class AdaptiveDetail {
  /** Device pixels for each CSS pixel. */
  density: number;
  private late = 0;

  constructor(
    public detail: Detail,
    /** The density of a picture in full. */
    private readonly full: () => number,
  ) {
    this.density = full();
  }

  /** The size of the picture as a share of the full one. */
  get share(): number {
    return this.density / this.full();
  }

  /** The size in full is another now: it is drawn so again. */
  restore(): void {
    this.density = this.full();
  }

  /** What has to change now; null leaves all as it is. */
  step({ elapsed, moving, camera }: Moment): 'detail' | 'density' | null {
    this.late = moving && elapsed > LATE ? this.late + 1 : 0;
    const tooSlow = this.late > PATIENCE;
    // Shadows cost more than they tell: they go before the picture gets smaller.
    if (tooSlow && this.detail !== 'plain' && !camera) {
      this.detail = DETAILS[DETAILS.indexOf(this.detail) - 1]!;
      this.late = 0;
      return 'detail';
    }
    const smaller = tooSlow ? Math.max(SMALLEST, this.density / STEP) : this.density;
    const next = moving ? smaller : this.full();
    if (next === this.density) return null;
    this.density = next;
    this.late = 0;
    return 'density';
  }
}
