/** What happens in a take, and when: read from its own truth, so that marks cannot lie. */
import { toAngles } from '../maths/quaternion';
import { distance, subtract } from '../maths/vec3';
import { toOuter } from '../maths/pose';
import { expression, type TrackedPicture, type TrackFrame } from '../tracking/track-frame';
import type { Seconds } from '../units';
import type { Mark, MarkKind } from './take';

/** How often the truth is looked at. */
const LOOK: Seconds = 1 / 30;

const tiltOf = (frame: TrackFrame, picture: TrackedPicture): number => {
  const normal = subtract(toOuter(picture.pose, [0, 0, 1]), picture.pose.position);
  const towards = subtract(frame.camera.pose.position, picture.pose.position);
  const far = distance(frame.camera.pose.position, picture.pose.position);
  const cosine = (normal[0] * towards[0] + normal[1] * towards[1] + normal[2] * towards[2]) / far;
  return (Math.acos(Math.min(1, cosine)) * 180) / Math.PI;
};

interface Rule {
  /** Shorter stretches are left out: blinks are no shut eyes. */
  readonly least: Seconds;
  readonly holds: (frame: TrackFrame) => boolean;
}

const first = (frame: TrackFrame) => frame.faces[0];
const shows = (name: Parameters<typeof expression>[1], least: number) => (frame: TrackFrame) =>
  expression(first(frame), name) >= least;
const angle = (frame: TrackFrame, axis: 0 | 1 | 2): number =>
  first(frame) ? Math.abs(toAngles(first(frame)!.pose.rotation)[axis]) : 0;
const away = (frame: TrackFrame): number =>
  first(frame) ? distance(first(frame)!.pose.position, frame.camera.pose.position) : NaN;
const lids = (frame: TrackFrame) =>
  [expression(first(frame), 'eyeBlinkLeft'), expression(first(frame), 'eyeBlinkRight')] as const;

/** `people` and `pictures`: whether any ever appear, so that their absence means something. */
const rules = (people: boolean, pictures: boolean): Partial<Record<MarkKind, Rule>> => ({
  turned: { least: 0.2, holds: (f) => angle(f, 1) > 18 },
  nodded: { least: 0.15, holds: (f) => angle(f, 0) > 11 },
  tilted: { least: 0.2, holds: (f) => angle(f, 2) > 12 },
  mouthOpen: { least: 0.1, holds: shows('jawOpen', 0.4) },
  pucker: { least: 0.1, holds: shows('mouthPucker', 0.45) },
  smile: { least: 0.3, holds: shows('mouthSmileLeft', 0.6) },
  wink: { least: 0.25, holds: (f) => Math.abs(lids(f)[0] - lids(f)[1]) > 0.6 },
  browsUp: { least: 0.1, holds: shows('browInnerUp', 0.4) },
  eyesClosed: { least: 0.25, holds: (f) => Math.min(...lids(f)) > 0.6 },
  near: { least: 0.2, holds: (f) => away(f) < 0.42 },
  far: { least: 0.2, holds: (f) => f.faces.length === 1 && away(f) > 1.3 },
  handShown: { least: 0.2, holds: (f) => f.hands.length > 0 },
  twoFaces: { least: 0.2, holds: (f) => f.faces.length === 2 },
  threeFaces: { least: 0.2, holds: (f) => f.faces.length >= 3 },
  ...(people ? { faceGone: { least: 0.2, holds: (f: TrackFrame) => f.faces.length === 0 } } : {}),
  ...(pictures
    ? {
        pictureGone: { least: 0.2, holds: (f: TrackFrame) => f.pictures.length === 0 },
        pictureTilted: { least: 0.2, holds: (f: TrackFrame) => f.pictures.some((p) => tiltOf(f, p) > 50) },
        pictureCovered: { least: 0.2, holds: (f: TrackFrame) => f.pictures.some((p) => p.confidence < 0.75) },
      }
    : {}),
});

/** What happens on a take and when, read from the truth about it. */
export const marksOf = (duration: Seconds, frameAt: (t: Seconds) => TrackFrame): Mark[] => {
  const looks = Math.round(duration / LOOK);
  const frames = Array.from({ length: looks }, (_, i) => frameAt(i * LOOK));
  const used = rules(
    frames.some((f) => f.faces.length > 0),
    frames.some((f) => f.pictures.length > 0),
  );
  const marks: Mark[] = [];
  for (const [kind, { least, holds }] of Object.entries(used) as [MarkKind, Rule][]) {
    let from: number | null = null;
    for (let i = 0; i <= looks; i++) {
      const on = i < looks && holds(frames[i]!);
      if (on && from === null) from = i;
      if (!on && from !== null) {
        if ((i - from) * LOOK >= least) marks.push({ kind, from: from * LOOK, to: i * LOOK });
        from = null;
      }
    }
  }
  return marks.sort((a, b) => a.from - b.from);
};
