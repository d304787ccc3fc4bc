/** What actions do to the values of their objects, at any moment of their course. */
import type { ActionOf } from '../document/schema';
import { eased } from '../maths/curve';
import {
  directionThrough,
  inverseMatrix,
  positionOf,
  throughMatrix,
  toParts,
  type Matrix,
} from '../maths/matrix';
import {
  compose,
  fromAngles,
  fromAxisAngle,
  inverse,
  rotate,
  slerp,
  toAngles,
  type Quaternion,
} from '../maths/quaternion';
import { lerp } from '../maths/scalar';
import { add, dot, length, mix, multiply, normalise, scale, subtract, ZERO, type Vec3 } from '../maths/vec3';
import { STEP, type Seconds } from '../units';
import { bounced, circled, followed, onSpring, shaken, swayed } from '../maths/motion';
import { mixedColour } from '../maths/mixed-colour';
import { readNumber, writeNumber } from '../kinds/numbers';
import { colourOf } from './object-now';
import { roundLength, type CompiledAction, type Program } from './program';
import type { Values } from '../kinds/values';

/** What an action needs to know of the world. Everything is of the step before, so that order does not matter. */
export interface World {
  readonly program: Program;
  /** From the space an object hangs in to the world's or the screen's; null when it is nowhere. */
  base(i: number): Matrix | null;
  /** Where an object is; null is nowhere. */
  positionOf(id: string): Vec3 | null;
  /** Where the viewer looks from; on the screen and behind people it has no place, but its axes. */
  readonly eye: { readonly position: Vec3; readonly rotation: Quaternion };
  isFlat(i: number): boolean;
}

/** What an action remembers from its beginning on: of followers where they are. */
export interface Carried {
  readonly offset: Vec3;
  readonly at: Vec3;
  readonly speed: Vec3;
}

/** Which round an action is in, and whether it is on its way there (or stays there) or back. */
export const progressOf = (
  { action, length: whole }: Pick<CompiledAction, 'action' | 'length'>,
  elapsed: Seconds,
): { round: number; forth: boolean; k: number } => {
  const once = roundLength(action);
  const end = action.thereAndBack ? 0 : 1;
  if (once === 0 || whole === 0) return { round: 0, forth: !action.thereAndBack, k: end };
  if (elapsed + 1e-9 >= whole)
    return { round: Math.round(whole / once) - 1, forth: !action.thereAndBack, k: end };
  const round = Math.floor((elapsed + 1e-9) / once);
  const inRound = Math.max(0, elapsed - round * once);
  const t = inRound / action.duration;
  return {
    round,
    forth: inRound + 1e-9 < action.duration,
    k: t <= 1 ? eased(action.easing, t) : eased(action.easing, 2 - t),
  };
};

const AXIS: Readonly<Record<'x' | 'y' | 'z', Vec3>> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };

/** A difference of rotation, any number of times round, as a share of it. */
const partOfTurn = (angles: Vec3, k: number): Quaternion => fromAngles(scale(angles, k));

const turned = (
  action: ActionOf<'turn'>,
  from: Vec3,
  k: number,
  rounds: number,
  i: number,
  world: World,
): Vec3 => {
  if (action.mode !== 'by') {
    const [a, b] = action.mode === 'to' ? [from, action.by] : [action.by, from];
    if (action.way === 'typed') return mix(a, b, k);
    if (k === 0) return a;
    return k === 1 ? b : toAngles(slerp(fromAngles(a), fromAngles(b), k));
  }
  if (action.axes === 'parent') return add(from, scale(action.by, k + rounds));
  const by = partOfTurn(action.by, k + rounds);
  if (action.axes === 'own') return toAngles(compose(fromAngles(from), by));
  // About the viewer's axes, seen from the space the object hangs in.
  const base = world.base(i);
  const here = world.isFlat(i) ? fromAngles(ZERO) : world.eye.rotation;
  const frame = compose(inverse(base ? toParts(base).rotation : fromAngles(ZERO)), here);
  return toAngles(compose(compose(frame, compose(by, inverse(frame))), fromAngles(from)));
};

