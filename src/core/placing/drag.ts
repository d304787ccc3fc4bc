/** What a drag of the handles does to the objects that are selected, in the spaces they hang in. */
import type { EffectObject } from '../document/schema';
import {
  transformDirection,
  invertMatrix,
  transformPoint,
  decomposeMatrix,
  type Matrix,
} from '../maths/matrix';
import {
  anglesNear,
  multiplyQuaternions,
  fromAngles,
  conjugate,
  rotate,
  type Quaternion,
} from '../maths/quaternion';
import { add, multiply, scale, subtract, type Vec3 } from '../maths/vec3';
import { localMatrix, type Placed } from './local';

/** The change of the handles since they were taken hold of, in the space they are drawn in. */
export type Drag =
  | { readonly kind: 'move'; readonly by: Vec3 }
  | { readonly kind: 'turn'; readonly by: Quaternion; readonly about: Vec3 }
  /** `factors` along the object's own axes; several objects together grow evenly about a point. */
  | { readonly kind: 'size'; readonly factors: Vec3; readonly about: Vec3 };

export interface Held {
  readonly object: Pick<EffectObject, 'id' | 'move' | 'turn' | 'scale' | 'pivot'>;
  /** From the space it hangs in to the one the handles are in. */
  readonly base: Matrix;
  /** Where its pivot is seen now, when something moves it from where it is placed. */
  readonly seen?: Vec3;
}

/** The point of the handles' space that an object turns about. */
export const pivotPoint = ({ object, base }: Held): Vec3 => transformPoint(base, object.move);
/** The point at which its handles stand. */
const handlePoint = (held: Held): Vec3 => held.seen ?? pivotPoint(held);

/** Where the handles of several objects are: in the middle of their pivots. */
export const commonPoint = (held: readonly Held[]): Vec3 => {
  const sum = held.reduce<Vec3>((total, h) => add(total, handlePoint(h)), [0, 0, 0]);
  return held.length === 0 ? sum : scale(sum, 1 / held.length);
};

/** The object as the drag places it. `turnBefore` keeps angles running on instead of jumping. */
export const dragged = (
  { object, base }: Held,
  drag: Drag,
  alone: boolean,
  turnBefore: Vec3 = object.turn,
): Placed => {
  const { move, turn, scale: size } = object;
  const into = invertMatrix(base);
  if (!into) return { move, turn, scale: size };
  const moveTo = (point: Vec3): Vec3 => transformPoint(into, point);
  switch (drag.kind) {
    case 'move':
      return { move: add(move, transformDirection(into, drag.by)), turn, scale: size };
    case 'turn': {
      const outer = decomposeMatrix(base).rotation;
      const inBase = multiplyQuaternions(multiplyQuaternions(conjugate(outer), drag.by), outer);
      const rotation = multiplyQuaternions(inBase, fromAngles(turn));
      const from = pivotPoint({ object, base });
      return {
        move: alone ? move : moveTo(add(drag.about, rotate(drag.by, subtract(from, drag.about)))),
        turn: anglesNear(rotation, turnBefore),
        scale: size,
      };
    }
    case 'size': {
      if (alone) return { move, turn, scale: multiply(size, drag.factors) };
      const k = drag.factors[0];
      const from = pivotPoint({ object, base });
      return {
        move: moveTo(add(drag.about, scale(subtract(from, drag.about), k))),
        turn,
        scale: scale(size, k),
      };
    }
  }
};

/** The turn of the axes that handles show: the world's, those of what the object hangs in, or its own. */
export type AxesChoice = 'world' | 'parent' | 'own';
/** Which way the handles are turned. */
export const handleAxes = ({ object, base }: Held, axes: AxesChoice): Quaternion => {
  if (axes === 'world') return [0, 0, 0, 1];
  const outer = decomposeMatrix(base).rotation;
  return axes === 'parent' ? outer : multiplyQuaternions(outer, fromAngles(object.turn));
};

/** The pivot dragged by a way in the handles' space: nothing but the pivot is seen to change. */
export const draggedPivot = ({ object, base }: Held, by: Vec3): { pivot: Vec3; move: Vec3 } => {
  const into = invertMatrix(base);
  const local = localMatrix(object, object.pivot);
  const back = invertMatrix(local);
  if (!into || !back) return { pivot: object.pivot, move: object.move };
  const move = add(object.move, transformDirection(into, by));
  return { pivot: transformPoint(back, move), move };
};

/** How far apart snapped values lie: metres, degrees, factors. */
export interface SnapSteps {
  readonly move: number;
  readonly turn: number;
  readonly size: number;
}

/** Rounds what the drag has changed; the rest stays as it is. */
export const snapped = (placed: Placed, before: Placed, steps: SnapSteps): Placed => {
  const round = (value: Vec3, was: Vec3, step: number): Vec3 =>
    value.map((v, i) =>
      Math.abs(v - was[i]!) < 1e-7 || step <= 0 ? v : Math.round(v / step) * step,
    ) as unknown as Vec3;
  return {
    move: round(placed.move, before.move, steps.move),
    turn: round(placed.turn, before.turn, steps.turn),
    scale: round(placed.scale, before.scale, steps.size),
  };
};

/** Where handles stand for what is held: on the pivot of one object, in the middle of several. */
export const handlePlaceOf = (
  held: readonly Held[],
  axes: AxesChoice,
  { sizing, even }: { readonly sizing: boolean; readonly even: boolean },
): { readonly point: Vec3; readonly axes: Quaternion; readonly uneven: boolean } | null => {
  const [first] = held;
  if (!first) return null;
  const alone = held.length === 1;
  return {
    point: alone ? handlePoint(first) : commonPoint(held),
    // Sizes are an object's own affair: along other axes it would be sheared.
    axes: handleAxes(first, sizing && alone ? 'own' : axes),
    uneven: sizing && alone && !even,
  };
};
