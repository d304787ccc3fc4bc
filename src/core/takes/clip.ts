/** A creator's own clip as a take: what the trackers found in each of its pictures takes the place of a truth that nobody knows. */
import type { TrackFrame } from '../tracking/track-frame';
import type { Seconds, Unit } from '../units';
import { marksOf } from './marks';
import type { SceneLight } from './scene';
import type { Clip } from './clip-data';
import type { Take } from './take';

const NO_LAMP = { direction: [0, 1, 0], colour: '#000000', strength: 0 } as const;
const NO_LIGHT: SceneLight = {
  key: NO_LAMP,
  fill: NO_LAMP,
  edge: NO_LAMP,
  sky: '#000000',
  ground: '#000000',
  ambient: 0,
  background: 0,
};

/** Pictures of a clip that are kept and tracked, a second. */
export const CLIP_RATE = 15;
/** Of a longer clip only its beginning is taken. */
export const LONGEST_CLIP: Seconds = 60;

/** How many pictures a clip of this length gives: at least one, never more than the longest has. */
export const clipPictures = (duration: Seconds): number =>
  Math.max(1, Math.floor(Math.min(duration, LONGEST_CLIP) * CLIP_RATE));

/** Which picture shows a moment; past the end it begins again. */
export const clipPicture = ({ frames: { length } }: Pick<Clip, 'frames'>, time: Seconds): number =>
  ((Math.floor(time * CLIP_RATE + 1e-6) % length) + length) % length;

/** What an effect's printed pictures are called in a clip that was tracked for others; only those it knows are there. */
const numberedAs = (frame: TrackFrame, clip: Clip, wanted: readonly string[]): TrackFrame['pictures'] =>
  frame.pictures.flatMap((picture) => {
    const at = wanted.indexOf(clip.sought[picture.id - 1] ?? '');
    return at < 0 ? [] : [{ ...picture, id: at + 1 }];
  });

/** `pictures` are the keys of the effect's printed pictures, in their order. */
export const clipTake = (clip: Clip, pictures: readonly string[] = clip.sought): Take => {
  const { id, name, frames } = clip;
  const duration = frames.length / CLIP_RATE;
  const frameAt = (time: Seconds): TrackFrame => {
    const frame = frames[clipPicture(clip, time)]!;
    return { ...frame, time, pictures: numberedAs(frame, clip, pictures) };
  };
  let marks: Take['marks'] | null = null;
  return {
    id,
    name,
    about: 'Your own clip; it stays in this browser',
    goodFor: '',
    duration,
    performers: [],
    clip,
    spec: {
      id,
      name,
      about: '',
      goodFor: '',
      duration,
      cast: [],
      room: 'clip',
      light: 'clip',
      camera: 'clip',
      pictures: null,
      taps: [],
    },
    // Nobody knows what stands before a real camera: only its picture is there, and what was tracked.
    sceneAt: (time) => ({
      time,
      camera: frameAt(time).camera,
      people: [],
      hands: [],
      pictures: [],
      surfaces: [],
      light: NO_LIGHT,
    }),
    frameAt,
    get marks() {
      return (marks ??= marksOf(duration, frameAt));
    },
  };
};

/** What an effect needs to be told in a clip and that was not looked for when it was tracked. */
export const missedIn = (
  clip: Pick<Clip, 'sought' | 'hasPeople'>,
  needs: {
    readonly people: boolean;
    readonly pictures: readonly { readonly key: string; readonly name: string }[];
  },
): { readonly people: boolean; readonly pictures: readonly string[] } => ({
  people: needs.people && !clip.hasPeople,
  pictures: needs.pictures.filter(({ key }) => !clip.sought.includes(key)).map(({ name }) => name),
});

/** The most faces that are in one of its pictures. */
export const mostFaces = ({ frames }: Pick<Clip, 'frames'>): number =>
  frames.reduce((most, { faces }) => Math.max(most, faces.length), 0);

/** A part of the clip that behaviour needs: landmarks of faces are large, and it does not look at them. */
export const withoutLandmarks = (clip: Clip): Clip => ({
  ...clip,
  frames: clip.frames.map((frame) => ({
    ...frame,
    faces: frame.faces.map((face) => ({ ...face, landmarks: NOTHING })),
  })),
});
const NOTHING = new Float32Array(0);

/** Loudness from 0 to 1 of each picture's stretch of the sound. */
export const loudnessOfPictures = (
  samples: ArrayLike<number>,
  rate: number,
  pictures: number,
  loudness: (stretch: ArrayLike<number>) => Unit,
): Unit[] =>
  Array.from({ length: pictures }, (_, i) => {
    const [from, to] = [i, i + 1].map((n) => Math.round((n / CLIP_RATE) * rate));
    return loudness(Array.prototype.slice.call(samples, from, to) as number[]);
  });
