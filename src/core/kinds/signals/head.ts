/** How the camera sees a head: its angles, places and lengths. */
import { toLocal } from '../../maths/pose';
import { multiplyQuaternions, conjugate, toAngles } from '../../maths/quaternion';
import { distance, pointAt } from '../../maths/vec3';
import { choice } from '../../schema/properties';
import type { TrackedFace, TrackFrame } from '../../tracking/track-frame';
import { faceNumber, ofFace } from './face-number';
import { defineSignal } from './signal-kind';

/** Angles in degrees, distances and lengths in metres. */
const WORDS = {
  pitch: 'pitch (°)',
  yaw: 'turn to the side (°)',
  roll: 'tilt (°)',
  distance: 'distance (m)',
  acrossX: 'place across (m)',
  upY: 'height (m)',
  faceWidth: 'width of the face (m)',
  mouthWidth: 'width of the mouth (m)',
  mouthOpening: 'opening of the mouth (m)',
} as const;
export type HeadSignal = keyof typeof WORDS;

const angle = (face: TrackedFace, { camera: { pose } }: TrackFrame, axis: 0 | 1 | 2): number =>
  toAngles(multiplyQuaternions(conjugate(pose.rotation), face.pose.rotation))[axis];
const place = (face: TrackedFace, { camera: { pose } }: TrackFrame, axis: 0 | 1): number =>
  toLocal(pose, face.pose.position)[axis];
const apart = ({ landmarks }: TrackedFace, a: number, b: number): number =>
  distance(pointAt(landmarks, a), pointAt(landmarks, b));

const READ: Readonly<Record<HeadSignal, (face: TrackedFace, frame: TrackFrame) => number>> = {
  pitch: (face, frame) => angle(face, frame, 0),
  yaw: (face, frame) => angle(face, frame, 1),
  roll: (face, frame) => angle(face, frame, 2),
  distance: (face, { camera: { pose } }) => distance(face.pose.position, pose.position),
  acrossX: (face, frame) => place(face, frame, 0),
  upY: (face, frame) => place(face, frame, 1),
  // The sides before the ears, the corners of the mouth, the inner edges of the lips.
  faceWidth: (face) => apart(face, 234, 454),
  mouthWidth: (face) => apart(face, 61, 291),
  mouthOpening: (face) => apart(face, 13, 14),
};

export const head = defineSignal({
  kind: 'head',
  name: 'Head',
  fields: { of: choice('What of the head', WORDS), face: faceNumber() },
  fresh: { face: 1, of: 'yaw' },
  words: ({ of, face }) => `head ${WORDS[of]}${ofFace(face)}`,
  measures: ({ of }) => (of === 'pitch' || of === 'yaw' || of === 'roll' ? 'angle' : 'length'),
  read: ({ of, face }, from) => {
    const found = from.face(face);
    return found ? READ[of](found, from.frame) : NaN;
  },
  needs: () => ['faces'],
  parts: {
    field: 'of',
    also: {
      pitch: 'nod up down',
      yaw: 'turns left right',
      roll: 'tilts leans',
      distance: 'near far away',
      mouthOpening: 'mouth open',
    },
  },
  gist: ({ of }) => of,
});
