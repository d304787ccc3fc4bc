/** Frames and effects that tests of placing share. */
import { blankEffect } from '../document/defaults';
import { newSolid } from '../kinds/objects/solid';
import type { Anchor, Effect, EffectObject, ObjectId, Target } from '../document/schema';
import { NEUTRAL_FACE } from '../face/neutral';
import { REST_HAND } from '../hand/points';
import { fromAngles, fromAxisAngle } from '../maths/quaternion';
import type { Pose } from '../maths/pose';
import type { Vec3 } from '../maths/vec3';
import type { TrackedFace, TrackedHand, TrackFrame } from '../tracking/track-frame';

export const id = (name: string): ObjectId => `obj_${name}` as ObjectId;

export const poseAt = (position: Vec3, angles: Vec3 = [0, 0, 0]): Pose => ({
  position,
  rotation: fromAngles(angles),
});

export const faceAt = (faceId: number, pose: Pose, factor = 1): TrackedFace => ({
  id: faceId,
  pose,
  landmarks: Float32Array.from(NEUTRAL_FACE, (x) => x * factor),
  expressions: {},
  confidence: 1,
});

/** An open right hand. */
export const handAt = (handId: number, pose: Pose, factor = 1): TrackedHand => ({
  id: handId,
  side: 'right',
  pose,
  landmarks: REST_HAND.map((x) => x * factor),
  gesture: 'palm',
  confidence: 1,
});

/** The camera in the origin, looking along -Z; a floor 1.3 m below it. */
export const frameOf = (more: Partial<TrackFrame> = {}): TrackFrame => ({
  time: 0,
  camera: { pose: poseAt([0, 0, 0]), fovY: 60, aspect: 9 / 16 },
  faces: [],
  hands: [],
  pictures: [],
  surfaces: [{ id: 1, kind: 'floor', pose: poseAt([0, -1.3, -2]), extent: [4, 4] }],
  light: null,
  ...more,
});

export const looksDown = (degrees: number, position: Vec3 = [0, 0, 0]): TrackFrame['camera'] => ({
  pose: { position, rotation: fromAxisAngle([1, 0, 0], -degrees) },
  fovY: 60,
  aspect: 9 / 16,
});

export const effectWith = (objects: readonly EffectObject[], targets: readonly Target[] = []): Effect => ({
  ...blankEffect('Placing'),
  objects: Object.fromEntries(objects.map((o) => [o.id, o])),
  targets: Object.fromEntries(targets.map((t) => [t.id, t])),
});

export const box = (name: string, anchor: Anchor, more: Partial<EffectObject> = {}): EffectObject =>
  ({ ...newSolid(id(name), 'box', 0, anchor), name, move: [0, 0, 0], ...more }) as EffectObject;
