/** How two pictures of the same size differ. */
import type { Raster } from '../assets/raster';
import type { Unit } from '../units';

/** Levels of 255 in a channel: less is what drawing on another machine does by itself. */
const NOTICED = 24;

export interface PictureDifference {
  /** Of all pixels, how many differ in some channel by more than a little. */
  readonly share: Unit;
  /** The second picture, grey, with what differs in plain magenta. */
  readonly shown: Raster;
}

/** Both are RGBA, row by row. Throws `RangeError` when their sizes differ. */
export const comparePictures = (a: Raster, b: Raster, noticed = NOTICED): PictureDifference => {
  if (a.width !== b.width || a.height !== b.height) throw new RangeError('Pictures of different sizes.');
  const data = new Uint8ClampedArray(b.data.length);
  let differing = 0;
  for (let i = 0; i < b.data.length; i += 4) {
    let most = 0;
    for (let k = 0; k < 3; k++) most = Math.max(most, Math.abs(a.data[i + k]! - b.data[i + k]!));
    const grey = 0.3 * b.data[i]! + 0.59 * b.data[i + 1]! + 0.11 * b.data[i + 2]!;
    const differs = most > noticed;
    if (differs) differing++;
    data.set(differs ? [224, 32, 140, 255] : [grey, grey, grey, 255], i);
  }
  return { share: differing / (a.width * a.height), shown: { width: b.width, height: b.height, data } };
};
