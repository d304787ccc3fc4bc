/**
 * Spreading: where the copies of an object go, on a ring, a line, a grid or over a surface, with steps from one copy
 * to the next and seeded jitter. Metres, degrees, seconds.
 */
import { Random } from '../maths/random';
import {
  anglesNear,
  multiplyQuaternions,
  fromAngles,
  fromAxisAngle,
  type Quaternion,
} from '../maths/quaternion';
import { quaternionFromAxes } from '../maths/matrix';
import { add, cross, length, normalise, pointAt, scale, subtract, type Vec3 } from '../maths/vec3';
import type { Degrees, Metres, Seconds } from '../units';
import type { Placed } from './local';

export type SpreadShape =
  | {
      readonly kind: 'ring';
      readonly radius: Metres;
      /** From one copy to the next. */
      readonly angle: Degrees;
      /** Turned with the ring, so that every copy shows its front outwards. */
      readonly outward: boolean;
      /** The ring lies flat, or stands like a wheel. */
      readonly about: 'y' | 'z';
    }
  | { readonly kind: 'line'; readonly step: Vec3 }
  | {
      readonly kind: 'grid';
      readonly columns: number;
      readonly gap: readonly [Metres, Metres];
      readonly upright: boolean;
    }
  | { readonly kind: 'surface'; readonly surface: TriangleSurface };

export interface TriangleSurface {
  /** x, y, z of each point, in the space of the spread. */
  readonly positions: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
}

export interface Steps {
  readonly turn: Vec3;
  /** Factor from one copy to the next. */
  readonly size: number;
  readonly delay: Seconds;
}
/** How far each copy may be off, to both sides. */
export interface Jitter {
  readonly move: Metres;
  readonly turn: Degrees;
  /** 0.2 is 20 per cent smaller to 20 per cent larger. */
  readonly size: number;
  readonly delay: Seconds;
}
export const NO_STEPS: Steps = { turn: [0, 0, 0], size: 1, delay: 0 };
export const NO_JITTER: Jitter = { move: 0, turn: 0, size: 0, delay: 0 };

export interface Spread {
  readonly count: number;
  readonly shape: SpreadShape;
  readonly steps: Steps;
  readonly jitter: Jitter;
  readonly seed: number;
}

export interface Copy extends Placed {
  readonly delay: Seconds;
}

interface Spot {
  readonly at: Vec3;
  readonly rotation: Quaternion;
}

const STILL: Quaternion = [0, 0, 0, 1];

const spotsOf = ({ count, shape, seed }: Spread): Spot[] => {
  const each = (make: (i: number) => Spot): Spot[] => Array.from({ length: count }, (_, i) => make(i));
  switch (shape.kind) {
    case 'ring':
      return each((i) => {
        const axis: Vec3 = shape.about === 'y' ? [0, 1, 0] : [0, 0, 1];
        const rotation = fromAxisAngle(axis, i * shape.angle);
        const a = (i * shape.angle * Math.PI) / 180;
        const at: Vec3 =
          shape.about === 'y'
            ? [shape.radius * Math.sin(a), 0, shape.radius * Math.cos(a)]
            : [-shape.radius * Math.sin(a), shape.radius * Math.cos(a), 0];
        return { at, rotation: shape.outward ? rotation : STILL };
      });
    case 'line':
      return each((i) => ({ at: add([0, 0, 0], scale(shape.step, i)), rotation: STILL }));
    case 'grid': {
      const columns = Math.max(1, Math.min(count, Math.round(shape.columns)));
      const rows = Math.ceil(count / columns);
      return each((i) => {
        const across = ((i % columns) - (columns - 1) / 2) * shape.gap[0];
        const down = (Math.floor(i / columns) - (rows - 1) / 2) * shape.gap[1];
        return { at: shape.upright ? [across, -down, 0] : [across, 0, down], rotation: STILL };
      });
    }
    case 'surface':
      return overSurface(shape.surface, count, seed);
  }
};

/** Spots spread over triangles by their area; +Z out of the surface. Empty for a surface without area. */
export const overSurface = (
  { positions, triangles }: TriangleSurface,
  count: number,
  seed: number,
): Spot[] => {
  const sums: number[] = [];
  const corner = (t: number, k: number): Vec3 => pointAt(positions, triangles[3 * t + k]!);
  let sum = 0;
  for (let t = 0; t < triangles.length / 3; t++) {
    const a = corner(t, 0);
    sum += length(cross(subtract(corner(t, 1), a), subtract(corner(t, 2), a))) / 2;
    sums.push(sum);
  }
  if (!(sum > 0)) return [];
  const chance = new Random(seed);
  const random = (): number => chance.next();
  return Array.from({ length: count }, (_, i): Spot => {
    // One in each equal share of the area, so that no part stays bare.
    const wanted = ((i + random()) / count) * sum;
    let t = sums.findIndex((s) => s >= wanted);
    if (t < 0) t = sums.length - 1;
    const [a, b, c] = [corner(t, 0), corner(t, 1), corner(t, 2)];
    // Even over a triangle: Osada et al., "Shape distributions", 2002, section 4.2.
    const r = Math.sqrt(random());
    const u = random();
    const at = add(add(scale(a, 1 - r), scale(b, r * (1 - u))), scale(c, r * u));
    const out = normalise(cross(subtract(b, a), subtract(c, a)));
    const up: Vec3 = Math.abs(out[1]) > 0.99 ? [0, 0, -1] : [0, 1, 0];
    const right = normalise(cross(up, out));
    return { at, rotation: quaternionFromAxes(right, cross(out, right), out) };
  });
};

/**
 * Where the copies go, in the space of the group that will hold them. `first` is the object that is spread: its turn
 * and size are kept, its place becomes the first spot.
 */
export const copiesOf = (spread: Spread, first: Placed): Copy[] => {
  // A stream of its own, so that jitter does not move the spots on a surface.
  const chance = new Random(spread.seed + 7919);
  const off = (much: number): number => chance.between(-much, much);
  const own = fromAngles(first.turn);
  // Angles run on from copy to copy: 180, 225, 270 and not 180, -135, -90.
  let before = first.turn;
  return spotsOf(spread).map(({ at, rotation }, i): Copy => {
    const { steps, jitter } = spread;
    const shaken: Vec3 = [off(jitter.move), off(jitter.move), off(jitter.move)];
    const turned: Vec3 = [off(jitter.turn), off(jitter.turn), off(jitter.turn)];
    const size = steps.size ** i * Math.max(0.05, 1 + off(jitter.size));
    const turn = multiplyQuaternions(
      rotation,
      multiplyQuaternions(
        own,
        fromAngles([
          steps.turn[0] * i + turned[0],
          steps.turn[1] * i + turned[1],
          steps.turn[2] * i + turned[2],
        ]),
      ),
    );
    before = anglesNear(turn, before);
    return {
      move: add(at, shaken),
      turn: before,
      scale: scale(first.scale, size),
      delay: Math.max(0, steps.delay * i + off(jitter.delay)),
    };
  });
};