const moved = (
  action: ActionOf<'move'>,
  from: Values,
  k: number,
  rounds: number,
  i: number,
  world: World,
): Vec3 => {
  let way: Vec3 = action.by;
  let to: Vec3 = action.by;
  if (action.axes === 'own') {
    way = rotate(fromAngles(from.turn), action.by);
    to = add(from.move, way);
  } else if (action.axes === 'viewer') {
    const base = world.base(i);
    const into = base ? inverseMatrix(base) : null;
    if (into) {
      const { position, rotation } = world.eye;
      const seen = world.isFlat(i) ? action.by : rotate(rotation, action.by);
      way = directionThrough(into, seen);
      to = throughMatrix(into, world.isFlat(i) ? action.by : add(position, seen));
    }
  }
  switch (action.mode) {
    case 'to':
      return mix(from.move, to, k);
    case 'from':
      return mix(to, from.move, k);
    case 'by':
      return add(from.move, scale(way, k + rounds));
  }
};

/** The middle of a circle in the space the object hangs in; null when it is nowhere. */
const middleOf = (action: ActionOf<'circle'>, i: number, world: World): Vec3 | null => {
  if (action.around === 'middle') return ZERO;
  const base = world.base(i);
  const into = base ? inverseMatrix(base) : null;
  const at =
    action.around === 'viewer'
      ? world.eye.position
      : action.object === null
        ? null
        : world.positionOf(action.object);
  return into && at ? throughMatrix(into, at) : null;
};

const followedPoint = (action: ActionOf<'follow'>, i: number, world: World): Vec3 | null => {
  const base = world.base(i);
  const into = base ? inverseMatrix(base) : null;
  const at = action.object === null ? world.eye.position : world.positionOf(action.object);
  return into && at ? throughMatrix(into, at) : null;
};

/** What an action has to remember when it begins; null for most. */
export const begun = (compiled: CompiledAction, from: Values, world: World): Carried | null => {
  const { action, target } = compiled;
  if (action.kind === 'circle') {
    const middle = middleOf(action, target, world) ?? ZERO;
    const axis = AXIS[action.axis];
    const away = subtract(from.move, middle);
    const along = scale(axis, dot(away, axis));
    const across = subtract(away, along);
    const far = length(across);
    const radius = action.radius ?? far;
    const out = far > 1e-9 ? scale(normalise(across), radius) : circled(action.axis, radius, 0);
    return { offset: add(along, out), at: from.move, speed: ZERO };
  }
  if (action.kind === 'follow') {
    const point = followedPoint(action, target, world);
    return { offset: point ? subtract(from.move, point) : ZERO, at: from.move, speed: ZERO };
  }
  return null;
};

/**
 * Brings the values to where the action is `elapsed` seconds after its delay. `from` is what they were when it began. Returns what
 * it carries on.
 */
