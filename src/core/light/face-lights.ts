/** Lights of an effect as they fall on faces: lamps and surroundings, beside the camera's light or instead of it. */
import type { AssetId, Light } from '../document/schema';
import { decomposeMatrix, positionOf, transformDirection, type Matrix } from '../maths/matrix';
import { toAngles } from '../maths/quaternion';
import { linearOf, rgbOf } from '../maths/srgb';
import { normalise, scale, type Vec3 } from '../maths/vec3';
import type { Degrees, Unit } from '../units';

/** A light object, and where it is. */
export interface LightPlace {
  readonly light: Light;
  readonly matrix: Matrix;
}

export interface FaceLamp {
  readonly kind: 'ambient' | 'directional' | 'point';
  /** Towards it (length one), or where it is, world; nothing of an ambient one. */
  readonly at: Vec3;
  /** Linear; what a white surface that faces it gives back, of a point light at one metre. */
  readonly colour: Vec3;
}
export interface FaceLights {
  /** The strongest ones. */
  readonly lamps: readonly FaceLamp[];
  readonly surroundings: {
    /** Null is the plain bright room. */
    readonly asset: AssetId | null;
    readonly strength: number;
    readonly turn: readonly [Degrees, Degrees, Degrees];
  } | null;
  /** Whether the light of the camera picture stays. */
  readonly camera: Unit;
}

/** Lamps that reach a face at once. */
export const MOST_LAMPS = 8;

/** As bright as the lights of everything else: see `stage/effect/effect-light.ts`. */
const KEY = 1.6 / Math.PI;
const AMBIENT = 1.2 / Math.PI;
const POINT = 1.6 * 0.09;

const strengthOf = ({ light, strength }: Light): number =>
  strength * (light === 'ambient' ? AMBIENT : light === 'point' ? POINT : KEY);

/** Those that reach faces; null where none does. */
export const faceLightsOf = (lights: readonly LightPlace[]): FaceLights | null => {
  const reaching = lights.filter(({ light }) => light.onFaces !== 'no');
  if (reaching.length === 0) return null;
  const around = reaching.find(({ light }) => light.light === 'surroundings');
  const lamps = reaching.flatMap(({ light, matrix }): FaceLamp[] => {
    if (light.light === 'surroundings') return [];
    const at: Vec3 =
      light.light === 'point'
        ? positionOf(matrix)
        : light.light === 'directional'
          ? normalise(transformDirection(matrix, [0, 1, 0]))
          : [0, 0, 0];
    return [{ kind: light.light, at, colour: scale(linearOf(rgbOf(light.colour)), strengthOf(light)) }];
  });
  const bright = ({ colour }: FaceLamp): number => Math.max(...colour);
  return {
    lamps: lamps.sort((a, b) => bright(b) - bright(a)).slice(0, MOST_LAMPS),
    surroundings: around
      ? {
          asset: around.light.asset,
          strength: around.light.strength,
          turn: toAngles(decomposeMatrix(around.matrix).rotation) as [Degrees, Degrees, Degrees],
        }
      : null,
    camera: reaching.some(({ light }) => light.onFaces === 'instead') ? 0 : 1,
  };
};
