/** What every tracker is: it looks at one picture at a time, in a worker of its own, and says what it has seen. */
import type { Region } from '../core/tracking/region';
import type { Degrees, Seconds } from '../core/units';

/** When a picture was taken, and by which lens. */
export interface PictureMoment {
  readonly time: Seconds;
  readonly fovY: Degrees;
  /** Only there is looked, where whoever asks knows that what is sought is nowhere else. */
  readonly region?: Region;
}

export interface Tracker<Seen> {
  /** Loads it. Throws `IconiaError` `tracker.failed`. */
  start(): Promise<void>;
  /** The picture is handed over. One at a time: wait for the answer before the next. Throws `IconiaError` `tracker.*`. */
  look(image: ImageBitmap, moment: PictureMoment): Promise<Seen>;
  /** How the camera opens from top to bottom, where what it has seen tells that. */
  readonly fovY?: Degrees | null;
  /** Ends it; what was asked of it is refused. */
  stop(): void;
}
