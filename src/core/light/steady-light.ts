/** The light of a camera picture over time: what single pictures say trembles with noise and with what moves in them; light in a room changes slowly. */
import type { Rgb } from '../maths/blend';
import { mix, type Vec3 } from '../maths/vec3';
import type { Seconds } from '../units';

/** What one picture says. */
export interface FoundLight {
  /** How much more light comes from +x, +y, +z than on average, as parts of it. */
  readonly slope: Vec3;
  /** Mean colour of the picture, sRGB. */
  readonly mean: Rgb;
}

/** How long it takes to go two thirds of the way. */
const PACE: Seconds = 0.4;
/** After a longer pause, or back in time, it is another picture. */
const PAUSE: Seconds = 1;

/** A low-pass of first order; `time` is of the picture. */
export class SteadyLight {
  private last: { readonly found: FoundLight; readonly time: Seconds } | null = null;

  /** Begins anew with the next picture. */
  forget(): void {
    this.last = null;
  }

  next(found: FoundLight, time: Seconds): FoundLight {
    const { last } = this;
    const since = last ? time - last.time : NaN;
    if (!last || !(since >= 0 && since < PAUSE)) {
      this.last = { found, time };
      return found;
    }
    const share = 1 - Math.exp(-since / PACE);
    const steady: FoundLight = {
      slope: mix(last.found.slope, found.slope, share),
      mean: mix(last.found.mean, found.mean, share),
    };
    this.last = { found: steady, time };
    return steady;
  }
}
