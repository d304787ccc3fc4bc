/** What an effect's trackers cost a viewer: each is loaded once, by effects that need it, and takes its time of every picture. */
import type { Bytes, Milliseconds } from '../units';
import type { Requirements } from './requirements';

export const TRACKERS = ['faces', 'hands', 'pictures', 'people'] as const;
export type TrackerName = (typeof TRACKERS)[number];

export interface TrackerCost {
  /** Before it is packed for the way. */
  readonly bytes: Bytes;
  /** Of a picture of 480 x 640 on two cores without graphics hardware, by `npm run bench`. */
  readonly milliseconds: Milliseconds;
}

/** Kept true by a test against the files that are served. */
export const TRACKER_COSTS: Readonly<Record<TrackerName, TrackerCost>> = {
  faces: { bytes: 10_540_000, milliseconds: 75 },
  hands: { bytes: 12_760_000, milliseconds: 64 },
  pictures: { bytes: 30_000, milliseconds: 4 },
  people: { bytes: 6_270_000, milliseconds: 160 },
};

/** The trackers that an effect loads. How a device is held costs nothing. */
export const trackersOf = (needs: Pick<Requirements, TrackerName>): readonly TrackerName[] =>
  TRACKERS.filter((name) => (name === 'pictures' ? needs.pictures.size > 0 : needs[name]));
