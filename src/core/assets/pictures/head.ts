/** What a picture file says about itself. */
import type { Pixels } from '../../units';

export interface PictureHead {
  readonly width: Pixels;
  readonly height: Pixels;
  /** More than one in an animated picture. */
  readonly frames: number;
  /** It can be transparent; what is in it may still be opaque. */
  readonly alpha: boolean;
}
