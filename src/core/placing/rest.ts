/**
 * The effect at rest: every anchor lies at the origin of a space of its own, with a plain head, a floor, a wall and
 * each printed picture. Space shows it, and poses that have to be kept are measured in it.
 */
import { firstValues } from '../program/first-values';
import { compile, type Program } from '../program/program';
import {
  SURFACE_KINDS,
  type Anchor,
  type Effect,
  type EffectObject,
  type ObjectId,
} from '../document/schema';
import { MOST_FACES, MOST_HANDS } from '../schema/anchor-schema';
import { NEUTRAL_FACE } from '../face/neutral';
import { IDENTITY_MATRIX, type Matrix } from '../maths/matrix';
import { ORIGIN, type Pose } from '../maths/pose';
import { fromAxisAngle } from '../maths/quaternion';
import { REST_HAND } from '../hand/points';
import { faceFrame, type TrackedFace, type TrackedHand, type TrackFrame } from '../tracking/track-frame';
import { anchorPlaces, type Here } from './anchors';
import type { Presence } from './presence';
import { placesOf, within, type ObjectPlaces, type StateNow } from './places';

const restFace = (id: number): TrackedFace => ({
  id,
  pose: ORIGIN,
  landmarks: Float32Array.from(NEUTRAL_FACE),
  expressions: {},
  confidence: 1,
});

/** The wrist is the origin; the palm looks at the camera. */
const restHand = (id: number): TrackedHand => ({
  id,
  side: 'right',
  pose: ORIGIN,
  landmarks: REST_HAND,
  gesture: 'palm',
  confidence: 1,
});

/** Every head is the plain one, and every hand. The camera is far enough away that objects that look at it look along -Z. */
export const REST_FRAME: TrackFrame = {
  ...faceFrame(
    0,
    { pose: { position: [0, 0, 1], rotation: [0, 0, 0, 1] }, fovY: 40, aspect: 1 },
    Array.from({ length: MOST_FACES }, (_, i) => restFace(i + 1)),
  ),
  hands: Array.from({ length: MOST_HANDS }, (_, i) => restHand(i + 1)),
};

/** A wall whose upright picture plane is the plane of x and y. */
const WALL: Pose = { position: [0, 0, 0], rotation: fromAxisAngle([1, 0, 0], 90) };

/** A head at rest before the camera, with a floor, a table and a wall; for placing without a take. */
export const restHere = (program: Program, aspect = 9 / 16): Here => {
  const presence: Presence = {
    slots: REST_FRAME.faces.map((f) => f.id),
    hands: REST_FRAME.hands.map((h) => h.id),
    surfaces: Object.fromEntries(SURFACE_KINDS.map((kind) => [kind, kind === 'wall' ? WALL : ORIGIN])),
    pictures: Object.fromEntries(
      program.targets.map((t) => [t.id, { pose: ORIGIN, height: t.width, seen: true }]),
    ),
  };
  return { frame: REST_FRAME, presence, targets: program.targets, aspect };
};

/** Objects as the document places them, hidden ones too. `scene` null shows all scenes. */
export const restState = (program: Program, scene: string | null = null): StateNow => ({
  scene,
  byHand: () => null,
  values: (i) => ({ ...firstValues(program.effect, program.objects[i]!), visible: true }),
});

export interface Rest {
  readonly program: Program;
  readonly here: Here;
  readonly places: readonly ObjectPlaces[];
}

/** Where everything of an effect is at rest. */
export const restOf = (effect: Effect): Rest => {
  const program = compile(effect);
  const here = restHere(program);
  return { program, here, places: placesOf(program, restState(program), here) };
};

/** From an object's own space to the rest space of its anchor. */
export const restMatrix = ({ program, places }: Rest, id: ObjectId): Matrix => {
  const i = program.indexOf.get(id);
  return (i === undefined ? undefined : places[i]!.places[0]?.matrix) ?? IDENTITY_MATRIX;
};

/** From the space an object hangs in (its group, or its anchor) to the rest space. */
export const restBase = (rest: Rest, object: EffectObject): Matrix => {
  const i = rest.program.indexOf.get(object.id);
  const parent = i === undefined ? -1 : rest.program.parents[i]!;
  if (i === undefined || parent < 0) return anchorBase(rest, object.anchor);
  return within(rest.program, i, restMatrix(rest, rest.program.objects[parent]!.id));
};

/** Where an anchor is at rest; the origin where it is nowhere. */
export const anchorBase = ({ here }: Rest, anchor: Anchor): Matrix =>
  anchorPlaces(anchor, here)[0]?.matrix ?? IDENTITY_MATRIX;
