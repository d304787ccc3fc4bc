/** What every tracker is: it looks at one picture at a time, in a worker of its own, and says what it has seen. */
import type { Degrees, Seconds } from '../core/units';

/** When a picture was taken, and by which lens. */
export interface PictureMoment {
  readonly time: Seconds;
  readonly fovY: Degrees;
}

export interface Tracker<Seen> {
  /** Loads it. Throws `IconiaError` `tracker.failed`. */
  start(): Promise<void>;
  /** The picture is handed over. One at a time: wait for the answer before the next. Throws `IconiaError` `tracker.*`. */
  look(image: ImageBitmap, moment: PictureMoment): Promise<Seen>;
  /** Ends it; what was asked of it is refused. */
  stop(): void;
}
