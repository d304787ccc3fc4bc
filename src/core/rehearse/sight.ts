/** What a rehearsal sees of an effect on a take. Whoever draws gives it; judging is done here, by what comes back. */
import type { Raster } from '../assets/raster';
import type { ObjectId } from '../document/schema';
import type { Seconds } from '../units';

export interface Size {
  readonly width: number;
  readonly height: number;
}
/** Why an object may not be seen: it is hidden, or what it sticks to is not in the picture. */
export type Whereabouts = 'there' | 'hidden' | 'nowhere';

export interface Sight {
  /** The picture of a moment, as viewers see it. */
  picture(time: Seconds, size: Size): Promise<Raster>;
  /** The same without an object and what belongs to it. */
  without(time: Seconds, object: ObjectId, size: Size): Promise<Raster>;
  whereabouts(time: Seconds, object: ObjectId): Promise<Whereabouts>;
}
