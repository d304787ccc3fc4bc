/** Where a directional light comes from, as two angles that can be felt, and as the turn of its object. */
import type { Vec3 } from '../maths/vec3';
import type { Degrees } from '../units';

const toDegrees = 180 / Math.PI;

/** `side` 0 is from the viewer, 90 from the right, -90 from the left, 180 from behind; `height` 90 is from above. */
export interface LightAngles {
  readonly side: Degrees;
  readonly height: Degrees;
}

/** The unit vector that light comes from, of its angles in degrees: to the side, above. */
export const directionFrom = ({ side, height }: LightAngles): Vec3 => {
  const [a, e] = [side / toDegrees, height / toDegrees];
  return [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)];
};

/** Of a direction of length one. Straight above and below have no side: 0. */
export const anglesOf = ([x, y, z]: Vec3): LightAngles => ({
  side: Math.hypot(x, z) < 1e-6 ? 0 : Math.atan2(x, z) * toDegrees,
  height: Math.asin(Math.min(1, Math.max(-1, y))) * toDegrees,
});

/**
 * The turn (XYZ) that points the upward axis of an object there: light shines from where that axis points. Turned about
 * z, then about x: (0, 1, 0) goes to (-sin z, cos z cos x, cos z sin x).
 */
export const turnTowards = ([x, y, z]: Vec3): [Degrees, Degrees, Degrees] => [
  Math.atan2(z, y) * toDegrees,
  0,
  -Math.asin(Math.min(1, Math.max(-1, x))) * toDegrees,
];
