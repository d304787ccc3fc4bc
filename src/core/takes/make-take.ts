/** From a take as it is written down to its scene and its truth at every instant. */
import { composePoses, toLocal, toOuter, type Pose } from '../maths/pose';
import { IDENTITY, slerp } from '../maths/quaternion';
import { add, length, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import { projectPoint } from '../tracking/project';
import type {
  CameraState,
  LightEstimate,
  TrackedFace,
  TrackedHand,
  TrackedPicture,
  TrackFrame,
} from '../tracking/track-frame';
import type { Hex, Seconds, Unit } from '../units';
import { gestureOf } from '../hand/signs';
import { HAND_SHAPES, handLandmarks } from '../hand/skeleton';
import { trueLandmarks } from './head-mesh';
import { cameraOf } from './library/cameras';
import { performanceOf } from './library/performances';
import { performerOf } from './library/performers';
import { picturePathOf } from './library/picture-paths';
import { roomOf } from './library/rooms';
import { lightOf } from './lights';
import { marksOf } from './marks';
import { expressionsAt, handAt, headPoseAt, type Performance } from './performance';
import type { Person, SceneHand, SceneLight, ScenePicture, SceneState } from './scene';
import type { CastMember, Take, TakeSpec } from './take';

/** Takes are upright pictures. */
export const TAKE_ASPECT = 9 / 16;
/** A4, the shape of a picture nobody has chosen yet. */
export const DEFAULT_PICTURE_ASPECT = 1 / Math.SQRT2;

/** The neck gives way a little to what the head does. */
const NECK_GIVES = 0.18;
/** Ends of long hair, and how late and how far they follow. */
const HAIR_ENDS: Vec3 = [0, -0.09, -0.04];
const HAIR_LATE: Seconds = 0.14;
const HAIR_LOOSE = 0.45;
const HAIR_MOST = 0.03;

const modulo = (a: number, b: number): number => ((a % b) + b) % b;

/** A performance's own time: it runs a whole number of times in the take, so that the take loops. */
const ownTime = (performance: Performance, spec: TakeSpec, shift: Unit, time: Seconds): Seconds => {
  const rounds = Math.max(1, Math.round(spec.duration / performance.duration));
  return modulo((time / spec.duration) * rounds + shift, 1) * performance.duration;
};

const headAt = (member: CastMember, performance: Performance, time: Seconds): Pose =>
  composePoses({ position: member.place, rotation: IDENTITY }, headPoseAt(performance, time));

const hairLagAt = (head: Pose, before: Pose): Vec3 => {
  const lag = scale(subtract(toLocal(head, toOuter(before, HAIR_ENDS)), HAIR_ENDS), HAIR_LOOSE);
  const far = length(lag);
  // Soft limit: hair swings, it does not fly off.
  return far === 0 ? lag : scale(lag, (HAIR_MOST * Math.tanh(far / HAIR_MOST)) / far);
};

const isPresent = ({ present: [from, to] }: CastMember, share: Unit): boolean => share >= from && share < to;

interface Part {
  readonly id: number;
  readonly member: CastMember;
  readonly performance: Performance;
}

const personAt = ({ id, member, performance }: Part, spec: TakeSpec, time: Seconds): Person => {
  const own = ownTime(performance, spec, member.shift, time);
  const head = headAt(member, performance, own);
  const before = headAt(member, performance, ownTime(performance, spec, member.shift, time - HAIR_LATE));
  return {
    id,
    performer: performerOf(member.performer),
    head,
    body: { position: head.position, rotation: slerp(IDENTITY, head.rotation, NECK_GIVES) },
    expressions: expressionsAt(performance, own),
    hairLag: hairLagAt(head, before),
  };
};

const handsAt = ({ id, member, performance }: Part, spec: TakeSpec, time: Seconds): SceneHand[] =>
  (performance.hands ?? []).map((path, i) => {
    const { pose, bend } = handAt(path, ownTime(performance, spec, member.shift, time));
    return {
      id: 10 * id + i,
      side: path.side,
      performer: performerOf(member.performer),
      pose: { ...pose, position: add(member.place, pose.position) },
      bend,
      mug: path.mug === true,
    };
  });

/** The hand that holds a picture by its lower edge. */
const holdingHand = ({ pose, height }: ScenePicture): SceneHand => ({
  id: 90,
  side: 'right',
  performer: performerOf('marin'),
  pose: composePoses(pose, { position: [0.012, -height / 2 - 0.055, -0.0125], rotation: IDENTITY }),
  bend: HAND_SHAPES.hold,
  mug: false,
});

const pictureSize = (size: number, aspect: number): { width: number; height: number } =>
  aspect >= 1 ? { width: size, height: size / aspect } : { width: size * aspect, height: size };

const hexMix = (a: Hex, brightness: number): Hex =>
  `#${[1, 3, 5]
    .map((i) =>
      Math.round(Math.min(255, parseInt(a.slice(i, i + 2), 16) * Math.min(1, 0.5 + brightness / 2)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

const lightEstimate = ({ key, ambient }: SceneLight): LightEstimate => {
  const brightness = Math.min(1, (key.strength * 0.55 + ambient) / 3);
  return { direction: key.direction, colour: hexMix(key.colour, brightness), brightness };
};

const inPicture = (camera: CameraState, point: Vec3): boolean => {
  const seen = projectPoint(camera, camera.fovY, camera.aspect, point);
  return seen !== null && seen.every((v) => v > 0 && v < 1);
};

const NOSE_TIP: Vec3 = [0, -0.0046, 0.0759];

const faceOf = (person: Person): TrackedFace => {
  let landmarks: Float32Array | null = null;
  return {
    id: person.id,
    pose: person.head,
    // Behaviour does not look at landmarks, so running through a take need not compute them.
    get landmarks() {
      return (landmarks ??= trueLandmarks(person.performer, person.expressions));
    },
    expressions: person.expressions,
    confidence: 1,
  };
};

const trackedHand = (hand: SceneHand): TrackedHand => {
  const landmarks = handLandmarks(hand.bend, hand.side === 'left');
  return {
    id: hand.id,
    side: hand.side,
    pose: hand.pose,
    landmarks,
    gesture: hand.mug ? null : gestureOf(landmarks),
    confidence: 1,
  };
};

/** The four corners of a picture in the world, anticlockwise from the lower left. */
export const pictureCorners = ({
  pose,
  width,
  height,
}: Pick<ScenePicture, 'pose' | 'width' | 'height'>): Vec3[] =>
  [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([sx, sy]) => toOuter(pose, [(sx! * width) / 2, (sy! * height) / 2, 0]));

/** Past this tilt there is nothing left to see on a picture. */
const FLATTEST = Math.cos((82 * Math.PI) / 180);
const isSeen = (camera: CameraState, picture: ScenePicture): boolean => {
  const normal = subtract(toOuter(picture.pose, [0, 0, 1]), picture.pose.position);
  const towards = subtract(camera.pose.position, picture.pose.position);
  const facing = (normal[0] * towards[0] + normal[1] * towards[1] + normal[2] * towards[2]) / length(towards);
  return facing > FLATTEST && inPicture(camera, picture.pose.position);
};

export interface MakeOptions {
  /** Width over height of the creator's targets, in order. */
  readonly pictureAspects?: readonly number[];
}

/** Throws when the spec names a performer, performance, room, light, camera or picture path that is not there. */
export const makeTake = (spec: TakeSpec, { pictureAspects = [] }: MakeOptions = {}): Take => {
  const parts: readonly Part[] = spec.cast.map((member, i) => ({
    id: i + 1,
    member,
    performance: performanceOf(member.performance),
  }));
  const [room, light, camera] = [roomOf(spec.room), lightOf(spec.light), cameraOf(spec.camera)];
  const pictures = spec.pictures === null ? null : picturePathOf(spec.pictures);
  const performers = [...new Set(spec.cast.map((m) => performerOf(m.performer)))];

  const sceneAt = (time: Seconds): SceneState => {
    const t = modulo(time, spec.duration);
    const share = t / spec.duration;
    const here = parts.filter((p) => isPresent(p.member, share));
    const printed = (pictures?.at(share) ?? []).map((moment, i) => ({
      id: i + 1,
      ...moment,
      ...pictureSize(pictures!.size, pictureAspects[i] ?? DEFAULT_PICTURE_ASPECT),
    }));
    return {
      time,
      camera: { pose: camera.at(share), fovY: camera.fovY, aspect: TAKE_ASPECT },
      people: here.map((p) => personAt(p, spec, t)),
      hands: [
        ...here.flatMap((p) => handsAt(p, spec, t)),
        ...(pictures?.held && printed[0] ? [holdingHand(printed[0])] : []),
      ],
      pictures: printed,
      surfaces: room.surfaces,
      light: light.at(share),
    };
  };

  const frameAt = (time: Seconds): TrackFrame => {
    const scene = sceneAt(time);
    return {
      time,
      camera: scene.camera,
      faces: scene.people
        .filter((p) => inPicture(scene.camera, toOuter(p.head, NOSE_TIP)))
        .map((p) => faceOf(p)),
      hands: scene.hands
        .filter((h) => inPicture(scene.camera, toOuter(h.pose, [0, 0.08, 0])))
        .map((h) => trackedHand(h)),
      pictures: scene.pictures
        .filter((p) => isSeen(scene.camera, p))
        .map(({ id, pose, width, height, covered }): TrackedPicture => ({
          id,
          pose,
          width,
          height,
          confidence: 1 - covered,
        })),
      surfaces: scene.surfaces,
      light: lightEstimate(scene.light),
    };
  };
  let marks: Take['marks'] | null = null;
  return {
    id: spec.id,
    spec,
    name: spec.name,
    about: spec.about,
    goodFor: spec.goodFor,
    duration: spec.duration,
    performers,
    clip: null,
    sceneAt,
    frameAt,
    get marks() {
      return (marks ??= marksOf(spec.duration, frameAt));
    },
  };
};

/** Where a face's landmarks lie in a picture of this size: 478 x (x, y) pixels from the top left. */
export const landmarksInPicture = (
  camera: CameraState,
  face: TrackedFace,
  width: number,
  height: number,
): Float32Array => {
  const out = new Float32Array((face.landmarks.length / 3) * 2);
  for (let i = 0; i < face.landmarks.length / 3; i++) {
    const seen = projectPoint(
      camera,
      camera.fovY,
      width / height,
      toOuter(face.pose, pointAt(face.landmarks, i)),
    );
    out.set(seen ? [seen[0] * width, seen[1] * height] : [NaN, NaN], 2 * i);
  }
  return out;
};
