/** From what is written down about one object to its matrix in the space it hangs in. */
import type { EffectObject, LookAt } from '../document/schema';
import {
  column,
  composeMatrix,
  positionOf,
  multiplyMatrices,
  decomposeMatrix,
  translation,
  type Matrix,
} from '../maths/matrix';
import {
  multiplyQuaternions,
  fromAngles,
  fromAxisAngle,
  conjugate,
  rotate,
  type Quaternion,
} from '../maths/quaternion';
import { cross, length, normalise, subtract, type Vec3 } from '../maths/vec3';
import { quaternionFromAxes } from '../maths/matrix';

export interface Placed {
  readonly move: Vec3;
  readonly turn: Vec3;
  readonly scale: Vec3;
}

/** What the viewer did to an object by hand. */
export interface ByHand {
  /** In the space it hangs in. */
  readonly offset: Vec3;
  readonly factor: number;
  /** Degrees about the way up from what it stands on. */
  readonly twist: number;
}
export const UNTOUCHED: ByHand = { offset: [0, 0, 0], factor: 1, twist: 0 };

const away = (pivot: Vec3): Matrix => translation([-pivot[0], -pivot[1], -pivot[2]]);

/** Things stand up along +Y in the world, and come out along +Z of pictures, faces and screens. */
export const upAxis = (object: Pick<EffectObject, 'anchor'>): Vec3 =>
  object.anchor.kind === 'world' && object.anchor.surface !== 'wall' ? [0, 1, 0] : [0, 0, 1];

/** The pivot comes to lie on `move`; about it the object is turned and sized. */
export const localMatrix = (
  { move, turn, scale }: Placed,
  pivot: Vec3,
  hand: ByHand = UNTOUCHED,
  up: Vec3 = [0, 1, 0],
): Matrix => {
  let rotation = fromAngles(turn);
  if (hand.twist !== 0) rotation = multiplyQuaternions(fromAxisAngle(up, hand.twist), rotation);
  const placed = composeMatrix(
    hand === UNTOUCHED
      ? move
      : [move[0] + hand.offset[0], move[1] + hand.offset[1], move[2] + hand.offset[2]],
    rotation,
    hand.factor === 1 ? scale : [scale[0] * hand.factor, scale[1] * hand.factor, scale[2] * hand.factor],
  );
  return pivot[0] === 0 && pivot[1] === 0 && pivot[2] === 0 ? placed : multiplyMatrices(placed, away(pivot));
};

const AXES: Record<'x' | 'y' | 'z', Vec3> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };
const frontOf = (front: LookAt['front']): Vec3 => {
  const axis = AXES[front[1] as 'x' | 'y' | 'z'];
  return front[0] === '-' ? [-axis[0], -axis[1], -axis[2]] : axis;
};

/** Brings the front to +Z. */
const TO_Z: Record<LookAt['front'], Quaternion> = {
  '+z': [0, 0, 0, 1],
  '-z': fromAxisAngle([0, 1, 0], 180),
  '+x': fromAxisAngle([0, 1, 0], -90),
  '-x': fromAxisAngle([0, 1, 0], 90),
  '+y': fromAxisAngle([1, 0, 0], 90),
  '-y': fromAxisAngle([1, 0, 0], -90),
};

/** Turns an object, given in world space, about its pivot so that its front looks at the eye. */
export const lookingAt = (world: Matrix, pivot: Vec3, look: LookAt, eye: Vec3): Matrix => {
  const { rotation, scale } = decomposeMatrix(world);
  const at = positionOf(multiplyMatrices(world, [...away([-pivot[0], -pivot[1], -pivot[2]])]));
  const towards = subtract(eye, at);
  if (length(towards) < 1e-9) return world;
  let turned: Quaternion;
  if (look.about === 'any') {
    const out = normalise(towards);
    const up = normalise(
      column(composeMatrix([0, 0, 0], rotation, [1, 1, 1]), look.front[1] === 'y' ? 2 : 1),
    );
    const right = normalise(cross(up, out));
    // Seen straight from above there is no way up to keep.
    if (length(right) < 1e-6) return world;
    turned = multiplyQuaternions(quaternionFromAxes(right, cross(out, right), out), TO_Z[look.front]);
  } else {
    const axis = AXES[look.about];
    const front = frontOf(look.front);
    const wanted = rotate(conjugate(rotation), towards);
    const flat = (v: Vec3): Vec3 => subtract(v, [axis[0] * v[0], axis[1] * v[1], axis[2] * v[2]]);
    const [a, b] = [flat(front), flat(wanted)];
    if (length(a) < 1e-6 || length(b) < 1e-6) return world;
    const c = cross(a, b);
    const angle = Math.atan2(
      c[0] * axis[0] + c[1] * axis[1] + c[2] * axis[2],
      a[0] * b[0] + a[1] * b[1] + a[2] * b[2],
    );
    turned = multiplyQuaternions(rotation, fromAxisAngle(axis, (angle * 180) / Math.PI));
  }
  return multiplyMatrices(composeMatrix(at, turned, scale), away(pivot));
};
