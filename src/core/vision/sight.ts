/** What is known of a picture where it is seen in a frame. */
import type { Aligned } from './patches';
import type { Camera, PlanePose, Sighting } from './plane-pose';

export interface Sight {
  readonly pose: PlanePose;
  /** Found anew, or followed from the frame before. */
  readonly how: 'found' | 'followed';
  /** Share of the places that could be seen and were, 0 to 1. */
  readonly quality: number;
  /** How far off the worst corner of the picture is to be expected, pixels. */
  readonly sigma: number;
  /** The places it was seen by. */
  readonly sightings: readonly Sighting[];
}

/** The worst corner may be expected so far off, in pixels of a frame 640 wide: beyond, poses are wrong. */
export const MOST_SIGMA = 2.2;
/** Where nearly all that could be seen is seen there, it may be vaguer: out of focus, or with little on it. */
const MOST_SIGMA_SEEN = 4.5;
/** Whether so much of it is seen that it is where it is said to be: its worst corner by at most `most` pixels off, in a frame 640 wide. */
export const isSure = ({ sigma, quality, used }: Aligned, camera: Camera, most = MOST_SIGMA): boolean => {
  const limit = quality >= 0.8 && used >= 15 ? MOST_SIGMA_SEEN : most;
  return sigma < (limit * camera.width) / 640;
};

/** An aligned pose, as it is reported. */
export const sightOf = ({ pose, quality, sigma, sightings }: Aligned, how: Sight['how']): Sight => ({
  pose,
  how,
  quality,
  sigma,
  sightings,
});
