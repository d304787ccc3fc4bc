/**
 * Smooths what jitters and hardly delays what moves: a low-pass filter whose cutoff rises with speed (Casiez, Roussel and Vogel,
 * "1 Euro Filter: A Simple Speed-based Low-pass Filter for Noisy Input in Interactive Systems", CHI 2012).
 */
import type { Seconds } from '../units';

export interface OneEuroTuning {
  /** The cutoff of what is still, Hz: lower jitters less. */
  readonly still: number;
  /** By how many Hz the cutoff rises for each unit a second: higher lags less. */
  readonly rise: number;
}

/** The cutoff of the speed itself, Hz, as the paper has it. */
const SPEED_CUTOFF = 1;
/** How much of a new value counts after `passed` seconds at a cutoff. */
const share = (cutoff: number, passed: Seconds): number => {
  const tau = 1 / (2 * Math.PI * cutoff);
  return 1 / (1 + tau / passed);
};

/** Points of some numbers each (3 for places, 4 for turns, 1 for plain values): the numbers of one point are smoothed together. */
export class OneEuro {
  private values: Float64Array | null = null;
  private speeds: Float64Array | null = null;

  constructor(
    private readonly width: number,
    private readonly tuning: OneEuroTuning,
  ) {}

  /** Smoothed values, `passed` seconds after the last ones. The first ones, and those at no later time, are taken as they are. */
  filter(next: ArrayLike<number>, passed: Seconds): Float64Array {
    const { width } = this;
    const { values, speeds } = this;
    if (!values || !speeds || values.length !== next.length || !(passed > 0)) {
      this.values = Float64Array.from(next);
      this.speeds = new Float64Array(next.length);
      return this.values.slice();
    }
    const ofSpeed = share(SPEED_CUTOFF, passed);
    for (let first = 0; first < next.length; first += width) {
      let squares = 0;
      for (let i = first; i < first + width; i++) {
        const speed = (next[i]! - values[i]!) / passed;
        speeds[i]! += ofSpeed * (speed - speeds[i]!);
        squares += speeds[i]! ** 2;
      }
      const now = share(this.tuning.still + this.tuning.rise * Math.sqrt(squares), passed);
      for (let i = first; i < first + width; i++) values[i]! += now * (next[i]! - values[i]!);
    }
    return values.slice();
  }
}