export const act = (
  compiled: CompiledAction,
  values: Values,
  from: Values,
  carried: Carried | null,
  elapsed: Seconds,
  world: World,
): Carried | null => {
  const { action, target, amount } = compiled;
  const { round, forth, k: whole } = progressOf(compiled, elapsed);
  // A "by" action that does not come back goes on from where the last round ended.
  const rounds = (action.thereAndBack ? 0 : round) * amount;
  const k = whole * amount;
  const object = world.program.objects[target]!;
  switch (action.kind) {
    case 'show':
      values.visible = forth;
      return carried;
    case 'hide':
      values.visible = !forth;
      return carried;
    case 'toggle':
      values.visible = action.thereAndBack || round % 2 === 0 ? from.visible !== forth : from.visible;
      return carried;
    case 'fade':
      values.opacity = lerp(from.opacity, action.opacity, Math.min(1, Math.max(0, k)));
      return carried;
    case 'move':
      values.move = moved(action, from, k, rounds, target, world);
      return carried;
    case 'turn':
      values.turn = turned(action, from.turn, k, rounds, target, world);
      return carried;
    case 'size': {
      const wanted = scale(object.scale, action.factor);
      if (action.mode === 'to') values.scale = mix(from.scale, wanted, k);
      else if (action.mode === 'from') values.scale = mix(wanted, from.scale, k);
      else {
        const f = lerp(1, action.factor, k) * action.factor ** rounds;
        values.scale = multiply(from.scale, [f, f, f]);
      }
      return carried;
    }
    case 'pose':
      values.move = mix(from.move, action.move, k);
      values.scale = mix(from.scale, action.scale, k);
      values.turn =
        action.way === 'typed' || k === 0 || k === 1
          ? mix(from.turn, action.turn, k)
          : toAngles(slerp(fromAngles(from.turn), fromAngles(action.turn), k));
      return carried;
    case 'circle': {
      const middle = middleOf(action, target, world);
      if (!middle || !carried) return carried;
      const angle = 360 * (whole + (action.thereAndBack ? 0 : round)) * (action.clockwise ? -1 : 1);
      const about = fromAxisAngle(AXIS[action.axis], angle);
      values.move = add(middle, rotate(about, carried.offset));
      if (action.turns) values.turn = toAngles(compose(about, fromAngles(from.turn)));
      return carried;
    }
    case 'face':
      values.facing = true;
      return carried;
    case 'follow': {
      const point = followedPoint(action, target, world);
      if (!point || !carried) return carried;
      const wanted = add(point, carried.offset);
      const next = [0, 1, 2].map((axis) =>
        action.swings > 0
          ? onSpring(
              { at: carried.at[axis]!, speed: carried.speed[axis]! },
              wanted[axis]!,
              { swings: action.swings, damping: 0.35 },
              STEP,
            )
          : { at: followed(carried.at[axis]!, wanted[axis]!, action.lag, STEP), speed: 0 },
      );
      values.move = next.map((n) => n.at) as unknown as Vec3;
      return { ...carried, at: values.move, speed: next.map((n) => n.speed) as unknown as Vec3 };
    }
    case 'colour': {
      const own = from.colour ?? colourOf(object);
      if (own !== null) values.colour = mixedColour(own, action.colour, k);
      return carried;
    }
    case 'number': {
      const was = readNumber(object, from, action.property);
      if (was === null) return carried;
      const to = action.mode === 'to' ? lerp(was, action.value, k) : was + action.value * (k + rounds);
      writeNumber(object, values, action.property, to);
      return carried;
    }
    case 'flow':
      values.open = action.share * amount;
      return carried;
    default:
      return carried;
  }
};

/** How an action lies over the values while it runs, without changing what is beneath; null for those that change it. */
export const overlaid = (
  { action, amount, seed }: CompiledAction,
  elapsed: Seconds,
): { readonly move: Vec3; readonly turn: Vec3 } | null => {
  switch (action.kind) {
    case 'shake': {
      const by = shaken(elapsed, action.rate, seed);
      const angles = shaken(elapsed, action.rate, seed + 7919);
      return { move: scale(by, action.distance * amount), turn: scale(angles, action.angle * amount) };
    }
    case 'sway': {
      const rate = action.duration > 0 ? 1 / action.duration : 1;
      return { move: ZERO, turn: scale(AXIS[action.axis], action.angle * amount * swayed(elapsed, rate)) };
    }
    case 'bounce': {
      const rate = action.duration > 0 ? 1 / action.duration : 1;
      return { move: [0, action.height * amount * bounced(elapsed, rate), 0], turn: ZERO };
    }
    default:
      return null;
  }
};

/** The world from where everything was drawn from last. */
export const worldOf = (
  program: Program,
  baseOf: (i: number) => Matrix | null,
  placeOf: (i: number) => Matrix | null,
  eye: World['eye'],
  isFlat: (i: number) => boolean,
): World => ({
  program,
  base: baseOf,
  positionOf: (id) => {
    const i = program.indexOf.get(id as never);
    const matrix = i === undefined ? null : placeOf(i);
    return matrix && positionOf(matrix);
  },
  eye,
  isFlat,
});
