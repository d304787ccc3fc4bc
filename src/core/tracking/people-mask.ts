/** Where people are in a camera picture, as a tracker finds it. */
export interface PeopleMask {
  /** Pixels; fewer than the picture has, with the same shape. */
  readonly width: number;
  readonly height: number;
  /** How surely each pixel is of a person, 0 to 255, row by row from the top left. */
  readonly alpha: Uint8Array;
}
