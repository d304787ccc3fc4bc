/** Placing an object anew without moving it: in another group, on another anchor, about another pivot. */
import type { Anchor, EffectObject } from '../document/schema';
import {
  invertMatrix,
  transformPoint,
  multiplyMatrices,
  decomposeMatrix,
  type Matrix,
} from '../maths/matrix';
import { anglesNear } from '../maths/quaternion';
import type { Vec3 } from '../maths/vec3';
import { localMatrix, type Placed } from './local';

/** What to write down so that `local` is the object's matrix in the space it hangs in. */
export const placedFrom = (local: Matrix, pivot: Vec3, turnBefore: Vec3): Placed => {
  const { rotation, scale } = decomposeMatrix(local);
  return { move: transformPoint(local, pivot), turn: anglesNear(rotation, turnBefore), scale };
};

/** In another base an object that is now at `world`; where the base flattens everything, it stays as written. */
export const placedIn = (base: Matrix, world: Matrix, object: EffectObject): Placed => {
  const into = invertMatrix(base);
  return into ? placedFrom(multiplyMatrices(into, world), object.pivot, object.turn) : object;
};

/** The move that another pivot needs so that nothing is seen to change. */
export const moveForPivot = (object: EffectObject, pivot: Vec3): Vec3 =>
  transformPoint(localMatrix(object, object.pivot), pivot);

/** Whether poses can be carried from one anchor to the other: both lie around the same thing. */
export const sameSurroundings = (a: Anchor, b: Anchor): boolean => {
  const around = (anchor: Anchor): string =>
    anchor.kind === 'skin'
      ? 'head'
      : anchor.kind === 'picture'
        ? anchor.target
        : anchor.kind === 'hand'
          ? `hand ${anchor.hand}`
          : anchor.kind === 'world'
            ? anchor.surface
            : anchor.kind;
  return around(a) === around(b);
};
