/**
 * A camera clip that Iconia makes itself: its true tracking is known at every instant. A take is written down as
 * a `TakeSpec`: who does what, in which room, light and lens. Creators' own takes are such specs too.
 */
import { z } from 'zod';
import type { TrackFrame } from '../tracking/track-frame';
import type { Seconds } from '../units';
import type { Clip } from './clip-data';
import type { Performer } from './performer';
import type { SceneState } from './scene';
import { text } from '../schema/values-schema';

export const MARK_KINDS = [
  'turned',
  'nodded',
  'tilted',
  'mouthOpen',
  'pucker',
  'smile',
  'wink',
  'browsUp',
  'eyesClosed',
  'near',
  'far',
  'handShown',
  'twoFaces',
  'threeFaces',
  'faceGone',
  'pictureGone',
  'pictureTilted',
  'pictureCovered',
] as const;
export type MarkKind = (typeof MARK_KINDS)[number];
/** A stretch of the take in which something happens. */
export interface Mark {
  readonly kind: MarkKind;
  readonly from: Seconds;
  readonly to: Seconds;
}

const key = z.string().regex(/^[a-z0-9-]{1,64}$/, 'A key looks like slow-turn.');
const metres = z.number().min(-20).max(20);

/** One performer of a take. */
export const castSchema = z.strictObject({
  performer: key,
  performance: key,
  /** Where the head rests, metres before the camera. */
  place: z.tuple([metres, metres, metres]),
  /** How far into the performance the take begins, 0 to 1. */
  shift: z.number().min(0).max(1),
  /** The part of the take, 0 to 1, in which this performer is there. */
  present: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]),
});
export type CastMember = z.infer<typeof castSchema>;

/** How many people fit before the camera at once. */
export const MOST_PEOPLE = 4;

/** The most performers that are there at the same time. */
const crowd = (cast: readonly CastMember[]): number =>
  Math.max(
    0,
    ...cast.map(
      ({ present: [start] }) => cast.filter((m) => m.present[0] <= start && m.present[1] > start).length,
    ),
  );

export const takeSpecSchema = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9-]{1,64}$/),
  name: text(80).trim().min(1, 'Give the take a name.'),
  /** What happens in it. */
  about: text(200),
  /** What it is good for: "to see make-up at the edge of the face". */
  goodFor: text(200),
  duration: z.number().min(8, 'A take lasts at least 8 seconds.').max(20, 'A take lasts at most 20 seconds.'),
  cast: z
    .array(castSchema)
    .max(8)
    .refine((cast) => crowd(cast) <= MOST_PEOPLE, 'At most four people fit before the camera.'),
  room: key,
  light: key,
  camera: key,
  /** What the printed pictures do; null when there are none. */
  pictures: key.nullable(),
  /** The viewer's taps recorded on the take itself: they are replayed on whatever effect is tried on it. */
  taps: z
    .array(
      z.strictObject({
        time: z.number().min(0).max(20),
        x: z.number().min(0).max(1),
        y: z.number().min(0).max(1),
      }),
    )
    .max(200, 'A take holds at most 200 taps.'),
});
export type TakeSpec = z.infer<typeof takeSpecSchema>;

export interface Take {
  readonly id: string;
  readonly spec: TakeSpec;
  readonly name: string;
  readonly about: string;
  readonly goodFor: string;
  readonly duration: Seconds;
  readonly performers: readonly Performer[];
  /** All that stands before the camera at `time`; loops past the end. */
  sceneAt(time: Seconds): SceneState;
  /** The exact truth at `time`; loops past the end. */
  frameAt(time: Seconds): TrackFrame;
  readonly marks: readonly Mark[];
  /** The creator's own clip, which was tracked and not drawn; null for takes that Iconia makes. */
  readonly clip: Clip | null;
}
