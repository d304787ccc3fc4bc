/** How long a picture of an effect takes on a class of devices, and how much it keeps there: from measured costs of its parts. */
import { TRACKER_COSTS } from '../requirements/tracker-costs';
import type { Bytes, Milliseconds } from '../units';
import type { DeviceClass } from './classes';
import type { LoadPart } from './load';

export interface PartEstimate {
  readonly part: LoadPart;
  /** Of each picture. */
  readonly drawing: Milliseconds;
  readonly bytes: Bytes;
}
export interface Estimate {
  /** Of a picture, all in all: code and graphics one after the other, as where they wait for one another. */
  readonly drawing: Milliseconds;
  /** Pictures a second; screens show 60. */
  readonly rate: number;
  /** Of finding faces, hands and so on in one camera picture, beside drawing. */
  readonly tracking: Milliseconds;
  readonly bytes: Bytes;
  /** The dearest first. */
  readonly parts: readonly PartEstimate[];
}

/** Screens show so many pictures a second. */
const SCREEN_RATE = 60;
/** The page itself: its code, its elements. */
const PAGE_BYTES = 40e6;
/** Pictures are drawn with at most this many pixels in height, as the show page does it. */
export const MOST_DRAWN_HEIGHT = 1280;

const ofPart = (part: LoadPart, device: DeviceClass, pixels: number): PartEstimate => ({
  part,
  drawing:
    part.code * device.code +
    (part.screens * pixels * device.megapixel) / 1e6 +
    (part.triangles * device.megatriangle) / 1e6,
  bytes: part.bytes + part.bytesPerPixel * pixels,
});

const sum = (list: readonly number[]): number => list.reduce((all, one) => all + one, 0);

/** `pixels` is how many are drawn: `drawnPixels`. */
export const estimate = (load: readonly LoadPart[], device: DeviceClass, pixels: number): Estimate => {
  const parts = load.map((part) => ofPart(part, device, pixels));
  const drawing = sum(parts.map((p) => p.drawing));
  return {
    drawing,
    rate: Math.min(SCREEN_RATE, 1000 / drawing),
    tracking: sum(
      load.map((part) =>
        part.of === 'tracker' ? TRACKER_COSTS[part.tracker].milliseconds * device.tracking : 0,
      ),
    ),
    bytes: PAGE_BYTES + sum(parts.map((p) => p.bytes)),
    parts: [...parts].sort((a, b) => b.drawing - a.drawing || b.bytes - a.bytes),
  };
};

/** Pixels that are drawn on a screen of this size, in CSS pixels and pixels to each. */
export const drawnPixels = (width: number, height: number, density: number): number => {
  const used = Math.min(density, MOST_DRAWN_HEIGHT / height);
  return Math.round(width * used) * Math.round(height * used);
};
